// Two people only for the minutes that need two, or a prop that stands in for one.

import { defineCalculator } from "../../engine/define";
import { amount, house, length, numbers, optional, rows, size, text, tick } from "../../engine/inputs";
import { type Finding, mm, outcome, round } from "../../engine/outcome";

const inputs = {
  steps: rows(
    "Steps",
    "step",
    {
      name: text("Step"),
      minutes: amount("Minutes"),
      two: tick("Two"),
      prop: tick("Prop"),
      kg: optional(amount("kg", { unit: "kg" })),
      glass: tick("Glass"),
    },
    { least: 1, from: "chosen", help: "Tick what needs two, and where a prop would do." },
  ),
  alone: house(amount("Alone up to", { unit: "kg", help: "Heavier than that takes two." }), 15),
  propUsed: tick("A prop stands in", { from: "chosen", help: "A prop holds what the second one would." }),
  roofHeight: optional(size("Roof above the floor", { from: "van", help: "From the floor to the roof's metal." })),
  frame: optional(length("Frame, thickness", { from: "chosen", help: "The prop is so much shorter." })),
  stock: optional(numbers("Props on the shelf, mm", 0, { from: "house", help: "Their lengths, with commas." })),
};
/** A prop of roof height − frame thickness stands in where it can; a helper is booked for the stretch from the first to the last of the rest. */
export const pairMinutes = defineCalculator({
  name: "pair-minutes",
  title: "Two hands, or a prop",
  stage: "time",
  asks: "Does it take two, or will a prop do?",
  words: "helper minutes",

  plannedAtOnce: true,
  inputs,
  example: {
    steps: [
      { name: "frame held under the roof", minutes: 15, two: true, prop: true, kg: 3, glass: false },
      { name: "corners and cut", minutes: 25, two: false, prop: false, glass: false },
      { name: "last cuts", minutes: 5, two: true, prop: false, glass: false },
      { name: "coat, dry fit", minutes: 40, two: false, prop: false, glass: false },
      { name: "setting and clamping", minutes: 20, two: true, prop: false, kg: 7, glass: false },
    ],
    alone: 15,
    propUsed: true,
    roofHeight: 1905,
    frame: 20,
  },
  results: {
    minutes: ["in all", "min"],
    twoMinutes: ["with two", "min"],
    freed: ["freed", "min"],
    calls: ["times somebody is called", ""],
    helper: ["helper is needed", ""],
    from: ["from minute", ""],
    to: ["to minute", ""],
    prop: ["prop", "mm"],
  },
  check: ({ propUsed, roofHeight }) =>
    propUsed && roofHeight === undefined ? [{ path: "roofHeight", message: "is missing for a prop" }] : [],
  work: ({ steps, roofHeight, frame = 0, stock = [], propUsed, alone }) => {
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
});
