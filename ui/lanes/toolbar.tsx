"use client";
// Above the lanes: zoom, which plan this is, replan, what would move, publish.

import { Ellipsis, Redo2, Undo2 } from "lucide-react";
import { DropdownMenu as Menu, ToggleGroup } from "radix-ui";
import { useCallback, useEffect, useRef, useState } from "react";
import type { ZoomName } from "@/core/lanes/axis";
import { typing } from "../frame/use-keys";
import { Button, buttonClass } from "../kit/button";
import { saveCsv } from "../kit/csv";
import { Dialog } from "../kit/dialog";
import { Field } from "../kit/field";
import { send } from "../kit/send";
import { time } from "../kit/time";
import { useAct } from "../kit/use-act";
import { useForm } from "../kit/use-form";
import { Moves } from "./moves";
import { PLAN_HEAD, planCells } from "./print";
import { Search } from "./search";
import type { Pins } from "./use-pins";
import type { LanesView } from "./view";

export const GROUPS = ["builds", "bays", "fitters"] as const;
export type Group = (typeof GROUPS)[number];

export function Toolbar({
  view,
  zoom,
  onZoom,
  group,
  onGroup,
  onShow,
  pins,
  behind,
}: {
  view: LanesView;
  zoom: ZoomName;
  onZoom(z: ZoomName): void;
  group: Group;
  onGroup(g: Group): void;
  onShow(id: string): void;
  pins: Pins;
  behind: number;
}) {
  const act = useAct();
  const { run } = act;
  const [moving, setMoving] = useState(false);
  const [publishing, setPublishing] = useState(false);
  const running = useRef<AbortController>(null);
  const next = (view.published?.number ?? 0) + 1;
  const n = view.moved;
  const published = view.published
    ? `Plan ${view.published.number}, published ${time(view.zone, view.published.madeAt)}`
    : "Nothing is published yet";
  const stale = view.stale && `stale: ${view.stale}`;
  const against = view.against?.newest ? "" : ` against plan ${view.against?.number}`;
  const moves =
    view.published && view.mayChange && `${n === 0 ? "nothing would move" : `${n} ${n === 1 ? "job" : "jobs"} would move`}${against}`;
  const status = [published, stale || moves].filter(Boolean).join(" · ");
  const replan = useCallback(() => {
    running.current = new AbortController();
    const { signal } = running.current;
    void run(() => send("POST", "plan", {}, signal), "Replanned");
  }, [run]);
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (e.key !== "r" || !view.mayChange || act.busy || typing(e)) return;
      e.preventDefault();
      replan();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [replan, view.mayChange, act.busy]);
  return (
    <div className="z-20 flex min-h-[48px] shrink-0 flex-wrap items-center gap-3 border-b bg-paper px-4 py-1.5 xl:flex-nowrap">
      <ToggleGroup.Root
        type="single"
        value={group}
        onValueChange={(v) => v && onGroup(v as Group)}
        aria-label="Seen from"
        className="flex shrink-0 overflow-hidden rounded-md border bg-card"
      >
        {GROUPS.map((g) => (
          <ToggleGroup.Item
            key={g}
            value={g}
            className="h-8 px-3 capitalize data-[state=on]:bg-ink data-[state=on]:font-bold data-[state=on]:text-paper"
          >
            {g}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
      <ToggleGroup.Root
        type="single"
        value={zoom}
        onValueChange={(v) => v && onZoom(v as ZoomName)}
        aria-label="Zoom"
        className="flex shrink-0 overflow-hidden rounded-md border bg-card"
      >
        {(["days", "weeks", "season"] as const).map((z) => (
          <ToggleGroup.Item
            key={z}
            value={z}
            className="h-8 px-3 capitalize data-[state=on]:bg-ink data-[state=on]:font-bold data-[state=on]:text-paper"
          >
            {z}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
      <p className="min-w-0 basis-full text-muted xl:flex-1 xl:basis-0 xl:truncate" title={status}>
        {published}
        {view.stale ? (
          <>
            {" · "}
            <b className="text-amber-text">{stale}</b>
          </>
        ) : (
          moves && ` · ${moves}`
        )}
      </p>
      {view.mayChange && (
        <div className="flex flex-wrap items-center gap-2 xl:shrink-0 xl:flex-nowrap">
          {view.atRisk > 0 && (
            <b className="mr-1 text-signal-text">
              {view.atRisk} {view.atRisk === 1 ? "date" : "dates"} at risk
            </b>
          )}
          {act.busy ? (
            <Button kind="danger" onClick={() => running.current?.abort()}>
              Replanning … stop
            </Button>
          ) : (
            <Button onClick={replan} kind={view.stale || !view.hasPlan ? "main" : "plain"}>
              Replan
            </Button>
          )}
          <div className="flex">
            <Button
              onClick={pins.undo}
              disabled={!pins.undoable || pins.busy}
              title="Undo the last pin (Ctrl Z)"
              aria-label="Undo the last pin"
            >
              <Undo2 size={15} />
            </Button>
            <Button onClick={pins.redo} disabled={!pins.redoable || pins.busy} title="Pin again (Ctrl Y)" aria-label="Pin again">
              <Redo2 size={15} />
            </Button>
          </div>
          <Search disabled={!view.hasPlan || act.busy} behind={behind} />
          <Button onClick={() => setMoving(true)} disabled={!view.published || !view.hasPlan}>
            Compare with published
          </Button>
          <Button
            kind={view.stale || !view.hasPlan ? "plain" : "main"}
            disabled={!view.hasPlan || !!view.stale || (view.moves.length === 0 && !!view.against?.newest)}
            onClick={() => setPublishing(true)}
            title={view.stale ? "Replan first: the plan does not know the last change" : undefined}
          >
            Publish plan {next}
          </Button>
        </div>
      )}
      <Menu.Root modal={false}>
        <Menu.Trigger className={buttonClass()} aria-label="Print or save the plan">
          <Ellipsis size={15} />
        </Menu.Trigger>
        <Menu.Portal>
          <Menu.Content align="end" sideOffset={6} className="z-50 min-w-44 rounded-md border bg-card p-1 text-ink shadow-lg">
            {(
              [
                // Once the menu is gone: it is not to stand on the paper.
                ["Print", () => setTimeout(() => window.print(), 100)],
                ["Save as CSV", () => saveCsv("plan", PLAN_HEAD, planCells(view))],
              ] as const
            ).map(([label, run]) => (
              <Menu.Item key={label} onSelect={run} className="rounded px-3 py-1.5 outline-none data-highlighted:bg-sunk">
                {label}
              </Menu.Item>
            ))}
          </Menu.Content>
        </Menu.Portal>
      </Menu.Root>
      <Dialog
        wide
        open={moving}
        onOpenChange={setMoving}
        title="What would move"
        about={view.against ? `against plan ${view.against.number}${view.against.note ? `, ${view.against.note}` : ""}` : undefined}
      >
        <Moves
          view={view}
          onShow={(id) => {
            setMoving(false);
            onShow(id);
          }}
        />
      </Dialog>
      <Dialog
        open={publishing}
        onOpenChange={setPublishing}
        title={`Publish plan ${next}`}
        about="The bench cards follow it from now on. Earlier plans are kept."
      >
        <PublishForm number={next} moved={n} onDone={() => setPublishing(false)} />
      </Dialog>
    </div>
  );
}

function PublishForm({ number, moved, onDone }: { number: number; moved: number; onDone(): void }) {
  const form = useForm();
  return (
    <form
      data-busy
      className="flex flex-col gap-4"
      onSubmit={async (e) => {
        e.preventDefault();
        const note = String(new FormData(e.currentTarget).get("note") ?? "");
        if (await form.submit(() => send("POST", "plan/publish", { note }), 1, `Plan ${number} is published`)) onDone();
      }}
    >
      <p>
        {moved === 0
          ? "No job moves by more than a quarter of an hour."
          : `${moved} ${moved === 1 ? "job moves" : "jobs move"} for the people on the floor.`}
      </p>
      <Field
        label="Note"
        name="note"
        faults={form.faults}
        maxLength={300}
        autoFocus
        hint="What changed, in a few words. It is shown with the plan's number."
      />
      {form.general && (
        <p role="alert" className="text-signal-text">
          {form.general}
        </p>
      )}
      <Button kind="main" type="submit" disabled={form.busy}>
        Publish
      </Button>
    </form>
  );
}
