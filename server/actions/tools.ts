// Actions on the shared tools and machines of the workshop.

import { v7 } from "uuid";
import { MACHINE_MM } from "@/core/setout/time/machine-room/machine-room";
import { addTool, toolNamed } from "@/db/house/tools";
import { action, body, change, is } from "../action";
import { byField, editRow } from "../edits";
import { badField } from "../refusal";

const mm = { type: "integer", minimum: 100, maximum: 60_000 };
const money = { type: "number", minimum: 0, maximum: 100_000 };

interface Tool {
  name: string;
  pieces: number;
  state: string;
  note: string;
  held: boolean;
  opens?: string;
  closes?: string;
  hadFrom?: string;
  hadUntil?: string;
  floorMm?: number;
  lengthMm?: number;
  outfeedMm?: number;
  hourCost?: number;
}
const toolFields = {
  name: { ...is.name, maxLength: 60 },
  pieces: { type: "integer", minimum: 1, maximum: 50 },
  state: { type: "string", enum: ["sound", "blunt", "broken", "lent"] },
  note: { type: "string", maxLength: 200 },
  held: is.bool,
};
const toolOptional = {
  opens: is.clock,
  closes: is.clock,
  hadFrom: is.date,
  hadUntil: is.date,
  floorMm: mm,
  lengthMm: mm,
  outfeedMm: mm,
  hourCost: money,
};

/** Columns of a tool; hours and days that can't be are told apart by their fields. */
function toolRow(b: Tool) {
  if (b.opens === undefined && b.closes !== undefined) throw badField("opens", "is needed where it closes");
  if (b.opens !== undefined && b.closes === undefined) throw badField("closes", "is needed where it opens");
  if (b.opens !== undefined && b.closes! <= b.opens) throw badField("closes", "is not after it opens");
  if (b.hadFrom !== undefined && b.hadUntil !== undefined && b.hadUntil < b.hadFrom)
    throw badField("hadUntil", "lies before its first day");
  if (b.floorMm !== undefined && b.floorMm <= (b.lengthMm ?? MACHINE_MM))
    throw badField("floorMm", `is no longer than the machine (${b.lengthMm ?? MACHINE_MM} mm)`);
  return {
    name: b.name.trim(),
    pieces: b.pieces,
    state: b.state,
    note: b.note.trim(),
    held: b.held ? 1 : 0,
    opens: b.opens ?? null,
    closes: b.closes ?? null,
    had_from: b.hadFrom ?? null,
    had_until: b.hadUntil ?? null,
    floor_mm: b.floorMm ?? null,
    length_mm: b.lengthMm ?? null,
    outfeed_mm: b.outfeedMm ?? null,
    hour_cost: b.hourCost ?? null,
  };
}

export const toolActions = [
  action<Tool>({ method: "POST", path: "tools", role: "lead" }, body(toolFields, toolOptional), (b, { user }) =>
    change(user, async (x) => {
      if (await toolNamed(x.c, b.name.trim())) throw badField("name", "is there already");
      const id = v7();
      await addTool(x.c, { id, ...toolRow(b) });
      await x.event({ kind: "tool.added", entity: "tool", entityId: id, text: `${b.name.trim()} added` });
      await x.stale(`${b.name.trim()} added`);
      return { id };
    }),
  ),
  action<Tool & { version: number }>(
    { method: "PATCH", path: "tools/*", role: "lead" },
    body({ ...toolFields, version: is.version }, toolOptional),
    (b, { user, ids }) =>
      change(user, async (x) => {
        await editRow(x.c, "tool", b.name, ids[0], b.version, byField(toolRow(b)));
        await x.stale(`${b.name} changed`);
        await x.event({
          kind: "tool.changed",
          entity: "tool",
          entityId: ids[0],
          text: `${b.name} is ${b.state}${b.note ? `: ${b.note}` : ""}`,
        });
      }),
  ),
];
