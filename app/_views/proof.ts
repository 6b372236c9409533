// Fills the proof view, what holds up most first.

import { shotState } from "@/core/workshop/proof/proof";
import type { JobRow } from "@/core/workshop/state/model";
import { crewNames } from "@/core/workshop/state/say";
import type { State } from "@/server/planning/planning";
import type { OpenShot, ProofView, WaitingPhoto } from "@/ui/proof/view";

export function proofView(state: State, userNames: ReadonlyMap<string, string>): ProofView {
  const { shop, zone, now } = state;
  const planned = new Map((state.working?.plan.jobs ?? []).map((j) => [j.id, j]));
  const start = (id: string) => (planned.get(id) ? zone.parse(planned.get(id)!.start) : null);
  const waiting: WaitingPhoto[] = [];
  const open: OpenShot[] = [];
  for (const b of shop.builds) {
    const holds = (j: JobRow) =>
      b.jobs.filter((k) => k.covers.includes(j.id) && k.state !== "done").map((k) => ({ name: k.name, start: start(k.id) }));
    for (const j of b.jobs) {
      const base = { buildId: b.id, build: b.name, jobId: j.id, job: j.name, stage: j.stage };
      for (const s of j.shots) {
        const st = shotState(s);
        const last = s.photos.at(-1);
        if (st === "waiting" && last)
          waiting.push({
            ...base,
            id: last.id,
            sha: last.sha256,
            text: s.text,
            by: userNames.get(last.takenBy) ?? last.takenBy,
            at: last.takenAt,
            again: last.lookAgain ?? [],
            holds: s.beforeCloseUp ? holds(j) : [],
          });
        else if ((st === "again" || (st === "missing" && (j.state === "done" || j.state === "started"))) && s.beforeCloseUp) {
          const next = holds(j).sort((x, y) => (x.start ?? 1e12) - (y.start ?? 1e12))[0];
          open.push({
            ...base,
            id: s.id,
            text: s.text,
            state: st,
            reason: last?.reason || null,
            who: crewNames(shop, j.fitters),
            before: next?.name ?? null,
            start: next?.start ?? null,
          });
        }
      }
    }
  }
  const urgency = (w: WaitingPhoto) => Math.min(1e12, ...w.holds.map((h) => h.start ?? 1e12));
  return {
    zone: shop.workshop.zone,
    now,
    waiting: waiting.sort((a, b) => urgency(a) - urgency(b) || a.at - b.at),
    open: open.sort((a, b) => (a.start ?? 1e12) - (b.start ?? 1e12)),
    approved: shop.builds.map((b) => {
      const asked = b.jobs.flatMap((j) => j.shots).filter((s) => s.beforeCloseUp);
      return { build: b.name, buildId: b.id, asked: asked.length, approved: asked.filter((s) => shotState(s) === "approved").length };
    }),
  };
}
