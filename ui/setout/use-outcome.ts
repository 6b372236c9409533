"use client";
// What a draft comes to, live: at once on the page, or from a worker where it can take long.

import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { type Fault, InputError } from "@/core/plan/fault";
import type { Calculator } from "@/core/setout/engine/define";
import { type Draft, toInput } from "@/core/setout/engine/form";
import type { Outcome } from "@/core/setout/engine/outcome";

export interface Worked {
  outcome?: Outcome;
  faults: Fault[];
  /** It has been searching for more than half a second. */
  searching?: boolean;
  /** The outcome is of other figures than those that stand there: the search for these was stopped. */
  stopped?: boolean;
  stop?(): void;
}

/** What a draft comes to, at once: an outcome, or the faults by field. */
export function work(sheet: Calculator, draft: Draft): Worked {
  const { input, faults } = toInput(sheet.inputs, draft);
  if (faults.length) return { faults };
  try {
    return { outcome: sheet.run(input), faults: [] };
  } catch (e) {
    if (!(e instanceof InputError)) throw e;
    return { faults: e.faults };
  }
}

interface Answer {
  n: number;
  outcome?: Outcome;
  faults?: Fault[];
  broken?: string;
}

/** From here on (ms) it is said that a search goes on. */
const SAID_AFTER = 500;

export function useOutcome(sheet: Calculator, draft: Draft): Worked {
  const far = !!sheet.slow;
  const near = useMemo(() => (far ? undefined : work(sheet, draft)), [far, sheet, draft]);
  const worker = useRef<Worker | null>(null);
  const asked = useRef(0);
  // One search at a time; of what is asked meanwhile only the newest is kept.
  const inAir = useRef(false);
  const next = useRef<{ n: number; name: string; input: unknown } | null>(null);
  const [answer, setAnswer] = useState<Worked>({ faults: [] });
  const [state, setState] = useState<"idle" | "busy" | "long" | "stopped">("idle");
  const end = useCallback(() => {
    worker.current?.terminate();
    worker.current = null;
    inAir.current = false;
    next.current = null;
  }, []);
  useEffect(() => end, [end]);
  useEffect(() => {
    if (!far) return;
    const { input, faults } = toInput(sheet.inputs, draft);
    const n = ++asked.current;
    if (faults.length) {
      setAnswer({ faults });
      setState("idle");
      return;
    }
    worker.current ??= new Worker(new URL("./search.worker.ts", import.meta.url));
    const w = worker.current;
    w.onmessage = (e: MessageEvent<Answer>) => {
      inAir.current = !!next.current;
      if (next.current) w.postMessage(next.current);
      next.current = null;
      if (e.data.n !== asked.current) return;
      setState("idle");
      if (e.data.broken) setAnswer({ faults: [{ path: "roof", message: `can't be searched: ${e.data.broken}` }] });
      else setAnswer({ outcome: e.data.outcome, faults: e.data.faults ?? [] });
    };
    w.onerror = () => setAnswer({ faults: [{ path: "roof", message: "can't be searched: the page's worker did not start" }] });
    if (inAir.current) next.current = { n, name: sheet.name, input };
    else w.postMessage({ n, name: sheet.name, input });
    inAir.current = true;
    setState("busy");
    const long = setTimeout(() => setState((s) => (s === "busy" ? "long" : s)), SAID_AFTER);
    return () => clearTimeout(long);
  }, [far, sheet, draft]);
  const stop = useCallback(() => {
    end();
    asked.current++;
    setState("stopped");
  }, [end]);
  if (near) return near;
  return { ...answer, searching: state === "long", stopped: state === "stopped", stop };
}
