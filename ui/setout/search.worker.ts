// A calculator that may take long, off the page's thread: one asked after the other; whoever asked ends it to stop it.

import { InputError } from "@/core/plan/fault";
import { findCalculator } from "@/core/setout/calculators";

self.onmessage = (e: MessageEvent<{ n: number; name: string; input: unknown }>) => {
  const { n, name, input } = e.data;
  try {
    postMessage({ n, outcome: findCalculator(name)!.run(input) });
  } catch (x) {
    postMessage(x instanceof InputError ? { n, faults: x.faults } : { n, broken: (x as Error).message });
  }
};
