// Every character that a reader may see is one that the shipped font has.

import { readdirSync, readFileSync, statSync } from "node:fs";
import path from "node:path";
import { expect, it } from "vitest";

const css = readFileSync("node_modules/@fontsource-variable/archivo/wdth.css", "utf8");
const ranges = [...css.matchAll(/unicode-range: ?([^;]+);/g)]
  .flatMap((m) => m[1].split(","))
  .map((r) => {
    const [from, to = from] = r.trim().replace("U+", "").split("-");
    return [Number.parseInt(from, 16), Number.parseInt(to, 16)] as const;
  });
const has = (c: string) => ranges.some(([a, b]) => c.codePointAt(0)! >= a && c.codePointAt(0)! <= b);

/** Read from other programs' files, never shown. */
const NOT_SHOWN = ["core/setout/drawing/dxf.ts"];

const files = (folder: string): string[] =>
  readdirSync(folder).flatMap((f) => {
    const p = path.join(folder, f);
    if (statSync(p).isDirectory()) return f === "testing" || f === "migrations" ? [] : files(p);
    return /\.(tsx?|json)$/.test(f) && !/\.test\.tsx?$/.test(f) && !NOT_SHOWN.includes(p) ? [p] : [];
  });

/** Texts and code without comments. */
const shown = (text: string) =>
  text.replace(/\/\*[\s\S]*?\*\//g, (c) => "\n".repeat(c.split("\n").length - 1)).replace(/(^|\s)\/\/[^\n]*/g, "");

it("knows what the font has", () => {
  for (const c of "aé×÷²°…·–’−»±") expect([c, has(c)]).toEqual([c, true]);
  for (const c of "✓→⧗✎⌀") expect([c, has(c)]).toEqual([c, false]);
});

it("finds no other character in interface, core, messages and demo", () => {
  const odd = ["app", "ui", "core", "server", "db", "demo", "standins"].flatMap(files).flatMap((f) =>
    shown(readFileSync(f, "utf8"))
      .split("\n")
      .flatMap((line, i) => [...line].filter((c) => c.charCodeAt(0) > 126 && !has(c)).map((c) => `${c} in ${f}:${i + 1}`)),
  );
  expect(odd).toEqual([]);
});
