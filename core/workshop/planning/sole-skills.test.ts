import { describe, expect, it } from "vitest";
import type { Plan } from "../../plan/model";
import { at, job, NOW, testShop } from "../testing/shop";
import { soleSkills } from "./sole-skills";

describe("where one absence stops a skill", () => {
  const shopWith = (people: [id: string, skills: Record<string, number>, retired?: boolean][]) => {
    const shop = testShop();
    const [model] = shop.fitters;
    shop.fitters = people.map(([id, skills, retired]) => ({ ...model, id, name: id, skills, tickets: [], retired: retired ?? false }));
    for (const j of shop.builds[0].jobs) j.state = "done";
    return shop;
  };
  const open = (shop: ReturnType<typeof testShop>, code: string, skill: string, level: number, ticket: string | null = null) => {
    const j = job(shop, code);
    j.state = "todo";
    j.crew = [{ skill, level, people: 1, ticket }];
    return j;
  };

  it("names the one, how much work hangs on them, and who could learn it on which job", () => {
    const shop = shopWith([
      ["Ines", { body: 3 }],
      ["Teo", { body: 1 }],
      ["Rosa", { trim: 2 }],
    ]);
    open(shop, "OP-04", "body", 2);
    const next = open(shop, "OP-09", "body", 2);
    const plan = { jobs: [{ id: next.id, start: "2027-03-04T08:00" }] } as unknown as Plan;
    expect(soleSkills(shop, plan, NOW)).toEqual([
      {
        fitterId: "Ines",
        what: "body at level 2",
        jobs: 2,
        next: { name: next.name, build: "Field vet", at: at("2027-03-04T08:00") },
        train: "Teo",
      },
    ]);
  });
  it("says nothing where two can, where nobody can, or where anybody will do", () => {
    const shop = shopWith([
      ["Ines", { body: 3 }],
      ["Teo", { body: 2 }],
    ]);
    open(shop, "OP-04", "body", 2);
    open(shop, "OP-09", "gas", 2);
    open(shop, "IN-05", "any", 3);
    expect(soleSkills(shop, undefined, NOW)).toEqual([]);
  });
  it("counts a ticket that has run out by the day of the job, and those who have left, as missing", () => {
    const shop = shopWith([
      ["Ines", { body: 2 }],
      ["Teo", { body: 2 }],
      ["Nils", { body: 3 }, true],
    ]);
    const j = open(shop, "OP-04", "body", 2, "roof");
    shop.fitters[0].tickets = [{ id: "roof", until: null }];
    shop.fitters[1].tickets = [{ id: "roof", until: "2027-03-10" }];
    const on = (day: string) => soleSkills(shop, { jobs: [{ id: j.id, start: `${day}T08:00` }] } as unknown as Plan, NOW);
    expect(on("2027-03-10")).toEqual([]);
    expect(on("2027-03-11")).toMatchObject([{ fitterId: "Ines", what: "body at level 2 with a roof ticket", train: "Teo" }]);
  });
});
