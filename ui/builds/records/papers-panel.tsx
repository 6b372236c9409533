"use client";
// Owner, payer, user and their consents; what others had done; travel seats that were loose.

import { useState } from "react";
import { Button } from "../../kit/button";
import { Dialog } from "../../kit/dialog";
import { Field, Select } from "../../kit/field";
import { send } from "../../kit/send";
import { STAGE } from "../../kit/stage";
import { useAct } from "../../kit/use-act";
import { useForm } from "../../kit/use-form";
import type { BuildView } from "../view";
import { RecordList } from "./list";
import { RecordEnd } from "./record-end";

export function PapersPanel({ view }: { view: BuildView }) {
  const [theirs, setTheirs] = useState<{ who: string }>();
  const p = view.papers;
  return (
    <div className="flex flex-col gap-6">
      <RecordList view={view} kind="owner" preset={{ title: view.client, data: { payer: view.client, user: view.client } }}>
        <Lines list={p.layout} tone="amber" />
      </RecordList>
      <RecordList view={view} kind="consent" preset={{ data: { signedBy: "" } }}>
        <Lines list={p.consents} tone="amber" />
      </RecordList>
      <RecordList
        view={view}
        kind="others"
        beside={(r) =>
          r.data.state === "done" && r.data.result !== "refused" ? (
            <Button onClick={() => setTheirs({ who: String(r.data.who) })}>A job is done with it</Button>
          ) : null
        }
      >
        {p.firstStage && p.byOthers.length > 0 && (
          <p className="mb-2">
            The first stage with work of ours is <b>{STAGE[p.firstStage].name.toLowerCase()}</b>.
          </p>
        )}
        {p.refused.lines.length > 0 && (
          <p className="mb-2 text-signal-text">
            Refused: {p.refused.lines.join(", ")}. {p.refused.hours} h to do again, {p.refused.price} {view.money.currency} to the client.
          </p>
        )}
        <ul className="mb-2 empty:hidden">
          {p.byOthers.map((j) => (
            <Ours key={j.id} view={view} job={j} />
          ))}
        </ul>
      </RecordList>
      <RecordList view={view} kind="arrival" preset={{ title: view.client }} />
      <RecordList view={view} kind="seat">
        <Lines list={p.seats} tone="amber" />
      </RecordList>
      {p.goesWithIt.length > 0 && (
        <section aria-label="Told at the handover">
          <h3 className="mb-1 font-semibold">Told at the handover</h3>
          <p className="mb-2 text-muted">Written into the log of the handover, for the client to sign.</p>
          <Lines list={p.goesWithIt} tone="amber" />
        </section>
      )}
      <Dialog open={!!theirs} onOpenChange={(o) => !o && setTheirs(undefined)} title="Which job is done with it">
        {theirs && <TheirJob view={view} who={theirs.who} onDone={() => setTheirs(undefined)} />}
      </Dialog>
    </div>
  );
}

export function Lines({ list, tone }: { list: readonly string[]; tone: "amber" | "signal" }) {
  if (!list.length) return null;
  return (
    <ul className={`mb-2 list-disc pl-5 ${tone === "amber" ? "text-amber-text" : "text-signal-text"}`}>
      {list.map((t) => (
        <li key={t}>{t}</li>
      ))}
    </ul>
  );
}

function Ours({ view, job }: { view: BuildView; job: BuildView["papers"]["byOthers"][number] }) {
  const act = useAct();
  return (
    <li className="flex flex-wrap items-center justify-between gap-3 border-b py-1.5">
      <span>
        <b>{job.name}</b>{" "}
        <span className="text-muted">
          was done by {job.who} before {view.name} came
        </span>
      </span>
      <Button disabled={act.busy} onClick={() => void act.run(() => send("POST", `jobs/${job.id}/ours`, {}), `${job.name} is ours to do`)}>
        Ours after all
      </Button>
    </li>
  );
}

function TheirJob({ view, who, onDone }: { view: BuildView; who: string; onDone(): void }) {
  const form = useForm();
  const open = view.jobs.filter((j) => j.state === "todo");
  const [job, setJob] = useState(open[0]?.id ?? "");
  const [name, setName] = useState(who);
  if (!open.length) return <p>Every job has been started.</p>;
  return (
    <form
      className="flex flex-col gap-4"
      onSubmit={(e) => {
        e.preventDefault();
        void form
          .submit(() => send("POST", `jobs/${job}/by-others`, { who: name }), 1, "It counts as done by others")
          .then((ok) => ok && onDone());
      }}
    >
      <p className="text-muted">It leaves the plan, costs no hours of ours, and asks no proof of us. The handover says whose it is.</p>
      <Select
        label="Job"
        name="job"
        faults={form.faults}
        value={job}
        onChange={(e) => setJob(e.target.value)}
        options={open.map((j) => [j.id, `${STAGE[j.stage].name}: ${j.name}`] as const)}
      />
      <Field
        label="Done by"
        name="who"
        faults={form.faults}
        value={name}
        onChange={(e) => setName(e.target.value)}
        required
        maxLength={120}
      />
      <RecordEnd form={form} label="Done by them" />
    </form>
  );
}
