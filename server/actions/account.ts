// Acts on one's own account: a new password, the second factor, the devices one is signed in on.

import QRCode from "qrcode";
import {
  addAudit,
  brake,
  endSessionById,
  endSessionsOf,
  forgetDevices,
  releaseBrake,
  secretsOf,
  setPassword,
  setSecond,
  type User,
} from "@/db/access/users";
import { pool, transaction } from "@/db/pool";
import { fits, hashPassword, judge, MOST_LENGTH } from "../access/password";
import { newSecret, stepOf, takesCode } from "../access/second-factor";
import { action, body, change } from "../action";
import { badField, Refusal } from "../refusal";

const password = { type: "string", minLength: 1, maxLength: MOST_LENGTH };
const code = { type: "string", minLength: 6, maxLength: 20 };

/** The account with its secrets, once the password that is in use was given; wrong ones slow down. */
async function proved(user: User, given: string, field: string) {
  const wait = await transaction((c) => brake(c, `own ${user.id}`, 4, 60));
  if (wait) throw new Refusal(429, `Too many wrong tries. Wait ${wait} seconds, then try again.`, { wait });
  const own = await secretsOf(pool(), user.id);
  if (!own || !(await fits(own.hash, given))) throw badField(field, "is not your password");
  await releaseBrake(pool(), `own ${user.id}`);
  return own;
}

export const accountActions = [
  action<{ old: string; next: string }>(
    { method: "POST", path: "account/password", role: "any" },
    body({ old: password, next: password }),
    async (b, { user }) => {
      const own = await proved(user, b.old, "old");
      judge(b.next, "next", [own.login, own.name]);
      if (b.next === b.old) throw badField("next", "is the one you have");
      const hashed = await hashPassword(b.next);
      return change(user, async (x) => {
        await setPassword(x.c, user.id, hashed);
        const ended = await endSessionsOf(x.c, user.id, user.sessionId);
        await addAudit(x.c, { userId: user.id, kind: "password", text: `${own.name} chose a new password` });
        return { ended };
      });
    },
  ),
  action<{ id: string }>({ method: "POST", path: "account/sessions/*/end", role: "any" }, body({}), (_b, { user, ids }) =>
    change(user, async (x) => {
      if (!(await endSessionById(x.c, user.id, ids[0]))) throw new Refusal(404, "That device is signed out already.");
      await addAudit(x.c, { userId: user.id, kind: "signed-out", text: `${user.name} signed another device out` });
    }),
  ),
  action({ method: "POST", path: "account/sessions/end-others", role: "any" }, body({}), (_b, { user }) =>
    change(user, async (x) => {
      const ended = await endSessionsOf(x.c, user.id, user.sessionId);
      await forgetDevices(x.c, user.id);
      await addAudit(x.c, { userId: user.id, kind: "signed-out", text: `${user.name} signed all other devices out` });
      return { ended };
    }),
  ),
  // A secret to be read by an authenticator; it counts once a code made with it has come back.
  action({ method: "POST", path: "account/second/begin", role: "lead" }, body({}), async (_b, { user }) => {
    const { secret, uri } = newSecret(user.login);
    return { secret, picture: await QRCode.toString(uri, { type: "svg", margin: 1 }) };
  }),
  action<{ secret: string; code: string; password: string }>(
    { method: "POST", path: "account/second/confirm", role: "lead" },
    body({ secret: { type: "string", pattern: "^[A-Z2-7]{32}$" }, code, password }),
    async (b, { user }) => {
      await proved(user, b.password, "password");
      if (stepOf(b.secret, b.code) === undefined) throw badField("code", "is not the one that this secret makes now");
      return change(user, async (x) => {
        await setSecond(x.c, user.id, b.secret);
        await endSessionsOf(x.c, user.id, user.sessionId);
        await addAudit(x.c, { userId: user.id, kind: "second", text: `${user.name} turned the second factor on` });
      });
    },
  ),
  action<{ password: string; code: string }>(
    { method: "POST", path: "account/second/off", role: "lead" },
    body({ password, code }),
    async (b, { user }) => {
      const own = await proved(user, b.password, "password");
      if (!own.secondSecret) throw new Refusal(409, "There is no second factor to turn off.");
      if (!(await takesCode(user.id, own.secondSecret, b.code))) throw badField("code", "is wrong, or was used already");
      return change(user, async (x) => {
        await setSecond(x.c, user.id, null);
        await addAudit(x.c, { userId: user.id, kind: "second", text: `${user.name} turned the second factor off` });
      });
    },
  ),
];
