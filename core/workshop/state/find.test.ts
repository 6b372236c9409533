import { describe, expect, it } from "vitest";
import { done, job, NOW, testBuild, testShop } from "../testing/shop";
import { Finder, FOUND_KINDS } from "./find";

const shop = testShop([
  { ...testBuild("a"), name: "Field vet", client: "Skyline" },
  { ...testBuild("b"), name: "Night bakery" },
]);
done(shop, ["ST-01"], NOW - 600);
Object.assign(job(shop, "ST-04"), { state: "started", startedAt: NOW });
const finder = new Finder(shop);
const kindsOf = (text: string) => finder.find(text).map((f) => f.kind);

describe("Finder", () => {
  it("finds a build by its name or its client before anything of it", () => {
    expect(finder.find("field vet")[0]).toMatchObject({ kind: "build", label: "Field vet", href: "/builds/a" });
    expect(finder.find("skyl")[0]).toMatchObject({ kind: "build", label: "Field vet" });
  });
  it("lists by kind: builds, jobs, parts, people, sheets, records", () => {
    for (const text of ["field", "te", "win", "ro"]) {
      const order = kindsOf(text).map((k) => FOUND_KINDS.indexOf(k));
      expect(order).toEqual([...order].sort((a, b) => a - b));
    }
    expect(kindsOf("teo")).toContain("person");
  });
  it("forgives a slip of the finger, and asks for all the words", () => {
    expect(finder.find("bakary").map((f) => f.label)).toContain("Night bakery");
    expect(finder.find("feild vet").map((f) => f.label)).toContain("Field vet");
    expect(finder.find("wndow").length).toBeGreaterThan(0);
    expect(finder.find("field zzzzz")).toEqual([]);
  });
  it("puts what is under way and what is next before what is over", () => {
    const jobs = finder.find("field st").filter((f) => f.kind === "job");
    const at = (code: string) => jobs.findIndex((f) => f.label.startsWith(code));
    expect(at("ST-04")).toBeGreaterThanOrEqual(0);
    expect(at("ST-04")).toBeLessThan(at("ST-01") < 0 ? Number.POSITIVE_INFINITY : at("ST-01"));
    expect(jobs.find((f) => f.label.startsWith("ST-04"))!.detail).toBe("Field vet, on now");
  });
  it("finds nothing for nothing, and is not upset by odd signs", () => {
    for (const text of ["", "   ", "%_'\"<>", "\u0000", "x".repeat(5000)]) expect(finder.find(text)).toEqual([]);
  });
  it("leads to where the thing can be seen", () => {
    const part = finder.find("field").find((f) => f.kind === "part")!;
    expect(part.href).toBe(`/stores?part=${encodeURIComponent(part.id)}`);
    const one = finder.find("ST-04 field").find((f) => f.kind === "job")!;
    expect(one.href).toMatch(/^\/builds\/a\?job=/);
  });
});
