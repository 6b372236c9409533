import { describe, expect, it } from "vitest";
import { makePlan } from "../../plan/planner";
import { soleSkills } from "../planning/sole-skills";
import { toProblem } from "../state/problem";
import { job, NOW, testShop } from "../testing/shop";
import { asks, barredFrom, barTicket, crewBarred, heldTickets, NEW } from "./barred";
import { startObstacles } from "./ready";

const shop = () => testShop();
const person = (name: string, nots: string[], level = 2) => ({ name, nots, skills: { body: level } });

describe("what a fitter is not to do", () => {
  it("comes from where and how a job is done", () => {
    const s = shop();
    expect(asks(job(s, "OP-04"))).toEqual(["roof work", "ladders", "metal cutting"]);
    expect(asks(job(s, "OP-06a"))).toEqual(["metal cutting", "glass"]);
    expect(asks(job(s, "ST-06"))).toEqual([]);
    expect(asks(job(s, "OP-02"))).toEqual([]);
  });
  it("bars only from what it names", () => {
    const s = shop();
    expect(barredFrom({ nots: ["ladders"] }, job(s, "OP-04"))).toEqual(["ladders"]);
    expect(barredFrom({ nots: ["ladders"] }, job(s, "OP-06a"))).toEqual([]);
  });
  it("keeps a job from being started with one who is barred, by name", () => {
    const s = shop();
    s.fitters[0].nots = ["roof work"];
    const crew = [s.fitters[0].id, s.fitters[1].id];
    const said = startObstacles(s, job(s, "OP-04"), crew, "b1", NOW).map((o) => o.text);
    expect(said).toContain(`${s.fitters[0].name} is not to do roof work`);
    expect(startObstacles(s, job(s, "ST-06"), crew, "b1", NOW).some((o) => /is not to do/.test(o.text))).toBe(false);
  });
  it("gives whoever is new at cutting somebody at level 3", () => {
    const cut = job(shop(), "OP-06a");
    expect(crewBarred([person("Teo", [NEW])], cut)).toEqual(["Teo is new at cutting: somebody at level 3 goes along"]);
    expect(crewBarred([person("Teo", [NEW]), person("Ines", [], 3)], cut)).toEqual([]);
    expect(crewBarred([person("Teo", [NEW], 3), person("Rosa", [NEW], 3)], cut)).toHaveLength(1);
    expect(crewBarred([person("Teo", [NEW])], job(shop(), "ST-06"))).toEqual([]);
  });
  it("is a ticket to the planner, only where somebody carries the bar", () => {
    const cut = job(shop(), "OP-06a");
    expect(barTicket([{ nots: [] }], cut, null)).toBeNull();
    expect(barTicket([{ nots: ["glass"] }], cut, null)).toBe("glass");
    expect(barTicket([{ nots: ["glass"] }, { nots: ["metal cutting"] }], cut, "gas")).toBe("gas + metal cutting + glass");
    const asked = new Set(["glass", "gas + glass"]);
    const gas = [{ id: "gas", until: "2027-04-01" }];
    expect(heldTickets({ nots: ["glass"], tickets: gas }, asked)).toEqual([]);
    expect(heldTickets({ nots: [], tickets: [] }, asked)).toEqual([{ id: "glass", until: null }]);
    expect(heldTickets({ nots: [], tickets: gas }, asked)).toEqual([
      { id: "glass", until: null },
      { id: "gas + glass", until: "2027-04-01" },
    ]);
  });
  it("a plan never puts them where they are barred from", () => {
    const s = shop();
    const free = makePlan(toProblem(s, NOW));
    const onRoof = (p: typeof free) => p.jobs.filter((j) => job(s, j.id.split(".")[1]).zones.includes("roof")).flatMap((j) => j.fitters);
    const who = onRoof(free)[0];
    expect(who).toBeDefined();
    s.fitters.find((f) => f.id === who)!.nots = ["roof work"];
    const barred = makePlan(toProblem(s, NOW));
    const roofJobs = new Set(s.builds[0].jobs.filter((j) => j.place === "van" && j.zones.includes("roof")).map((j) => j.id));
    for (const j of barred.jobs) if (roofJobs.has(j.id)) expect(j.fitters).not.toContain(who);
    // What is left of the crew is alone in it, or nobody: then the job says so instead of taking the barred one.
    expect(barred.jobs.length + barred.unplaced.length).toBe(free.jobs.length + free.unplaced.length);
  });
  it("counts where one absence stops a skill", () => {
    const s = shop();
    const before = soleSkills(s, undefined, NOW).length;
    for (const f of s.fitters.slice(1)) f.nots = ["roof work", "metal cutting"];
    expect(soleSkills(s, undefined, NOW).length).toBeGreaterThanOrEqual(before);
  });
});
