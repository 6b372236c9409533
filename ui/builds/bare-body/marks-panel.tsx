"use client";
// Holes, rust and damage with their place on the van's drawing, their photos, and whether they are treated.

import Link from "next/link";
import { useState } from "react";
import { drawVan, VIEW_LABEL, VIEWS, type ViewName } from "@/core/van/drawing";
import { CAUSE_WORDS, type MarkRecord, marksIn, openHoles, rustByCause, sayMark } from "@/core/workshop/bare-body/marks";
import { DAMAGES, MAKERS, type Mark } from "@/core/workshop/records/kinds/mark";
import { Button } from "../../kit/button";
import { cx } from "../../kit/cx";
import { Dialog } from "../../kit/dialog";
import { Area, Check, Field, Select } from "../../kit/field";
import { figure } from "../../kit/figure";
import { time } from "../../kit/time";
import { useForm } from "../../kit/use-form";
import { useUrlChoice } from "../../kit/use-url";
import { VanDrawing } from "../../van/drawing";
import { RecordEnd } from "../records/record-end";
import { RecordPhotos } from "../records/record-photos";
import { given, keepRecord } from "../records/record-submit";
import { useRecordTools } from "../records/record-tools";
import type { BuildView } from "../view";

type Shown = MarkRecord & { by: string };

const WHAT: Record<Mark["what"], string> = { hole: "hole", rust: "rust", damage: "damage" };

export function MarksPanel({ view }: { view: BuildView }) {
  const [side, setSide] = useUrlChoice<ViewName>("side", VIEWS, "left");
  const [form, setForm] = useState<{ was?: Shown; at?: { x: number; y: number } }>();
  const [lit, setLit] = useState<number>();
  // Numbered in the order in which they were found, whatever is treated meanwhile.
  const marks = (marksIn(view.records) as Shown[])
    .sort((a, b) => a.saidAt - b.saidAt || a.id.localeCompare(b.id))
    .map((r, i) => ({ ...r, n: i + 1 }));
  const { shown, tools } = useRecordTools(marks, "marks", view.zone, (m) => `${sayMark(m.data)} ${VIEW_LABEL[m.data.view]}`);
  const here = marks.filter((m) => m.data.view === side);
  return (
    <div>
      <div className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-2">
        <fieldset className="flex overflow-hidden rounded-md border">
          <legend className="sr-only">View</legend>
          {VIEWS.map((v) => {
            const n = marks.filter((m) => m.data.view === v).length;
            return (
              <button
                key={v}
                type="button"
                aria-pressed={v === side}
                onClick={() => setSide(v)}
                className={cx("h-8 border-l px-2.5 first:border-l-0", v === side ? "bg-pine font-bold text-on-pine" : "hover:bg-sunk")}
              >
                {VIEW_LABEL[v]}
                {n > 0 && ` ${n}`}
              </button>
            );
          })}
        </fieldset>
        <p className="flex-1 text-muted">Click where it is, or</p>
        <Button onClick={() => setForm({})}>Add a mark by typing its place</Button>
        <Link href={`/set-out?build=${encodeURIComponent(view.id)}&sheet=strip-list`} className="underline underline-offset-2">
          hours, plugs and primer for them
        </Link>
      </div>
      <div className="flex justify-center rounded-md border bg-card p-3">
        <VanDrawing
          van={view.van}
          view={side}
          width={side === "rear" ? 300 : 640}
          id={`marks-${side}`}
          label={`${view.vanName}, ${VIEW_LABEL[side]}, with ${here.length} ${here.length === 1 ? "mark" : "marks"}`}
          marks={here.map((m) => ({ n: m.n, x: m.data.x, y: m.data.y, what: m.data.what, faded: m.closedAt !== null }))}
          {...(lit ? { lit } : {})}
          onPick={(x, y) => setForm({ at: { x, y } })}
        />
      </div>
      {view.papers.usual.length > 0 && (
        <p className="mt-3 text-muted">On other vans of this type, look here too: {view.papers.usual.slice(0, 8).join(", ")}.</p>
      )}
      {marks.length === 0 && <p className="mt-3 text-muted">Nothing is marked on this van yet.</p>}
      <div className="mt-3">
        <Sums view={view} />
        {tools}
      </div>
      <ul className="overflow-hidden rounded-md border bg-card empty:hidden">
        {shown.map((m) => (
          <Row
            key={m.id}
            mark={m}
            keptFor={view.jobs.find((j) => j.id === m.data.keepFor)?.name}
            zone={view.zone}
            here={m.data.view === side}
            onPoint={(on) => {
              if (on) setSide(m.data.view);
              setLit(on ? m.n : undefined);
            }}
            onOpen={() => setForm({ was: m })}
          />
        ))}
      </ul>
      <Dialog open={!!form} onOpenChange={(o) => !o && setForm(undefined)} title={form?.was ? form.was.title : "Mark it"}>
        {form && <MarkForm view={view} side={side} was={form.was} at={form.at} onDone={() => setForm(undefined)} />}
      </Dialog>
    </div>
  );
}

/** Holes that are open, inside and from below apart; rust by what it came from. */
function Sums({ view }: { view: Pick<BuildView, "records" | "jobs"> }) {
  const holes = openHoles(view.records);
  const rust = rustByCause(view);
  if (!holes.inside && !holes.below && !rust.length) return null;
  return (
    <p className="mb-3 text-muted">
      {(holes.inside > 0 || holes.below > 0) && `Holes to close: ${holes.inside} from inside, ${holes.below} from below. `}
      {rust.map((r) => `Rust from ${r.cause}: ${r.dm2} dm²${r.jobs.length ? `, left by ${r.jobs.join(", ")}` : ""}.`).join(" ")}
    </p>
  );
}

function Row({
  mark: m,
  keptFor,
  zone,
  here,
  onPoint,
  onOpen,
}: {
  mark: Shown & { n: number };
  /** The job that will want a hole that is kept. */
  keptFor: string | undefined;
  zone: string;
  here: boolean;
  onPoint(on: boolean): void;
  onOpen(): void;
}) {
  return (
    <li className="flex flex-wrap items-center gap-3 border-b px-3 py-2 last:border-0">
      <span className={cx("grid size-6 place-items-center rounded-full bg-sunk text-[0.75rem] font-bold", here && "ring-2 ring-pine")}>
        {m.n}
      </span>
      <button
        type="button"
        onClick={onOpen}
        onFocus={() => onPoint(true)}
        onBlur={() => onPoint(false)}
        className="min-w-0 flex-1 text-left hover:underline"
      >
        <b className={cx(m.closedAt !== null && "text-muted")}>{m.title}</b>
        <span className="block text-[0.75rem] text-muted">
          {sayMark(m.data)}
          {keptFor && ` for ${keptFor}`} · {VIEW_LABEL[m.data.view]} · {m.closedAt === null ? "" : "treated · "}
          {m.by}, {time(zone, m.saidAt)}
          {m.data.note && ` · ${m.data.note}`}
        </span>
      </button>
      <RecordPhotos id={m.id} title={m.title} photos={m.photos} />
    </li>
  );
}

type Typed = Record<
  | "cause"
  | "causeJob"
  | "keepFor"
  | "sort"
  | "outcome"
  | "owner"
  | "title"
  | "x"
  | "y"
  | "dMm"
  | "count"
  | "areaDm2"
  | "grade"
  | "note"
  | "what"
  | "view"
  | "fate"
  | "madeBy",
  string
>;

/** The form of one mark; also on the card. */
export function MarkForm({
  view,
  side,
  was,
  at,
  onDone,
}: {
  view: Pick<BuildView, "id" | "van"> & { jobs?: readonly { id: string; name: string }[] };
  side: ViewName;
  was?: Shown;
  at?: { x: number; y: number };
  onDone(): void;
}) {
  const form = useForm();
  const d = was?.data;
  const [v, setV] = useState<Typed>({
    title: was?.title ?? "",
    what: d?.what ?? "hole",
    view: d?.view ?? side,
    x: String(d?.x ?? at?.x ?? ""),
    y: String(d?.y ?? at?.y ?? ""),
    dMm: String(d?.dMm ?? ""),
    count: String(d?.count ?? 1),
    fate: d?.fate ?? "close",
    areaDm2: String(d?.areaDm2 ?? ""),
    grade: String(d?.grade ?? 1),
    note: d?.note ?? "",
    sort: d?.sort ?? "dent",
    outcome: d?.outcome ?? "",
    owner: d?.owner ?? "",
    cause: d?.cause ?? "",
    causeJob: d?.causeJob ?? "",
    keepFor: d?.keepFor ?? "",
    madeBy: d?.madeBy ?? "",
  });
  const [accepted, setAccepted] = useState(!!d?.accepted);
  const jobs = [["", "–"] as const, ...(view.jobs ?? []).map((j) => [j.id, j.name] as const)];
  const [bracing, setBracing] = useState(d?.bracing ?? false);
  const damage = v.what === "damage";
  const [skin, setSkin] = useState(d?.throughSkin ?? false);
  const [treated, setTreated] = useState(was ? was.closedAt !== null : false);
  const set = (k: keyof Typed) => (e: { target: { value: string } }) => setV({ ...v, [k]: e.target.value });
  const box = drawVan(view.van, v.view as ViewName);
  const hole = v.what === "hole";
  const data = () =>
    given({
      what: v.what,
      view: v.view,
      x: figure(v.x),
      y: figure(v.y),
      ...(hole
        ? {
            dMm: figure(v.dMm),
            count: figure(v.count),
            fate: v.fate,
            throughSkin: skin,
            madeBy: v.madeBy || undefined,
            keepFor: (v.fate === "keep" && v.keepFor) || undefined,
          }
        : {}),
      ...(v.what === "rust"
        ? {
            areaDm2: figure(v.areaDm2),
            grade: figure(v.grade),
            cause: v.cause || undefined,
            causeJob: (v.cause === "swarf" && v.causeJob) || undefined,
            accepted: accepted && v.grade === "1" ? (d?.accepted ?? "by the lead") : undefined,
          }
        : {}),
      ...(damage ? { sort: v.sort, bracing: bracing || undefined, outcome: v.outcome.trim(), owner: v.owner.trim() } : {}),
      note: v.note.trim() || undefined,
    });
  const field = (k: keyof Typed, label: string, hint?: string) => (
    <Field label={label} name={k} faults={form.faults} value={v[k]} onChange={set(k)} inputMode="decimal" {...(hint ? { hint } : {})} />
  );
  return (
    <form
      data-busy
      className="flex flex-col gap-4"
      onSubmit={(e) => {
        e.preventDefault();
        void keepRecord(form, view.id, was, { kind: "mark", title: v.title, data: data(), closed: treated }, "Marked").then(
          (ok) => ok && onDone(),
        );
      }}
    >
      <Field
        label="Where, in words"
        name="title"
        faults={form.faults}
        value={v.title}
        onChange={set("title")}
        required
        maxLength={300}
        autoFocus
        hint="panel and what it was for: left rear quarter, racking bolts"
      />
      <div className="grid grid-cols-2 gap-3">
        <Select label="What" name="what" faults={form.faults} value={v.what} onChange={set("what")} options={Object.entries(WHAT)} />
        <Select
          label="Seen"
          name="view"
          faults={form.faults}
          value={v.view}
          onChange={set("view")}
          options={VIEWS.map((x) => [x, VIEW_LABEL[x]] as const)}
        />
        {field("x", "Along the drawing, mm", `from its left edge, up to ${Math.round(box.width)}`)}
        {field("y", "Down the drawing, mm", `from its top edge, up to ${Math.round(box.height)}`)}
        {hole && field("dMm", "Size, mm")}
        {hole && field("count", "How many alike")}
        {hole && (
          <Select
            label="Who made it"
            name="madeBy"
            faults={form.faults}
            value={v.madeBy}
            onChange={set("madeBy")}
            options={[["", "not known"], ...Object.entries(MAKERS)]}
          />
        )}
        {damage && (
          <Select
            label="Kind"
            name="sort"
            faults={form.faults}
            value={v.sort}
            onChange={set("sort")}
            options={DAMAGES.map((x) => [x, x] as const)}
          />
        )}
        {damage && (
          <Field label="Who looks into it" name="owner" faults={form.faults} value={v.owner} onChange={set("owner")} maxLength={300} />
        )}
        {v.what === "rust" && field("areaDm2", "Area, dm²")}
        {v.what === "rust" && (
          <Select
            label="Grade"
            name="grade"
            faults={form.faults}
            value={v.grade}
            onChange={set("grade")}
            options={[
              ["1", "1 surface"],
              ["2", "2 pitted"],
              ["3", "3 through: stop, for a body shop"],
            ]}
          />
        )}
        {v.what === "rust" && (
          <Select
            label="It came from"
            name="cause"
            faults={form.faults}
            value={v.cause}
            onChange={set("cause")}
            options={[["", "not known"], ...Object.entries(CAUSE_WORDS)]}
          />
        )}
        {v.what === "rust" && v.cause === "swarf" && view.jobs && (
          <Select label="Left by" name="causeJob" faults={form.faults} value={v.causeJob} onChange={set("causeJob")} options={jobs} />
        )}
        {hole && v.fate === "keep" && view.jobs && (
          <Select label="Kept for" name="keepFor" faults={form.faults} value={v.keepFor} onChange={set("keepFor")} options={jobs} />
        )}
        {hole && (
          <Select
            label="What becomes of it"
            name="fate"
            faults={form.faults}
            value={v.fate}
            onChange={set("fate")}
            options={[
              ["close", "to be closed"],
              ["keep", "kept for later use"],
            ]}
          />
        )}
      </div>
      {damage && (
        <>
          <Check label="From taking bonded bracing off" checked={bracing} onChange={(e) => setBracing(e.target.checked)} />
          <Area
            label="How it came about"
            name="outcome"
            faults={form.faults}
            value={v.outcome}
            onChange={set("outcome")}
            maxLength={500}
            hint="closes the question; leave it empty while nobody knows"
          />
        </>
      )}
      {v.what === "rust" && v.grade === "1" && (
        <Check
          label="Light bloom: left as it is and sealed in (the lead decides)"
          checked={accepted}
          onChange={(e) => setAccepted(e.target.checked)}
        />
      )}
      {hole && <Check label="Through the outer skin" checked={skin} onChange={(e) => setSkin(e.target.checked)} />}
      <Area label="Note" name="note" faults={form.faults} value={v.note} onChange={set("note")} maxLength={500} />
      {was && <Check label={damage ? "Solved" : "Treated"} checked={treated} onChange={(e) => setTreated(e.target.checked)} />}
      <RecordEnd form={form} label={was ? "Keep" : "Mark it"} />
    </form>
  );
}
