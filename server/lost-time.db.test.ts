// Time that nobody could use, booked to its cause, against a real MariaDB.

import { beforeAll, describe, expect, it } from "vitest";
import type { User } from "@/db/access/users";
import { lostSince } from "@/db/planning/lost-time";
import { pool, toSql } from "@/db/pool";
import { loadShop } from "@/db/shop";
import { perform } from "./api";
import { house, lead, pathsOf, post, refused } from "./testing";

const NOW = Date.parse("2026-11-25T10:42Z") / 60_000;
let ines: User;
const away = async () => (await loadShop(pool())).fitters.find((f) => f.id === ines.fitterId)!.absences;

beforeAll(async () => {
  [ines] = await house("Ines");
});

describe("lost time", () => {
  it("lets somebody go for the rest of the day and is summed by its cause; not twice over, and taken back with the absence", async () => {
    expect(await pathsOf(post("lost-time", { fitterId: ines.fitterId, cause: "luck" }))).toEqual(["cause"]);
    expect(await pathsOf(post("lost-time", { fitterId: "nobody", cause: "weather" }))).toEqual(["fitterId"]);
    expect((await refused(post("lost-time", { fitterId: ines.fitterId, cause: "weather" }, ines))).message).toMatch(/lead/i);
    // No build at all: nothing is ready for anybody.
    const { id } = await post("lost-time", { fitterId: ines.fitterId, cause: "weather" });
    const [a] = await away();
    expect(a).toMatchObject({ from: NOW, reason: "lost to the weather" });
    const [sum] = await lostSince(pool(), toSql(NOW - 60));
    expect(sum.cause).toBe("weather");
    expect(sum.minutes).toBeGreaterThan(0);
    expect(sum.minutes).toBeLessThanOrEqual(a.to - a.from);
    expect(await lostSince(pool(), toSql(NOW + 60))).toEqual([]);
    expect((await refused(post("lost-time", { fitterId: ines.fitterId, cause: "weather" }))).message).toMatch(/isn't in now/);
    await perform("DELETE", ["absences", id], {}, lead);
    expect(await away()).toEqual([]);
    expect(await lostSince(pool(), toSql(NOW - 60))).toEqual([]);
  });
});
