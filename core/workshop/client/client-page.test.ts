import { describe, expect, it } from "vitest";
import type { Plan } from "../../plan/model";
import { at, done, job, NOW, testShop } from "../testing/shop";
import { clientPage } from "./client-page";

const plan = (finish: string, jobs: [string, string][] = []): Plan =>
  ({
    jobs: jobs.map(([id, start]) => ({ id, start, end: start, place: "b1", fitters: ["ines"] })),
    builds: [{ id: "a", finish, due: "2027-04-30T17:00" }],
  }) as unknown as Plan;

describe("the page for the client", () => {
  const shop = testShop();
  const build = shop.builds[0];
  done(shop, ["ST-01"], NOW - 60);
  done(shop, ["ST-02"], NOW - 30 * 1440);
  const page = (p: Plan | undefined, open: Parameters<typeof clientPage>[3] = []) => clientPage(shop, build, p, open, NOW);

  it("says how far each stage is, and counts the work, not the jobs", () => {
    const strip = page(undefined).stages[0];
    expect([strip.name, strip.state]).toEqual(["Empty and clean", "under way"]);
    expect(strip.words).toMatch(/^2 of \d+ jobs$/);
    expect(page(undefined).stages.at(-1)!.state).toBe("to come");
    const minutes = build.jobs.reduce((n, j) => n + j.minutes.likely, 0);
    const over = job(shop, "ST-01").minutes.likely + job(shop, "ST-02").minutes.likely;
    expect(page(undefined).share).toBe(Math.round((100 * over) / minutes));
  });

  it("tells what was finished in the last week, what rests, and what comes next in its order", () => {
    expect(page(undefined).lately).toEqual([job(shop, "ST-01").name]);
    job(shop, "ST-01").hold.minutes = 600;
    expect(page(undefined).rests).toEqual([{ what: job(shop, "ST-01").name, until: NOW + 540 }]);
    job(shop, "ST-01").hold.minutes = 0;
    const next = page(
      plan("2027-04-28T12:00", [
        ["a.OP-04", "2027-03-10T08:00"],
        ["a.ST-04", "2027-03-04T08:00"],
        ["a.ST-01", "2027-03-02T08:00"],
      ]),
    ).next;
    expect(next).toEqual([
      { what: job(shop, "ST-04").name, at: at("2027-03-04T08:00") },
      { what: job(shop, "OP-04").name, at: at("2027-03-10T08:00") },
    ]);
  });

  it("says the date as it is: on the day, later by working days, not known, or waiting for an answer", () => {
    expect(page(plan("2027-04-30T12:00")).date.words).toBe("By the plan of today it will be ready on the day agreed.");
    expect(page(plan("2027-05-04T12:00")).date.words).toMatch(/^By the plan of today it will be 2 working days later than agreed/);
    expect(page(undefined).date.words).toMatch(/working out the new day/);
    const open = [{ key: "fan" as const, client: true, assumed: "yes", by: at("2027-03-20T12:00") }];
    expect(page(plan("2027-05-04T12:00"), open).date.words).toMatch(/once the questions below are answered/);
    expect(page(undefined, open).asked).toEqual([{ what: "Roof fan", planned: "yes", by: at("2027-03-20T12:00") }]);
  });

  it("names nobody and no money", () => {
    const text = JSON.stringify(page(plan("2027-04-28T12:00", [["a.OP-04", "2027-03-10T08:00"]])));
    for (const f of shop.fitters) expect(text).not.toContain(f.name);
    expect(text).not.toContain(shop.workshop.currency);
  });
});
