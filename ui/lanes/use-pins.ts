"use client";
// Pins set on the lanes: tried before they are set, with the plan flowing round them, undone and done again.

import { useEffect, useRef, useState } from "react";
import { toast } from "sonner";
import type { Verdict } from "@/core/plan/pinned";
import { zoneOf } from "@/core/time/zone";
import { send } from "../kit/send";
import { useAct } from "../kit/use-act";
import { isPinned, type LanesView, type PinAt } from "./view";

interface Step {
  jobId: string;
  before: PinAt;
  after: PinAt;
}

/** How a wish would come out while a block is held: where the others would go, and what forbids it. */
export interface Preview {
  jobId: string;
  ok: boolean;
  text: string;
  /** Minutes by which jobs move, the one held among them. */
  shifts: ReadonlyMap<string, number>;
}

export interface Pins {
  busy: boolean;
  preview: Preview | undefined;
  undoable: boolean;
  redoable: boolean;
  /** Sets or takes out a pin; `checked`: refused where it can't be kept. */
  set(jobId: string, to: PinAt, checked: boolean): Promise<void>;
  /** Shows what a pin would do, as fast as the server says. */
  look(jobId: string, to: PinAt | undefined): void;
  undo(): void;
  redo(): void;
}

const wishOf = (jobId: string, p: PinAt) => ({
  job: jobId,
  ...(p.start && { start: p.start }),
  ...(p.place && { place: p.place }),
  ...(p.fitters.length && { fitters: p.fitters }),
});

/** `after` is called when a pin has been set and the quick plan round it is there. */
export function usePins(view: LanesView, after: () => void): Pins {
  const act = useAct();
  const [steps, setSteps] = useState<{ done: Step[]; undone: Step[] }>({ done: [], undone: [] });
  // What is true between two drawings of the page: a key pressed meanwhile goes on from there.
  const now = useRef({ steps, view });
  now.current.view = view;
  const keep = (change: (s: { done: Step[]; undone: Step[] }) => { done: Step[]; undone: Step[] }) => {
    now.current.steps = change(now.current.steps);
    setSteps(now.current.steps);
  };
  const queue = useRef<Promise<unknown>>(Promise.resolve());
  const [preview, setPreview] = useState<Preview>();
  const asked = useRef<{ key: string; busy: boolean; next?: () => void }>({ key: "", busy: false });
  // biome-ignore lint/correctness/useExhaustiveDependencies: fresh data are the real thing: what was only shown goes
  useEffect(() => setPreview(undefined), [view]);

  const words = (p: PinAt) =>
    [p.start?.replace("T", " "), p.place && (view.places[p.place] ?? p.place), ...p.fitters.map((f) => view.people[f] ?? f)]
      .filter(Boolean)
      .join(", ");

  // Versions of our own last pins. The page may be older than they are, and one that comes late may be too: the higher one counts.
  const versions = useRef(new Map<string, number>());
  const store = async (jobId: string, to: PinAt) => {
    const card = now.current.view.jobs[jobId];
    const { job: _job, ...wish } = wishOf(jobId, to);
    const version = Math.max(versions.current.get(jobId) ?? 0, card.version);
    try {
      await send("PATCH", `jobs/${jobId}/pin`, { version, ...wish });
    } catch (e) {
      versions.current.delete(jobId);
      throw e;
    }
    versions.current.set(jobId, version + 1);
    const { pinsBroken } = await send<{ pinsBroken: { job: string; reason: string }[] }>("POST", "plan", { quick: true });
    const broken = pinsBroken.find((p) => p.job === jobId);
    if (broken && isPinned(to)) toast.error(broken.reason, { duration: 9000 });
  };

  const apply = async (step: Step, said: string, undo?: () => Promise<unknown>): Promise<boolean> => {
    const ok = await act.run(() => store(step.jobId, step.after), said, undo);
    if (ok) after();
    else setPreview(undefined);
    return ok;
  };
  const nameOf = (s: Step) => now.current.view.jobs[s.jobId]?.name ?? "The job";
  const back = (s: Step): Step => ({ jobId: s.jobId, before: s.after, after: s.before });

  const set: Pins["set"] = async (jobId, to, checked) => {
    // What was last shown stays until the real thing is there; answers still on their way are too late.
    asked.current.key = "";
    asked.current.next = undefined;
    const card = view.jobs[jobId];
    if (to.start !== null && zoneOf(view.zone).parse(to.start) < view.now) {
      toast.error(`${card.name} can't be pinned before now`);
      setPreview(undefined);
      return;
    }
    if (checked && isPinned(to)) {
      try {
        const verdict = await send<Verdict>("POST", "plan/try", wishOf(jobId, to));
        if (!verdict.kept) {
          toast.error(verdict.text ?? "That can't be kept", { duration: 9000 });
          setPreview(undefined);
          return;
        }
      } catch (e) {
        toast.error((e as Error).message);
        setPreview(undefined);
        return;
      }
    }
    const step: Step = { jobId, before: card.pin, after: to };
    const said = isPinned(to) ? `${card.name} is pinned to ${words(to)}; the plan flows round it` : `${card.name} is free again`;
    const ok = await apply(step, said, async () => {
      await store(jobId, step.before);
      keep(({ done, undone }) => ({ done: done.filter((x) => x !== step), undone: [...undone, step] }));
    });
    if (ok) keep(({ done }) => ({ done: [...done, step], undone: [] }));
  };

  const look: Pins["look"] = (jobId, to) => {
    const a = asked.current;
    const key = to ? `${jobId} ${to.start} ${to.place} ${to.fitters.join()}` : "";
    if (key === a.key) return;
    a.key = key;
    if (!to) {
      a.next = undefined;
      setPreview(undefined);
      return;
    }
    const ask = async () => {
      a.busy = true;
      try {
        const v = await send<Verdict>("POST", "plan/try", wishOf(jobId, to));
        if (a.key === key)
          setPreview({
            jobId,
            ok: v.kept,
            text: v.kept ? (v.moves.length > 1 ? `${v.moves.length - 1} others move` : "moves nothing else") : (v.text ?? "can't be kept"),
            shifts: new Map(v.moves.flatMap((m) => (m.from !== null && m.to !== null ? [[m.job, m.to - m.from]] : []))),
          });
      } catch {
        // The drop says what is wrong.
      }
      a.busy = false;
      const next = a.next;
      a.next = undefined;
      next?.();
    };
    // One question at a time; of those that come meanwhile only the last is asked.
    if (a.busy) a.next = () => void ask();
    else void ask();
  };

  return {
    busy: act.busy,
    preview,
    undoable: steps.done.length > 0,
    redoable: steps.undone.length > 0,
    set,
    look,
    // One after the other: a key pressed while the one before is still on its way waits for it.
    undo: () => {
      queue.current = queue.current.then(async () => {
        const step = now.current.steps.done.at(-1);
        if (step && (await apply(back(step), `${nameOf(step)}: pin undone`)))
          keep(({ done, undone }) => ({ done: done.filter((x) => x !== step), undone: [...undone, step] }));
      });
    },
    redo: () => {
      queue.current = queue.current.then(async () => {
        const step = now.current.steps.undone.at(-1);
        if (step && (await apply(step, `${nameOf(step)}: pinned again`)))
          keep(({ done, undone }) => ({ done: [...done, step], undone: undone.filter((x) => x !== step) }));
      });
    },
  };
}
