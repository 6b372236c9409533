// Signing in: who gets in, what slows down a guess, codes that are good once, the second factor, sessions that their owner ends.

import { Secret, TOTP } from "otpauth";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { auditLog, endSessionsOf, type User } from "@/db/access/users";
import { closePool, pool, rows, run } from "@/db/pool";
import { freshDatabase } from "@/db/testing";
import { firstRun } from "./access/first-run";
import { cookieName, setCookie, signOut, userOfToken } from "./access/session";
import { type From, type SignIn, signIn, signInDemo } from "./access/sign-in";
import { perform } from "./api";
import { Refusal } from "./refusal";
import { lead as leadOf } from "./testing";

const GOOD = "kettle plinth orbit mustard";
const NEXT = "walnut ferry daylight cog";
let lead: User = leadOf;
const at = (address: string, device?: string): From => ({ address, agent: "Test", device });
const enter = (ask: Partial<SignIn> & { login: string; password: string }, from: From) => signIn(ask, from);
const act = (path: string, body: unknown, user: User = lead) =>
  perform("POST", path.split("/"), body, user) as Promise<Record<string, string>>;
async function refused(work: Promise<unknown>): Promise<Refusal> {
  try {
    await work;
  } catch (e) {
    if (e instanceof Refusal) return e;
    throw e;
  }
  throw new Error("it was not refused");
}
async function token(login: string, password: string, from: From, more: Partial<SignIn> = {}) {
  const done = await enter({ login, password, ...more }, from);
  if ("ask" in done) throw new Error(`asked for ${done.ask}`);
  return done;
}
const quiet = () => run(pool(), "DELETE FROM sign_in_brake");

beforeAll(async () => {
  await freshDatabase();
  const { code } = (await firstRun("Test house", "Europe/Lisbon"))!;
  expect(await enter({ login: "lead", password: code }, at("1.1.1.1"))).toEqual({ ask: "password" });
  expect((await refused(enter({ login: "lead", password: code, chosen: "123456789012" }, at("1.1.1.1")))).message).toMatch(
    /^chosen: is too easy/,
  );
  expect((await refused(enter({ login: "lead", password: code, chosen: "short" }, at("1.1.1.1")))).message).toMatch(/at least 12/);
  const typed = ` ${code.toUpperCase().replaceAll("-", " ")}`;
  const { user } = await token("LEAD ", typed, at("1.1.1.1"), { chosen: GOOD });
  lead = user;
  // It was good once.
  expect((await refused(enter({ login: "lead", password: code, chosen: NEXT }, at("1.1.1.2")))).status).toBe(401);
});
afterAll(closePool);

describe("a session", () => {
  it("is opened by the right password and ended by signing out; neither token nor password is stored", async () => {
    const s = await token("lead", GOOD, at("2.2.2.1"));
    expect((await userOfToken(s.token))?.sessionId).toBeTruthy();
    const stored = JSON.stringify([await rows(pool(), "SELECT * FROM session"), await rows(pool(), "SELECT * FROM user")]);
    expect([stored.includes(s.token), stored.includes(GOOD), stored.includes("$argon2id$")]).toEqual([false, false, true]);
    await signOut(s.token);
    expect(await userOfToken(s.token)).toBeUndefined();
    for (const bad of [undefined, "", "made-up", "x".repeat(4000), "' OR 1=1"]) expect(await userOfToken(bad)).toBeUndefined();
  });
  it("is over when it has run out by the database's clock, or when its user is barred", async () => {
    const s = await token("lead", GOOD, at("2.2.2.2"));
    await run(pool(), "UPDATE session SET expires_at = UTC_TIMESTAMP() - INTERVAL 1 SECOND");
    expect(await userOfToken(s.token)).toBeUndefined();
  });
  it("is carried by a cookie that scripts can't read and other sites don't send; over https under a __Host- name", () => {
    const plain = new Headers({ host: "shop.lan:3200" });
    const secure = new Headers({ host: "shop.example", "x-forwarded-proto": "https" });
    expect([cookieName(plain), cookieName(secure)]).toEqual(["wide_lane", "__Host-wide_lane"]);
    expect(setCookie(cookieName(secure), "t", 60, secure)).toBe(
      "__Host-wide_lane=t; Path=/; Max-Age=60; HttpOnly; SameSite=Strict; Secure",
    );
    expect(setCookie("wide_lane", "t", 60, plain)).not.toContain("Secure");
  });
  it("is seen and ended by its owner, and by nobody else", async () => {
    const [a, b] = [await token("lead", GOOD, at("2.2.2.3")), await token("lead", GOOD, at("2.2.2.4"))];
    const [ua, ub] = [(await userOfToken(a.token))!, (await userOfToken(b.token))!];
    const { code } = await act("users", { login: "zoe", name: "Zoe", role: "lead" });
    const zoe = (await token("zoe", code, at("2.2.2.5"), { chosen: NEXT })).user;
    expect((await refused(act(`account/sessions/${ub.sessionId}/end`, {}, zoe))).status).toBe(404);
    await act(`account/sessions/${ub.sessionId}/end`, {}, ua);
    expect([await userOfToken(b.token), (await userOfToken(a.token))?.id]).toEqual([undefined, "lead"]);
    const c = await token("lead", GOOD, at("2.2.2.6"));
    await act("account/sessions/end-others", {}, ua);
    expect([await userOfToken(c.token), (await userOfToken(a.token))?.id]).toEqual([undefined, "lead"]);
  });
});

describe("a wrong try", () => {
  it("gets the same words whichever was wrong", async () => {
    await quiet();
    const words = async (login: string) => (await refused(enter({ login, password: "wrong" }, at("3.3.3.1")))).message;
    expect(await words("lead")).toBe(await words("nobody"));
  });
  it("makes the next one wait, longer each time, and locks nobody out for good", async () => {
    await quiet();
    const wait = async () => (await refused(enter({ login: "lead", password: "wrong" }, at("3.3.3.2")))).detail.wait as number | undefined;
    const waits: (number | undefined)[] = [];
    for (let i = 0; i < 9; i++) {
      waits.push(await wait());
      // Time passes, but for what is counted.
      await run(
        pool(),
        "UPDATE sign_in_brake SET open_at = LEAST(open_at, UTC_TIMESTAMP(3) + INTERVAL 60 SECOND) - INTERVAL 90 SECOND WHERE who LIKE 'pair%' AND ? % 2 = 1",
        [i],
      );
    }
    expect(waits.slice(0, 4)).toEqual([undefined, undefined, undefined, undefined]);
    expect(waits.filter((w) => w !== undefined).length).toBeGreaterThan(0);
    await run(pool(), "UPDATE sign_in_brake SET open_at = UTC_TIMESTAMP(3)");
    expect((await token("lead", GOOD, at("3.3.3.2"))).user.id).toBe("lead");
  });
  it("is counted before it is looked at: forty at once are four guesses", async () => {
    await quiet();
    const began = Date.now();
    const list = await Promise.all(
      Array.from({ length: 40 }, () => enter({ login: "lead", password: "wrong" }, at("3.3.3.3")).catch((e: Refusal) => e.status)),
    );
    // On a slow machine the first pauses are over before the last of them is asked: one guess more for each second.
    expect(list.filter((s) => s === 401).length).toBeLessThanOrEqual(5 + Math.floor((Date.now() - began) / 1000));
    expect(list.every((s) => s === 401 || s === 429)).toBe(true);
  });
  it("of somebody elsewhere does not keep the lead out, who is known here", async () => {
    await quiet();
    const { device } = await token("lead", GOOD, at("3.3.3.4"));
    for (let i = 0; i < 60; i++) await enter({ login: "lead", password: "wrong" }, at(`4.4.4.${i}`)).catch(() => undefined);
    for (let i = 0; i < 30; i++) await enter({ login: `guess${i}`, password: "wrong" }, at("3.3.3.4")).catch(() => undefined);
    expect((await refused(enter({ login: "lead", password: GOOD }, at("3.3.3.4")))).status).toBe(429);
    expect((await token("lead", GOOD, at("3.3.3.4", device))).user.id).toBe("lead");
    // Another's cookie helps nobody.
    expect((await refused(enter({ login: "zoe", password: NEXT }, at("3.3.3.4", device)))).status).toBe(429);
    await quiet();
  });
});

describe("a password", () => {
  it("is changed by its owner with the old one, which then ends all other sessions", async () => {
    await quiet();
    const [a, b] = [await token("lead", GOOD, at("5.5.5.1")), await token("lead", GOOD, at("5.5.5.2"))];
    const me = (await userOfToken(a.token))!;
    expect((await refused(act("account/password", { old: "wrong", next: NEXT }, me))).message).toMatch(/^old: is not your password/);
    for (const weak of ["aaaaaaaaaaaaaaa", "passwordpassword", "leadleadlead1", "qwertyuiop123"])
      expect((await refused(act("account/password", { old: GOOD, next: weak }, me))).message, weak).toMatch(/^next: is too easy/);
    await act("account/password", { old: GOOD, next: NEXT }, me);
    expect([(await userOfToken(a.token))?.id, await userOfToken(b.token)]).toEqual(["lead", undefined]);
    await act("account/password", { old: NEXT, next: GOOD }, me);
  });
  it("is replaced by a lead's code: the old one and all sessions end, and the code runs out", async () => {
    const zoe = await token("zoe", NEXT, at("5.5.5.3"));
    const [{ version }] = await rows<{ version: number }>(pool(), "SELECT version FROM user WHERE id = ?", [zoe.user.id]);
    const { code } = await act(`users/${zoe.user.id}/reset`, { version });
    expect(await userOfToken(zoe.token)).toBeUndefined();
    expect((await refused(enter({ login: "zoe", password: NEXT }, at("5.5.5.4")))).status).toBe(401);
    await run(pool(), "UPDATE user SET reset_until = UTC_TIMESTAMP() - INTERVAL 1 SECOND WHERE login = 'zoe'");
    expect((await refused(enter({ login: "zoe", password: code }, at("5.5.5.5")))).status).toBe(401);
    expect((await refused(act("users/lead/reset", { version: 1 }))).status).toBe(409);
  });
});

describe("the second factor", () => {
  it("is asked for once it is on; each code is good once", async () => {
    await quiet();
    await endSessionsOf(pool(), "lead");
    const me = (await userOfToken((await token("lead", GOOD, at("6.6.6.1"))).token))!;
    const { secret, picture } = await act("account/second/begin", {}, me);
    expect(picture).toContain("<svg");
    const code = (step = 0) => new TOTP({ secret: Secret.fromBase32(secret) }).generate({ timestamp: Date.now() + step * 30_000 });
    expect((await refused(act("account/second/confirm", { secret, code: "000000", password: GOOD }, me))).message).toMatch(/^code:/);
    await act("account/second/confirm", { secret, code: code(), password: GOOD }, me);
    expect(await enter({ login: "lead", password: GOOD }, at("6.6.6.2"))).toEqual({ ask: "code" });
    expect((await refused(enter({ login: "lead", password: GOOD, code: "123123" }, at("6.6.6.2")))).status).toBe(401);
    const good = code();
    expect((await token("lead", GOOD, at("6.6.6.3"), { code: good })).user.id).toBe("lead");
    expect((await refused(enter({ login: "lead", password: GOOD, code: good }, at("6.6.6.4")))).status).toBe(401);
    await act("account/second/off", { password: GOOD, code: code(1) }, me);
    expect((await token("lead", GOOD, at("6.6.6.5"))).user.id).toBe("lead");
  });
});

it("leaves no code and no trace of a password in what is kept of an act", async () => {
  await quiet();
  const made = (await perform("POST", ["users"], { login: "kim", name: "Kim", role: "lead" }, lead, undefined, "act-kept-0001")) as {
    code: string;
  };
  expect(made.code).toMatch(/-/);
  const [kept] = await rows<{ answer: string }>(pool(), "SELECT answer FROM act_answer WHERE id = 'act-kept-0001'");
  expect([kept.answer.includes(made.code), kept.answer.includes("code")]).toEqual([false, false]);
  // The same act again is not done again, and does not tell the code a second time.
  expect(
    await perform("POST", ["users"], { login: "kim", name: "Kim", role: "lead" }, lead, undefined, "act-kept-0001"),
  ).not.toHaveProperty("code");
  const change = (old: string, next: string, id: string) => perform("POST", ["account", "password"], { old, next }, lead, undefined, id);
  await change(GOOD, NEXT, "act-kept-0002");
  await change(NEXT, GOOD, "act-kept-0003");
  const hashes = await rows<{ request: string }>(pool(), "SELECT request FROM act_answer WHERE id IN ('act-kept-0002', 'act-kept-0003')");
  expect(new Set(hashes.map((h) => h.request)).size).toBe(1);
});

it("is written down where leads see it: who came, who was refused, who chose a password", async () => {
  const kinds = new Set((await auditLog(pool(), 500)).map((a) => a.kind));
  expect([...["signed-in", "signed-out", "refused", "password", "role", "second"]].filter((k) => !kinds.has(k))).toEqual([]);
  expect(JSON.stringify(await auditLog(pool(), 500))).not.toContain(GOOD);
});

it("offers people to click in the demo only", async () => expect((await refused(signInDemo("lead", at("7.7.7.7")))).status).toBe(403));
