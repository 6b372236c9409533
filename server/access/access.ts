// Who may reach what: the one table that every request is held against before anything else happens. What is not in it is refused.

import { findAction } from "../api";

/** `anyone`: also without signing in. `signed-in`: fitters too. */
export type Who = "anyone" | "signed-in" | "lead";

export interface Door {
  kind: "page" | "api" | "asset";
  who: Who;
  /** Most bytes that a body may have; 0: none may come. */
  bytes: number;
  /** It answers bit by bit, or takes long by its nature: no short time limit. */
  long?: boolean;
}

const KB = 1024;
const JSON_BYTES = 256 * KB;
/** A whole library, or a set-out sheet with many readings. */
const FILE_BYTES = 2048 * KB;
const PHOTO_BYTES = 25 * KB * KB + 10 * KB;

/** Pages by their path; * stands for an id. What a fitter may look at shows them only the vans that they work on (app/_views/state.ts). */
export const PAGES: Readonly<Record<string, Who>> = {
  "": "lead",
  builds: "lead",
  "builds/new": "lead",
  "builds/*": "signed-in",
  "builds/*/cards": "lead",
  "builds/*/client": "lead",
  lanes: "signed-in",
  "set-out": "signed-in",
  stores: "signed-in",
  proof: "lead",
  workshop: "lead",
  "workshop/library": "lead",
  card: "signed-in",
  account: "signed-in",
  "sign-in": "anyone",
};

/** Route handlers of their own, by method and path; every other path behind api/ is an act, which says itself who may. */
export const HANDLERS: Readonly<Record<string, Omit<Door, "kind">>> = {
  "POST api/session": { who: "anyone", bytes: 4 * KB },
  "DELETE api/session": { who: "anyone", bytes: KB },
  "GET api/pulse": { who: "signed-in", bytes: 0 },
  "GET api/find": { who: "lead", bytes: 0 },
  "GET api/lanes/*": { who: "signed-in", bytes: 0 },
  "GET api/stores/*": { who: "lead", bytes: 0 },
  "GET api/problem": { who: "lead", bytes: 0, long: true },
  "GET api/library": { who: "lead", bytes: 0 },
  "GET api/photos/*": { who: "signed-in", bytes: 0 },
  "POST api/shots/*/photo": { who: "signed-in", bytes: PHOTO_BYTES, long: true },
  "POST api/records/*/photo": { who: "signed-in", bytes: PHOTO_BYTES, long: true },
  "POST api/library/try": { who: "lead", bytes: FILE_BYTES, long: true },
  "POST api/plan/search": { who: "lead", bytes: 4 * KB, long: true },
  "POST api/plan/gain": { who: "lead", bytes: 4 * KB, long: true },
  "POST api/plan/chance": { who: "lead", bytes: KB, long: true },
};

const ASSETS = [/^_next\/static\/[\w@./~+-]+$/, /^icon\.svg$/];

const matches = (pattern: string, path: readonly string[]): boolean => {
  const parts = pattern === "" ? [] : pattern.split("/");
  return parts.length === path.length && parts.every((p, i) => p === path[i] || (p === "*" && path[i] !== ""));
};

/** Acts that take a file, or more than a form. */
const LARGE = new Set(["library/import", "builds/*/sheets"]);

/** The door for a request; undefined: there is nothing there. */
export function doorOf(method: string, path: readonly string[]): Door | undefined {
  const reads = method === "GET" || method === "HEAD";
  const plain = path.join("/");
  if (reads && ASSETS.some((a) => a.test(plain)) && !path.includes("..")) return { kind: "asset", who: "anyone", bytes: 0 };
  if (path[0] !== "api") {
    const page = reads ? Object.keys(PAGES).find((p) => matches(p, path)) : undefined;
    return page === undefined ? undefined : { kind: "page", who: PAGES[page], bytes: 0 };
  }
  const verb = method === "HEAD" ? "GET" : method;
  const handler = Object.keys(HANDLERS).find((h) => h.startsWith(`${verb} `) && matches(h.slice(verb.length + 1), path));
  if (handler) return { kind: "api", ...HANDLERS[handler] };
  const found = findAction(verb, path.slice(1));
  if (!found) return undefined;
  const { role, path: act } = found.action;
  // A plan, a preview and an import take as long as they take.
  return { kind: "api", who: role === "lead" ? "lead" : "signed-in", bytes: LARGE.has(act) ? FILE_BYTES : JSON_BYTES, long: true };
}

/** Whether somebody may pass; the status that says no. */
export function refusedAt(door: Door, role: "lead" | "fitter" | undefined): 401 | 403 | undefined {
  if (door.who === "anyone") return undefined;
  if (role === undefined) return 401;
  return door.who === "lead" && role !== "lead" ? 403 : undefined;
}
