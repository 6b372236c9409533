"use client";
// Fitters: hours, skills by level, tickets with their last day.

import { useState } from "react";
import { NEW, NOTS } from "@/core/workshop/starts/barred";
import { Button } from "../kit/button";
import { cx } from "../kit/cx";
import { Dialog } from "../kit/dialog";
import { Check, Field, inputClass, Select } from "../kit/field";
import { byText, useListTools } from "../kit/list-tools";
import { send } from "../kit/send";
import { useForm } from "../kit/use-form";
import { FormEnd, Head, Retire, Row, Rows } from "./parts";
import type { FitterView, WorkshopView } from "./view";

const LEVELS = [
  ["0", "no"],
  ["1", "1 helps"],
  ["2", "2 alone"],
  ["3", "3 signs off"],
] as const;

const LABELS = { name: "Name", calendarId: "Hours" };

export function People({ view }: { view: WorkshopView }) {
  const [editing, setEditing] = useState<FitterView | "new">();
  const hours = new Map(view.calendars.map((c) => [c.id, c.name]));
  const { shown, tools } = useListTools(view.fitters, {
    name: "fitters",
    text: (f) => [f.name, ...Object.keys(f.skills), ...f.tickets.map((t) => t.id), ...f.nots].join(" "),
    orders: { "as added": undefined, name: byText((f) => f.name) },
    head: ["fitter", "skills", "tickets", "hours", "not", "retired"],
    cells: (f) => [
      f.name,
      Object.entries(f.skills)
        .map(([s, l]) => `${s} ${l}`)
        .join("; "),
      f.tickets.map((t) => `${t.id} ${t.until ?? ""}`.trim()).join("; "),
      hours.get(f.calendarId) ?? "",
      f.nots.join("; "),
      f.retired,
    ],
  });
  return (
    <>
      <Head
        about="Level 1 helps, 2 works alone, 3 signs off. A ticket is good through its last day."
        add="Add a fitter"
        onAdd={() => setEditing("new")}
      />
      {tools}
      <Rows empty="Nobody yet.">
        {shown.map((f) => (
          <Row
            key={f.id}
            title={f.name}
            retired={f.retired}
            actions={
              <>
                <Button onClick={() => setEditing(f)}>Change</Button>
                <Retire path={`fitters/${f.id}`} name={f.name} version={f.version} retired={f.retired} />
              </>
            }
          >
            {Object.entries(f.skills)
              .map(([s, l]) => `${s} ${l}`)
              .join(" · ") || "no skill yet"}
            <span className="block text-[0.75rem] text-muted">
              {hours.get(f.calendarId)}
              {f.nots.length > 0 && ` · not: ${f.nots.join(", ")}`}
              {f.tickets.map((t) => (
                <span key={t.id} className={t.expired ? "font-bold text-signal-text" : ""}>
                  {" "}
                  · {t.id} ticket {t.until ? `${t.expired ? "ran out" : "until"} ${t.until}` : "without end"}
                </span>
              ))}
            </span>
            {f.only.length > 0 && (
              <details className="text-[0.75rem]">
                <summary className="cursor-pointer text-amber-text">
                  Only {f.name} has {f.only.length === 1 ? "one" : f.only.length} of these skills. When {f.name} is away, that work stops.
                </summary>
                <ul className="list-disc pl-5">
                  {f.only.map((o) => (
                    <li key={o}>{o}</li>
                  ))}
                </ul>
              </details>
            )}
          </Row>
        ))}
      </Rows>
      <SkillWeeks view={view} />
      <Dialog
        open={!!editing}
        onOpenChange={(o) => !o && setEditing(undefined)}
        title={editing === "new" ? "Add a fitter" : `Change ${editing?.name ?? ""}`}
      >
        {editing && <FitterForm fitter={editing === "new" ? undefined : editing} view={view} onDone={() => setEditing(undefined)} />}
      </Dialog>
    </>
  );
}

/** What the plan asks of each skill, week by week; a full one is short whatever else is free. */
function SkillWeeks({ view }: { view: WorkshopView }) {
  if (!view.load.length) return null;
  return (
    <section aria-label="Skills by week" className="mt-6">
      <h2 className="text-[0.9375rem]">Skills, week by week</h2>
      <p className="mb-2 text-muted">
        Planned hours that need level 2 or above, out of the hours of everyone who has it. Somebody with two skills counts in both.
      </p>
      <div className="overflow-x-auto rounded-md border bg-card">
        <table className="w-full min-w-[560px]">
          <thead>
            <tr className="border-b text-left">
              <th scope="col" className="px-3 py-2 font-semibold">
                Skill
              </th>
              {view.load[0].weeks.map((w) => (
                <th key={w.from} scope="col" className="px-3 py-2 text-right font-semibold">
                  from {w.week}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {view.load.map((s) => (
              <tr key={s.skill} className="border-b last:border-0">
                <th scope="row" className="px-3 py-1.5 text-left">
                  {s.skill} <span className="font-normal text-muted">{s.people === 1 ? "one has it" : `${s.people} have it`}</span>
                </th>
                {s.weeks.map((w) => {
                  const share = w.given > 0 ? w.asked / w.given : w.asked > 0 ? 2 : 0;
                  return (
                    <td
                      key={w.from}
                      className={cx(
                        "px-3 py-1.5 text-right tabular-nums",
                        share > 1
                          ? "font-bold text-signal-text"
                          : share > 0.85
                            ? "font-semibold text-amber-text"
                            : w.asked === 0 && "text-muted",
                      )}
                    >
                      {Math.round(w.asked / 60)} of {Math.round(w.given / 60)} h
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

function FitterForm({ fitter, view, onDone }: { fitter?: FitterView; view: WorkshopView; onDone(): void }) {
  const form = useForm();
  const [tickets, setTickets] = useState(fitter?.tickets.map((t) => ({ id: t.id, until: t.until ?? "" })) ?? []);
  const save = async (data: FormData, version: number) => {
    const skills = Object.fromEntries(view.skills.map((s) => [s, Number(data.get(`skill-${s}`) ?? 0)]).filter(([, l]) => Number(l) > 0));
    const body = {
      name: String(data.get("name") ?? ""),
      calendarId: String(data.get("calendarId") ?? ""),
      skills,
      nots: [...NOTS, NEW].filter((n) => data.get(`not-${n}`) === "on"),
      tickets: tickets.filter((t) => t.id.trim()).map((t) => ({ id: t.id.trim(), ...(t.until ? { until: t.until } : {}) })),
    };
    if (
      await form.submit(
        (v) => (fitter ? send("PATCH", `fitters/${fitter.id}`, { version: v, ...body }) : send("POST", "fitters", body)),
        version,
        "Saved. Replan to use it.",
      )
    )
      onDone();
  };
  return (
    <form
      id="fitter-form"
      data-busy
      className="flex flex-col gap-4"
      onSubmit={(e) => {
        e.preventDefault();
        void save(new FormData(e.currentTarget), fitter?.version ?? 1);
      }}
    >
      <div className="grid grid-cols-2 gap-4">
        <Field label={LABELS.name} name="name" faults={form.faults} defaultValue={fitter?.name} required maxLength={120} />
        <Select
          label={LABELS.calendarId}
          name="calendarId"
          faults={form.faults}
          defaultValue={fitter?.calendarId ?? "shop"}
          options={view.calendars.filter((c) => !c.retired).map((c) => [c.id, c.name] as const)}
        />
      </div>
      <fieldset className="grid grid-cols-3 gap-3">
        <legend className="mb-1 font-semibold">Skills</legend>
        {view.skills.map((s) => (
          <Select key={s} label={s} name={`skill-${s}`} defaultValue={String(fitter?.skills[s] ?? 0)} options={LEVELS} />
        ))}
      </fieldset>
      <fieldset>
        <legend className="mb-1 font-semibold">Not to do, whatever the skills</legend>
        <div className="flex flex-wrap gap-x-5">
          {[...NOTS, NEW].map((n) => (
            <Check key={n} label={n} name={`not-${n}`} defaultChecked={fitter?.nots.includes(n)} />
          ))}
        </div>
      </fieldset>
      <fieldset className="flex flex-col gap-2">
        <legend className="mb-1 font-semibold">Tickets</legend>
        {tickets.map((t, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: rows of a form have no other name
          <div key={i} className="grid grid-cols-[1fr_1fr_auto] gap-2">
            <input
              aria-label={`Ticket ${i + 1}`}
              placeholder="gas"
              value={t.id}
              onChange={(e) => setTickets(tickets.map((x, k) => (k === i ? { ...x, id: e.target.value } : x)))}
              className={inputClass}
            />
            <input
              aria-label={`Last day of ticket ${i + 1}`}
              type="date"
              value={t.until}
              onChange={(e) => setTickets(tickets.map((x, k) => (k === i ? { ...x, until: e.target.value } : x)))}
              className={inputClass}
            />
            <Button kind="quiet" onClick={() => setTickets(tickets.filter((_, k) => k !== i))}>
              Take out
            </Button>
          </div>
        ))}
        <Button className="self-start" onClick={() => setTickets([...tickets, { id: "", until: "" }])}>
          Add a ticket
        </Button>
      </fieldset>
      <FormEnd
        form={form}
        labels={LABELS}
        onTakeMine={() => void save(new FormData(document.getElementById("fitter-form") as HTMLFormElement), form.stale!.version)}
      />
    </form>
  );
}
