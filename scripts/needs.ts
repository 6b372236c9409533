// ./wide-lane needs: whether docs/needs.md tells of every need once, names only what is there, and what its states come to.

import { existsSync, readFileSync, writeFileSync } from "node:fs";
import path from "node:path";
import { readArgs } from "./args";

/** How many needs each list has; they are numbered from 1. */
const LISTS: Readonly<Record<string, number>> = { ST: 34, OP: 45, IN: 44, FR: 45, PA: 43, FU: 45, SV: 42, PL: 40, PP: 10, PT: 33, PR: 22 };
const STATES = ["FULL", "PART", "TEXT", "NONE"] as const;
type State = (typeof STATES)[number];

interface Row {
  id: string;
  title: string;
  state: string;
  where: string;
  test: string;
  missing: string;
}

export interface Checked {
  faults: string[];
  counts: Record<State, number>;
  /** The counts as they stand in the file's head. */
  head: string;
}

const BEGIN = "<!-- counts -->";
const END = "<!-- /counts -->";
const NONE = "–";

const rowsOf = (text: string): Row[] =>
  text
    .split("\n")
    .filter((l) => /^\| [A-Z]{2}-n\d+ \|/.test(l))
    .map((l) => {
      const [id = "", title = "", state = "", where = "", test = "", missing = ""] = l.replace(/^\| | \|$/g, "").split(" | ");
      return { id, title, state, where, test, missing };
    });

/** The files that a cell names, between backticks. */
const filesIn = (cell: string): string[] => [...cell.matchAll(/`([\w./-]+\.(?:tsx?|json|md|sql))`/g)].map((m) => m[1]);

/** What is wrong with the table. `there` tells whether a file exists. */
export function checkNeeds(text: string, there: (file: string) => boolean): Checked {
  const rows = rowsOf(text);
  const faults: string[] = [];
  const ids = rows.map((r) => r.id);
  for (const [list, most] of Object.entries(LISTS))
    for (let n = 1; n <= most; n++) if (!ids.includes(`${list}-n${n}`)) faults.push(`${list}-n${n} has no row`);
  for (const [i, id] of ids.entries()) {
    if (ids.indexOf(id) !== i) faults.push(`${id} has two rows`);
    const [list, n] = id.split("-n");
    if (!(Number(n) <= (LISTS[list] ?? 0))) faults.push(`${id} is none of the needs`);
  }
  const counts: Record<State, number> = { FULL: 0, PART: 0, TEXT: 0, NONE: 0 };
  for (const r of rows) {
    if (STATES.includes(r.state as State)) counts[r.state as State]++;
    else faults.push(`${r.id}: ${r.state || "an empty state"} is no state`);
    if (!r.title) faults.push(`${r.id} has no title`);
    for (const f of [...filesIn(r.where), ...filesIn(r.test)]) if (!there(f)) faults.push(`${r.id}: there is no ${f}`);
    if (r.state === "FULL" && !filesIn(r.test).length) faults.push(`${r.id} is FULL and names no test`);
    if ((r.state === "TEXT" || r.state === "NONE") && r.test !== NONE) faults.push(`${r.id} is ${r.state} and names a test`);
    if (r.state !== "FULL" && (r.missing === "" || r.missing === NONE))
      faults.push(`${r.id} is ${r.state} and does not say what is missing`);
  }
  const head = `${rows.length} needs: ${STATES.map((s) => `${counts[s]} ${s}`).join(", ")}.`;
  const written = text.slice(text.indexOf(BEGIN) + BEGIN.length, text.indexOf(END)).trim();
  if (written !== head) faults.push(`the head says "${written}", the rows come to "${head}": ./wide-lane needs --write`);
  return { faults, counts, head };
}

/** The text with the counts of its rows in its head. */
export const withCounts = (text: string, head: string): string =>
  `${text.slice(0, text.indexOf(BEGIN) + BEGIN.length)}\n${head}\n${text.slice(text.indexOf(END))}`;

export default async function needs(args: string[]): Promise<number> {
  const a = readArgs(args, [], ["write"], "./wide-lane needs [--write]");
  const file = path.join("docs", "needs.md");
  let text = readFileSync(file, "utf8");
  if (a.options.has("write")) {
    text = withCounts(text, checkNeeds(text, existsSync).head);
    writeFileSync(file, text);
  }
  const { faults, head } = checkNeeds(text, existsSync);
  for (const f of faults) console.error(f);
  console.log(head);
  return faults.length ? 1 : 0;
}
