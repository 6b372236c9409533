// What builds of before teach the next one: kept of all of them, handed over or not.

import type { Pool } from "mysql2/promise";
import { shippedRoles } from "@/core/library/library";
import type { FixingRow, FramePartRow, GhostRow, MarkedRow, PracticeRow, TimeRow, ZoneRateRow } from "@/core/workshop/state/model";
import { type Conn, rows } from "../pool";

type Raw = { build_id: string; van_id: string; title: string; data: unknown };

const told = (c: Conn | Pool, kind: string) =>
  rows<Raw>(
    c,
    `SELECT r.build_id, b.van_template_id AS van_id, r.title, r.data FROM record r JOIN build b ON b.id = r.build_id
     WHERE r.kind = ? ORDER BY r.said_at, r.id`,
    [kind],
  );

const json = <T>(v: unknown): T => (typeof v === "string" ? JSON.parse(v) : v) as T;

export async function loadFixings(c: Conn | Pool): Promise<FixingRow[]> {
  return (await told(c, "fixing")).flatMap((r) => {
    const d = json<Omit<FixingRow, "buildId" | "vanId">>(r.data);
    // What is not measured yet teaches nothing.
    return d.minutes === undefined ? [] : [{ ...d, buildId: r.build_id, vanId: r.van_id }];
  });
}

export async function loadFrameParts(c: Conn | Pool): Promise<FramePartRow[]> {
  return (await told(c, "member")).map((r) => {
    const d = json<{ side: FramePartRow["side"]; what: FramePartRow["what"]; source?: string; says?: string; mayGo: string }>(r.data);
    const says = d.mayGo === "yes" ? `may go: ${d.source}, ${d.says}` : d.mayGo === "no" ? "stays" : "not known";
    return { buildId: r.build_id, vanId: r.van_id, title: r.title, side: d.side, what: d.what, says };
  });
}

export async function loadMarked(c: Conn | Pool): Promise<MarkedRow[]> {
  return (await told(c, "mark")).flatMap((r) => {
    const { what } = json<{ what: string }>(r.data);
    return what === "hole" || what === "rust" ? [{ buildId: r.build_id, vanId: r.van_id, title: r.title, what }] : [];
  });
}

/** How often each fitter has done jobs of each code. */
export async function loadPractice(c: Conn | Pool): Promise<PracticeRow[]> {
  return (
    await rows<{ fitter_id: string; code: string; n: number }>(
      c,
      `SELECT f.fitter_id, j.code, COUNT(*) AS n FROM job_fitter f JOIN job j ON j.id = f.job_id AND j.state = 'done'
       GROUP BY f.fitter_id, j.code`,
    )
  ).map((r) => ({ fitterId: r.fitter_id, code: r.code, times: Number(r.n) }));
}

/** The ghost that a build's kept sheet judged, once for each. */
export async function loadGhosts(c: Conn | Pool): Promise<GhostRow[]> {
  const list = await rows<{ build_id: string; input: unknown }>(
    c,
    "SELECT build_id, input FROM setout_sheet WHERE calculator = 'lettering' ORDER BY build_id, saved_at",
  );
  const of = new Map(list.map((r) => [r.build_id, json<{ ghost?: GhostRow["ghost"] | "not known" }>(r.input).ghost]));
  return [...of].flatMap(([buildId, ghost]) => (ghost && ghost !== "not known" ? [{ buildId, ghost }] : []));
}

/** What jobs that we did took. */
export async function loadTimes(c: Conn | Pool): Promise<TimeRow[]> {
  return (
    await rows<{ code: string; roles: unknown; worked_minutes: number; build_id: string; van_id: string; people: string | null }>(
      c,
      `SELECT j.code, j.roles, j.worked_minutes, j.build_id, b.van_template_id AS van_id,
              (SELECT GROUP_CONCAT(f.fitter_id ORDER BY f.fitter_id) FROM job_fitter f WHERE f.job_id = j.id) AS people
       FROM job j JOIN build b ON b.id = j.build_id
       WHERE j.state = 'done' AND j.by_others IS NULL AND j.worked_minutes > 0 ORDER BY j.id`,
    )
  ).map((r) => ({
    code: r.code.slice(0, 5),
    roles: r.roles === null ? shippedRoles(r.code) : json(r.roles),
    minutes: Number(r.worked_minutes),
    fitters: r.people?.split(",") ?? [],
    buildId: r.build_id,
    vanId: r.van_id,
  }));
}

/** What square metres of a kind took whom, by the kept sheets of zones that were done. */
export async function loadZoneRates(c: Conn | Pool): Promise<ZoneRateRow[]> {
  const list = await rows<{ build_id: string; input: unknown; fitter_id: string | null }>(
    c,
    `SELECT s.build_id, s.input, u.fitter_id FROM setout_sheet s LEFT JOIN user u ON u.id = s.saved_by
     WHERE s.calculator = 'zone-rate' ORDER BY s.saved_at, s.id`,
  );
  return list.flatMap((r) =>
    (json<{ zones?: { name: string; m2: number; minutes?: number; kind?: ZoneRateRow["kind"] }[] }>(r.input).zones ?? []).flatMap((z) =>
      z.minutes === undefined ? [] : [{ fitterId: r.fitter_id, kind: z.kind ?? "flat", m2: z.m2, minutes: z.minutes }],
    ),
  );
}
