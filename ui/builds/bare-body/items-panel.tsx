"use client";
// What came out of the van: its fate, where it lies, what it weighs and brings; templates wait for the jobs cut by them.

import Link from "next/link";
import { useState } from "react";
import { FATE_WORDS, type Inventory, type ItemRecord, itemsIn } from "@/core/workshop/bare-body/removed-items";
import type { ItemFate } from "@/core/workshop/records/kinds/item";
import { Button } from "../../kit/button";
import { cx } from "../../kit/cx";
import { Dialog } from "../../kit/dialog";
import { time } from "../../kit/time";
import { RecordPhotos } from "../records/record-photos";
import { useRecordTools } from "../records/record-tools";
import type { BuildView } from "../view";
import { ItemForm } from "./item-form";

export type ShownItem = ItemRecord & { by: string };

const GONE: Partial<Record<ItemFate, string>> = {
  sell: "sold",
  scrap: "scrapped",
  return: "given back",
  store: "given back",
  template: "released",
};

export function ItemsPanel({ view }: { view: BuildView }) {
  const [form, setForm] = useState<{ was?: ShownItem }>();
  const items = (itemsIn(view.records) as ShownItem[]).sort((a, b) => a.saidAt - b.saidAt || a.id.localeCompare(b.id));
  const { shown, tools } = useRecordTools(items, "removed items", view.zone, (r) => `${FATE_WORDS[r.data.fate]} ${facts(r, view)}`);
  return (
    <div>
      <div className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-2">
        <p className="flex-1">{items.length > 0 && sums(view.inventory, view.money.currency)}</p>
        <Button kind="main" onClick={() => setForm({})}>
          Add a removed item
        </Button>
        <Link href={`/set-out?build=${encodeURIComponent(view.id)}&sheet=strip-list`} className="underline underline-offset-2">
          strip list
        </Link>
      </div>
      {items.length === 0 && <p className="text-muted">Nothing removed from this van is written down yet.</p>}
      {tools}
      <ul className="overflow-hidden rounded-md border bg-card empty:hidden">
        {shown.map((r) => (
          <li key={r.id} className="flex flex-wrap items-center gap-3 border-b px-3 py-2 last:border-0">
            <span
              className={cx(
                "w-40 shrink-0 font-semibold",
                r.data.fate === "undecided" && "text-amber-text",
                r.closedAt !== null && "text-muted",
              )}
            >
              {r.closedAt === null ? FATE_WORDS[r.data.fate] : (GONE[r.data.fate] ?? "back in its place")}
            </span>
            <button type="button" onClick={() => setForm({ was: r })} className="min-w-0 flex-1 text-left hover:underline">
              <b className={cx(r.closedAt !== null && "text-muted")}>{r.title}</b>
              <span className="block text-[0.75rem] text-muted">{facts(r, view)}</span>
            </button>
            <RecordPhotos id={r.id} title={r.title} photos={r.photos} />
          </li>
        ))}
      </ul>
      <Dialog open={!!form} onOpenChange={(o) => !o && setForm(undefined)} title={form?.was ? form.was.title : "Removed item"}>
        {form && <ItemForm view={view} was={form.was} onDone={() => setForm(undefined)} />}
      </Dialog>
    </div>
  );
}

function sums(i: Inventory, currency: string): string {
  return [
    `${i.items} ${i.items === 1 ? "thing" : "things"}, ${i.kgOut} kg out${i.kgBack ? `, ${i.kgBack} kg of them go back in` : ""}`,
    ...(i.undecided ? [`${i.undecided} not decided`] : []),
    ...(i.sold ? [`sold for ${i.sold} ${currency}`] : []),
    ...(i.toSell ? [`${i.toSell} ${currency} still to come from sales`] : []),
  ].join(" · ");
}

function facts(r: ShownItem, view: BuildView): string {
  const d = r.data;
  const names = d.serves?.map((c) => view.jobs.find((j) => j.code === c)?.name ?? c);
  const worn = Object.entries(d.edges ?? {}).filter(([, s]) => s !== "trusted");
  return [
    `${d.from}, ${d.kg} kg`,
    d.place && `lies: ${d.place}`,
    d.bag,
    d.fate === "sell" && d.credit !== undefined && `${d.credit} ${view.money.currency}`,
    names?.length && `for ${names.join(", ")}`,
    worn.length && worn.map(([e, s]) => `${e} edge ${s}`).join(", "),
    d.note,
    `${r.by}, ${time(view.zone, r.saidAt)}`,
  ]
    .filter(Boolean)
    .join(" · ");
}
