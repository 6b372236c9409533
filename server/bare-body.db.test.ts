// The list of holes through the skin and the bare body, against a real MariaDB: what may be said, and what waits for it.

import sharp from "sharp";
import { beforeAll, describe, expect, it } from "vitest";
import { DEFAULT_OPTIONS } from "@/core/library/options";
import { penetrationsIn } from "@/core/workshop/openings/holes";
import type { ShellZone } from "@/core/workshop/records/kinds/bare-zone";
import { obstacles } from "@/core/workshop/starts/ready";
import type { User } from "@/db/access/users";
import { pool, rows, run } from "@/db/pool";
import { loadShop } from "@/db/shop";
import { perform } from "./api";
import { addRecordPhoto } from "./proof/photos";
import { house, lead, pathsOf, post, refused } from "./testing";

let ines: User;
let teo: User;
let id = "";
const buildNow = async () => (await loadShop(pool())).builds.find((b) => b.id === id)!;
const holes = async () => penetrationsIn((await buildNow()).records);
const setJob = (code: string, state: string) =>
  run(pool(), "UPDATE job SET state = ?, started_at = NOW(), running_since = NOW(), ended_at = NOW() WHERE id = ?", [
    state,
    `${id}.${code}`,
  ]);

beforeAll(async () => {
  [ines, teo] = await house("Ines", "Teo");
  const dates = { arrives: "2026-11-24T08:00", due: "2027-03-01T17:00" };
  id = (await post("builds", { name: "Field vet", client: "Dr. Quill", vanId: "drover-l3h2", ...dates, options: DEFAULT_OPTIONS })).id;
});

describe("the list of holes", () => {
  const set = async (no: number, data: object, why?: string, user: User = ines) => {
    const h = (await holes()).find((x) => x.no === no)!;
    const { history: _kept, no: _no, wet: _wet, ...was } = h.data;
    const body = { version: h.version, title: h.title, data: { ...was, ...data }, closed: false, ...(why ? { why } : {}) };
    return perform("PATCH", ["records", h.id], body, user);
  };

  it("is filled with every piece of the order, once", async () => {
    const { added } = await post<{ added: number }>(`builds/${id}/holes-asked`, {}, ines);
    const list = await holes();
    expect(list).toHaveLength(added);
    expect(list.map((h) => h.no)).toEqual(list.map((_, i) => i + 1));
    expect(new Set(list.map((h) => h.jobId)).size).toBeGreaterThan(2);
    expect((await refused(post(`builds/${id}/holes-asked`, {}))).message).toMatch(/is in the list/);
  });

  it("follows one hole to the water, each state with who and when, none passed over in silence", async () => {
    await set(1, { state: "cut", cover: "sheet and tape" });
    expect(await pathsOf(set(1, { state: "closed" }))).toEqual(["why"]);
    await set(1, { state: "protected" });
    await set(1, { state: "closed", bead: "whole" });
    expect(await pathsOf(set(1, { state: "tested" }))).toEqual(["soak"]);
    await set(1, { state: "tested", soak: "dry", soakMinutes: 10 });
    const [h] = await holes();
    expect(h.closedAt).not.toBeNull();
    expect(h.data.history?.map((x) => [x.state, x.by])).toEqual([
      ["wanted", "Ines"],
      ["cut", "Ines"],
      ["protected", "Ines"],
      ["closed", "Ines"],
      ["tested", "Ines"],
    ]);
    // A page can't write the history, nor close a hole that is not tested.
    expect(await pathsOf(set(2, { history: [] }))).toHaveLength(1);
    await set(2, { state: "set out" });
    expect((await holes())[1].closedAt).toBeNull();
  });

  it("keeps a van with a bare hole under a roof", async () => {
    const shop = await loadShop(pool());
    const outside = shop.bays.find((b) => !b.has.includes("indoor"))?.id ?? "yard";
    await set(2, { state: "cut" });
    expect((await refused(post(`builds/${id}/move`, { place: outside }))).message).toMatch(/not watertight: hole 2, .* open with no cover/);
    await set(2, { cover: "board and clamps" });
    await post(`builds/${id}/move`, { place: outside });
    expect((await buildNow()).at).toBe(outside);
  });

  it("keeps the soak test open while one is not dry, and the insulation behind it shut", async () => {
    await setJob("OP-13", "started");
    await run(pool(), "UPDATE job_step SET done_at = NOW() WHERE job_id = ?", [`${id}.OP-13`]);
    expect((await refused(post(`jobs/${id}.OP-13/act`, { act: "done" }))).message).toMatch(/The soak test is not over: hole 2/);
    const shop = await loadShop(pool());
    const b = shop.builds.find((x) => x.id === id)!;
    const side = (await holes())[1].data.side;
    const zone = { roof: "ceiling", left: "left", right: "right", rear: "rear", floor: "floor" }[side];
    const inner = b.jobs.find((j) => j.stage === "insulation" && j.zones.includes(zone))!;
    expect(
      obstacles(shop, inner, 0)
        .filter((o) => o.kind === "opening")
        .map((o) => o.text)[0],
    ).toMatch(/hole 2, .* is open/);
  });

  it("keeps what rain did: wet until the timber is read, the hours lost in the log", async () => {
    const two = (await holes())[1];
    expect(await pathsOf(post(`builds/${id}/rain`, { holes: [(await holes())[0].id], where: "roof", lostMinutes: 5 }))).toEqual(["holes"]);
    await post(`builds/${id}/rain`, { holes: [two.id], where: "onto the floor", lostMinutes: 90 }, ines);
    expect((await holes())[1].data.wet).toMatchObject({ where: "onto the floor", by: "Ines" });
    const { wet: _wet, ...was } = (await holes())[1].data;
    expect(await pathsOf(set(2, { state: "protected" }))).toEqual(["moisture"]);
    expect(was.state).toBe("cut");
    await set(2, { state: "protected", moisture: 15 });
    const after = (await holes())[1].data;
    expect(after.wet).toBeUndefined();
    expect(after.history?.at(-1)).toMatchObject({ state: "protected", why: "dried out, cleaned, primed; timber 15 %" });
    const [{ text }] = await rows<{ text: string }>(pool(), "SELECT text FROM event WHERE kind = 'rain.came-in'");
    expect(text).toBe("rain came in at hole 2: onto the floor; 90 min lost to the weather");
    // For the tests behind this one it is open again.
    await set(2, { state: "cut", cover: undefined }, "ground again");
  });

  it("leaves a hole behind begun insulation to the lead", async () => {
    const b = await buildNow();
    const mats = b.jobs.find((j) => j.stage === "insulation" && j.zones.includes("left"))!;
    await setJob(mats.code, "done");
    const late = { kind: "penetration", title: "Flap", data: { side: "left", place: "low, behind the seat", by: "us", state: "wanted" } };
    const e = await refused(post(`builds/${id}/records`, late, ines));
    expect(e.message).toMatch(/the lead's to decide now: .* has started behind it: .* more/);
    await post(`builds/${id}/records`, late, lead);
    expect((await holes()).at(-1)!.title).toBe("Flap");
    await setJob(mats.code, "todo");
  });

  it("gives a factory point that leaked to the next van of the type", async () => {
    const clip = { side: "right", place: "sill, behind the wheel", by: "before", state: "closed" };
    const r = await post(`builds/${id}/records`, { kind: "penetration", title: "Sill plug", data: clip }, ines);
    const h = (await holes()).find((x) => x.id === r.id)!;
    await set(h.no, { soak: "damp", soakMinutes: 10 });
    const dates = { arrives: "2026-12-24T08:00", due: "2027-04-01T17:00" };
    const next = (await post("builds", { name: "Next one", client: "X", vanId: "drover-l3h2", ...dates, options: DEFAULT_OPTIONS })).id;
    await post(`builds/${next}/holes-asked`, {}, ines);
    const list = penetrationsIn((await loadShop(pool())).builds.find((b) => b.id === next)!.records);
    expect(list.find((h) => h.title === "Sill plug")).toMatchObject({
      title: "Sill plug",
      jobId: null,
      data: { by: "before", state: "closed", place: "sill, behind the wheel", note: "leaked on Field vet" },
    });
    await set(h.no, { soak: "dry", soakMinutes: 10, state: "tested" });
  });

  it("takes a photo for one hole only", async () => {
    const [a, b] = await holes();
    const photo = await sharp({ create: { width: 60, height: 40, channels: 3, background: "#445566" } })
      .jpeg()
      .toBuffer();
    await addRecordPhoto(ines, a.id, photo);
    await addRecordPhoto(ines, a.id, photo);
    expect((await refused(addRecordPhoto(ines, b.id, photo))).message).toMatch(/stands for .* already/);
    expect((await holes()).map((h) => h.photos.length).slice(0, 2)).toEqual([1, 0]);
  });
});

describe("added circuits", () => {
  it("are closed by what was measured, whatever the form says, and keep what sparks off until then", async () => {
    const data = { source: "fuse box", connector: "left pillar", side: "left" };
    const c = await post(`builds/${id}/records`, { kind: "circuit", title: "Load lamps", data }, ines);
    const now = async () => (await buildNow()).records.find((r) => r.id === c.id)!;
    const inTheWay = async () =>
      obstacles(await loadShop(pool()), (await buildNow()).jobs.find((j) => j.code === "OP-06a")!, 0).map((o) => o.text);
    expect(await inTheWay()).toContain("Load lamps is live: not measured");
    const say = async (more: object) =>
      perform(
        "PATCH",
        ["records", c.id],
        { version: (await now()).version, title: "Load lamps", data: { ...data, ...more }, closed: true },
        ines,
      );
    await say({ volts: 12.1 });
    expect((await now()).closedAt).toBeNull();
    await say({ volts: 0.3, end: "unplugged" });
    expect((await now()).closedAt).not.toBeNull();
    expect(await inTheWay()).not.toContain("Load lamps is live: not measured");
    expect(await pathsOf(say({ volts: 0.3, end: "unplugged", insulated: true }))).toEqual(["insulated"]);
  });
});

describe("templates", () => {
  const fields = {
    number: "7",
    vanId: "drover-l3h2",
    kind: "template",
    what: "side window",
    side: "left",
    bay: "",
    mark: "up",
    serves: "",
    offsets: "",
    note: "",
  };
  const inHand = (number: string, code = "OP-06a") => post(`jobs/${id}.${code}/template`, { number }, ines);

  it("are kept by a number that no other has, changed and retired", async () => {
    const t = await post("templates", fields, ines);
    expect(await pathsOf(post("templates", { ...fields, what: "another" }))).toEqual(["number"]);
    expect(await pathsOf(post("templates", { ...fields, number: "8", vanId: "nobody" }))).toEqual(["vanId"]);
    expect(await pathsOf(post("templates", { ...fields, number: "8", kind: "outline" }))).toEqual(["serves"]);
    await post("templates", { ...fields, number: "8", side: "right" });
    await perform("PATCH", ["templates", t.id], { ...fields, note: "edge worn at the top", retired: false, version: 1 }, ines);
    expect((await loadShop(pool())).templates.map((x) => [x.number, x.note])).toEqual([
      ["7", "edge worn at the top"],
      ["8", ""],
    ]);
    const e = await refused(perform("PATCH", ["templates", t.id], { ...fields, retired: true, version: 1 }, lead));
    expect(e.message).toMatch(/changed/);
  });

  it("are read off before a cut: another side's is refused, the right one is kept with who and when", async () => {
    const missing = async () =>
      obstacles(await loadShop(pool()), (await buildNow()).jobs.find((j) => j.code === "OP-06a")!, 0).map((o) => o.text);
    expect(await missing()).toContain("template 7 is not in hand: read its number off");
    expect((await refused(inHand("9"))).message).toMatch(/no template has the number 9/);
    expect((await refused(inHand("8"))).message).toMatch(/it is for the right side, this is the left side. Stop/);
    await inHand(" 7 ");
    expect(await missing()).not.toContain("template 7 is not in hand: read its number off");
    expect((await buildNow()).jobs.find((j) => j.code === "OP-06a")!.template).toMatchObject({ by: "u-ines" });
  });
});

describe("the bare body", () => {
  const zone = async (name: string): Promise<ShellZone> => {
    const r = (await buildNow()).records.find((x) => x.kind === "zone" && x.data.zone === name);
    return r?.data as ShellZone;
  };
  const step = (name: string, s: string, user: User = teo) => post(`builds/${id}/shell/step`, { zone: name, step: s }, user);

  it("is cleaned step by step, taken over by somebody else, and sent back with what was found", async () => {
    expect((await refused(post(`builds/${id}/shell/send-back`, { zone: "left", why: "dust", minutes: 5 }))).message).toMatch(/Nothing is/);
    expect(await pathsOf(step("left", "polish"))).toEqual(["step"]);
    for (const s of ["vacuum", "scuff", "wash", "dry"]) await step("left", s);
    const over = (user: User) => post(`builds/${id}/shell/take-over`, { zone: "left" }, user);
    expect((await refused(over(ines))).message).toMatch(/rust, bare metal not done/);
    await step("left", "rust");
    expect((await refused(over(teo))).message).toMatch(/does not take it over/);
    await over(ines);
    expect((await zone("left")).accepted).toMatchObject({ by: "Ines" });
    await post(`builds/${id}/shell/send-back`, { zone: "left", why: "grease on the ledge", minutes: 25 }, ines);
    expect(await zone("left")).toMatchObject({
      steps: { vacuum: { by: "Teo" }, scuff: { by: "Teo" } },
      back: [{ by: "Ines", why: "grease on the ledge", minutes: 25, from: "Teo" }],
    });
    expect((await zone("left")).accepted).toBeUndefined();
    expect(Object.keys((await zone("left")).steps)).toEqual(["vacuum", "scuff"]);
  });

  it("keeps off the insulation of a zone until then; a zone is not typed as a whole", async () => {
    const shop = await loadShop(pool());
    const b = shop.builds.find((x) => x.id === id)!;
    const mats = b.jobs.find((j) => j.stage === "insulation" && j.zones.includes("left"))!;
    expect(obstacles(shop, mats, 0).map((o) => o.text)).toContain(
      "left wall is not taken over as clean: wash, rinse not done, dry not done, rust, bare metal not done",
    );
    const r = b.records.find((x) => x.kind === "zone")!;
    const whole = perform("PATCH", ["records", r.id], { version: r.version, title: "x", data: r.data, closed: true }, lead);
    expect((await refused(whole)).message).toMatch(/step by step/);
    expect(await pathsOf(post(`builds/${id}/records`, { kind: "zone", title: "x", data: {} }))).toEqual(["kind"]);
  });
});

describe("rust that stays as it is", () => {
  const rust = { what: "rust", view: "right", x: 10, y: 10, areaDm2: 0.4, grade: 1 };
  const markNow = async (record: string) => (await buildNow()).records.find((r) => r.id === record)!;
  const change = async (record: string, data: object, user: User) =>
    perform("PATCH", ["records", record], { version: (await markNow(record)).version, title: "Bloom", data, closed: false }, user);

  it("is for the lead to accept, in whose name it stands, whoever changes it later", async () => {
    const { id: record } = await post(`builds/${id}/records`, { kind: "mark", title: "Bloom", data: rust }, ines);
    expect((await refused(change(record, { ...rust, accepted: "Ines" }, ines))).message).toMatch(/Only the lead may leave rust/);
    await change(record, { ...rust, accepted: "somebody" }, lead);
    expect((await markNow(record)).data).toMatchObject({ accepted: lead.name });
    await change(record, { ...rust, note: "by the step", accepted: "Ines" }, ines);
    expect((await markNow(record)).data).toMatchObject({ note: "by the step", accepted: lead.name });
    expect(await pathsOf(change(record, { ...rust, grade: 2, accepted: lead.name }, lead))).toEqual(["accepted"]);
  });

  it("names only jobs of its own build", async () => {
    const swarf = { ...rust, cause: "swarf", causeJob: `${id}.OP-04` };
    await post(`builds/${id}/records`, { kind: "mark", title: "Freckles", data: swarf }, ines);
    const wrong = post(`builds/${id}/records`, { kind: "mark", title: "Freckles", data: { ...swarf, causeJob: "x.OP-04" } }, ines);
    expect(await pathsOf(wrong)).toEqual(["causeJob"]);
  });
});
