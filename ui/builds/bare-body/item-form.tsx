"use client";
// One thing that came out of the van.

import { useState } from "react";
import { hasRole } from "@/core/library/roles";
import { FATE_WORDS } from "@/core/workshop/bare-body/removed-items";
import { EDGES, FATES, type Item } from "@/core/workshop/records/kinds/item";
import { Area, Check, Field, Select } from "../../kit/field";
import { figure } from "../../kit/figure";
import { time } from "../../kit/time";
import { useForm } from "../../kit/use-form";
import { RecordEnd } from "../records/record-end";
import { given, keepRecord } from "../records/record-submit";
import type { BuildView } from "../view";
import type { ShownItem } from "./items-panel";

type Typed = Record<"title" | "from" | "kg" | "fate" | "place" | "bag" | "credit" | "note" | "why", string>;

export function ItemForm({ view, was, onDone }: { view: BuildView; was?: ShownItem; onDone(): void }) {
  const form = useForm();
  const d = was?.data;
  const [v, setV] = useState<Typed>({
    title: was?.title ?? "",
    from: d?.from ?? "",
    kg: String(d?.kg ?? ""),
    fate: d?.fate ?? "undecided",
    place: d?.place ?? "",
    bag: d?.bag ?? "",
    credit: String(d?.credit ?? ""),
    note: d?.note ?? "",
    why: "",
  });
  const [serves, setServes] = useState<string[]>(d?.serves ?? []);
  const [edges, setEdges] = useState<NonNullable<Item["edges"]>>(d?.edges ?? {});
  const [gone, setGone] = useState(was ? was.closedAt !== null : false);
  const set = (k: keyof Typed) => (e: { target: { value: string } }) => setV({ ...v, [k]: e.target.value });
  const template = v.fate === "template";
  const jobs = view.jobs.filter((j) => hasRole(j, "by-template"));
  const data = () =>
    given({
      from: v.from.trim(),
      kg: figure(v.kg),
      fate: v.fate,
      place: v.place.trim() || undefined,
      bag: v.bag.trim() || undefined,
      credit: v.fate === "sell" ? figure(v.credit) : undefined,
      serves: template ? serves : undefined,
      edges: template && Object.keys(edges).length ? edges : undefined,
      note: v.note.trim() || undefined,
    });
  const field = (k: keyof Typed, label: string, more: { hint?: string; inputMode?: "decimal"; required?: boolean } = {}) => (
    <Field label={label} name={k} faults={form.faults} value={v[k]} onChange={set(k)} maxLength={300} {...more} />
  );
  const fault = (path: string) => form.faults.find((f) => f.path === path)?.message;
  return (
    <form
      data-busy
      className="flex flex-col gap-4"
      onSubmit={(e) => {
        e.preventDefault();
        void keepRecord(form, view.id, was, { kind: "item", title: v.title, data: data(), closed: gone, why: v.why }).then(
          (ok) => ok && onDone(),
        );
      }}
    >
      {field("title", "What", { required: true, hint: "floor mat, racking left, partition" })}
      <div className="grid grid-cols-2 gap-3">
        {field("from", "Where it was", { required: true })}
        {field("kg", "Weight, kg", { inputMode: "decimal" })}
        <Select
          label="What becomes of it"
          name="fate"
          faults={form.faults}
          value={v.fate}
          onChange={set("fate")}
          options={FATES.map((f) => [f, FATE_WORDS[f]] as const)}
        />
        {field("place", "Where it lies", { hint: "shelf or rack" })}
        {field("bag", "Bag of fixings", { hint: "number and count" })}
        {v.fate === "sell" && field("credit", `Brings, ${view.money.currency}`, { inputMode: "decimal" })}
      </div>
      {was && d?.fate !== "undecided" && d?.fate !== v.fate && field("why", "Why it changes")}
      {template && (
        <fieldset className="rounded-md border px-3 pt-1 pb-2">
          <legend className="px-1 font-semibold">Template of</legend>
          {jobs.map((j) => (
            <Check
              key={j.code}
              label={j.name}
              checked={serves.includes(j.code)}
              onChange={(e) => setServes(e.target.checked ? [...serves, j.code] : serves.filter((c) => c !== j.code))}
            />
          ))}
          {fault("serves") && <p className="text-signal-text">{fault("serves")}</p>}
          <p className="text-[0.75rem] text-muted">It can't be sold, scrapped or given away before these are done.</p>
          <div className="mt-2 grid grid-cols-4 gap-2">
            {EDGES.map((edge) => (
              <Select
                key={edge}
                label={`${edge[0].toUpperCase()}${edge.slice(1)} edge`}
                name={`edges.${edge}`}
                faults={form.faults}
                value={edges[edge] ?? "trusted"}
                onChange={(e) => setEdges({ ...edges, [edge]: e.target.value })}
                options={[
                  ["trusted", "trusted"],
                  ["worn", "worn"],
                  ["missing", "missing"],
                ]}
              />
            ))}
          </div>
        </fieldset>
      )}
      <Area label="Note" name="note" faults={form.faults} value={v.note} onChange={set("note")} maxLength={500} />
      {was && <Check label="It has gone, or is back in its place" checked={gone} onChange={(e) => setGone(e.target.checked)} />}
      {fault("closed") && <p className="text-signal-text">{fault("closed")}</p>}
      {d?.history && d.history.length > 0 && (
        <ol aria-label="Changes" className="text-[0.75rem] text-muted">
          {d.history.map((h) => (
            <li key={h.at}>
              {time(view.zone, h.at)}, {h.by}: {FATE_WORDS[h.fate]}
              {h.why && `, ${h.why}`}
            </li>
          ))}
        </ol>
      )}
      <RecordEnd form={form} label={was ? "Keep" : "Write it down"} />
    </form>
  );
}
