// The papers of a build against a real MariaDB: who may write them, what waits for them, what the server keeps of them.

import sharp from "sharp";
import { beforeAll, describe, expect, it } from "vitest";
import { DEFAULT_OPTIONS } from "@/core/library/options";
import { penetrationsIn } from "@/core/workshop/openings/holes";
import type { HotWork } from "@/core/workshop/records/kinds/hot-work";
import type { RecordKind } from "@/core/workshop/records/kinds/kinds";
import { entriesOf } from "@/core/workshop/records/kinds/of";
import { obstacles } from "@/core/workshop/starts/ready";
import { toProblem } from "@/core/workshop/state/problem";
import type { User } from "@/db/access/users";
import { loadDelays } from "@/db/planning/delays";
import { insert, pool, rows, run } from "@/db/pool";
import { loadShop } from "@/db/shop";
import { perform } from "./api";
import { addRecordPhoto } from "./proof/photos";
import { house, lead, pathsOf, post, refused } from "./testing";

let ines: User;
let teo: User;
let id = "";
const buildNow = async () => (await loadShop(pool())).builds.find((b) => b.id === id)!;
const jobNow = async (code: string) => (await buildNow()).jobs.find((j) => j.code === code)!;
const entries = async <K extends RecordKind>(kind: K) => entriesOf((await buildNow()).records, kind);
const write = (kind: RecordKind, title: string, data: object, user: User = lead) =>
  post(`builds/${id}/records`, { kind, title, data }, user);
const waitsFor = async (code: string) => {
  const shop = await loadShop(pool());
  const job = shop.builds.find((b) => b.id === id)!.jobs.find((j) => j.code === code)!;
  return obstacles(shop, job, Date.parse("2026-11-25T10:42Z") / 60_000).map((o) => o.text);
};
async function change(kind: RecordKind, title: string, data: object, more: { closed?: boolean } = {}, user: User = lead) {
  const r = (await entries(kind)).find((x) => x.title === title)!;
  return perform("PATCH", ["records", r.id], { version: r.version, title, data, closed: false, ...more }, user);
}

beforeAll(async () => {
  [ines, teo] = await house("Ines", "Teo");
  const dates = { arrives: "2026-11-24T08:00", due: "2027-03-01T17:00" };
  id = (await post("builds", { name: "Field vet", client: "Dr. Quill", vanId: "drover-l3h2", ...dates, options: DEFAULT_OPTIONS })).id;
});

describe("owner and consents", () => {
  it("are the lead's to write, one owner a build, with a fault that names the field", async () => {
    const owner = { payer: "Quill Practice", user: "Dr. Quill" };
    expect((await refused(write("owner", "Ada Quill", owner, ines))).message).toMatch(/are the lead's to write down/);
    expect(await pathsOf(write("owner", "Ada Quill", { payer: "Quill Practice" }))).toEqual(["user"]);
    await write("owner", "Ada Quill", owner);
    expect((await refused(write("owner", "Another", owner))).message).toMatch(/written down already/);
    await change("owner", "Ada Quill", { ...owner, beltsOrdered: 4, beltsDrawn: 2 });
    expect((await entries("owner"))[0].data.beltsOrdered).toBe(4);
  });
  it("a cut waits for the owner's signature, not for the payer's", async () => {
    expect(await waitsFor("OP-04")).toContain("Ada Quill's consent to cuts in the skin is not signed");
    await write("consent", "Fan", { touches: "skin", signedBy: "Quill Practice" });
    expect((await waitsFor("OP-04")).some((t) => /Quill Practice signed/.test(t))).toBe(true);
    await change("consent", "Fan", { touches: "skin", signedBy: "Ada Quill", on: "2026-11-20" });
    expect((await waitsFor("OP-04")).some((t) => /consent/.test(t))).toBe(false);
    expect((await entries("consent"))[0].closedAt).not.toBeNull();
  });
});

describe("work of others", () => {
  it("a job that others had done leaves the plan, and comes back when it is ours after all", async () => {
    await write("others", "Ply floor", { by: "workshop", who: "A yard", area: "floor", state: "done", covered: "open" }, teo);
    const job = await jobNow("IN-01");
    expect((await refused(post(`jobs/${job.id}/by-others`, { who: "A yard" }, teo))).message).toMatch(/lead/i);
    await post(`jobs/${job.id}/by-others`, { who: "A yard" });
    const after = await jobNow("IN-01");
    expect([after.state, after.byOthers, after.workedMinutes]).toEqual(["done", "A yard", 0]);
    expect(after.steps.every((s) => /done by A yard/.test(s.waivedWhy ?? ""))).toBe(true);
    const planned = toProblem(await loadShop(pool()), Date.parse("2026-11-25T10:42Z") / 60_000);
    expect(planned.builds[0].jobs.find((a) => a.id === job.id)?.state).not.toBe("todo");
    expect((await refused(post(`jobs/${job.id}/by-others`, { who: "B" }))).message).toMatch(/has already started here/);
    await post(`jobs/${job.id}/ours`, {});
    expect((await jobNow("IN-01")).state).toBe("todo");
    expect((await jobNow("IN-01")).steps.every((s) => s.waivedWhy === null)).toBe(true);
    expect((await refused(post(`jobs/${job.id}/ours`, {}))).message).toMatch(/ours already/);
  });
  it("a refused one names its hours, and keeps what it was when somebody else was faster", async () => {
    const base = { by: "client", who: "Dr. Quill", area: "rack", state: "done", covered: "open", test: "water", result: "refused" };
    expect(await pathsOf(write("others", "Rack feet", base))).toEqual(["hours"]);
    await write("others", "Rack feet", { ...base, hours: 2, price: 120 });
    const r = (await entries("others")).find((x) => x.title === "Rack feet")!;
    expect(r.closedAt).not.toBeNull();
    const stale = perform(
      "PATCH",
      ["records", r.id],
      { version: r.version + 1, title: "x", data: { ...base, hours: 3 }, closed: false },
      lead,
    );
    await expect(stale).rejects.toThrow();
    expect((await entries("others")).find((x) => x.id === r.id)!.data.hours).toBe(2);
  });
});

describe("traps and metal", () => {
  it("a thing that would be trapped is closed by hand; one that stays only as a no-screw place", async () => {
    const trap = { what: "screw", zone: "left", under: "lining", step: "leave" };
    await write("trap", "Earth screw", trap, teo);
    expect(await pathsOf(change("trap", "Earth screw", trap, { closed: true }, teo))).toEqual(["noScrew"]);
    await change("trap", "Earth screw", { ...trap, noScrew: true }, { closed: true }, teo);
    expect((await entries("trap"))[0].closedAt).not.toBeNull();
  });
  it("metal known from another van of the type is looked for here, its source asked again", async () => {
    const dates = { arrives: "2026-10-01T08:00", due: "2027-02-01T17:00" };
    const other = (await post("builds", { name: "Before", client: "C", vanId: "drover-l3h2", ...dates, options: DEFAULT_OPTIONS })).id;
    const said = { side: "left", what: "beam", mayGo: "yes", source: "body guide", says: "p. 9", duty: "a frame" };
    await post(`builds/${other}/records`, { kind: "member", title: "Beam", data: said });
    await run(pool(), "UPDATE build SET state = 'handed-over' WHERE id = ?", [other]);
    expect(await post(`builds/${id}/known-metal`, {}, ines)).toEqual({ added: 1 });
    const [m] = await entries("member");
    expect([m.data.mayGo, m.data.note]).toEqual(["unknown", "on another van of the type: may go: body guide, p. 9"]);
    expect((await refused(post(`builds/${id}/known-metal`, {}, ines))).message).toMatch(/Nothing more is known/);
  });
});

describe("fixings", () => {
  it("plan taking out by what holds it, only the lead and only before it is begun", async () => {
    await write("fixing", "Racking", { what: "rivet", count: 40 }, teo);
    await write("fixing", "Floor", { what: "bolt", count: 12 }, teo);
    expect((await refused(post(`builds/${id}/fixings-planned`, {}, teo))).message).toMatch(/lead/i);
    const before = await jobNow("ST-04");
    expect(await post(`builds/${id}/fixings-planned`, {})).toEqual({ minutes: 150 });
    const { minutes } = await jobNow("ST-04");
    expect(minutes.likely).toBe(150);
    expect(minutes.worst / minutes.likely).toBeCloseTo(before.minutes.worst / before.minutes.likely, 1);
    await run(pool(), "UPDATE job SET state = 'started', started_at = NOW(), running_since = NOW() WHERE id = ?", [before.id]);
    expect((await refused(post(`builds/${id}/fixings-planned`, {}))).message).toMatch(/already started/);
    await run(pool(), "UPDATE job SET state = 'todo', started_at = NULL, running_since = NULL WHERE id = ?", [before.id]);
  });
});

describe("sparks and swarf", () => {
  const entryOf = async (title: string) => (await entries("sparks")).find((r) => r.title === title)!;
  it("are stamped by the server: nobody writes them, and a change of the rest keeps them", async () => {
    await write("sparks", "Rivets", { tool: "grinder", masked: "glass", extinguisher: true, taped: 2 }, teo);
    expect(await pathsOf(change("sparks", "Rivets", { tool: "grinder", masked: "glass", extinguisher: true, stamps: {} }))).not.toEqual([]);
    const { id: r } = await entryOf("Rivets");
    await post(`records/${r}/stamp`, { stamp: "clean" }, teo);
    expect((await refused(post(`records/${r}/stamp`, { stamp: "look" }, ines))).message).toMatch(/look again from/);
    await change("sparks", "Rivets", { tool: "grinder", masked: "glass, seats", extinguisher: true, taped: 2, untaped: 2 });
    expect((await entryOf("Rivets")).data.stamps?.clean?.by).toBe("Teo");
  });
  it("keep the van where it stands until looked at twice", async () => {
    await run(pool(), "UPDATE build SET at_place = 'yard' WHERE id = ?", [id]);
    const bay = (await loadShop(pool())).bays[0].id;
    expect((await refused(post(`builds/${id}/move`, { place: bay }))).message).toMatch(/stays where it is: Rivets/);
    const r = await entryOf("Rivets");
    const early: HotWork = { ...r.data, stamps: { ...r.data.stamps, clean: { by: "Teo", at: 1 }, last: { by: "Teo", at: 0 } } };
    await run(pool(), "UPDATE record SET data = ? WHERE id = ?", [JSON.stringify(early), r.id]);
    await post(`records/${r.id}/stamp`, { stamp: "look" }, ines);
    expect((await entryOf("Rivets")).closedAt).not.toBeNull();
    await post(`builds/${id}/move`, { place: bay });
    const b = await buildNow();
    expect([b.at, b.atSince !== null]).toEqual([bay, true]);
  });
  it("open by themselves with a cut, end with it, and leave nothing behind a start taken back", async () => {
    const cut = await jobNow("OP-04");
    await run(pool(), "DELETE FROM job_precedence WHERE job_id = ?", [cut.id]);
    await run(pool(), "DELETE FROM job_cover WHERE job_id = ?", [cut.id]);
    await run(pool(), "DELETE FROM job_question WHERE job_id = ?", [cut.id]);
    await run(pool(), "UPDATE job SET bay_has = '[]', needs_dry = FALSE, needs_daylight = FALSE, needs_min_temp_c = NULL WHERE id = ?", [
      cut.id,
    ]);
    await run(pool(), "UPDATE part_line SET state = 'checked', arrived_at = NOW(), checked_at = NOW() WHERE job_id = ?", [cut.id]);
    const crew = [ines.fitterId, teo.fitterId];
    // Four travel and two seats are drawn with belts: no opening before the layout has them.
    expect((await refused(post(`jobs/${cut.id}/act`, { act: "start", crew }))).message).toMatch(/has 2 belted seats, 4 were ordered/);
    await change("owner", "Ada Quill", { payer: "Quill Practice", user: "Dr. Quill", beltsOrdered: 4, beltsDrawn: 4 });
    // Nobody has looked into the fan's box yet: checked in or not, the cut is locked.
    const fan = (await jobNow("OP-04")).parts.find((p) => p.contents.length)!;
    expect((await refused(post(`jobs/${cut.id}/act`, { act: "start", crew }))).message).toMatch(/nobody has looked into its box/);
    const items = fan.contents.map((name) => ({ name, state: "there" }));
    await post(`builds/${id}/records`, { kind: "contents", title: fan.name, jobId: cut.id, data: { items } }, ines);
    await post(`jobs/${cut.id}/act`, { act: "start", crew });
    expect((await entryOf(cut.name)).jobId).toBe(cut.id);
    await post(`jobs/${cut.id}/act`, { act: "undo" });
    expect(await entryOf(cut.name)).toBeUndefined();
    await post(`jobs/${cut.id}/act`, { act: "start", crew });
    await run(pool(), "UPDATE job_step SET done_at = NOW() WHERE job_id = ?", [cut.id]);
    await post(`jobs/${cut.id}/act`, { act: "done" });
    expect((await entryOf(cut.name)).data.stamps?.last?.by).toBe("Lead");
  });
});

describe("a kit", () => {
  it("is counted line by line, and a short line can't be", async () => {
    const cut = (await buildNow()).jobs.find(
      (j) => j.irreversible === "cut" && j.state === "todo" && j.kit.length > 0 && j.parts.length > 0,
    )!;
    const line = cut.kit.at(-1)!;
    await post(`jobs/${cut.id}/kit`, { what: line, have: true });
    const kit = (await buildNow()).records.find((r) => r.kind === "kit");
    expect(kit?.jobId).toBe(cut.id);
    await post(`jobs/${cut.id}/kit`, { what: line, have: false });
    expect(await pathsOf(post(`jobs/${cut.id}/kit`, { what: "a thing of another job", have: true }))).toEqual(["what"]);
    const p = cut.parts[0];
    const part = `${p.name}, ${p.quantity} ${p.unit}`;
    expect((await refused(post(`jobs/${cut.id}/kit`, { what: part, have: true }))).message).toMatch(/is short/);
  });
});

describe("the chain of a hole", () => {
  it("is ticked in its order, moves the hole on, and its photos say what they show", async () => {
    await post(`builds/${id}/holes-asked`, {}, ines);
    const hole = async () => penetrationsIn((await buildNow()).records)[1];
    const { id: r, no } = await hole();
    const tick = (step: string) => post(`records/${r}/hole-step`, { step }, teo);
    expect((await refused(tick("mark"))).message).toBe(
      `Hole ${no}: pilot from inside comes first: ribs and harness are in sight from there.`,
    );
    for (const s of ["pilot", "outside", "mark", "corners", "deburr", "cut", "last"]) await tick(s);
    expect((await hole()).data.state).toBe("cut");
    for (const s of ["dress", "sizes", "dry fit", "small", "degrease", "coat"]) await tick(s);
    expect((await hole()).data.state).toBe("protected");
    const patch = async (data: object, why?: string) => {
      const h = await hole();
      const { no: _n, history: _h, chain: _c, wet: _w, ...was } = h.data;
      return perform(
        "PATCH",
        ["records", r],
        { version: h.version, title: h.title, data: { ...was, ...data }, closed: false, ...(why ? { why } : {}) },
        teo,
      );
    };
    expect(await pathsOf(patch({ state: "closed", bead: "whole" }))).toEqual(["state"]);
    const picture = (seed: number) =>
      sharp({ create: { width: 64, height: 48, channels: 3, background: { r: seed * 40, g: 90, b: 20 } } })
        .jpeg()
        .toBuffer();
    for (const [i, shows] of ["cut", "dry fit", "edge"].entries()) await addRecordPhoto(teo, r, await picture(i), shows);
    expect((await refused(addRecordPhoto(teo, r, await picture(5), "a cat"))).message).toMatch(/can't be told to show/);
    expect((await hole()).shows?.toSorted()).toEqual(["cut", "dry fit", "edge"]);
    await patch({ state: "closed", bead: "whole" });
    expect((await refused(tick("coat"))).message).toMatch(/it is closed/);
    expect((await hole()).data.chain?.coat?.by).toBe("Teo");
  });
});

describe("slips", () => {
  it("are starts put off by an hour or more from one published plan to the next", async () => {
    const job = (await buildNow()).jobs.find((j) => j.state === "todo")!;
    for (const [number, starts] of [
      [901, "2026-12-01 08:00"],
      [902, "2026-12-01 08:59"],
      [903, "2026-12-03 08:59"],
      [904, "2026-12-02 08:00"],
      [905, "2026-12-02 09:00"],
    ] as const) {
      const plan = {
        id: `p${number}`,
        kind: "published",
        number,
        made_at: "2026-11-25 10:00",
        made_by: "lead",
        now_at: "2026-11-25 10:00",
        seed: 1,
      };
      await insert(pool(), "plan", [{ ...plan, iterations: 0, cost: {} }]);
      await insert(pool(), "plan_job", [
        { plan_id: plan.id, job_id: job.id, starts, ends: "2026-12-05 10:00", place: "yard", work: [], why: [] },
      ]);
    }
    // 59 minutes are none, two days are one, going back is none, an hour is one.
    expect((await loadDelays(pool(), 60)).get(job.id)).toEqual({ count: 2, minutes: 2 * 1440 + 60 });
    await run(pool(), "DELETE FROM plan WHERE number > 900");
    expect((await loadDelays(pool(), 60)).has(job.id)).toBe(false);
  });
});

describe("practice", () => {
  it("counts what each fitter has done", async () => {
    await run(pool(), "UPDATE job SET state = 'done', started_at = NOW(), ended_at = NOW(), running_since = NULL WHERE id = ?", [
      `${id}.OP-04`,
    ]);
    const { practice } = await loadShop(pool());
    expect(practice.find((p) => p.fitterId === ines.fitterId && p.code === "OP-04")?.times).toBe(1);
  });
});

describe("damage and seats", () => {
  it("damage is settled only with how it came about", async () => {
    const data = { what: "damage", view: "left", x: 10, y: 10, sort: "dent" };
    const { id: r } = await post(`builds/${id}/records`, { kind: "mark", title: "Dent", data });
    const settle = (more: object) =>
      perform("PATCH", ["records", r], { version: 1, title: "Dent", data: { ...data, ...more }, closed: true }, lead);
    expect(await pathsOf(settle({}))).toEqual(["outcome"]);
    await settle({ outcome: "ladder slipped, Teo" });
  });
  it("a van is not handed over before its seats are signed", async () => {
    await write("seat", "Driver's", { bolts: [{ name: "1", asked: 40, read: 40 }] });
    await run(pool(), "UPDATE job SET state = 'done', started_at = NOW(), ended_at = NOW(), running_since = NULL WHERE build_id = ?", [id]);
    const hand = async () => post(`builds/${id}/hand-over`, { version: (await buildNow()).version });
    expect((await refused(hand())).message).toMatch(/Not before its seats are proved: Driver's is not signed: not seen: cab floor edge/);
    const all = { floorTrimmed: true, locked: true, belts: true, clear: true, lamps: true };
    const bolts = [{ name: "1", asked: 40, read: 40 }];
    await change("seat", "Driver's", { bolts, ...all, signedBy: "Ines", ticket: "seats", retorqued: true });
    await write("temporary", "Film on the windows", { what: "film", zone: "left", owner: "Teo", before: "handover" }, teo);
    expect((await refused(hand())).message).toMatch(/Still on the van for now: Film on the windows \(Teo\)/);
    await change(
      "temporary",
      "Film on the windows",
      { what: "film", zone: "left", owner: "Teo", before: "handover" },
      { closed: true },
      teo,
    );
    expect((await refused(hand())).message).toMatch(/Holes not seen dry under water: /);
    await run(pool(), "DELETE FROM record WHERE build_id = ? AND kind IN ('penetration', 'mark', 'consent')", [id]);
    await write("consent", "Roof rack", { touches: "rack" });
    const mark = { what: "rust", view: "left", x: 10, y: 10, areaDm2: 1, grade: 1 };
    const { id: rust } = await post(`builds/${id}/records`, { kind: "mark", title: "By the step", data: mark });
    const stops = (await refused(hand())).message;
    for (const say of [/nobody has treated: By the step, rust/, /nobody has signed: Roof rack/, /Questions without an answer: /])
      expect(stops).toMatch(say);
    await perform("PATCH", ["records", rust], { version: 1, title: "By the step", data: mark, closed: true }, lead);
    await change("consent", "Roof rack", { touches: "rack", signedBy: "Dr. Quill" });
    await run(
      pool(),
      "UPDATE job_question SET answered_at = NOW(), answered_by = 'Teo' WHERE job_id IN (SELECT id FROM job WHERE build_id = ?)",
      [id],
    );
    await run(pool(), "UPDATE remainder SET closed_at = NOW() WHERE job_id IN (SELECT id FROM job WHERE build_id = ?)", [id]);
    await write("others", "Old seal", { by: "workshop", who: "A yard", area: "roofUnits", state: "done", covered: "covered" });
    await hand();
    const [e] = await rows<{ text: string }>(pool(), "SELECT text FROM event WHERE kind = 'build.handed-over'");
    expect(e.text).toMatch(/handed over; Not ours: Old seal, by A yard/);
  });
});

describe("what a fitter is not to do", () => {
  it("is kept with the fitter, and only what the house knows", async () => {
    const f = (await loadShop(pool())).fitters.find((x) => x.name === "Teo")!;
    const was = { name: f.name, calendarId: f.calendarId, skills: f.skills, tickets: [] };
    await perform("PATCH", ["fitters", f.id], { ...was, version: f.version, nots: ["roof work", "new at cutting"] }, lead);
    const now = (await loadShop(pool())).fitters.find((x) => x.id === f.id)!;
    expect(now.nots).toEqual(["roof work", "new at cutting"]);
    expect(await pathsOf(perform("PATCH", ["fitters", f.id], { ...was, version: now.version, nots: ["tea"] }, lead))).toEqual(["nots[0]"]);
    await perform("PATCH", ["fitters", f.id], { ...was, version: now.version }, lead);
    expect((await loadShop(pool())).fitters.find((x) => x.id === f.id)!.nots).toEqual(["roof work", "new at cutting"]);
  });
});
