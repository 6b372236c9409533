// Two people only for the minutes that need two, or a prop that stands in for one.

import { calculator, type Finding, is, list, mm, object, outcome, round } from "./model";

interface Input {
  steps: { name: string; minutes: number; two?: boolean; prop?: boolean; kg?: number; glass?: boolean }[];
  roofHeight?: number;
  frame?: number;
  stock?: number[];
  propUsed?: boolean;
  /** Heavier than this, kg, nobody lifts alone; a house figure. */
  alone?: number;
}

const schema = object(
  { steps: list(object({ name: is.name, minutes: is.amount }, { two: is.bool, prop: is.bool, kg: is.amount, glass: is.bool }), 1) },
  { alone: is.amount, roofHeight: is.size, frame: is.mm, stock: list(is.size), propUsed: is.bool },
);

/** A prop of roof height − frame thickness stands in where it can; a helper is booked for the stretch from the first to the last of the rest. */
export const pairMinutes = calculator<Input>(
  { name: "pair-minutes", title: "Two hands, or a prop" },
  schema,
  ({ propUsed, roofHeight }) => (propUsed && roofHeight === undefined ? [{ path: "roofHeight", message: "is missing for a prop" }] : []),
  ({ steps, roofHeight, frame = 0, stock = [], propUsed = false, alone = 15 }) => {
    const findings: Finding[] = [];
    const length = roofHeight === undefined ? null : round(roofHeight - frame);
    // Glass, and what is over the limit, takes two whatever is ticked; no prop stands in for one of them.
    const only = steps.map((s) => s.glass === true || (s.kg ?? 0) > alone);
    const needs = steps.map((s, i) => only[i] || (s.two === true && !(propUsed && s.prop)));
    steps.forEach((s, i) => {
      if (!only[i] || (s.two && !(propUsed && s.prop))) return;
      const why = s.glass ? "glass" : `${s.kg} kg, over ${alone}`;
      findings.push({
        level: "warn",
        about: `steps[${i}]`,
        text: `${s.name}: ${why}: two, ${s.two ? "no prop" : "though one is planned"}`,
      });
    });
    const total = steps.reduce((n, s) => n + s.minutes, 0);
    const two = steps.reduce((n, s, i) => n + (needs[i] ? s.minutes : 0), 0);
    let at = 0;
    const windows: { from: number; to: number }[] = [];
    steps.forEach((s, i) => {
      const last = windows[windows.length - 1];
      if (needs[i]) {
        if (last && last.to === at) last.to = at + s.minutes;
        else windows.push({ from: at, to: at + s.minutes });
      }
      at += s.minutes;
    });
    if (propUsed && length !== null) {
      const near = stock.filter((x) => x >= length).sort((a, b) => a - b)[0];
      findings.push(
        length <= 0
          ? { level: "stop", about: "frame", text: "the frame is thicker than the roof is high" }
          : stock.length && near === undefined
            ? { level: "stop", about: "stock", text: `no prop in stock reaches ${mm(length)}` }
            : {
                level: "ok",
                about: "roofHeight",
                text: `prop of ${mm(length)}${near === undefined ? "" : `, cut from ${mm(near)}`}, padded at both ends`,
              },
      );
    }
    findings.push(
      windows.length
        ? {
            level: "ok",
            about: "steps",
            text: `a second person ${windows.map((w) => `from minute ${round(w.from)} to ${round(w.to)}`).join(", ")}, free for the rest`,
          }
        : { level: "ok", about: "steps", text: "one alone does it" },
    );
    findings.push({
      level: "warn",
      about: "steps",
      text: "eyes, ears, gloves, long sleeves; a face shield overhead; only people who may on ladders",
    });
    const helper = windows.length ? { from: round(windows[0].from), to: round(windows[windows.length - 1].to) } : null;
    return outcome(
      {
        minutes: round(total),
        twoMinutes: round(two),
        freed: round(total - two),
        calls: windows.length,
        helper,
        prop: propUsed ? length : null,
      },
      { findings },
    );
  },
);
