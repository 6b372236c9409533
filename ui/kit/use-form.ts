"use client";
// Sends a form: keeps what was typed on a fault, shows faults at their fields, and both values on a stale edit.

import { useState } from "react";
import type { Fault, SendError } from "./send";
import { useAct } from "./use-act";

export interface FormState {
  busy: boolean;
  faults: Fault[];
  /** What was wrong, when it belongs to no field. */
  general?: string;
  stale?: NonNullable<SendError["stale"]>;
  /** `work` gets the version to send: the one shown, or the newer one once the person chose to overwrite. */
  submit(work: (version: number) => Promise<unknown>, version: number, said?: string): Promise<boolean>;
  reset(): void;
}

export function useForm(): FormState {
  const act = useAct();
  const [faults, setFaults] = useState<Fault[]>([]);
  const [general, setGeneral] = useState<string>();
  const [stale, setStale] = useState<NonNullable<SendError["stale"]>>();
  const reset = () => {
    setFaults([]);
    setGeneral(undefined);
    setStale(undefined);
  };
  return {
    busy: act.busy,
    faults,
    general,
    stale,
    reset,
    submit: (work, version, said) => {
      reset();
      return act.run(
        () => work(version),
        said,
        undefined,
        (e) => {
          if (e.stale) setStale(e.stale);
          else if (e.faults.length) setFaults(e.faults);
          else setGeneral(e.message);
          return true;
        },
      );
    },
  };
}
