// Measures that only the workshop can work out, since they change what a build is: the build as it would be then, planned like any other.

import type { Measure } from "./measures";
import type { Problem, ProblemBuild } from "./model";

export interface Variant {
  kind: "drop";
  text: string;
  price: string;
  /** The build as it would be, under its own id. */
  build: ProblemBuild;
}

/** As measures; what the client would go without has no price that the house can name. */
export const variantMeasures = (variants: readonly Variant[]): Measure[] =>
  variants.map(({ kind, text, price, build }) => ({
    kind,
    text,
    price,
    hours: 0,
    pay: "asked",
    take: (p: Problem) => {
      const i = p.builds.findIndex((b) => b.id === build.id);
      if (i >= 0) p.builds[i] = structuredClone(build);
    },
  }));
