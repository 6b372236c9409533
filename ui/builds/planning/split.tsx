"use client";
// A job in two: a part prepared beforehand, or done by somebody else at the same time; tried on the plan before it is done.

import { useState } from "react";
import type { DateMove } from "@/core/workshop/builds/previews";
import { Button } from "../../kit/button";
import { Dialog } from "../../kit/dialog";
import { Check, Field, Select } from "../../kit/field";
import { send } from "../../kit/send";
import { useForm } from "../../kit/use-form";
import type { SheetJob } from "../view";
import { DateLines } from "./date-lines";

/** Of a job's id: the two letters behind the dot are the stage. What is prepared seldom waits for another stage. */
const stageOf = (id: string): string => id.slice(id.lastIndexOf(".") + 1).slice(0, 2);

export function SplitJob({ job }: { job: SheetJob }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button onClick={() => setOpen(true)}>Split it</Button>
      <Dialog open={open} onOpenChange={setOpen} title={`Split ${job.name}`}>
        {open && <SplitForm job={job} onDone={() => setOpen(false)} />}
      </Dialog>
    </>
  );
}

function SplitForm({ job, onDone }: { job: SheetJob; onDone(): void }) {
  const form = useForm();
  const [kind, setKind] = useState<"prepare" | "beside">("prepare");
  const [minutes, setMinutes] = useState(String(Math.round(job.likelyMinutes / 2)));
  const [bench, setBench] = useState(true);
  const [zones, setZones] = useState<string[]>([]);
  const [after, setAfter] = useState(() => job.after.filter((a) => !a.done && stageOf(a.id) === job.code.slice(0, 2)).map((a) => a.id));
  const [dates, setDates] = useState<DateMove[]>();
  const body = (act: "try" | "split") => ({
    act,
    kind,
    minutes: Number(minutes) || minutes,
    bench,
    zones: kind === "beside" && !bench ? zones : [],
    after,
  });
  const toggle = (list: string[], id: string, on: boolean) => (on ? [...list, id] : list.filter((x) => x !== id));
  return (
    <form
      data-busy
      className="flex flex-col gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        void form
          .submit(() => send("POST", `jobs/${job.id}/split`, body("split")), 1, "Split. Replan to give both their places.")
          .then((ok) => ok && onDone());
      }}
    >
      <Select
        label="How"
        name="kind"
        value={kind}
        onChange={(e) => setKind(e.target.value as typeof kind)}
        options={[
          ["prepare", "a part is prepared, the rest waits for it"],
          ["beside", "somebody else does a part at the same time"],
        ]}
      />
      <Field
        label="Minutes of the part"
        hint={`of ${job.likelyMinutes}${kind === "prepare" ? "; 18 more for setting up a second time" : ""}`}
        name="minutes"
        type="number"
        min={15}
        faults={form.faults}
        value={minutes}
        onChange={(e) => setMinutes(e.target.value)}
        required
      />
      <Check label="On the bench" checked={bench} onChange={(e) => setBench(e.target.checked)} />
      {kind === "beside" && !bench && (
        <fieldset>
          <legend className="font-semibold">Where the part is done</legend>
          {job.zones.map((z) => (
            <Check key={z} label={z} checked={zones.includes(z)} onChange={(e) => setZones(toggle(zones, z, e.target.checked))} />
          ))}
        </fieldset>
      )}
      {job.after.some((a) => !a.done) && (
        <fieldset>
          <legend className="font-semibold">The part waits for</legend>
          {job.after
            .filter((a) => !a.done)
            .map((a) => (
              <Check
                key={a.id}
                label={a.name}
                hint={a.reason}
                checked={after.includes(a.id)}
                onChange={(e) => setAfter(toggle(after, a.id, e.target.checked))}
              />
            ))}
        </fieldset>
      )}
      {form.faults.some((f) => f.path !== "minutes") && (
        <ul role="alert" className="text-signal-text">
          {form.faults
            .filter((f) => f.path !== "minutes")
            .map((f) => (
              <li key={f.path}>
                {f.path} {f.message}
              </li>
            ))}
        </ul>
      )}
      {form.general && (
        <p role="alert" className="text-signal-text">
          {form.general}
        </p>
      )}
      {dates && (dates.length ? <DateLines dates={dates} /> : <p>No date moves.</p>)}
      <div className="flex gap-2">
        <Button
          disabled={form.busy}
          onClick={() =>
            void form.submit(
              async () => setDates((await send<{ dates: DateMove[] }>("POST", `jobs/${job.id}/split`, body("try"))).dates),
              1,
            )
          }
        >
          What would it do?
        </Button>
        <Button kind="main" type="submit" disabled={form.busy}>
          Split it
        </Button>
      </div>
    </form>
  );
}
