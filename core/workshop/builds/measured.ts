// The van of a build as it was measured, by what the house lets two readings differ.

import type { Geometry } from "../../van/model";
import { asMeasured, type ReadingLimits } from "../../van/readings";
import { figure, type House } from "../state/house-figures";
import type { BuildRow } from "../state/model";

/** How far a reading may be off, as this house has it; mm. */
export const readingLimits = (of: House): ReadingLimits => ({
  differs: figure(of, "readingDiffers"),
  agree: figure(of, "readingsAgree"),
});

/** The template with what was really measured of this build's van in its place. */
export const measuredVan = (g: Geometry, build: Pick<BuildRow, "readings" | "figures">): Geometry =>
  asMeasured(g, build.readings, readingLimits(build));
