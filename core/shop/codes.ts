// Codes of the shipped library's jobs that rules of the workshop hang on: in one place, so that a house that renames one
// finds it.

/** The van as it came. */
export const WEIGHED = "ST-02";
export const STRIPS = "ST-04";
export const LETTERING = "ST-05";
/** Cleans every zone. */
export const CLEANS = "ST-06";
/** Closes the strip. */
export const STRIP_CLOSES = "ST-07";
export const SEATS = "ST-08";
/** Where openings are marked out on the skin. */
export const MARKS_OUT = "OP-01";
export const RACK = "OP-10";
/** Clears the swarf everywhere. */
export const SWARF = "OP-12";
export const SOAK = "OP-13";
/** The boards of the floor are cut and fitted. */
export const FLOOR_BOARDS = "IN-05";
