// Factory fasteners, seams and plugs that pass the shell, by type of van: looked at on each before it is insulated.

import { reader } from "../plan/fault";
import data from "./leaks.json";

export interface ShippedPoint {
  side: "roof" | "left" | "right" | "rear" | "floor";
  title: string;
  place: string;
}

const words = { type: "string", minLength: 3, maxLength: 120 } as const;

const read = reader<Record<string, ShippedPoint[]>>({
  type: "object",
  additionalProperties: {
    type: "array",
    items: {
      type: "object",
      additionalProperties: false,
      required: ["side", "title", "place"],
      properties: { side: { type: "string", enum: ["roof", "left", "right", "rear", "floor"] }, title: words, place: words },
    },
  },
});

const points = read(data);

/** Points of a type of van as it ships; none for a type that the house added. */
export const shippedPoints = (vanId: string): readonly ShippedPoint[] => points[vanId] ?? [];
