"use client";
// About the cuts: metal behind them, sparks and swarf with their stamps.

import { usualContents } from "@/core/workshop/records/kinds/goods";
import type { HotWork } from "@/core/workshop/records/kinds/hot-work";
import { Button } from "../../kit/button";
import { send } from "../../kit/send";
import { useAct } from "../../kit/use-act";
import type { Entry } from "../records/form";
import { RecordList } from "../records/list";
import type { BuildView } from "../view";
import { Boxes } from "./boxes";

export function CutLists({ view }: { view: BuildView }) {
  const act = useAct();
  const { known, tails } = view.papers;
  return (
    <div className="mt-6 flex flex-col gap-6">
      <RecordList view={view} kind="contents" preset={{ data: { items: usualContents() } }}>
        <Boxes buildId={view.id} boxes={view.papers.boxes} />
      </RecordList>
      <RecordList view={view} kind="member">
        {known > 0 && (
          <p className="mb-2 flex flex-wrap items-center justify-between gap-3 text-amber-text">
            On other vans of this type {known} more {known === 1 ? "piece" : "pieces"} of metal lay behind a cut.
            <Button
              disabled={act.busy}
              onClick={() => void act.run(() => send("POST", `builds/${view.id}/known-metal`, {}), "Written down, to be looked for")}
            >
              Look for {known === 1 ? "it" : "them"} here
            </Button>
          </p>
        )}
      </RecordList>
      <RecordList view={view} kind="layout" />
      <RecordList view={view} kind="line" />
      <RecordList view={view} kind="tail" preset={tails.length ? { title: tails[0].title, data: { hole: tails[0].hole } } : undefined}>
        {tails.length > 0 && (
          <p className="mb-2 text-amber-text">
            No cable end is written down for {tails.map((t) => `hole ${t.hole}, ${t.title}`).join("; ")}.
          </p>
        )}
      </RecordList>
      <RecordList view={view} kind="sparks" beside={(r) => <Stamps r={r} open={view.papers.sparks[r.id] ?? []} />} />
    </div>
  );
}

const STAMPS = [
  ["last", "Last spark"],
  ["clean", "Swarf is off"],
  ["look", "Looked again"],
] as const;

function Stamps({ r, open }: { r: Entry; open: readonly string[] }) {
  const act = useAct();
  const stamps = (r.data as unknown as HotWork).stamps ?? {};
  return (
    <span className="flex flex-wrap items-center gap-2">
      {open.length > 0 && <span className="text-[0.75rem] text-amber-text">{open.join("; ")}</span>}
      {STAMPS.map(([name, label]) => (
        <Button
          key={name}
          disabled={act.busy}
          aria-pressed={stamps[name] !== undefined}
          title={stamps[name] ? `${stamps[name].by}` : undefined}
          className={stamps[name] ? "!border-green !bg-green-soft !text-green-text" : ""}
          onClick={() => void act.run(() => send("POST", `records/${r.id}/stamp`, { stamp: name }), `${r.title}: ${label.toLowerCase()}`)}
        >
          {label}
        </Button>
      ))}
    </span>
  );
}
