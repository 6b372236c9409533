// The command line of the planner: plans pass the checker, faults get their line and exit 2.

import { spawnSync } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { afterAll, describe, expect, it, vi } from "vitest";
import { workshop } from "../core/plan/testing/workshop";
import cases from "../core/setout/testing/cases.json";
import worked from "../core/setout/testing/worked.json";
import { readArgs, whole } from "./args";
import setout from "./setout";

const folder = mkdtempSync(path.join(os.tmpdir(), "wl-cli-"));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const file = (name: string, content: unknown) => {
  const p = path.join(folder, name);
  writeFileSync(p, typeof content === "string" ? content : JSON.stringify(content));
  return p;
};
const wl = (...args: string[]) => spawnSync(process.execPath, ["--import", "tsx", "scripts/cli.ts", ...args], { encoding: "utf8" });

it("test takes no words, and does not run everything because somebody asks for help", () => {
  const asked = wl("test", "--help");
  expect(asked.status).toBe(2);
  expect(asked.stderr).toContain("Usage: ./wide-lane test");
});

describe("plan and check", () => {
  const problem = file("problem.json", workshop({ seed: 3, builds: 2, jobsPerBuild: 10 }));
  it("plans the same bytes each time, and the checker says valid", () => {
    const a = wl("plan", problem, "--iterations", "3", "--seed", "2");
    expect(a.status).toBe(0);
    expect(wl("plan", problem, "--iterations", "3", "--seed", "2").stdout).toBe(a.stdout);
    const check = wl("check", problem, file("plan.json", a.stdout));
    expect([check.status, check.stdout]).toEqual([0, "valid\n"]);
  });
  it("names each broken rule and exits 1", () => {
    const plan = JSON.parse(wl("plan", problem, "--iterations", "0").stdout);
    plan.jobs.pop();
    const check = wl("check", problem, file("short.json", plan));
    expect(check.status).toBe(1);
    expect(check.stdout).toContain("complete: ");
  });
  it("gives one line a fault, exit 2 and nothing on standard output", () => {
    const bad = JSON.parse(JSON.stringify(workshop({ seed: 3, builds: 1, jobsPerBuild: 4 })));
    bad.zone = 5;
    delete bad.now;
    bad.builds[0].jobs[0].colour = "red";
    const r = wl("plan", file("bad.json", bad));
    expect([r.status, r.stdout]).toEqual([2, ""]);
    expect(r.stderr.trim().split("\n").length).toBe(3);
    expect(r.stderr).toContain("builds[0].jobs[0].colour: is not a known field");
    expect(r.stderr).toContain("zone: expected string");
    expect(r.stderr).toContain("now: is missing");
  });
  it("refuses a missing file, broken JSON, unknown words and options", () => {
    expect(wl("plan", path.join(folder, "none.json")).stderr).toContain("can't be read");
    expect(wl("plan", file("broken.json", "{")).stderr).toContain("is no JSON");
    expect(wl("plan", problem, "--speed", "3")).toMatchObject({ status: 2 });
    expect(wl("plan", problem, "--ms", "soon")).toMatchObject({ status: 2 });
    expect(wl("nothing")).toMatchObject({ status: 2 });
    expect(wl("help")).toMatchObject({ status: 0 });
  });
});

describe("arguments", () => {
  it("reads values, flags and plain words", () => {
    const a = readArgs(["x", "--port", "80", "--fresh"], ["port"], ["fresh"], "");
    expect([a.plain, a.options.get("port"), a.options.has("fresh")]).toEqual([["x"], "80", true]);
    expect(whole(a, "port", 1, 100)).toBe(80);
    expect(whole(a, "host", 1, 100)).toBeUndefined();
    expect(() => whole(a, "port", 1, 50)).toThrow(/1 to 50/);
    expect(() => readArgs(["--port"], ["port"], [], "")).toThrow(/not understood/);
  });
});

describe("setout, case by case", () => {
  const at = (v: unknown, keys: string): unknown => keys.split(".").reduce<unknown>((x, k) => (x as Record<string, unknown>)?.[k], v);
  /** The command as it is called, without a process of its own for each of three hundred cases. */
  const printed = async (name: string, input: unknown): Promise<{ results: unknown }> => {
    const log = vi.spyOn(console, "log").mockImplementation(() => undefined);
    try {
      expect(await setout([name, file("case.json", input)])).toBe(0);
      return JSON.parse(log.mock.calls.map(([text]) => String(text)).join("\n"));
    } finally {
      log.mockRestore();
    }
  };
  it.each([
    ["the worked cases", worked],
    ["the further cases", cases],
  ])("gives the results of %s", async (_, list) => {
    for (const c of list as unknown as { calculator: string; input: unknown; expect: Record<string, unknown> }[]) {
      const { results } = await printed(c.calculator, c.input);
      for (const [key, wanted] of Object.entries(c.expect)) {
        const got = at(results, key);
        if (typeof wanted === "number") expect(got, `${c.calculator} ${key}`).toBeCloseTo(wanted, 1);
        else expect(got, `${c.calculator} ${key}`).toEqual(wanted);
      }
    }
  });
});

describe("setout", () => {
  const input = {
    field: { left: 1320, right: 2630, bottom: 640, top: 1305 },
    cut: { w: 1120, h: 520, r: 60 },
    minLand: 50,
    place: { along: "centre", up: { fromBottom: 55 } },
    skin: "single",
  };
  it("writes results, an SVG and a DXF", () => {
    const [svg, dxf] = [path.join(folder, "o.svg"), path.join(folder, "o.dxf")];
    const r = wl("setout", "opening", file("opening.json", input), "--svg", svg, "--dxf", dxf);
    expect([r.status, r.stderr]).toEqual([0, ""]);
    const out = JSON.parse(r.stdout);
    expect(out).toMatchObject({ format: "wide-lane/setout@1", name: "opening", results: { saw: 120 }, holdMinutes: null, massKg: null });
    expect(Object.keys(out).sort()).toEqual(["cuts", "findings", "format", "holdMinutes", "massKg", "minutes", "name", "parts", "results"]);
    expect(readFileSync(svg, "utf8")).toMatch(/^<svg /);
    expect(readFileSync(dxf, "utf8")).toMatch(/EOF\n$/);
  });
  it("names each wrong field, exit 2 and nothing on standard output", () => {
    const r = wl("setout", "opening", file("bad.json", { ...input, cut: { w: 1400, h: 520, r: -1 }, skin: "thin" }));
    expect([r.status, r.stdout]).toEqual([2, ""]);
    expect(r.stderr).toContain("cut.r");
    expect(r.stderr).toContain("skin");
    const none = wl("setout", "window", file("x.json", {}));
    expect(none.status).toBe(2);
    expect(none.stderr).toContain("there is no calculator window");
    expect(
      wl(
        "setout",
        "cure",
        file("c.json", { product: { moveAfterH: 4, mm24h: 3, minC: 5 }, depth: 8, tempC: 20 }),
        "--svg",
        path.join(folder, "c.svg"),
      ).status,
    ).toBe(2);
  });
});
