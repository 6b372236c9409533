// The shared tools that the shipped library names, and places to dry, put into a new workshop: one of each, sound; more sets of what holds bonds.

import { v7 } from "uuid";
import { library } from "@/core/library/library";
import { DRYING_PLACE, HELD, HELD_PIECES } from "@/core/workshop/starts/tools";
import { type Conn, insert, rows } from "../pool";

/** `pieces` says of which tools there are more than one. */
export const insertTools = (c: Conn, pieces: Readonly<Record<string, number>> = {}): Promise<void> =>
  insert(
    c,
    "tool",
    [...new Set([...library.flatMap((j) => j.tools ?? []), DRYING_PLACE])].sort().map((name) => {
      const held = (HELD as readonly string[]).includes(name);
      return { id: v7(), name, pieces: pieces[name] ?? (held ? HELD_PIECES : 1), held };
    }),
  );

export const toolNamed = async (c: Conn, name: string): Promise<boolean> =>
  (await rows(c, "SELECT 1 FROM tool WHERE name = ?", [name])).length > 0;

export const addTool = (c: Conn, row: Record<string, unknown>): Promise<void> => insert(c, "tool", [row]);
