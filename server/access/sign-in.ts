// Signing in: by password, by a code that is good once, by a click in the demo. Wrong tries slow down whoever makes them.

import {
  addAudit,
  brake,
  endSessionsOf,
  knowsDevice,
  releaseBrake,
  rememberDevice,
  setPassword,
  type User,
  userById,
  userByLogin,
} from "@/db/access/users";
import { pool, transaction } from "@/db/pool";
import { loadWorkshop } from "@/db/shop";
import { body, is } from "../action";
import { Refusal } from "../refusal";
import { cleanCode, fits, hashPassword, judge, MOST_LENGTH } from "./password";
import { takesCode } from "./second-factor";
import { begin, newToken, tokenHash } from "./session";

export interface SignIn {
  login?: string;
  password?: string;
  /** Of the second factor. */
  code?: string;
  /** The password of one's own that takes the place of a code that is good once. */
  chosen?: string;
  demoUser?: string;
}

export const signInSchema = body(
  {},
  {
    login: { type: "string", minLength: 1, maxLength: 60 },
    password: { type: "string", minLength: 1, maxLength: MOST_LENGTH },
    code: { type: "string", maxLength: 20 },
    chosen: { type: "string", maxLength: MOST_LENGTH },
    demoUser: is.id,
  },
);

export interface From {
  address: string;
  agent: string;
  /** The token of the device's own cookie, where it has one. */
  device?: string;
}

export type SignedIn =
  | { token: string; device: string; user: User }
  /** What is still asked for: the six digits of the second factor, or a password of one's own. */
  | { ask: "code" | "password" };

/** Tries before each one waits longer, and the longest wait in seconds: of one login from one place, of a place, of a login from anywhere. */
const PAIR = { free: 4, most: 60 };
const PLACE = { free: 25, most: 30 };
const LOGIN = { free: 40, most: 15 };

/** Signs in by password or code. The same words, and as long a wait, whichever was wrong. */
export async function signIn(ask: SignIn & { login: string; password: string }, from: From): Promise<SignedIn> {
  const login = ask.login.trim().toLowerCase();
  const user = await userByLogin(pool(), login);
  const known = from.device !== undefined && user !== undefined && (await knowsDevice(pool(), tokenHash(from.device), user.id));
  // Somebody else's wrong tries don't slow down a browser that this person has signed in from before.
  const brakes = known
    ? [{ who: `device ${tokenHash(from.device!).slice(0, 24)} ${login}`, ...PAIR }]
    : [
        { who: `pair ${from.address} ${login}`, ...PAIR },
        { who: `place ${from.address}`, ...PLACE },
        { who: `login ${login}`, ...LOGIN },
      ];
  const wait = await transaction(async (c) => {
    for (const b of brakes) {
      const seconds = await brake(c, b.who, b.free, b.most);
      if (seconds) return seconds;
    }
    return 0;
  });
  if (wait) throw new Refusal(429, `Too many wrong tries. Wait ${wait} ${wait === 1 ? "second" : "seconds"}, then try again.`, { wait });
  const byPassword = await fits(user?.hash, ask.password);
  const byCode = !byPassword && !!user?.resetOpen && (await fits(user.resetHash, cleanCode(ask.password)));
  if (!user || !(byPassword || byCode)) {
    await addAudit(pool(), {
      userId: user?.id ?? null,
      kind: "refused",
      text: `wrong name or password for ${login}`,
      address: from.address,
    });
    throw new Refusal(401, "Name or password is wrong.");
  }
  if (byCode) {
    if (!ask.chosen) return { ask: "password" };
    judge(ask.chosen, "chosen", [user.login, user.name]);
    const hashed = await hashPassword(ask.chosen);
    await transaction(async (c) => {
      await setPassword(c, user.id, hashed);
      await endSessionsOf(c, user.id);
    });
    await addAudit(pool(), { userId: user.id, kind: "password", text: `${user.name} chose a password`, address: from.address });
  } else if (user.secondSecret) {
    if (!ask.code) return { ask: "code" };
    if (!(await takesCode(user.id, user.secondSecret, ask.code))) {
      await addAudit(pool(), { userId: user.id, kind: "refused", text: `wrong code for ${login}`, address: from.address });
      throw new Refusal(401, "That code is wrong, or was used already. Wait for the next one.");
    }
  }
  for (const b of brakes) if (!b.who.startsWith("place") && !b.who.startsWith("login")) await releaseBrake(pool(), b.who);
  const device = known ? from.device! : newToken();
  await rememberDevice(pool(), tokenHash(device), user.id);
  return { token: await begin(user, from), device, user };
}

/** Signs in as one of the demo's people; only where the database holds the demo. */
export async function signInDemo(userId: string, from: From): Promise<SignedIn> {
  const workshop = await loadWorkshop(pool());
  const user = workshop?.demo ? await userById(pool(), userId) : undefined;
  if (!user) throw new Refusal(403, "This is only for the demo.");
  return { token: await begin(user, from), device: from.device ?? newToken(), user };
}
