// Actions on the workshop's own library: edit a job, take one out, go back, import. Each makes a new version.

import { diffLibraries } from "@/core/library/check-library";
import { dropJob, putJob } from "@/core/library/edit-library";
import { type Entry, library, libraryFile, readLibraryFile } from "@/core/library/library";
import { lackingRoles } from "@/core/library/roles";
import { InputError } from "@/core/plan/fault";
import type { User } from "@/db/access/users";
import { addLibraryVersion, currentLibrary } from "@/db/house/library";
import { action, body, change, is } from "../action";
import { readLibraryInThread } from "../planning/plan-thread";
import { loadState } from "../planning/planning";
import { Refusal } from "../refusal";
import { allVersions, libraryInUse, libraryOf } from "../state/library";

const code = { type: "string", pattern: "^[A-Z]{2}-\\d{2}$" };

const another = (base: number, number: number) =>
  new Refusal(409, `The library was changed meanwhile: you edited version ${base}, version ${number} is in use. Load it and edit again.`);

/** The jobs of the version that was edited, as long as it is the one in use. */
async function inUse(base: number): Promise<Entry[]> {
  const now = await libraryInUse((await loadState()).now);
  if (now.number !== base) throw another(base, now.number);
  return now.jobs;
}

/** Tries the whole with many choices, off the main thread, and stores it as the next version where its base is still in use. */
async function store(user: User, base: number, was: readonly Entry[], jobs: Entry[], note: string): Promise<{ number: number }> {
  // What the version in use lacks already can be mended one after the other.
  const clean = await readLibraryInThread(libraryFile(jobs), lackingRoles(was));
  return change(user, async (x) => {
    const now = await currentLibrary(x.c, x.now);
    if (now.number !== base) throw another(base, now.number);
    const back = diffLibraries(library, clean).length === 0;
    const number = await addLibraryVersion(x.c, clean, back ? "shipped" : "workshop", note.slice(0, 300), x.now, user.id);
    await x.event({
      kind: "library.changed",
      entity: "library",
      entityId: String(number),
      text: `library version ${number}: ${note}`.slice(0, 500),
    });
    return { number };
  });
}

/** What a file would change against the version in use; tells how far the reading is. */
export async function tryLibrary(
  base: number,
  file: unknown,
  onTry: (p: { done: number; all: number }) => void,
  signal?: AbortSignal,
): Promise<{ diff: ReturnType<typeof diffLibraries> }> {
  const jobs = await inUse(base);
  return { diff: diffLibraries(jobs, await readLibraryInThread(file, [], onTry, signal)) };
}

export const libraryActions = [
  // The job as it shall be: in place of the one with its code, or new behind the last of its stage.
  action<{ base: number; job: Record<string, unknown>; note?: string; like?: string }>(
    { method: "POST", path: "library/jobs", role: "lead" },
    body({ base: is.version, job: { type: "object" } }, { note: is.text, like: code }),
    async (b, { user }) => {
      const jobs = await inUse(b.base);
      const [job] = readAlone(b.job, jobs);
      const there = jobs.some((j) => j.code === job.code);
      return store(user, b.base, jobs, putJob(jobs, job, b.like), b.note?.trim() || `${job.name} ${there ? "changed" : "added"}`);
    },
  ),
  action<{ base: number; code: string }>(
    { method: "POST", path: "library/remove", role: "lead" },
    body({ base: is.version, code }),
    async (b, { user }) => {
      const jobs = await inUse(b.base);
      const job = jobs.find((j) => j.code === b.code);
      if (!job) throw new Refusal(404, "There is no such job in the library.");
      return store(user, b.base, jobs, dropJob(jobs, b.code), `${job.name} taken out`);
    },
  ),
  // Back to the shipped entry of one job, or to an earlier version as a whole.
  action<{ base: number; code?: string; version?: number }>(
    { method: "POST", path: "library/restore", role: "lead" },
    body({ base: is.version }, { code, version: is.version }),
    async (b, { user }) => {
      const jobs = await inUse(b.base);
      if (b.code) {
        const shipped = library.find((j) => j.code === b.code);
        const next = jobs.filter((j) => j.code !== b.code);
        if (shipped) {
          const before = library.slice(0, library.indexOf(shipped)).map((j) => j.code);
          next.splice(next.findLastIndex((j) => before.includes(j.code)) + 1, 0, shipped);
        }
        return store(user, b.base, jobs, next, `${shipped?.name ?? b.code} as shipped`);
      }
      if (b.version === undefined) return store(user, b.base, jobs, [...library], "all as shipped");
      if (!(await allVersions()).some((v) => v.number === b.version)) throw new Refusal(404, "There is no such version.");
      return store(user, b.base, jobs, await libraryOf(b.version), `as in version ${b.version}`);
    },
  ),
  action<{ base: number; file: Record<string, unknown>; note?: string; dry?: boolean }>(
    { method: "POST", path: "library/import", role: "lead" },
    body({ base: is.version, file: { type: "object" } }, { note: is.text, dry: is.bool }),
    async (b, { user }) => {
      const jobs = await inUse(b.base);
      const next = await readLibraryInThread(b.file);
      const diff = diffLibraries(jobs, next);
      if (b.dry) return { diff };
      if (!diff.length) throw new Refusal(409, "The file holds what is in use already.");
      return store(user, b.base, jobs, next, b.note?.trim() || `imported, ${diff.length} jobs differ`);
    },
  ),
];

/** One job on its own, checked against the codes there are; faults are named by its own fields. */
function readAlone(job: Record<string, unknown>, jobs: readonly Entry[]): Entry[] {
  const { stage: _stage, ...own } = job;
  const others = jobs.filter((j) => j.code !== own.code);
  try {
    return readLibraryFile({ ...libraryFile(others), jobs: [own, ...libraryFile(others).jobs] });
  } catch (e) {
    if (!(e instanceof InputError)) throw e;
    throw new InputError(e.faults.map((f) => ({ ...f, path: f.path.replace(/^jobs\[0\](?: \([^)]*\))?\.?/, "") || "code" })));
  }
}
