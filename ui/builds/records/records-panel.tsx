"use client";
// Decisions, deviations, faults and remainders of a build.

import { useState } from "react";
import { type Deviation, TICKETED } from "@/core/workshop/records/kinds/decision";
import { type FaultCard, faultState } from "@/core/workshop/records/kinds/fault";
import type { BuildRecord } from "@/core/workshop/records/records";
import { Button } from "../../kit/button";
import { cx } from "../../kit/cx";
import { Dialog } from "../../kit/dialog";
import { Area, Check, Field, Select } from "../../kit/field";
import { send } from "../../kit/send";
import { near, time } from "../../kit/time";
import { useAct } from "../../kit/use-act";
import { type FormState, useForm } from "../../kit/use-form";
import type { BuildView } from "../view";
import { RecordEnd } from "./record-end";
import { RecordPhotos } from "./record-photos";
import { keepRecord } from "./record-submit";
import { useRecordTools } from "./record-tools";

/** All others have a panel of their own. */
type Kind = Extract<BuildRecord["kind"], "decision" | "deviation" | "fault">;
type Shown = Extract<BuildView["records"][number], { kind: Kind }>;

const TITLE: Record<Kind, string> = { decision: "Decisions", deviation: "Deviations from a maker's sheet", fault: "Faults" };
const ADD: Record<Kind, string> = { decision: "Write a decision down", deviation: "Write a deviation down", fault: "Open a fault card" };
const NONE: Record<Kind, string> = {
  decision: "None yet. A change of choices writes one by itself.",
  deviation: "None: everything was done by the makers' sheets, or nobody has written it down.",
  fault: "No fault is being looked for.",
};

export function RecordsPanel({ view }: { view: BuildView }) {
  const [adding, setAdding] = useState<Kind>();
  const [opened, setOpened] = useState<Shown>();
  const act = useAct();
  const remainders = view.jobs.flatMap((j) => j.remainders.map((r) => ({ ...r, job: j.name })));
  return (
    <div className="flex flex-col gap-6">
      <section aria-label="Remainders">
        <h2 className="mb-1 text-[0.9375rem]">Still to finish</h2>
        {remainders.length === 0 && <p className="text-muted">No job has left anything behind.</p>}
        <ul className="overflow-hidden rounded-md border bg-card empty:hidden">
          {remainders.map((r) => (
            <li key={r.id} className="flex items-center gap-3 border-b px-3 py-2 last:border-0">
              <span className="min-w-0 flex-1">
                <b>{r.job}</b>: {r.text}
                <span className="block text-[0.75rem] text-muted">
                  {r.before ? `blocks ${r.before}` : "before the handover"} · owner {r.owner} · said by {r.by},{" "}
                  {near(view.zone, r.at, view.now)}
                </span>
              </span>
              <Button disabled={act.busy} onClick={() => void act.run(() => send("POST", `remainders/${r.id}/close`), "Closed")}>
                Closed
              </Button>
            </li>
          ))}
        </ul>
      </section>
      {(["decision", "deviation", "fault"] as const).map((kind) => (
        <OfKind key={kind} kind={kind} view={view} onAdd={() => setAdding(kind)} onOpen={setOpened} />
      ))}
      <Dialog open={!!adding} onOpenChange={(o) => !o && setAdding(undefined)} title={adding ? ADD[adding] : ""} wide={adding === "fault"}>
        {adding && <RecordForm kind={adding} view={view} onDone={() => setAdding(undefined)} />}
      </Dialog>
      <Dialog open={!!opened} onOpenChange={(o) => !o && setOpened(undefined)} title={opened?.title ?? ""} wide={opened?.kind === "fault"}>
        {opened && <RecordForm kind={opened.kind} was={opened} view={view} onDone={() => setOpened(undefined)} />}
      </Dialog>
    </div>
  );
}

function OfKind({ kind, view, onAdd, onOpen }: { kind: Kind; view: BuildView; onAdd(): void; onOpen(r: Shown): void }) {
  const list = view.records.filter((r): r is Shown => r.kind === kind);
  const { shown, tools } = useRecordTools(
    list,
    TITLE[kind].toLowerCase(),
    view.zone,
    (r) => `${r.jobName ?? ""} ${says(r, view.money.currency)}`,
  );
  return (
    <section aria-label={TITLE[kind]}>
      <div className="mb-1 flex items-center justify-between">
        <h2 className="text-[0.9375rem]">{TITLE[kind]}</h2>
        <Button onClick={onAdd}>{ADD[kind]}</Button>
      </div>
      {list.length === 0 && <p className="text-muted">{NONE[kind]}</p>}
      {tools}
      <ul className="overflow-hidden rounded-md border bg-card empty:hidden">
        {shown.map((r) => (
          <li key={r.id} className="flex items-center gap-3 border-b pr-3 last:border-0">
            <button type="button" onClick={() => onOpen(r)} className="min-w-0 flex-1 px-3 py-2 text-left hover:bg-sunk">
              <b className={cx(r.closedAt !== null && "text-muted")}>{r.title}</b>
              {r.jobName && <span className="text-muted"> · {r.jobName}</span>}
              <span className="block text-[0.75rem] text-muted">
                {says(r, view.money.currency)} · {r.by}, {time(view.zone, r.saidAt)}
              </span>
            </button>
            <RecordPhotos id={r.id} title={r.title} photos={r.photos} />
          </li>
        ))}
      </ul>
    </section>
  );
}

function says(r: Shown, currency: string): string {
  if (r.kind === "decision") {
    const d = r.data;
    return [
      `decided by ${d.who}`,
      d.cost !== undefined && d.cost !== 0 && `${d.cost > 0 ? "+" : ""}${d.cost} ${currency}`,
      d.hours !== undefined && d.hours !== 0 && `${d.hours > 0 ? "+" : ""}${d.hours} h`,
      d.kg !== undefined && d.kg !== 0 && `${d.kg > 0 ? "+" : ""}${d.kg} kg`,
      d.days !== undefined && d.days !== 0 && `${d.days > 0 ? "+" : ""}${d.days} days`,
      d.note,
    ]
      .filter(Boolean)
      .join(", ");
  }
  if (r.kind === "deviation")
    return `against ${r.data.against}, allowed by ${r.data.allowedBy}${r.data.ticket ? `, ticket ${r.data.ticket}` : ""}${r.data.touches === "other" ? "" : `, touches ${r.data.touches}`}`;
  const s = faultState(r.data);
  if (r.closedAt !== null) return `solved: ${r.data.outcome}`;
  if (s.found.length) return `found: ${s.found.join(", ")}`;
  return `${s.open.length} ${s.open.length === 1 ? "cause" : "causes"} to test, ${s.ruledOut} ruled out${s.open[0] ? `; next: ${s.open[0].test}` : ""}`;
}

interface Values {
  title: string;
  jobId: string;
  data: Record<string, unknown>;
  closed: boolean;
}

export function RecordForm({
  kind,
  was,
  view,
  start,
  onDone,
}: {
  kind: Kind;
  was?: Shown;
  view: BuildView;
  start?: { jobId?: string; title?: string; data?: Record<string, unknown> };
  onDone(): void;
}) {
  const form = useForm();
  const [v, setV] = useState<Values>({
    title: was?.title ?? start?.title ?? "",
    jobId: was?.jobId ?? start?.jobId ?? "",
    data: (was?.data as unknown as Record<string, unknown>) ?? {
      ...(kind === "fault" ? { causes: [{ cause: "", test: "", result: "open" }], calls: [] } : {}),
      ...(kind === "deviation" ? { touches: "other" } : {}),
      ...(kind === "decision" ? { who: view.client } : {}),
      ...start?.data,
    },
    closed: was ? was.closedAt !== null : false,
  });
  const data = (more: Record<string, unknown>) => setV((o) => ({ ...o, data: { ...o.data, ...more } }));
  const clean = () => {
    const d = Object.fromEntries(Object.entries(v.data).filter(([, x]) => x !== "" && x !== undefined && !Number.isNaN(x)));
    if (kind === "fault") {
      d.causes = (d.causes as FaultCard["causes"]).filter((c) => c.cause.trim() || c.test.trim());
      d.calls = (d.calls as FaultCard["calls"]).filter((c) => c.text.trim());
    }
    return d;
  };
  return (
    <form
      data-busy
      className="flex flex-col gap-4"
      onSubmit={(e) => {
        e.preventDefault();
        void keepRecord(form, view.id, was, { kind, title: v.title, data: clean(), jobId: v.jobId, closed: v.closed }).then(
          (ok) => ok && onDone(),
        );
      }}
    >
      <Field
        label={kind === "fault" ? "What is wrong" : kind === "decision" ? "What was decided" : "What was done otherwise"}
        name="title"
        faults={form.faults}
        value={v.title}
        onChange={(e) => setV({ ...v, title: e.target.value })}
        required
        maxLength={300}
        autoFocus
      />
      {!was && (
        <Select
          label="Job"
          name="jobId"
          faults={form.faults}
          value={v.jobId}
          onChange={(e) => setV({ ...v, jobId: e.target.value })}
          options={[["", "of the whole build"] as const, ...view.jobs.map((j) => [j.id, j.name] as const)]}
        />
      )}
      {kind === "decision" && <DecisionFields data={v.data} set={data} form={form} currency={view.money.currency} />}
      {kind === "deviation" && <DeviationFields data={v.data as unknown as Deviation} set={data} form={form} />}
      {kind === "fault" && (
        <FaultFields
          data={v.data as unknown as FaultCard}
          set={data}
          form={form}
          now={near(view.zone, view.now, 0)}
          parts={view.jobs.filter((j) => !v.jobId || j.id === v.jobId).flatMap((j) => j.parts.map((p) => [p.id, p.name] as const))}
        />
      )}
      {was && (
        <Check
          label={kind === "fault" ? "Solved" : "Closed"}
          checked={v.closed}
          onChange={(e) => setV({ ...v, closed: e.target.checked })}
        />
      )}
      <RecordEnd form={form} label={was ? "Keep" : "Write it down"} />
    </form>
  );
}

type Set = (more: Record<string, unknown>) => void;

function DecisionFields({ data, set, form, currency }: { data: Record<string, unknown>; set: Set; form: FormState; currency: string }) {
  const number = (key: string, label: string) => (
    <Field
      label={label}
      name={key}
      type="number"
      step="any"
      faults={form.faults}
      value={(data[key] as number | undefined) ?? ""}
      onChange={(e) => set({ [key]: e.target.value === "" ? "" : Number(e.target.value) })}
    />
  );
  return (
    <>
      {data.timeBox === true && (
        <Select
          label="What is done now"
          name="course"
          faults={form.faults}
          value={String(data.course ?? "second person")}
          onChange={(e) => set({ course: e.target.value })}
          options={[
            ["second person", "add a second person"],
            ["park", "it is parked, another is pulled forward"],
            ["supplier", "the supplier is called: it goes on the fault card"],
            ["go on", "it goes on as it is"],
          ]}
        />
      )}
      <Field
        label="Who decided"
        name="who"
        faults={form.faults}
        value={String(data.who ?? "")}
        onChange={(e) => set({ who: e.target.value })}
        required
      />
      <div className="grid grid-cols-4 gap-3">
        {number("cost", `Cost, ${currency}`)}
        {number("hours", "Hours")}
        {number("days", "Days")}
        {number("kg", "Kilograms")}
      </div>
      <Area
        label="Why"
        name="note"
        faults={form.faults}
        value={String(data.note ?? "")}
        onChange={(e) => set({ note: e.target.value })}
        maxLength={500}
      />
    </>
  );
}

function DeviationFields({ data, set, form }: { data: Deviation; set: Set; form: FormState }) {
  const ticketed = (TICKETED as readonly string[]).includes(data.touches);
  return (
    <>
      <Field
        label="Against which sheet or rule"
        name="against"
        faults={form.faults}
        value={data.against ?? ""}
        onChange={(e) => set({ against: e.target.value })}
        required
      />
      <div className="grid grid-cols-2 gap-3">
        <Select
          label="It touches"
          name="touches"
          faults={form.faults}
          value={data.touches}
          onChange={(e) => set({ touches: e.target.value })}
          options={[["other", "none of these"] as const, ...TICKETED.map((t) => [t, t] as const)]}
        />
        <Field
          label="Allowed by"
          name="allowedBy"
          faults={form.faults}
          value={data.allowedBy ?? ""}
          onChange={(e) => set({ allowedBy: e.target.value })}
          required
        />
      </div>
      {ticketed && (
        <Field
          label="Their ticket"
          name="ticket"
          faults={form.faults}
          value={data.ticket ?? ""}
          onChange={(e) => set({ ticket: e.target.value })}
          hint="only a ticket holder may allow this; local rules come first"
        />
      )}
    </>
  );
}

function FaultFields({
  data,
  set,
  form,
  now,
  parts,
}: {
  data: FaultCard;
  set: Set;
  form: FormState;
  now: string;
  parts: readonly (readonly [string, string])[];
}) {
  const cause = (i: number, more: Partial<FaultCard["causes"][number]>) =>
    set({ causes: data.causes.map((c, k) => (k === i ? { ...c, ...more } : c)) });
  return (
    <>
      <fieldset className="flex flex-col gap-2">
        <legend className="mb-1 font-semibold">Possible causes, and the test that settles each</legend>
        {data.causes.map((c, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: causes are only added at the end
          <div key={i} className="grid grid-cols-[1fr_1.4fr_70px_auto] items-end gap-2">
            <Field
              label={`Cause ${i + 1}`}
              name={`causes[${i}].cause`}
              faults={form.faults}
              value={c.cause}
              onChange={(e) => cause(i, { cause: e.target.value })}
            />
            <Field
              label="Test"
              name={`causes[${i}].test`}
              faults={form.faults}
              value={c.test}
              onChange={(e) => cause(i, { test: e.target.value })}
            />
            <Field
              label="Minutes"
              name={`causes[${i}].minutes`}
              faults={form.faults}
              inputMode="numeric"
              value={c.minutes === undefined ? "" : String(c.minutes)}
              onChange={(e) => cause(i, { minutes: /^\d+$/.test(e.target.value) ? Number(e.target.value) : undefined })}
            />
            <Select
              label="Result"
              name={`causes[${i}].result`}
              value={c.result}
              onChange={(e) => cause(i, { result: e.target.value as "open" | "yes" | "no" })}
              options={[
                ["open", "to test"],
                ["yes", "it is this"],
                ["no", "ruled out"],
              ]}
            />
          </div>
        ))}
        <Button className="self-start" onClick={() => set({ causes: [...data.causes, { cause: "", test: "", result: "open" }] })}>
          Another cause
        </Button>
      </fieldset>
      <fieldset className="flex flex-col gap-2">
        <legend className="mb-1 font-semibold">Calls and answers</legend>
        {data.calls.map((c, i) => (
          <Field
            // biome-ignore lint/suspicious/noArrayIndexKey: calls are only added at the end
            key={i}
            label={c.at}
            name={`calls[${i}].text`}
            value={c.text}
            onChange={(e) => set({ calls: data.calls.map((x, k) => (k === i ? { ...x, text: e.target.value } : x)) })}
          />
        ))}
        <Button className="self-start" onClick={() => set({ calls: [...data.calls, { text: "", at: now }] })}>
          Write a call down
        </Button>
      </fieldset>
      <Area
        label="What it was"
        name="outcome"
        faults={form.faults}
        value={data.outcome ?? ""}
        onChange={(e) => set({ outcome: e.target.value })}
      />
      <div className="grid grid-cols-2 gap-3">
        <Select
          label="It lay with"
          name="lay"
          faults={form.faults}
          value={data.lay ?? ""}
          onChange={(e) => set({ lay: e.target.value, ...(e.target.value === "part" ? {} : { partId: "" }) })}
          options={[
            ["", "not known yet"],
            ["us", "us"],
            ["van", "the van"],
            ["part", "the part"],
          ]}
        />
        {data.lay === "part" && (
          <Select
            label="Which part"
            name="partId"
            faults={form.faults}
            value={data.partId ?? ""}
            onChange={(e) => set({ partId: e.target.value })}
            options={[["", "choose"] as const, ...parts]}
          />
        )}
      </div>
    </>
  );
}
