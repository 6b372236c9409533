// What the server says when it will not do something: status, words, and what helps the page to explain it.

import type { Fault } from "@/core/plan/fault";

export class Refusal extends Error {
  readonly status: number;
  readonly detail: Record<string, unknown>;
  constructor(status: number, message: string, detail: Record<string, unknown> = {}) {
    super(message);
    this.name = "Refusal";
    this.status = status;
    this.detail = detail;
  }
}

/** Somebody else changed the row meanwhile; both values go back, so that nothing typed is lost. */
export class Stale extends Refusal {
  constructor(what: string, mine: Record<string, unknown>, theirs: Record<string, unknown>, version: number) {
    super(409, `${what} was changed by somebody else meanwhile`, { stale: true, mine, theirs, version });
  }
}

/** A field of a form is wrong. */
export const badField = (path: string, message: string): Refusal =>
  new Refusal(422, `${path}: ${message}`, { faults: [{ path, message }] satisfies Fault[] });
