// One action the server can do: who may, what it takes, what it does. The API dispatches to a list of these.

import { InputError, reader } from "@/core/plan/fault";
import { farFault } from "@/core/time/bounds";
import { type Zone, zoneOf } from "@/core/time/zone";
import { type User, userById } from "@/db/access/users";
import { addEvent, type EventInput } from "@/db/events";
import type { Conn } from "@/db/pool";
import { loadWorkshop } from "@/db/shop";
import { nowMinute } from "./clock";
import { markStale } from "./planning/planning";
import { badField, Refusal } from "./refusal";
import { writing } from "./writing";

export interface Context {
  user: User;
  /** Ids out of the path, in order. */
  ids: string[];
  signal?: AbortSignal;
}

export interface Action {
  method: "POST" | "PATCH" | "DELETE";
  /** Path behind /api/, with * where an id stands. */
  path: string;
  role: "lead" | "any";
  /** What its body has to look like. */
  schema: object;
  run(body: unknown, ctx: Context): Promise<unknown>;
}

/** Declares an action whose body follows a schema; a wrong body is answered with its fields. */
export function action<T>(
  head: Pick<Action, "method" | "path" | "role">,
  schema: object,
  run: (body: T, ctx: Context) => Promise<unknown>,
): Action {
  const read = reader<T>(schema);
  return {
    ...head,
    schema,
    run: (body, ctx) => {
      let clean: T;
      try {
        clean = read(body ?? {});
      } catch (e) {
        if (e instanceof InputError) throw new Refusal(422, sentence(e), { faults: e.faults });
        throw e;
      }
      return run(clean, ctx);
    },
  };
}

/** So many faults are said in words; all of them come with the answer. */
const SAID = 8;

export const sentence = (e: InputError): string => {
  const said = e.faults.slice(0, SAID).map((f) => `${f.path} ${f.message}`);
  return [...said, ...(e.faults.length > SAID ? [`and ${e.faults.length - SAID} more`] : [])].join("; ").slice(0, 2000);
};

/** Object schema with everything known; `optional` fields may be missing. */
export const body = (required: Record<string, object>, optional: Record<string, object> = {}) => ({
  type: "object",
  additionalProperties: false,
  required: Object.keys(required),
  properties: { ...required, ...optional },
});

export const is = {
  id: { type: "string", minLength: 1, maxLength: 120 },
  name: { type: "string", minLength: 1, maxLength: 120, pattern: "\\S" },
  text: { type: "string", maxLength: 1000 },
  words: { type: "string", minLength: 1, maxLength: 500, pattern: "\\S" },
  bool: { type: "boolean" },
  count: { type: "integer", minimum: 0, maximum: 100_000 },
  version: { type: "integer", minimum: 1 },
  local: { type: "string", format: "local-time" },
  date: { type: "string", format: "day" },
  clock: { type: "string", pattern: "^(([01]\\d|2[0-3]):[0-5]\\d|24:00)$" },
  ids: { type: "array", items: { type: "string", minLength: 1, maxLength: 120 }, maxItems: 50, uniqueItems: true },
};

export interface Change {
  c: Conn;
  zone: Zone;
  now: number;
  /** Writes the event of this change. */
  event(e: Omit<EventInput, "userId">): Promise<void>;
  /** Says that the plan has to know. */
  stale(why: string): Promise<void>;
}

/** One change of state: a transaction with its event. Whoever was barred or given another role meanwhile is refused. */
export function change<T>(user: User, work: (x: Change) => Promise<T>): Promise<T> {
  return writing(async (c, act) => {
    const workshop = await loadWorkshop(c);
    if (!workshop) throw new Refusal(409, "There is no workshop yet.");
    const still = await userById(c, user.id);
    if (still?.role !== user.role) throw new Refusal(401, "Your sign-in has changed. Sign in again.");
    const zone = zoneOf(workshop.zone);
    const now = nowMinute(zone);
    return work({
      c,
      zone,
      now,
      event: (e) => addEvent(c, now, { userId: user.id, ...e }, act),
      stale: (why) => markStale(c, why),
    });
  });
}

/** A wall time from a form as an instant; a clear fault when it is none, or lies further away than anybody plans. */
export function instant({ zone, now }: { zone: Zone; now: number }, text: string, field: string): number {
  const t = zone.parse(text);
  if (Number.isNaN(t)) throw badField(field, "is no date and time");
  const far = farFault(t, now);
  if (far) throw badField(field, far);
  return t;
}
