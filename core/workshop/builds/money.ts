// What a build has cost so far and will cost: parts and hours, by stage.

import { STAGES } from "../../library/schema";
import type { BuildRow, JobRow, Shop } from "../state/model";
import { leftMinutes, workedMinutes } from "./left";

export interface Money {
  /** Parts that are here, ordered, and still to be ordered. */
  partsHere: number;
  partsOrdered: number;
  partsNeeded: number;
  /** Hours of people: worked, and still to come. */
  hoursDone: number;
  hoursLeft: number;
  /** In money. */
  soFar: number;
  toCome: number;
  /** Lines without a price: the sums leave them out. */
  unpriced: number;
}

const HERE = new Set(["arrived", "checked", "wrong"]);
const ORDERED = new Set(["ordered", "promised"]);

const people = (j: JobRow) =>
  j.state === "todo" ? j.crew.reduce((n, c) => n + c.people, 0) : Math.max(1, j.fitters.length || j.crew.reduce((n, c) => n + c.people, 0));

/** Sums over jobs; an hour of two people is two hours. Money in the workshop's currency, hours as worked by the shop's clock. */
export function moneyOf(shop: Pick<Shop, "calendars" | "workshop">, jobs: readonly JobRow[], now: number): Money {
  const m: Money = { partsHere: 0, partsOrdered: 0, partsNeeded: 0, hoursDone: 0, hoursLeft: 0, soFar: 0, toCome: 0, unpriced: 0 };
  for (const j of jobs) {
    for (const p of j.parts) {
      const cost = p.quantity * p.price;
      if (!p.price) m.unpriced++;
      if (HERE.has(p.state)) m.partsHere += cost;
      else if (ORDERED.has(p.state)) m.partsOrdered += cost;
      else m.partsNeeded += cost;
    }
    if (j.state !== "todo") m.hoursDone += (workedMinutes(shop, j, now) / 60) * people(j);
    const left = j.state === "done" ? 0 : j.state === "todo" ? j.minutes.likely : leftMinutes(shop, j, now);
    m.hoursLeft += (left / 60) * people(j);
  }
  const rate = shop.workshop.hourRate;
  m.soFar = m.partsHere + m.hoursDone * rate;
  m.toCome = m.partsOrdered + m.partsNeeded + m.hoursLeft * rate;
  return m;
}

/** The whole build, and each of its stages. */
export function buildMoney(shop: Shop, build: BuildRow, now: number): { whole: Money; stages: { stage: string; money: Money }[] } {
  return {
    whole: moneyOf(shop, build.jobs, now),
    stages: STAGES.flatMap((stage) => {
      const jobs = build.jobs.filter((j) => j.stage === stage);
      return jobs.length ? [{ stage, money: moneyOf(shop, jobs, now) }] : [];
    }),
  };
}
