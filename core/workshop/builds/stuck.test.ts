import { describe, expect, it } from "vitest";
import type { Plan } from "../../plan/model";
import { done, job, NOW, testShop } from "../testing/shop";
import { nextAndStuck } from "./stuck";

const ready = () => {
  const shop = testShop();
  done(shop, ["ST-01", "ST-02", "ST-03", "ST-04"], NOW - 600);
  return shop;
};
const plan = (chain: { job: string; kind: string; minutes: number }[], jobs: { id: string; start: string }[] = []) =>
  ({ jobs: jobs.map((j) => ({ ...j, fitters: ["teo"], why: [] })), builds: [{ id: "a", chain }] }) as unknown as Plan;

describe("what comes next", () => {
  it("is what nothing keeps, with the work that freed it, in the order of the plan", () => {
    const shop = ready();
    const { next } = nextAndStuck(shop, shop.builds[0], undefined, NOW);
    expect(next.length).toBeGreaterThan(0);
    const washed = next.find((n) => n.jobId === "a.ST-06")!;
    expect(washed.why).toBe(`can start: ${job(shop, "ST-04").name} is done`);
    const first = next.at(-1)!;
    const later = nextAndStuck(shop, shop.builds[0], plan([], [{ id: first.jobId, start: "2027-03-03T11:00" }]), NOW).next;
    expect(later[0]).toMatchObject({ jobId: first.jobId, at: NOW + 60 });
  });
});

describe("what is stuck", () => {
  it("names what keeps it, who can free it and since when", () => {
    const shop = ready();
    const b = shop.builds[0];
    const wash = job(shop, "ST-06");
    const stuckBy = () => nextAndStuck(shop, b, undefined, NOW).stuck.find((s) => s.jobId === wash.id);
    expect(stuckBy()).toBeUndefined();
    wash.remarks = [{ id: "r", jobId: wash.id, kind: "fault", text: "pump leaks", stopsWork: true, saidBy: "u-teo", saidAt: NOW }];
    expect(stuckBy()).toMatchObject({ by: "stopped: pump leaks", who: "the lead", since: job(shop, "ST-04").endedAt, days: 0 });
    wash.remarks = [];
    wash.undecided = ["bed"];
    expect(stuckBy()).toMatchObject({ by: expect.stringMatching(/the client has not decided/), who: b.client });
    wash.undecided = [];
    wash.tools = ["nibbler"];
    shop.tools[0].state = "lent";
    expect(stuckBy()!.who).toBe("who looks after the tools");
    wash.tools = [];
    wash.questions = [{ n: 1, text: "Plates covered?", answeredAt: null, answeredBy: null, unsureBy: null }];
    expect(stuckBy()!.who).toBe("its fitter");
  });

  it("says of a part whose turn it is: ordering, the supplier, or goods-in", () => {
    const shop = ready();
    const b = shop.builds[0];
    const wash = job(shop, "ST-06");
    shop.suppliers = [{ id: "s", name: "Tool Corner", leadBestDays: 1, leadLikelyDays: 2, leadWorstDays: 5, retired: false, version: 1 }];
    const part = { ...job(shop, "OP-04").parts[0], jobId: wash.id, supplierId: "s" };
    const who = (state: typeof part.state) => {
      wash.parts = [{ ...part, state, promisedAt: NOW + 500 }];
      return nextAndStuck(shop, b, undefined, NOW).stuck.find((s) => s.jobId === wash.id)?.who;
    };
    expect(who("needed")).toBe("the lead, by ordering it");
    const prepared = (likely: number) => {
      wash.minutes = { best: likely, likely, worst: likely };
      return nextAndStuck(shop, b, undefined, NOW).stuck.find((s) => s.jobId === wash.id)!.prepare;
    };
    expect([prepared(89), prepared(90)]).toEqual([false, true]);
    expect(who("ordered")).toBe("Tool Corner");
    expect(who("promised")).toBe("Tool Corner");
    expect(who("arrived")).toBe("whoever does goods-in");
    expect(who("checked")).toBeUndefined();
  });

  it("puts first what the date hangs on, by the plan; what work still keeps is no news", () => {
    const shop = ready();
    const b = shop.builds[0];
    for (const code of ["ST-06", "OP-04"]) job(shop, code).undecided = ["bed"];
    const cheap = nextAndStuck(shop, b, undefined, NOW).stuck.map((s) => s.jobId);
    expect(cheap).toContain("a.ST-06");
    expect(cheap).not.toContain("a.OP-04");
    const dear = nextAndStuck(shop, b, plan([{ job: "a.OP-04", kind: "part", minutes: 3 * 1440 + 300 }]), NOW).stuck;
    expect(dear[0]).toMatchObject({ jobId: "a.OP-04", days: 3.25, since: null });
    // Work and holds of the chain are no waiting.
    expect(nextAndStuck(shop, b, plan([{ job: "a.OP-04", kind: "work", minutes: 9999 }]), NOW).stuck.map((s) => s.jobId)).not.toContain(
      "a.OP-04",
    );
  });
});
