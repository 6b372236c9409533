// Go or no-go before the first cut: how long until it is tight again, and by when at the latest it must begin.

import { random } from "../../../rng";
import { defineCalculator } from "../../engine/define";
import {
  amount,
  count,
  group,
  house,
  type InputOf,
  moment,
  momentUntil,
  optional,
  rows,
  share,
  temperature,
  text,
  yesNo,
} from "../../engine/inputs";
import { type Finding, outcome } from "../../engine/outcome";
import { prefill } from "./prefill";

/** Runs of the simulation, its seed, minutes to sheet an opening over, and the chance from which on an hour counts as dry. */
const RUNS = 4000;
const SEED = 20;
export const SHEET = 20;

const minutesOf = (t: string) => Number(t.slice(-5, -3)) * 60 + Number(t.slice(-2));

/** A time of day in the form that `now` has. */
const like = (now: string, minutes: number): string => {
  const m = Math.floor(minutes);
  const text = `${String(Math.floor(m / 60)).padStart(2, "0")}:${String(m % 60).padStart(2, "0")}`;
  return now.includes("T") ? `${now.slice(0, 11)}${text}` : text;
};

function faults({ steps, dry, now, sunset }: Input) {
  const out: { path: string; message: string }[] = [];
  steps.forEach(({ minutes: m }, i) => {
    if (m.likely < m.best) out.push({ path: `steps[${i}].minutes.likely`, message: "is less than the best" });
    if (m.worst < m.likely) out.push({ path: `steps[${i}].minutes.worst`, message: "is less than the likely" });
  });
  dry.forEach((d, i) => {
    if (minutesOf(d.to) <= minutesOf(d.from)) out.push({ path: `dry[${i}].to`, message: "does not lie after its from" });
    if (d.from.includes("T") && now.includes("T") && d.from.slice(0, 10) !== now.slice(0, 10))
      out.push({ path: `dry[${i}].from`, message: "is not on the day of now" });
  });
  if (sunset.includes("T") && now.includes("T") && sunset.slice(0, 10) !== now.slice(0, 10))
    out.push({ path: "sunset", message: "is not on the day of now" });
  return out;
}

/** Sorted sums of triangular minutes, by a fixed seed: the same on every machine. */
export function stretch(steps: Input["steps"]): Float64Array {
  const r = random(SEED);
  const sums = new Float64Array(RUNS);
  for (let k = 0; k < RUNS; k++)
    for (const { minutes: m } of steps) {
      const width = m.worst - m.best;
      const u = r();
      if (width === 0) sums[k] += m.best;
      else {
        const turn = (m.likely - m.best) / width;
        sums[k] +=
          u < turn ? m.best + Math.sqrt(u * width * (m.likely - m.best)) : m.worst - Math.sqrt((1 - u) * width * (m.worst - m.likely));
      }
    }
  return sums.sort();
}

/** Minutes that hold in nine cases of ten, rounded; one job's three times taken as a triangle. */
export function nineOfTen(minutes: Input["steps"][number]["minutes"]): number {
  const key = `${minutes.best} ${minutes.likely} ${minutes.worst}`;
  let p = known.get(key);
  if (p === undefined) {
    p = Math.round(stretch([{ name: "", minutes }])[Math.floor(0.9 * (RUNS - 1))]);
    if (known.size > 500) known.clear();
    known.set(key, p);
  }
  return p;
}
/** The same few jobs are asked about at every look at the yard. */
const known = new Map<string, number>();

const inputs = {
  now: moment("Now", { from: "measured", help: "Day and time from which the weather counts." }),
  sunset: moment("Dusk", { from: "measured", help: "When it gets too dark to work." }),
  people: count("People here", [0, 100_000], { from: "measured", help: "Who is here for it." }),
  peopleNeeded: count("People needed", [0, 100_000], { from: "chosen", help: "At the moment that needs most hands." }),
  tempC: temperature("Temperature", { from: "measured", help: "In the hours of the bond." }),
  minC: temperature("The bond needs", { from: "chosen", help: "On the tube." }),
  steps: rows(
    "Steps from first cut to sealed",
    "step",
    { name: text("Step"), minutes: group({ best: amount("Best"), likely: amount("Likely"), worst: amount("Worst") }) },
    { least: 1, from: "chosen", help: "All work from the first cut until it is watertight." },
  ),
  dry: rows(
    "Dry hours",
    "window",
    { from: moment("From"), to: momentUntil("To"), chance: share("Chance") },
    { from: "measured", help: "From the forecast: from, to, and how likely it stays dry (0.8 is 8 in 10)." },
  ),
  units: rows(
    "Units",
    "unit",
    {
      name: text("Name"),
      arrived: yesNo("Here"),
      checked: yesNo("Checked"),
      dryFitted: yesNo("Tried in place"),
      ran: optional(yesNo("Has run")),
    },
    { from: "chosen", help: "Here, checked and tried in place before anything is cut." },
  ),
  dryEnough: house(share("Counts as dry from a chance of", { help: "0.7 is 7 in 10." }), 0.7),
};
type Input = InputOf<typeof inputs>;

/**
 * P50 and P90 of the stretch from first cut to sealed, minutes. Latest start = the first of dusk and the end of the dry
 * window (a chance of 70 % or more) less P90 less 20 minutes to sheet over. go: it may begin now. hold: something is missing
 * that can still come. no: too late, too cold, or not dry today.
 */
export const openSkin = defineCalculator({
  name: "open-skin",
  title: "Open-skin clock",
  stage: "openings",
  asks: "How long is the skin open, and does that fit into the dry hours?",
  words: "rain weather risk",

  inputs,
  example: {
    now: "09:00",
    sunset: "17:40",
    people: 2,
    peopleNeeded: 2,
    tempC: 12,
    minC: 8,
    steps: [
      { name: "cut", minutes: { best: 20, likely: 30, worst: 55 } },
      { name: "deburr, clean", minutes: { best: 10, likely: 15, worst: 25 } },
      { name: "coat the edge, dry", minutes: { best: 25, likely: 30, worst: 45 } },
      { name: "prime, flash off", minutes: { best: 15, likely: 20, worst: 30 } },
      { name: "bead, set, fix", minutes: { best: 20, likely: 30, worst: 60 } },
    ],
    dry: [{ from: "08:00", to: "15:20", chance: 0.85 }],
    units: [{ name: "roof fan", arrived: true, checked: true, dryFitted: true }],
  },
  results: {
    p50: ["minutes in half of all cases", "min"],
    p90: ["minutes in nine cases of ten", "min"],
    latestStart: ["latest start", ""],
    verdict: ["verdict", ""],
  },
  fromPlan: true,
  prefill,
  check: faults,
  work: (input) => {
    const sums = stretch(input.steps);
    const p50 = Math.round(sums[Math.floor(0.5 * (RUNS - 1))]);
    const p90 = Math.round(sums[Math.floor(0.9 * (RUNS - 1))]);
    const now = minutesOf(input.now);
    const dusk = minutesOf(input.sunset);
    const dry = input.dry
      .filter((d) => d.chance >= input.dryEnough)
      .map((d) => [minutesOf(d.from), minutesOf(d.to)] as const)
      .sort((a, b) => a[0] - b[0])
      // Windows that touch are one.
      .reduce<[number, number][]>((list, [a, b]) => {
        const last = list[list.length - 1];
        if (last && a <= last[1]) last[1] = Math.max(last[1], b);
        else list.push([a, b]);
        return list;
      }, []);
    const long = ([a, b]: readonly [number, number]) => Math.min(b, dusk) - Math.max(a, now) >= p90 + SHEET;
    const window = dry.find((d) => d[1] > now && long(d)) ?? dry.find((d) => d[1] > now);
    const end = window ? Math.min(window[1], dusk) : undefined;
    const latest = end === undefined ? undefined : end - p90 - SHEET;
    const findings: Finding[] = [];
    const say = (level: Finding["level"], about: string, text: string) => findings.push({ level, about, text });
    let verdict: "go" | "hold" | "no" = "go";
    const no = (about: string, text: string) => {
      verdict = "no";
      say("stop", about, text);
    };
    const hold = (about: string, text: string) => {
      if (verdict === "go") verdict = "hold";
      say("warn", about, text);
    };
    if (input.tempC < input.minC) no("tempC", `${input.tempC} °C; the bond needs ${input.minC}`);
    else if (input.tempC === input.minC) say("warn", "tempC", `exactly at the minimum of ${input.minC} °C`);
    if (!window) no("dry", "no dry hours with a chance of 70 % are left today");
    else {
      if (latest! < now)
        no(
          end === dusk ? "sunset" : "dry",
          `too late: it had to begin by ${like(input.now, Math.max(0, latest!))}, ${end === dusk ? "dusk" : "rain"} comes at ${like(input.now, end!)}`,
        );
      else
        say(
          "ok",
          end === dusk ? "sunset" : "dry",
          `begin by ${like(input.now, latest!)}: ${end === dusk ? "dusk" : "rain"} at ${like(input.now, end!)}, ${p90} min at worst, ${SHEET} to sheet over`,
        );
      if (window[0] > now && latest! >= now) hold("dry", `wait until it is dry at ${like(input.now, window[0])}`);
    }
    if (input.people < input.peopleNeeded) hold("people", `${input.people} here, ${input.peopleNeeded} needed`);
    for (const u of input.units) {
      const missing = [
        !u.arrived && "not here",
        u.arrived && !u.checked && "not checked",
        u.arrived && !u.dryFitted && "not tried in place",
        u.arrived && u.ran === false && "not run on the bench",
      ].filter(Boolean);
      if (missing.length) hold("units", `${u.name}: ${missing.join(", ")}`);
    }
    return outcome(
      { p50, p90, latestStart: latest === undefined || latest < 0 ? null : like(input.now, latest), verdict },
      {
        findings,
        minutes: {
          best: Math.round(sums[0]),
          likely: p50,
          worst: Math.round(sums[RUNS - 1]),
          covers: "part",
          what: "from the cut to the seal",
          held: Math.round(input.steps.reduce((n, s) => n + s.minutes.likely, 0)),
        },
      },
    );
  },
});
