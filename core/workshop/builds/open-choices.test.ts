import { describe, expect, it } from "vitest";
import { library } from "../../library/library";
import type { Plan } from "../../plan/model";
import { vans } from "../../van/model";
import { clientPage } from "../client/client-page";
import { obstacles } from "../starts/ready";
import { entry } from "../testing/entry";
import { at, done, NOW, testShop, zone } from "../testing/shop";
import { openChoices, undecidedOf } from "./open-choices";

const plan = (starts: Record<string, string>) =>
  ({ jobs: Object.entries(starts).map(([id, start]) => ({ id, start, end: start, place: "b1", fitters: [] })) }) as unknown as Plan;

describe("choices not made yet", () => {
  const build = () =>
    ({ ...testShop().builds[0], openChoices: ["bed", "coats"] as const }) as never as ReturnType<typeof testShop>["builds"][0];
  it("name the jobs that hang on them and the last moment, three working days before the first", () => {
    const b = build();
    // Monday 15 March; three working days before is Wednesday 10
    const [bed] = openChoices(zone, b, vans[1].geometry, library, plan({ "a.FR-06": "2027-03-15T09:30", "a.FU-08": "2027-03-25T08:00" }));
    expect(bed).toMatchObject({
      key: "bed",
      label: "Bed",
      assumed: "fixed lengthways",
      first: at("2027-03-15T09:30"),
      by: at("2027-03-10T09:30"),
    });
    expect(bed.holds.map((h) => h.id)).toEqual(["a.FR-06", "a.FU-08"]);
  });
  it("tell what is begun already, and say nothing of a date where nothing is planned", () => {
    const shop = testShop();
    done(shop, ["FR-06"], NOW - 60);
    const b = { ...shop.builds[0], openChoices: ["bed" as const] };
    const [bed] = openChoices(zone, b, vans[1].geometry, library, undefined);
    expect(bed.passed).toEqual(["Bed rails and frame"]);
    expect([bed.first, bed.by]).toEqual([null, null]);
  });
  it("leave time to order what hangs on them", () => {
    const shop = testShop();
    const b = { ...shop.builds[0], openChoices: ["bed" as const] };
    for (const j of b.jobs) if (j.code === "FR-06" || j.code === "FU-08") for (const p of j.parts) p.state = "needed";
    const starts = plan({ "a.FR-06": "2027-03-15T09:30", "a.FU-08": "2027-03-15T09:30" });
    // the supplier's ten days, in nine cases of ten, before that Monday is Friday 5; three working days before is Tuesday 2
    expect(openChoices(zone, b, vans[1].geometry, library, starts, shop.suppliers)[0].by).toBe(at("2027-03-02T09:30"));
    // A week to see samples of one of them and to choose: Friday 26 February, and three working days before that
    b.jobs.find((j) => j.code === "FU-08")!.parts[0].sampleDays = 7;
    expect(openChoices(zone, b, vans[1].geometry, library, starts, shop.suppliers)[0].by).toBe(at("2027-02-23T09:30"));
  });
  it("keep the jobs that hang on them from being begun", () => {
    const shop = testShop();
    const undecided = undecidedOf(["bed"], shop.builds[0].options, vans[1].geometry, library);
    expect([...undecided]).toEqual([
      ["FR-06", ["bed"]],
      ["FU-08", ["bed"]],
    ]);
    const rails = shop.builds[0].jobs.find((j) => j.code === "FR-06")!;
    rails.undecided = ["bed"];
    expect(obstacles(shop, rails, NOW).filter((o) => o.kind === "choice")).toEqual([
      { kind: "choice", text: "the client has not decided: bed" },
    ]);
  });
  it("have an owner: the client, or whom the papers name, who is then the one that work waits for", () => {
    const shop = testShop();
    const b = shop.builds[0];
    b.openChoices = ["bed", "coats"];
    const rails = b.jobs.find((j) => j.code === "FR-06")!;
    rails.undecided = ["bed"];
    const owners = () =>
      Object.fromEntries(openChoices(zone, b, vans[1].geometry, library, undefined).map((c) => [c.key, [c.owner, c.client]]));
    const waits = () => obstacles(shop, rails, NOW).flatMap((o) => (o.kind === "choice" ? o.text : []));
    expect(owners()).toEqual({ bed: ["Somebody", true], coats: ["Somebody", true] });
    b.records = [
      entry("decider", "Mara", { choice: "bed", side: "house" }),
      entry("decider", "Somebody's sister", { choice: "coats", side: "client" }),
    ];
    expect(owners()).toEqual({ bed: ["Mara", false], coats: ["Somebody's sister", true] });
    expect(waits()).toEqual(["Mara has not decided: bed"]);
    expect(
      clientPage(shop, b, undefined, openChoices(zone, b, vans[1].geometry, library, undefined), NOW).asked.map((a) => a.what),
    ).toHaveLength(1);
    b.records.push(entry("decider", "Ines", { choice: "bed", side: "house" }));
    expect(owners().bed).toEqual(["Ines", false]);
    for (const r of b.records) r.closedAt = NOW;
    expect(owners().bed).toEqual(["Somebody", true]);
    expect(waits()).toEqual(["the client has not decided: bed"]);
  });
});
