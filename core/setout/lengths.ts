// Lengths as people write them: 1234, 123.4 cm, 48 1/2", 4' 3", and back.

import { InputError } from "../plan/fault";

const INCH = 25.4;

/**
 * Millimetres of a length as written. A bare number is mm. Throws InputError naming `field` when it is none.
 * Inches may have fractions (48 1/2", 3/8"), feet may stand before inches (4' 3 1/4").
 */
export function parseLength(text: string, field = "length"): number {
  const s = text.trim().replace(/,/g, ".").replace(/[″”]/g, '"').replace(/[′’]/g, "'").toLowerCase();
  const metric = /^(-?\d+(?:\.\d+)?)\s*(mm|cm|m)?$/.exec(s);
  if (metric) return Number(metric[1]) * { mm: 1, cm: 10, m: 1000 }[(metric[2] ?? "mm") as "mm" | "cm" | "m"];
  const imperial =
    /^(-)?(?:(\d+(?:\.\d+)?)\s*(?:'|ft))?\s*(?:(\d+(?:\.\d+)?)?(?:\s+|^|(?<=\d)-)?(?:(\d+)\s*\/\s*(\d+))?\s*(?:"|in))?$/.exec(s);
  const [, minus, feet, whole, top, bottom] = imperial ?? [];
  if (!imperial || (feet === undefined && whole === undefined && top === undefined) || Number(bottom) === 0)
    throw new InputError([{ path: field, message: `${text} is no length; write 1234, 123.4 cm, 48 1/2" or 4' 3"` }]);
  const inches = Number(feet ?? 0) * 12 + Number(whole ?? 0) + (top ? Number(top) / Number(bottom) : 0);
  return (minus ? -1 : 1) * inches * INCH;
}

/** Inches to the nearest sixteenth, the fraction in its lowest terms: 48 1/2". */
export function sayInches(mm: number): string {
  const sixteenths = Math.round((Math.abs(mm) / INCH) * 16);
  const whole = Math.floor(sixteenths / 16);
  let top = sixteenths % 16;
  let bottom = 16;
  while (top && top % 2 === 0) {
    top /= 2;
    bottom /= 2;
  }
  const fraction = top ? `${top}/${bottom}` : "";
  const words = [whole || !top ? String(whole) : "", fraction].filter(Boolean).join(" ");
  return `${mm < 0 && sixteenths ? "-" : ""}${words}"`;
}
