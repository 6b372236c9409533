"use client";

// One hole through the skin: where it is, how far, what covers it, how it stood the water.

import { useState } from "react";
import { isOpen, SIDE_WORDS, WAY } from "@/core/workshop/openings/holes";
import type { Penetration } from "@/core/workshop/records/kinds/hole";
import { figure as houseFigure } from "@/core/workshop/state/house-figures";
import { Area, Check, Field, Select } from "../../kit/field";
import { figure } from "../../kit/figure";
import { time } from "../../kit/time";
import { useForm } from "../../kit/use-form";
import { RecordEnd } from "../records/record-end";
import { given, keepRecord } from "../records/record-submit";
import type { BuildView, ShownHole } from "../view";

type Typed = Record<
  | "title"
  | "side"
  | "place"
  | "size"
  | "askedBy"
  | "by"
  | "state"
  | "cover"
  | "bead"
  | "soak"
  | "soakMinutes"
  | "moisture"
  | "skinMm"
  | "battenMm"
  | "liningMm"
  | "note"
  | "why",
  string
>;

const SHUT = new Set(["closed", "tested"]);

export function HoleForm({ view, was, onDone }: { view: BuildView; was?: ShownHole; onDone(): void }) {
  const form = useForm();
  const d = was?.data;
  const [v, setV] = useState<Typed>({
    title: was?.title ?? "",
    side: d?.side ?? "roof",
    place: d?.place ?? "",
    size: d?.size ?? "",
    askedBy: d?.askedBy ?? "",
    by: d?.by ?? "us",
    state: d?.state ?? "wanted",
    cover: d?.cover ?? "",
    bead: d?.bead ?? "whole",
    soak: d?.soak ?? "",
    soakMinutes: String(d?.soakMinutes ?? ""),
    moisture: String(d?.moisture ?? ""),
    skinMm: String(d?.skinMm ?? ""),
    battenMm: String(d?.battenMm ?? ""),
    liningMm: String(d?.liningMm ?? ""),
    note: d?.note ?? "",
    why: "",
  });
  const [tagged, setTagged] = useState(d?.tagged ?? false);
  const set = (k: keyof Typed) => (e: { target: { value: string } }) => setV({ ...v, [k]: e.target.value });
  const state = v.state as Penetration["state"];
  const open = isOpen({ state });
  const shut = SHUT.has(state);
  const late = was ? undefined : view.late[v.side as Penetration["side"]];
  const data = () =>
    given({
      side: v.side,
      place: v.place.trim(),
      by: v.by,
      state,
      size: v.size.trim() || undefined,
      askedBy: v.askedBy.trim() || undefined,
      cover: open ? v.cover.trim() || undefined : undefined,
      bead: shut ? v.bead : undefined,
      soak: shut && v.soak ? v.soak : undefined,
      soakMinutes: shut && v.soak ? figure(v.soakMinutes) : undefined,
      moisture: d?.wet || d?.moisture !== undefined ? figure(v.moisture) : undefined,
      tagged: tagged || undefined,
      skinMm: figure(v.skinMm),
      battenMm: figure(v.battenMm),
      liningMm: figure(v.liningMm),
      note: v.note.trim() || undefined,
    });
  const field = (k: keyof Typed, label: string, more: { hint?: string; inputMode?: "decimal"; required?: boolean } = {}) => (
    <Field label={label} name={k} faults={form.faults} value={v[k]} onChange={set(k)} maxLength={300} {...more} />
  );
  const pick = (k: keyof Typed, label: string, options: readonly (readonly [string, string])[]) => (
    <Select label={label} name={k} faults={form.faults} value={v[k]} onChange={set(k)} options={options} />
  );
  const fault = (path: string) => form.faults.find((f) => f.path === path)?.message;
  const asksWhy = was && (WAY.indexOf(state) < WAY.indexOf(was.data.state) || skipsEdge(was.data.state, state));
  return (
    <form
      data-busy
      className="flex flex-col gap-4"
      onSubmit={(e) => {
        e.preventDefault();
        void keepRecord(form, view.id, was, {
          kind: "penetration",
          title: v.title,
          data: data(),
          closed: state === "tested",
          why: v.why,
        }).then((ok) => ok && onDone());
      }}
    >
      {field("title", "What goes through", { required: true, hint: "roof fan, cable gland, rack feet left" })}
      {late && <p className="rounded-md border border-amber bg-amber-soft px-3 py-2">{late}.</p>}
      <div className="grid grid-cols-2 gap-3">
        {pick("side", "Side", Object.entries(SIDE_WORDS))}
        {field("place", "Where", { required: true, hint: "bay 3, 60 left of the centre" })}
        {field("size", "Size", { hint: "400 × 400, ø 21" })}
        {field("askedBy", "Who wants it")}
        {pick("by", "Made by", [
          ["us", "us"],
          ["client", "the client"],
          ["before", "factory or owner before"],
        ])}
        {pick(
          "state",
          "How far it is",
          WAY.map((s) => [s, s] as const),
        )}
        {field("skinMm", "Skin there, mm", { inputMode: "decimal", hint: "how deep it is, for the ring that closes it" })}
        {field("battenMm", "Batten there, mm", { inputMode: "decimal" })}
        {field("liningMm", "Lining there, mm", { inputMode: "decimal" })}
        {open && field("cover", "What covers it", { hint: "sheet and tape, board with clamps" })}
        {shut &&
          pick("bead", "Seal", [
            ["whole", "all of it"],
            ["holding", "holding bead, backfill to come"],
          ])}
        {shut &&
          pick("soak", "Under water", [
            ["", "not soaked yet"],
            ["dry", "dry"],
            ["damp", "damp"],
            ["drip", "drips"],
          ])}
        {shut && v.soak && field("soakMinutes", "Minutes of water", { inputMode: "decimal" })}
      </div>
      {d?.wet && (
        <div className="rounded-md border border-signal bg-signal-soft px-3 py-2">
          <p className="mb-2">
            <b>Rain came in</b> {time(view.zone, d.wet.at)}: {d.wet.where}. Dry it out, clean, prime again, look for rust; then read the
            timber.
          </p>
          {field("moisture", "Moisture of the timber, %", { inputMode: "decimal", hint: `${houseFigure(view, "driest")} at most` })}
        </div>
      )}
      {asksWhy && field("why", "Why, and who allows it")}
      {!asksWhy && fault("why") && <p className="text-signal-text">{fault("why")}</p>}
      <Check label="Sealed in rain or in the dark" checked={tagged} onChange={(e) => setTagged(e.target.checked)} />
      {fault("tagged") && <p className="text-signal-text">{fault("tagged")}</p>}
      {!shut && fault("soak") && <p className="text-signal-text">{fault("soak")}</p>}
      <Area label="Note" name="note" faults={form.faults} value={v.note} onChange={set("note")} maxLength={500} />
      {d?.history && d.history.length > 0 && (
        <ol aria-label="Changes" className="text-[0.75rem] text-muted">
          {d.history.map((h) => (
            <li key={`${h.at} ${h.state}`}>
              {time(view.zone, h.at)}, {h.by}: {h.state}
              {h.why && `, ${h.why}`}
            </li>
          ))}
        </ol>
      )}
      <RecordEnd form={form} label={was ? "Keep" : "Write it down"} />
    </form>
  );
}

/** Shut without its edge having been made safe on the way. */
const skipsEdge = (from: Penetration["state"], to: Penetration["state"]) =>
  WAY.indexOf(from) < WAY.indexOf("protected") && WAY.indexOf(to) > WAY.indexOf("protected");
