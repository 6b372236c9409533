// A circuit that somebody added to the van.

import { circuitFaults, isDead } from "../../openings/circuits";
import { declared } from "./fields";
import { shape, someWords, text } from "./own";

/** A circuit that somebody added to the van. Closed: it is dead. */
export interface Circuit {
  source: string;
  /** Where its connector is, on which side of the van the line lies. */
  connector: string;
  side: "left" | "right" | "roof" | "floor" | "rear" | "nose";
  label?: string;
  end?: "unplugged" | "cut";
  insulated?: boolean;
  volts?: number;
  /** Led away from where the work is, live as it is. */
  routed?: boolean;
  note?: string;
}

export const CIRCUIT = declared<Circuit>({
  kind: "circuit",
  one: "An added circuit",
  many: "Added circuits",
  words: "added circuit",
  tab: "shell",
  intro: "",
  title: { label: "What it feeds", hint: "" },
  by: "any",
  // Its form is one of its own.
  fields: [],
  schema: shape(
    { source: someWords, connector: someWords, side: { type: "string", enum: ["left", "right", "roof", "floor", "rear", "nose"] } },
    {
      label: text,
      end: { type: "string", enum: ["unplugged", "cut"] },
      insulated: { type: "boolean" },
      volts: { type: "number", minimum: 0, maximum: 1000 },
      routed: { type: "boolean" },
      note: text,
    },
  ),
  says: () => "",
  tone: () => "none",
  logged: "circuit",
  overWord: "dead",
  faults: (d) => circuitFaults(d),
  over: (d, _closed, house) => isDead(house, d),
});
