// Acts on who may sign in: add somebody, give a code that is good once, rename, retire. Nobody but its owner ever knows a password.

import { hangsOnUser } from "@/core/workshop/builds/retiring";
import { addAudit, addUser, endSessionsOf, forgetDevices, leadIds, loginTaken, setReset, userById } from "@/db/access/users";
import { fitterInUse } from "@/db/house/house";
import { cleanCode, hashPassword, newCode } from "../access/password";
import { action, body, change, is } from "../action";
import { editRow } from "../edits";
import { badField, Refusal } from "../refusal";
import { slug } from "./builds";
import { retire } from "./retire";

/** So long a code waits to be used. */
const CODE_HOURS = 72;

export const userActions = [
  action<{ login: string; name: string; role: "lead" | "fitter"; fitterId?: string }>(
    { method: "POST", path: "users", role: "lead" },
    body(
      {
        login: { type: "string", pattern: "^[a-z0-9.-]{2,40}$" },
        name: is.name,
        role: { type: "string", enum: ["lead", "fitter"] },
      },
      { fitterId: is.id },
    ),
    async (b, { user }) => {
      const code = newCode();
      const codeHash = await hashPassword(cleanCode(code));
      return change(user, async (x) => {
        if (b.role === "fitter" && !b.fitterId) throw badField("fitterId", "say which fitter signs in");
        if (b.fitterId && !(await fitterInUse(x.c, b.fitterId))) throw badField("fitterId", "is no fitter of the workshop");
        if (await loginTaken(x.c, b.login)) throw badField("login", "is taken");
        const id = slug(b.login);
        await addUser(x.c, { id, login: b.login, name: b.name.trim(), role: b.role, fitterId: b.fitterId, codeHash, hours: CODE_HOURS });
        await x.event({ kind: "user.added", entity: "user", entityId: id, text: `${b.name} may sign in as ${b.role}` });
        await addAudit(x.c, { userId: user.id, kind: "role", text: `${user.name} added ${b.name.trim()} as ${b.role}` });
        return { id, code };
      });
    },
  ),
  action<{ version: number; name: string }>(
    { method: "PATCH", path: "users/*", role: "lead" },
    body({ version: is.version, name: is.name }),
    (b, { user, ids }) =>
      change(user, async (x) => {
        await editRow(x.c, "user", "The user", ids[0], b.version, { name: { column: "name", value: b.name.trim() } });
        await x.event({ kind: "user.changed", entity: "user", entityId: ids[0], text: `is now called ${b.name.trim()}` });
      }),
  ),
  // A code to be read out: with it, its owner chooses a password. The old password and the second factor are good no more.
  action<{ version: number }>(
    { method: "POST", path: "users/*/reset", role: "lead" },
    body({ version: is.version }),
    async (b, { user, ids }) => {
      const code = newCode();
      const codeHash = await hashPassword(cleanCode(code));
      return change(user, async (x) => {
        if (ids[0] === user.id) throw new Refusal(409, "Change your own password under Your account.");
        const who = await userById(x.c, ids[0]);
        if (!who) throw new Refusal(404, "There is no such user, or they are retired.");
        await editRow(x.c, "user", "The user", ids[0], b.version, { password: { column: "password_hash", value: "-", show: () => "…" } });
        await setReset(x.c, ids[0], codeHash, CODE_HOURS);
        await endSessionsOf(x.c, ids[0]);
        await forgetDevices(x.c, ids[0]);
        await x.event({ kind: "user.password", entity: "user", entityId: ids[0], text: `a sign-in code was made for ${who.name}` });
        await addAudit(x.c, { userId: user.id, kind: "password", text: `${user.name} made a sign-in code for ${who.name}` });
        return { code, hours: CODE_HOURS };
      });
    },
  ),
  retire("users", "user", "User", {
    check: async (x, id, user) => {
      const leads = await leadIds(x.c);
      if (leads.length === 1 && leads[0] === id) throw new Refusal(409, "This is the only lead: nobody could change anything any more.");
      await endSessionsOf(x.c, id);
      await forgetDevices(x.c, id);
      await addAudit(x.c, {
        userId: user.id,
        kind: "role",
        text: `${user.name} barred ${(await userById(x.c, id))?.name ?? id} from signing in`,
      });
    },
    hangs: async (x, id, shop, plan) => {
      const who = await userById(x.c, id);
      const leads = await leadIds(x.c);
      return who ? hangsOnUser(shop, plan, who, leads.filter((l) => l !== id).length) : [];
    },
  }),
];
