// Passwords and codes: hashed, judged, made. A password is good when guessing it takes long, whatever signs it is made of.

import { randomInt } from "node:crypto";
import { hash, verify } from "@node-rs/argon2";
import { ZxcvbnFactory } from "@zxcvbn-ts/core";
import * as common from "@zxcvbn-ts/language-common";
import * as english from "@zxcvbn-ts/language-en";
import { badField, Refusal } from "../refusal";

export const LEAST_LENGTH = 12;
export const MOST_LENGTH = 200;
/** Of 0 to 4: 3 withstands somebody who has stolen the table of hashes for a good while. */
const GOOD_SCORE = 3;

/** argon2id with the library's parameters for interactive use. */
export const hashPassword = (password: string): Promise<string> =>
  bounded(() => hash(password, { memoryCost: 19_456, timeCost: 2, parallelism: 1 }));

/** Whether a password belongs to a hash; the hash "-" belongs to none, and takes as long. */
export async function fits(hashed: string | undefined | null, password: string): Promise<boolean> {
  nobody ??= hash("nobody's password", { memoryCost: 19_456, timeCost: 2, parallelism: 1 });
  const known = hashed?.startsWith("$argon2") ? hashed : undefined;
  const against = known ?? (await nobody);
  const good = await bounded(() => verify(against, password).catch(() => false));
  return good && known !== undefined;
}

let nobody: Promise<string> | undefined;

/** Each hash takes 19 MB and a core for a while: a few at once, the others wait, and a crowd is sent away. */
const AT_ONCE = 2;
const MOST_WAITING = 40;
const queue: (() => void)[] = [];
let running = 0;

async function bounded<T>(work: () => Promise<T>): Promise<T> {
  if (running >= AT_ONCE) {
    if (queue.length >= MOST_WAITING) throw new Refusal(503, "Too many are signing in at this moment. Try again in a few seconds.");
    await new Promise<void>((go) => queue.push(go));
  } else running++;
  try {
    return await work();
  } finally {
    const next = queue.shift();
    if (next) next();
    else running--;
  }
}

let meter: ZxcvbnFactory | undefined;

/** Refuses a password that is too easy to guess, and says how to make it better. `about`: names that must not carry it. */
export function judge(password: string, field: string, about: readonly string[]): void {
  if ([...password].length < LEAST_LENGTH) throw badField(field, `has to have at least ${LEAST_LENGTH} characters`);
  meter ??= new ZxcvbnFactory({
    dictionary: { ...common.dictionary, ...english.dictionary },
    graphs: common.adjacencyGraphs,
    translations: english.translations,
    maxLength: MOST_LENGTH,
  });
  const { score, feedback } = meter.check(password, [...about]);
  if (score >= GOOD_SCORE) return;
  const why = [feedback.warning, ...feedback.suggestions].filter(Boolean).join(" ");
  throw badField(field, `is too easy to guess. ${why || "Use a few more words that have nothing to do with each other."}`);
}

/** Letters and digits that nobody mixes up when they are read out. */
const SIGNS = "abcdefghjkmnpqrstuvwxyz23456789";

/** A code to be read out once: three groups of five, about 74 bits. */
export const newCode = (): string =>
  Array.from({ length: 3 }, () => Array.from({ length: 5 }, () => SIGNS[randomInt(SIGNS.length)]).join("")).join("-");

/** A code as it was typed: case, spaces and dashes don't count. */
export const cleanCode = (typed: string): string => typed.toLowerCase().replace(/[^a-z0-9]/g, "");
