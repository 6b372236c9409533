// The reference part of docs/setout.md, out of the definitions of the calculators: not written by hand.

import { readFileSync, writeFileSync } from "node:fs";
import path from "node:path";
import { CALCULATORS } from "../core/setout/calculators";
import { STAGES } from "../core/setout/engine/define";
import type { Input, Inputs, Leaf } from "../core/setout/engine/inputs";

const FILE = path.resolve(import.meta.dirname, "../docs/setout.md");
const BEGIN = "<!-- calculators: made by ./wide-lane new setout -->";
const END = "<!-- /calculators -->";
const TITLE: Record<(typeof STAGES)[number], string> = { strip: "Strip", openings: "Openings", time: "Time and hands" };

const FORM: Record<Leaf["kind"], string> = {
  length: "mm",
  number: "",
  text: "words",
  flag: "true or false",
  choice: "",
  polygon: "[[along, across], …]",
  numbers: "[numbers]",
  texts: "[words]",
  readings: "",
  place: "",
};

/** What stands in the JSON, as "mm", "one of single, double". */
function form(x: Leaf): string {
  const { type, minimum, exclusiveMinimum, maximum } = x.schema as Record<string, number | undefined> & { type?: string };
  if (x.kind === "choice") return `one of ${x.options!.map(([v]) => v).join(", ")}`;
  if (x.kind === "readings") return `[${x.options!.map(([, l]) => l).join("; ")}], mm`;
  if (x.kind === "place")
    return `"centre", or mm from a side: ${x
      .options!.filter(([v]) => v !== "centre")
      .map(([v]) => `{ "${v}": mm }`)
      .join(" or ")}`;
  const bounds =
    maximum !== undefined && maximum <= 1000
      ? `${exclusiveMinimum === undefined ? minimum : `above ${exclusiveMinimum}`} to ${maximum}`
      : "";
  return [x.unit ?? FORM[x.kind], type === "integer" ? "whole" : "", bounds].filter(Boolean).join(", ");
}

const cell = (text: string): string => text.replace(/\|/g, "\\|");

function lines(inputs: Inputs, prefix: string, open: boolean): string[] {
  return Object.entries(inputs).flatMap(([key, x]: [string, Input]): string[] => {
    const at = `${prefix}${key}`;
    const may = open || !x.needed;
    if (x.kind === "group") return lines(x.inputs, `${at}.`, may);
    const name = `\`${at}${x.kind === "rows" ? "[]" : ""}\`${may ? " ?" : ""}`;
    if (x.kind === "rows")
      return [`| ${name} | ${cell(x.label)} | a list${x.help ? `. ${cell(x.help)}` : ""} |`, ...lines(x.inputs, `${at}[].`, false)];
    const usual = x.usual === undefined || x.kind === "flag" ? "" : `; usually ${JSON.stringify(x.usual)}`;
    return [`| ${name} | ${cell(x.label)} | ${cell(form(x) + usual)}${x.help ? `. ${cell(x.help)}` : ""} |`];
  });
}

/** The reference of all calculators, stage by stage. */
export function reference(): string {
  return STAGES.flatMap((stage) => [
    `## ${TITLE[stage]}`,
    "",
    ...CALCULATORS.filter((c) => c.stage === stage).flatMap((c) => [
      `### ${c.name}`,
      "",
      `${c.asks} (${c.title})`,
      "",
      "| input | what | |",
      "|---|---|---|",
      ...lines(c.inputs, "", false),
      "",
      `Results: ${Object.entries(c.results)
        .map(([k, [label, unit]]) => `\`${k}\` ${label}${unit ? ` (${unit})` : ""}`)
        .join(", ")}.`,
      "",
    ]),
  ]).join("\n");
}

export function docsText(now = readFileSync(FILE, "utf8")): string {
  const [before, rest] = now.split(BEGIN);
  if (rest === undefined) throw new Error(`docs/setout.md has no line ${BEGIN}`);
  return `${before}${BEGIN}\n\n${reference()}\n${END}${rest.split(END)[1] ?? "\n"}`;
}

export const docsAreCurrent = (): boolean => readFileSync(FILE, "utf8") === docsText();
export const writeDocs = (): void => writeFileSync(FILE, docsText());
