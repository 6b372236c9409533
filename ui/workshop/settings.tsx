"use client";
// Settings of the house, the forecast, and the planning problem as a file.

import { useState } from "react";
import { readNoiseWeek, sayNoiseWeek } from "@/core/workshop/starts/noise";
import { Button, buttonClass } from "../kit/button";
import { Check, Field } from "../kit/field";
import { send } from "../kit/send";
import { useAct } from "../kit/use-act";
import { useForm } from "../kit/use-form";
import { FormEnd } from "./parts";
import type { WorkshopView } from "./view";

const LABELS = {
  name: "Name",
  yardPlaces: "Places in the yard",
  shuntMinutes: "Minutes to move a van",
  goodsInMinutes: "Minutes to check a part",
  noiseFrom: "Noise from",
  noiseTo: "Noise until",
  noiseConfirmed: "Hours confirmed by, when",
  skinBelowC: "Metal below air °C",
};

export function Settings({ view }: { view: WorkshopView }) {
  const act = useAct();
  const form = useForm();
  const [was, setWas] = useState(view.workshop);
  const [weekFault, setWeekFault] = useState<string>();
  const save = async (data: FormData, version: number) => {
    const n = (k: string) => Number(data.get(k));
    const body = {
      name: String(data.get("name") ?? ""),
      yardPlaces: n("yardPlaces"),
      shuntMinutes: n("shuntMinutes"),
      goodsInMinutes: n("goodsInMinutes"),
      noiseFrom: String(data.get("noiseFrom")),
      noiseTo: String(data.get("noiseTo")),
      noiseConfirmed: String(data.get("noiseConfirmed") ?? ""),
      skinBelowC: n("skinBelowC"),
      firstTimes: data.get("firstTimes") === "on",
      releaseCuts: data.get("releaseCuts") === "on",
    };
    const noiseWeek = readNoiseWeek(String(data.get("noiseWeek") ?? ""));
    setWeekFault(typeof noiseWeek === "string" ? noiseWeek : undefined);
    if (typeof noiseWeek === "string") return;
    if (await form.submit((v) => send("PATCH", "workshop", { version: v, ...body, noiseWeek }), version, "Saved. Replan to use it."))
      setWas({ ...was, ...body, noiseWeek, version: version + 1 });
  };
  return (
    <div className="grid gap-6 md:grid-cols-2">
      <form
        id="settings-form"
        data-busy
        className="grid grid-cols-2 gap-4 self-start rounded-md border bg-card p-4"
        onSubmit={(e) => {
          e.preventDefault();
          void save(new FormData(e.currentTarget), was.version);
        }}
      >
        <h2 className="col-span-2 text-[0.9375rem]">House</h2>
        <Field
          className="col-span-2"
          label={LABELS.name}
          name="name"
          faults={form.faults}
          defaultValue={was.name}
          required
          maxLength={120}
        />
        <Field
          label={LABELS.yardPlaces}
          name="yardPlaces"
          type="number"
          min={0}
          faults={form.faults}
          defaultValue={was.yardPlaces}
          required
        />
        <Field
          label={LABELS.shuntMinutes}
          name="shuntMinutes"
          type="number"
          min={0}
          faults={form.faults}
          defaultValue={was.shuntMinutes}
          required
        />
        <Field
          label={LABELS.goodsInMinutes}
          name="goodsInMinutes"
          type="number"
          min={0}
          faults={form.faults}
          defaultValue={was.goodsInMinutes}
          required
        />
        <p className="self-end pb-2 text-muted">times in {was.zone}</p>
        <Field
          label={LABELS.noiseFrom}
          name="noiseFrom"
          type="time"
          faults={form.faults}
          defaultValue={was.noiseFrom ?? "08:00"}
          required
        />
        <Field label={LABELS.noiseTo} name="noiseTo" type="time" faults={form.faults} defaultValue={was.noiseTo ?? "18:00"} required />
        <Field
          className="col-span-2"
          label="Other noise hours on"
          name="noiseWeek"
          faults={weekFault ? [{ path: "noiseWeek", message: weekFault }] : form.faults}
          defaultValue={sayNoiseWeek(was.noiseWeek)}
          placeholder="sat 09:00-13:00, sun quiet"
          hint="weekdays that differ; two stretches with a space between"
        />
        <Field
          label={LABELS.noiseConfirmed}
          name="noiseConfirmed"
          faults={form.faults}
          defaultValue={was.noiseConfirmed}
          maxLength={160}
          hint="by the neighbours, the landlord, the town"
        />
        <Field
          label={LABELS.skinBelowC}
          name="skinBelowC"
          type="number"
          min={0}
          max={15}
          step={0.5}
          faults={form.faults}
          defaultValue={was.skinBelowC}
          required
          hint="for work on metal in bays not kept warm"
        />
        <div className="col-span-2">
          <Check
            label="Plan first times longer"
            hint="1.5 times at the first, 1.2 at the second, for whoever has not done a kind of work that others of the house have"
            name="firstTimes"
            defaultChecked={was.firstTimes}
          />
          <Check
            label="Release what can't be undone"
            hint="a cut, a bond, closing up: once all is answered the lead or a deputy, and not whoever answered, releases it on the card"
            name="releaseCuts"
            defaultChecked={was.releaseCuts}
          />
        </div>
        <div className="col-span-2">
          <FormEnd
            form={form}
            labels={LABELS}
            onTakeMine={() => void save(new FormData(document.getElementById("settings-form") as HTMLFormElement), form.stale!.version)}
          />
        </div>
      </form>
      <section className="rounded-md border bg-card p-4">
        <div className="mb-2 flex items-center justify-between">
          <h2 className="text-[0.9375rem]">Forecast</h2>
          <Button disabled={act.busy} onClick={() => void act.run(() => send("POST", "weather"), "Forecast fetched")}>
            Fetch it
          </Button>
        </div>
        <p className="mb-2 text-muted">
          From the simulated weather feed that ships with Wide Lane, for the workshop's place and the season.
        </p>
        {view.weather.length === 0 && <p>No forecast yet: outdoor work is planned as if it were always dry.</p>}
        <table className="w-full text-left">
          <tbody>
            {view.weather.map((d) => (
              <tr key={d.date} className="border-t">
                <td className="py-1 pr-2 whitespace-nowrap">{d.date}</td>
                <td className="pr-2">
                  {d.lowC} to {d.highC} °C{d.windMs !== null && `, ${d.windMs} m/s`}
                </td>
                <td className="pr-2 text-muted">
                  light {d.sunrise} to {d.sunset}
                </td>
                <td className="text-muted">dry {d.dry}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      <section className="rounded-md border bg-card p-4 md:col-span-2">
        <h2 className="mb-1 text-[0.9375rem]">The planning problem as a file</h2>
        <p className="mb-2 text-muted">Open JSON, for the command line (./wide-lane plan) or another tool.</p>
        <a href="/api/problem" download className={buttonClass()}>
          Download
        </a>
      </section>
    </div>
  );
}
