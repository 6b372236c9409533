"use client";
// Jobs that no choice asks for but something that was found: tried against the dates, taken on, or left again.

import { useState } from "react";
import type { DateMove } from "@/core/workshop/builds/previews";
import { sayMinutes } from "@/core/workshop/state/say";
import { Button } from "../../kit/button";
import { Dialog } from "../../kit/dialog";
import { Field } from "../../kit/field";
import { send } from "../../kit/send";
import { StageBadge } from "../../kit/stage";
import { useAct } from "../../kit/use-act";
import { useForm } from "../../kit/use-form";
import { RecordEnd } from "../records/record-end";
import type { BuildView } from "../view";
import { DateLines } from "./date-lines";

type Asked = BuildView["asked"][number];

export function AskedJobs({ view }: { view: BuildView }) {
  const taken = view.jobs.filter((j) => j.extra && j.state === "todo");
  if (!view.asked.length && !taken.length) return null;
  return (
    <section aria-label="Extra work found" className="mb-5 rounded-md border bg-card px-3 py-2">
      <h2 className="text-[0.9375rem]">Extra work found</h2>
      <ul>
        {view.asked.map((a) => (
          <AskedLine key={a.key} view={view} asked={a} />
        ))}
        {taken.map((j) => (
          <TakenLine key={j.id} job={j} />
        ))}
      </ul>
    </section>
  );
}

function AskedLine({ view, asked }: { view: BuildView; asked: Asked }) {
  const act = useAct();
  const [dates, setDates] = useState<DateMove[]>();
  const look = async () => {
    await act.run(async () =>
      setDates((await send<{ dates: DateMove[] }>("POST", `builds/${view.id}/extras/try`, { key: asked.key })).dates),
    );
  };
  return (
    <li className="flex flex-wrap items-start justify-between gap-x-4 gap-y-1 border-b py-2 last:border-0">
      <span className="min-w-0 flex-1 basis-64">
        <span className="flex flex-wrap items-center gap-1.5">
          <StageBadge stage={asked.stage} /> <b>{asked.name}</b> <span className="text-muted">{sayMinutes(asked.minutes)}</span>
        </span>
        <span className="block text-[0.75rem] text-muted">{asked.why}</span>
        {asked.stop && <span className="block text-[0.75rem] text-signal-text">Not yet: {asked.stop}</span>}
        {dates && <DateLines dates={dates} />}
      </span>
      <span className="flex gap-2">
        <Button disabled={act.busy} onClick={() => void look()}>
          What it does to the dates
        </Button>
        <Button
          kind="main"
          disabled={act.busy || !!asked.stop}
          onClick={() =>
            void act.run(
              () => send("POST", `builds/${view.id}/extras`, { key: asked.key }),
              `${asked.name} is among the jobs; replan to give it a place`,
            )
          }
        >
          Take it on
        </Button>
      </span>
    </li>
  );
}

function TakenLine({ job }: { job: BuildView["jobs"][number] }) {
  const [leaving, setLeaving] = useState(false);
  const [why, setWhy] = useState("");
  const form = useForm();
  return (
    <li className="flex flex-wrap items-center justify-between gap-x-4 gap-y-1 border-b py-2 last:border-0">
      <span className="flex flex-wrap items-center gap-1.5">
        <StageBadge stage={job.stage} /> <b>{job.name}</b> <span className="text-muted">taken on, not started</span>
      </span>
      <Button onClick={() => setLeaving(true)}>Leave it after all</Button>
      <Dialog open={leaving} onOpenChange={setLeaving} title={`Leave it: ${job.name}`}>
        <form
          className="flex flex-col gap-4"
          onSubmit={(e) => {
            e.preventDefault();
            void form
              .submit(() => send("POST", `jobs/${job.id}/leave`, { why }), 1, "It is no job any more")
              .then((ok) => ok && setLeaving(false));
          }}
        >
          <Field
            label="Why"
            name="why"
            faults={form.faults}
            value={why}
            onChange={(e) => setWhy(e.target.value)}
            required
            maxLength={300}
          />
          <RecordEnd form={form} label="Leave it" />
        </form>
      </Dialog>
    </li>
  );
}
