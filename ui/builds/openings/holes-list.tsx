"use client";
// Every hole through the skin by number: how far it is, what covers it, and whether it held water out.

import { useState } from "react";
import { HOLE_SHOWS, PROOF_SET, proofSet } from "@/core/workshop/openings/hole-steps";
import { rainFinds, SIDE_WORDS, WAY } from "@/core/workshop/openings/holes";
import { Button } from "../../kit/button";
import { cx } from "../../kit/cx";
import { Dialog } from "../../kit/dialog";
import { send } from "../../kit/send";
import { near } from "../../kit/time";
import { useAct } from "../../kit/use-act";
import { RecordPhotos } from "../records/record-photos";
import { useRecordTools } from "../records/record-tools";
import type { BuildView, ShownHole } from "../view";
import { HoleChain } from "./hole-chain";
import { HoleForm } from "./hole-form";
import { RainForm } from "./rain-form";

export function HolesList({ view }: { view: BuildView }) {
  const [form, setForm] = useState<{ was?: ShownHole }>();
  const [rain, setRain] = useState(false);
  const act = useAct();
  // As it stands now: ticks of its chain change it while its form is open.
  const shown = form?.was && (view.holes.find((h) => h.id === form.was!.id) ?? form.was);
  const bare = view.holes.filter((h) => h.openSince !== null && !h.data.cover?.trim());
  const { shown: listed, tools } = useRecordTools(view.holes, "holes", view.zone, (h) => `${h.no} ${h.says} ${facts(h, view)}`);
  const tested = view.holes.filter((h) => h.data.state === "tested").length;
  return (
    <section aria-label="Every hole by number" className="mt-6">
      <div className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-2">
        <div className="min-w-0 flex-1">
          <h2 className="text-[0.9375rem]">Every hole by number</h2>
          <p className="text-muted">
            {view.holes.length
              ? `${view.holes.length} through the skin, ${tested} seen dry under water`
              : "What pierces the skin for good, the client's own work too: windows, roof units, inlets, glands, feet, bolts."}
          </p>
        </div>
        {view.holesAsked > 0 && (
          <Button disabled={act.busy} onClick={() => void act.run(() => send("POST", `builds/${view.id}/holes-asked`, {}), "Written down")}>
            {`Write down the ${view.holesAsked} asked for`}
          </Button>
        )}
        {view.holes.some((h) => rainFinds(h.data)) && <Button onClick={() => setRain(true)}>Rain came in</Button>}
        <Button kind="main" onClick={() => setForm({})}>
          Add a hole
        </Button>
      </div>
      {bare.length > 0 && (
        <p role="alert" className="mb-3 rounded-md border border-signal bg-signal-soft px-3 py-2">
          <b>Not watertight:</b> {bare.map((h) => `${h.no} ${h.title}`).join(", ")}. It stays under a roof until that is covered.
        </p>
      )}
      {tools}
      <ul className="overflow-hidden rounded-md border bg-card empty:hidden">
        {listed.map((h) => (
          <li key={h.id} className="flex flex-wrap items-center gap-3 border-b px-3 py-2 last:border-0">
            <span
              className={cx(
                "grid size-7 shrink-0 place-items-center rounded-full font-bold",
                h.data.state === "tested"
                  ? "bg-green-soft text-green-text"
                  : h.openSince !== null
                    ? "bg-signal-soft text-signal-text"
                    : "bg-sunk",
              )}
            >
              {h.no}
            </span>
            <button type="button" onClick={() => setForm({ was: h })} className="min-w-0 flex-1 text-left hover:underline">
              <b>{h.title}</b>
              <span className="block text-[0.75rem] text-muted">{facts(h, view)}</span>
            </button>
            <ol aria-label={`${h.title} is ${h.data.state}`} className="flex gap-0.5">
              {WAY.map((s) => (
                <li
                  key={s}
                  title={s}
                  className={cx("h-2 w-5 rounded-sm", WAY.indexOf(s) <= WAY.indexOf(h.data.state) ? "bg-pine" : "bg-sunk")}
                />
              ))}
            </ol>
            <span
              className={cx(
                "w-44 shrink-0",
                (h.openSince !== null || h.data.wet || h.says.includes("leaks")) && "font-semibold text-signal-text",
              )}
            >
              {h.says}
            </span>
            <RecordPhotos id={h.id} title={h.title} photos={h.photos} shows={h.shows ?? []} choices={HOLE_SHOWS} />
          </li>
        ))}
      </ul>
      {view.papers.spares.length > 0 && view.holes.length > 0 && (
        <p className="mt-2 flex flex-wrap items-center gap-3 text-muted">
          Any more? Before the lining each takes {view.papers.spares[0].minutesNow} min, behind it {view.papers.spares[0].minutesLater}.
          {view.papers.spares.map((s) => (
            <Button
              key={s.title}
              disabled={act.busy}
              onClick={() =>
                void act.run(
                  () =>
                    send("POST", `builds/${view.id}/records`, {
                      kind: "penetration",
                      title: s.title,
                      data: { side: s.side, place: "to be set out", by: "us", state: "wanted" },
                    }),
                  `${s.title} is on the list`,
                )
              }
            >
              {s.title}
            </Button>
          ))}
        </p>
      )}
      <Dialog open={!!form} onOpenChange={(o) => !o && setForm(undefined)} title={form?.was ? `Hole ${form.was.no}` : "Another hole"}>
        {shown?.data.by === "us" && (
          <div className="mb-4">
            <HoleChain hole={shown} act={act} zone={view.zone} now={view.now} />
          </div>
        )}
        {form && <HoleForm key={shown?.data.state} view={view} was={shown} onDone={() => setForm(undefined)} />}
      </Dialog>
      <Dialog open={rain} onOpenChange={setRain} title="Rain came in">
        {rain && <RainForm view={view} onDone={() => setRain(false)} />}
      </Dialog>
    </section>
  );
}

function facts(h: ShownHole, view: BuildView): string {
  const d = h.data;
  return [
    SIDE_WORDS[d.side],
    d.place,
    d.size,
    h.openSince !== null && `open since ${near(view.zone, h.openSince, view.now)}`,
    d.soak && `soaked ${d.soakMinutes ?? "?"} min: ${d.soak}`,
    d.askedBy && `for ${d.askedBy}`,
    h.jobName,
    h.photos.length > 0 && `proof ${proofSet(h.shows ?? []).filter((p) => p.there).length} of ${PROOF_SET.length}`,
    d.note,
  ]
    .filter(Boolean)
    .join(" · ");
}
