"use client";
// Adds a build: van, dates, what it gets; beside it at once what that means in jobs, hours and photos.

import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import { buildNetwork } from "@/core/library/network";
import type { Options } from "@/core/library/schema";
import { sayHours } from "@/core/shop/say";
import { Button } from "../kit/button";
import { Check, Field, Select } from "../kit/field";
import { send } from "../kit/send";
import { STAGE, StageBadge } from "../kit/stage";
import { useForm } from "../kit/use-form";
import { VanPlan, type VanShape, VanSide } from "../van/plan";

const START: Options = { windows: 2, fan: true, solar: true, swivels: false, gas: false, heater: true, firstFix: "services-first" };

const FLAGS: [keyof Options & ("fan" | "solar" | "swivels" | "gas" | "heater"), string, string][] = [
  ["fan", "Roof fan", "cut and sealed in one dry stretch, then 16 hours untouched"],
  ["solar", "Solar panels", "bonded on the roof, a day's hold"],
  ["swivels", "Swivel seats", "a ticket where belts anchor to the base"],
  ["heater", "Heater", "flue and ducts through the floor"],
  ["gas", "Gas", "pipework and soundness test by a ticket holder"],
];

export function NewBuild({ vans, now }: { vans: (VanShape & { id: string; insideCrew: number })[]; now: string }) {
  const router = useRouter();
  const form = useForm();
  const [options, setOptions] = useState(START);
  const [vanId, setVanId] = useState(vans[0]?.id ?? "");
  const van = vans.find((v) => v.id === vanId);
  const jobs = useMemo(() => buildNetwork(options), [options]);
  const sum = (pick: (j: (typeof jobs)[number]) => number) => jobs.reduce((n, j) => n + pick(j), 0);
  const date = (days: number, clock: string) => {
    const d = new Date(Date.parse(`${now.slice(0, 10)}T00:00Z`) + days * 86_400_000);
    while (d.getUTCDay() === 0 || d.getUTCDay() === 6) d.setUTCDate(d.getUTCDate() + 1);
    return `${d.toISOString().slice(0, 10)}T${clock}`;
  };
  if (!vans.length) return <p className="p-6">There is no van template in this workshop's database, so no build can be added.</p>;
  return (
    <div className="mx-auto grid w-full max-w-6xl gap-6 p-5 lg:grid-cols-[minmax(0,1fr)_340px]">
      <form
        data-busy
        className="flex flex-col gap-5"
        onSubmit={(e) => {
          e.preventDefault();
          const d = new FormData(e.currentTarget);
          const text = (k: string) => String(d.get(k) ?? "").trim();
          const body = {
            name: text("name"),
            client: text("client"),
            purpose: text("purpose"),
            vanId,
            arrives: text("arrives"),
            due: text("due"),
            weight: Number(text("weight")),
            options,
          };
          let id = "";
          void form
            .submit(
              async () => {
                id = (await send<{ id: string }>("POST", "builds", body)).id;
              },
              1,
              `${body.name} is in the shop. Replan to give its jobs their places.`,
            )
            .then((ok) => ok && router.push(`/builds/${id}`));
        }}
      >
        <h1 className="text-[22px]">Add a build</h1>
        <Part n={1} title="Whose, and what for">
          <div className="grid grid-cols-2 gap-4">
            <Field
              label="Name of the build"
              name="name"
              faults={form.faults}
              required
              maxLength={120}
              hint="what the shop will call it"
              autoFocus
            />
            <Field label="Client" name="client" faults={form.faults} required maxLength={120} />
            <Field className="col-span-2" label="What it is for" name="purpose" faults={form.faults} maxLength={160} />
          </div>
        </Part>
        <Part n={2} title="Van">
          <div role="radiogroup" aria-label="Van" className="grid grid-cols-2 gap-2.5 md:grid-cols-4">
            {vans.map((v) => (
              <label
                key={v.id}
                className="flex cursor-pointer flex-col gap-2 rounded-md border bg-card p-3 has-checked:border-pine has-checked:bg-pine-soft has-focus-visible:outline-2"
              >
                <input type="radio" name="van" value={v.id} checked={vanId === v.id} onChange={() => setVanId(v.id)} className="sr-only" />
                <VanSide van={v} width={(v.lengthMm / 5990) * 104} />
                <span>
                  <b>{v.name}</b>
                  <span className="block text-[12px] text-muted">
                    {v.lengthMm} × {v.heightMm} mm
                  </span>
                </span>
              </label>
            ))}
          </div>
        </Part>
        <Part n={3} title="Dates">
          <div className="grid grid-cols-3 gap-4">
            <Field label="Arrives" name="arrives" type="datetime-local" faults={form.faults} defaultValue={date(1, "08:00")} required />
            <Field label="Due" name="due" type="datetime-local" faults={form.faults} defaultValue={date(56, "17:00")} required />
            <Field
              label="Weight"
              name="weight"
              type="number"
              min={0.1}
              max={20}
              step={0.1}
              defaultValue={1}
              faults={form.faults}
              hint="2 counts a late day twice"
            />
          </div>
        </Part>
        <Part n={4} title="What it gets">
          <div className="grid grid-cols-2 gap-x-6 gap-y-1">
            {FLAGS.map(([key, label, hint]) => (
              <Check
                key={key}
                label={label}
                hint={hint}
                checked={options[key]}
                onChange={(e) => setOptions({ ...options, [key]: e.target.checked })}
              />
            ))}
            <Select
              label="Side windows"
              name="windows"
              faults={form.faults}
              value={String(options.windows)}
              onChange={(e) => setOptions({ ...options, windows: Number(e.target.value) })}
              options={["0", "1", "2", "3", "4"].map((n) => [n, n === "0" ? "none" : n] as const)}
              hint="each cut to bonded in one dry stretch"
            />
          </div>
          <fieldset className="mt-3 border-t pt-3">
            <legend className="sr-only">School</legend>
            <p className="mb-1 font-semibold">Cables and pipes against insulation</p>
            {(
              [
                ["services-first", "On the metal, insulation over them", "first fix before insulation; nothing can be reached later"],
                [
                  "insulation-first",
                  "Insulation first, services on the warm side",
                  "first fix after insulation; runs stay within reach and warm",
                ],
              ] as const
            ).map(([value, label, hint]) => (
              <label key={value} className="flex items-start gap-2.5 py-1">
                <input
                  type="radio"
                  name="firstFix"
                  value={value}
                  checked={options.firstFix === value}
                  onChange={() => setOptions({ ...options, firstFix: value })}
                  className="mt-0.5 size-4 accent-pine"
                />
                <span>
                  <span className="font-semibold">{label}</span>
                  <span className="block text-[12px] text-muted">{hint}</span>
                </span>
              </label>
            ))}
          </fieldset>
        </Part>
        {form.general && (
          <p role="alert" className="text-signal-text">
            {form.general}
          </p>
        )}
        <div className="flex gap-2">
          <Button kind="main" type="submit" disabled={form.busy}>
            {form.busy ? "Adding …" : "Add the build"}
          </Button>
          <Button onClick={() => router.push("/builds")}>Not now</Button>
        </div>
      </form>
      <aside className="self-start rounded-md border bg-card p-4 lg:sticky lg:top-[72px]">
        <h2 className="text-[15px]">What that makes</h2>
        {van && (
          <div className="my-3">
            <VanPlan van={van} marks={[]} width={250} hatchId="new" />
          </div>
        )}
        <p>
          <b>{jobs.length}</b> jobs, <b>{sayHours(sum((j) => j.minutes.likely))}</b> of likely work, at worst{" "}
          {sayHours(sum((j) => j.minutes.worst))}
        </p>
        <p>
          <b>{sum((j) => (j.proof ?? []).filter((p) => p.beforeCloseUp).length)}</b> photos before close-ups,{" "}
          <b>{sum((j) => (j.parts ?? []).length)}</b> part lines
        </p>
        <ul className="mt-3">
          {Object.keys(STAGE).map((stage) => {
            const list = jobs.filter((j) => j.stage === stage);
            if (!list.length) return null;
            return (
              <li key={stage} className="flex items-start gap-2.5 border-t py-1.5">
                <StageBadge stage={stage} className="mt-0.5" />
                <span className="min-w-0 text-[12px] leading-snug text-muted">
                  <b className="text-ink">{sayHours(list.reduce((n, j) => n + j.minutes.likely, 0))}</b>{" "}
                  {list.map((j) => j.name).join(" · ")}
                </span>
              </li>
            );
          })}
        </ul>
      </aside>
    </div>
  );
}

function Part({ n, title, children }: { n: number; title: string; children: React.ReactNode }) {
  return (
    <section aria-label={title} className="rounded-md border bg-card p-4">
      <h2 className="mb-3 text-[15px]">
        <span className="mr-2 text-muted">{n}</span>
        {title}
      </h2>
      {children}
    </section>
  );
}
