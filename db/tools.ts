// The shared tools that the shipped library names, put into a new workshop: one of each, sound.

import { v7 } from "uuid";
import { library } from "@/core/library/library";
import { type Conn, insert } from "./pool";

/** `pieces` says of which tools there are more than one. */
export const insertTools = (c: Conn, pieces: Readonly<Record<string, number>> = {}): Promise<void> =>
  insert(
    c,
    "tool",
    [...new Set(library.flatMap((j) => j.tools ?? []))].sort().map((name) => ({ id: v7(), name, pieces: pieces[name] ?? 1 })),
  );
