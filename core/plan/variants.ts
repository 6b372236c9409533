// Measures that only the workshop can work out, since they change what a build is: the build as it would be then, planned like any other.

import { apart, type Measure } from "./measures";
import type { Problem, ProblemBuild } from "./model";

export interface Variant {
  kind: "drop" | "prepare";
  text: string;
  price: string;
  /** What it costs, where the house knows. */
  money?: number;
  /** The build as it would be, under its own id. */
  build: ProblemBuild;
}

/** As measures; what names no money has a price that only somebody else can say: what the client would go without. */
export const variantMeasures = (variants: readonly Variant[]): Measure[] =>
  variants.map(({ kind, text, price, money, build }) => ({
    kind,
    text,
    price,
    hours: 0,
    pay: money === undefined ? "asked" : "hired",
    money,
    take: (p: Problem) => {
      const i = p.builds.findIndex((b) => b.id === build.id);
      if (i < 0) return;
      // What another measure has made of it stays: its weight and date, and its bench work set apart.
      const { weight, due } = p.builds[i];
      const next = { ...structuredClone(build), weight, due };
      const own = new Set(next.jobs.map((j) => j.id));
      const aside = p.builds.find((b) => b.id === apart(build.id));
      if (aside) aside.jobs = aside.jobs.filter((j) => own.has(j.id));
      const set = new Set(aside?.jobs.map((j) => j.id));
      next.jobs = next.jobs.filter((j) => !set.has(j.id));
      p.builds[i] = next;
    },
  }));
