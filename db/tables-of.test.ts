import { describe, expect, it } from "vitest";
import { EVERY_TABLE, tablesRead, tablesWritten } from "./tables-of";

describe("tablesRead", () => {
  it("names every table of a query once, also inside of it", () => {
    expect(tablesRead("SELECT x.* FROM job_step x JOIN job j ON j.id = x.job_id\n LEFT JOIN build b ON b.id = j.build_id")).toEqual([
      "job_step",
      "job",
      "build",
    ]);
    expect(tablesRead("SELECT * FROM `bay` WHERE id IN (SELECT bay_id FROM bay_heat)")).toEqual(["bay", "bay_heat"]);
  });
  it("is not sure of what depends on the clock, on a lock, or on tables that no change counts", () => {
    for (const sql of [
      "SELECT * FROM job WHERE started_at < UTC_TIMESTAMP()",
      "SELECT * FROM session",
      "SELECT acts FROM workshop FOR UPDATE",
      "SELECT 1",
      "SHOW STATUS",
      "SELECT * FROM information_schema.TABLES",
    ])
      expect([sql, tablesRead(sql)]).toEqual([sql, undefined]);
  });
});

describe("tablesWritten", () => {
  it.each([
    ["UPDATE job SET version = version + 1 WHERE id = ?", ["job"], false],
    ["UPDATE IGNORE job_fitter f JOIN job j ON j.id = f.job_id SET f.running = 1", ["job_fitter", "job"], false],
    ["INSERT INTO record_photo (record_id) VALUES (?) ON DUPLICATE KEY UPDATE shows = VALUES(shows)", ["record_photo"], false],
    ["INSERT IGNORE INTO weep_point (van_id) SELECT id FROM van_template", ["weep_point", "van_template"], false],
    ["DELETE FROM part_line WHERE id = ?", ["part_line"], true],
    ["DELETE d FROM calendar_day d JOIN calendar_day e ON e.id < d.id", ["calendar_day"], true],
    ["UPDATE session SET seen_at = ?", [], false],
  ])("%s", (sql, tables, deletes) => {
    expect(tablesWritten(sql)).toEqual({ tables, deletes });
  });
  it("takes what it does not understand for a change of everything", () => {
    for (const sql of ["TRUNCATE job", "ALTER TABLE job ADD x INT", "CALL something()"])
      expect(tablesWritten(sql).tables).toEqual([EVERY_TABLE]);
  });
});
