// Requests that mean harm, made from the acts' own schemas: wrong types, sizes, unicode, nesting, SQL, HTML, paths, prototypes.

import { random } from "@/core/rng";

type Schema = Record<string, unknown>;

export interface Hostile {
  method: string;
  path: string;
  body: string;
  headers: Record<string, string>;
}

const STRINGS = [
  "",
  " ",
  "\u0000",
  "x".repeat(121),
  "x".repeat(5000),
  "x".repeat(200_000),
  "'; DROP TABLE build; -- ",
  "1' OR '1'='1",
  "<script>alert(1)</script>",
  "<img src=x onerror=alert(1)>",
  "../../../../etc/passwd",
  "..\\..\\windows",
  "%00%ff%2e%2e",
  "__proto__",
  "constructor",
  "\u{1F6D0}".repeat(300),
  "\ud800",
  "\u202Etxt.exe",
  "e\u0301".repeat(200),
  "{{7*7}}#{7*7}<%= 7*7 %>",
  "2026-02-31",
  "9999-12-31T23:59",
  "0000-00-00T00:00",
  "2026-11-25T25:61",
  "+275760-09-13",
  "24:00",
  "99:99",
  "NaN",
  "null",
  "-1",
  "1e309",
];
const NUMBERS = [0, -0, -1, 1, 0.1, 1e-9, 65_536, 70_000, 2 ** 31, 2 ** 32, 2 ** 53, -(2 ** 53), 1e21, 1e308, -1e308];
const ODD: unknown[] = [
  null,
  true,
  false,
  [],
  {},
  [[]],
  { a: { b: {} } },
  [null],
  { length: 1e9 },
  { toString: 1 },
  { constructor: { prototype: { x: 1 } } },
];

export class Maker {
  private readonly rnd: () => number;
  constructor(
    seed: number,
    private readonly ids: readonly string[],
  ) {
    this.rnd = random(seed);
  }

  chance(p: number): boolean {
    return this.rnd() < p;
  }

  pick<T>(list: readonly T[]): T {
    return list[Math.floor(this.rnd() * list.length)];
  }

  private nested(depth: number): string {
    return this.chance(0.5) ? `${"[".repeat(depth)}${"]".repeat(depth)}` : `${'{"a":'.repeat(depth)}1${"}".repeat(depth)}`;
  }

  /** A value that a schema takes, more or less. */
  fitting(schema: Schema, depth = 0): unknown {
    if (Array.isArray(schema.enum)) return this.pick(schema.enum as unknown[]);
    const type = Array.isArray(schema.type) ? this.pick(schema.type as string[]) : schema.type;
    switch (type) {
      case "object": {
        const out: Record<string, unknown> = {};
        const properties = (schema.properties ?? {}) as Record<string, Schema>;
        const required = (schema.required ?? []) as string[];
        for (const [k, s] of Object.entries(properties))
          if (required.includes(k) || this.chance(0.6)) out[k] = depth > 8 ? null : this.fitting(s, depth + 1);
        return out;
      }
      case "array": {
        const n = Math.floor(this.rnd() * 4);
        return Array.from({ length: n }, () => (schema.items ? this.fitting(schema.items as Schema, depth + 1) : this.pick(ODD)));
      }
      case "string":
        if (schema.format === "local-time")
          return this.pick(["2026-12-01T08:00", "2027-03-01T17:00", "2026-11-25T10:00", "2099-12-31T23:59"]);
        if (schema.format === "day") return this.pick(["2026-12-01", "2027-01-31", "2099-12-31", "2000-01-01"]);
        if (typeof schema.pattern === "string" && schema.pattern.includes("24:00")) return this.pick(["08:00", "17:30", "24:00", "00:00"]);
        return this.chance(0.5) ? this.pick(this.ids) : this.pick(["a name", "Rivet", "x-1", "shop", "yard", "body"]);
      case "integer":
      case "number": {
        const low = Number(schema.minimum ?? schema.exclusiveMinimum ?? 0);
        const high = Number(schema.maximum ?? 1000);
        const v = this.pick([low, high, low + this.rnd() * (high - low), 1, 2]);
        return type === "integer" ? Math.round(v) : v;
      }
      case "boolean":
        return this.chance(0.5);
      default:
        return this.pick(ODD);
    }
  }

  /** The same, with something wrong in it somewhere. */
  broken(value: unknown): unknown {
    if (this.chance(0.3) || value === null || typeof value !== "object")
      return this.pick([this.pick(STRINGS), this.pick(NUMBERS), this.pick(ODD)] as unknown[]);
    if (Array.isArray(value)) {
      if (!value.length || this.chance(0.3)) return Array.from({ length: this.pick([1, 60, 3000]) }, () => this.pick(STRINGS.slice(0, 4)));
      return value.map((v, i) => (i === 0 ? this.broken(v) : v));
    }
    const out: Record<string, unknown> = { ...(value as object) };
    const keys = Object.keys(out);
    if (this.chance(0.2)) out[this.pick(STRINGS)] = this.pick(ODD);
    if (!keys.length || this.chance(0.15)) return out;
    const k = this.pick(keys);
    if (this.chance(0.2)) delete out[k];
    else out[k] = this.broken(out[k]);
    return out;
  }

  id(): string {
    return this.chance(0.6) ? this.pick(this.ids) : this.pick(STRINGS);
  }

  request(act: { method: string; path: string; schema: object }): Hostile {
    const path = `/api/${act.path
      .split("/")
      .map((p) => (p === "*" ? this.encoded(this.id()) : p))
      .join("/")}`;
    const good = this.fitting(act.schema as Schema);
    const body = this.chance(0.06)
      ? this.pick([
          "",
          "null",
          "[]",
          "1",
          '"x"',
          "{",
          "\u0000",
          this.nested(50),
          this.nested(30_000),
          `{"__proto__":{"role":"lead"}}`,
          "x".repeat(300_000),
        ])
      : JSON.stringify(this.chance(0.25) ? good : this.broken(good));
    const headers: Record<string, string> = {};
    if (this.chance(0.05))
      headers["x-act-id"] = this.pick(["act-000000000", "short", "x".repeat(70), "a b", "0198a0c0-0000-7000-8000-000000000000"]);
    if (this.chance(0.05)) headers["content-type"] = this.pick(["text/plain", "multipart/form-data; boundary=x", "application/xml"]);
    return { method: act.method, path, body, headers };
  }

  private encoded(text: string): string {
    if (this.chance(0.05)) return this.pick(["%ff", "%", "%2e%2e", "..", "%00", "%2f", "a%5cb"]);
    try {
      return encodeURIComponent(text.slice(0, 300)) || "x";
    } catch {
      return "%ED%A0%80";
    }
  }
}
