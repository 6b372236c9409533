// The roof's placement off the page's thread: it may search for a second or more.

import { InputError } from "@/core/plan/fault";
import { findCalculator } from "@/core/setout/calculators";

addEventListener("message", (e: MessageEvent<{ n: number; input: unknown }>) => {
  const { n, input } = e.data;
  try {
    postMessage({ n, outcome: findCalculator("roof-plan")!.run(input) });
  } catch (x) {
    // A fault of the input goes back by its field, one of the programme by its words.
    postMessage(x instanceof InputError ? { n, faults: x.faults } : { n, broken: String(x) });
  }
});
