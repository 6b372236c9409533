import { describe, expect, it } from "vitest";
import { InputError } from "../plan/fault";
import { readWholeLibrary } from "./check-library";
import { type Entry, library, libraryFile, readLibraryFile, shippedRoles } from "./library";
import { hasRole, jobWith, lackingRoles, mayShare, ROLE_NAMES, ROLES, type Role, roleFaults } from "./roles";

const without = (role: Role): Entry[] => library.map((j) => ({ ...j, roles: (j.roles ?? []).filter((r) => r !== role) }));

describe("roles of jobs", () => {
  it("are all given in the shipped library, each to one job unless several may have it", () => {
    expect(lackingRoles(library)).toEqual([]);
    expect(roleFaults(library)).toEqual([]);
    for (const r of ROLE_NAMES) expect(library.filter((j) => j.roles?.includes(r)).length, r).toBeGreaterThanOrEqual(mayShare(r) ? 2 : 1);
  });
  it("find a job, or none where the choices leave it out", () => {
    const jobs = [{ roles: ["seats"] as Role[] }, { roles: [] }];
    expect([jobWith(jobs, "seats"), jobWith(jobs, "rack"), hasRole(undefined, "seats")]).toEqual([jobs[0], undefined, false]);
  });
});

describe("the library's check", () => {
  it.each(ROLE_NAMES)("refuses a library in which no job has the role %s, in the rule's words", (role) => {
    const told = roleFaults(without(role));
    expect(told).toHaveLength(1);
    expect(told[0].message).toContain(ROLES[role].rule);
    expect(() => readWholeLibrary(libraryFile(without(role)))).toThrow(ROLES[role].rule);
  });
  it("refuses two jobs in a role of which there is one, and says which", () => {
    const two = library.map((j, i) => (i === 0 ? { ...j, roles: ["soak-test" as const] } : j));
    expect(roleFaults(two).map((f) => f.message)).toEqual([expect.stringMatching(/both have the role soak-test/)]);
    expect(roleFaults(two)[0].message).toContain(library[0].name);
  });
  it("lets a library that lacks several be mended one after the other", () => {
    const bare = library.map((j) => (j.roles ? { ...j, roles: j.roles.filter((r) => r !== "seats" && r !== "rack") } : j));
    expect(roleFaults(bare, lackingRoles(bare))).toEqual([]);
    expect(roleFaults(without("swarf"), ["rack"]).map((f) => f.message)).toEqual([expect.stringContaining(ROLES.swarf.rule)]);
  });
  it("refuses a role that there isn't", () => {
    const file = libraryFile(library);
    const wrong = { ...file, jobs: [{ ...file.jobs[0], roles: ["ruler"] }, ...file.jobs.slice(1)] };
    expect(() => readLibraryFile(wrong)).toThrow(InputError);
  });
});

describe("a file of before jobs had roles", () => {
  const old = { ...libraryFile(library), jobs: libraryFile(library).jobs.map(({ roles: _r, ...j }) => j) };
  it("gets those of the shipped jobs by their codes, and passes the check", () => {
    expect(readLibraryFile(old)).toEqual(library.map((j) => j));
    expect(readWholeLibrary(old, [], () => false)).toHaveLength(library.length);
  });
  it("is one only where no job names a role", () => {
    const one = { ...old, jobs: old.jobs.map((j) => (j.code === library[0].code ? { ...j, roles: ["rack" as const] } : j)) };
    expect(readLibraryFile(one).flatMap((j) => j.roles ?? [])).toEqual(["rack"]);
    expect(() => readWholeLibrary(one)).toThrow(InputError);
  });
  it("had copies of jobs too: they are what their job is", () => {
    const window = library.find((j) => j.roles?.includes("side-window"))!;
    expect(shippedRoles(`${window.code}b`)).toEqual(window.roles);
    expect(shippedRoles("XX-01")).toEqual([]);
  });
});
