"use client";
// The bare body by zone: cleaned step by step, looked at by somebody else, taken over or sent back; and what the strip leaves open.

import { useState } from "react";
import { zoneOf } from "@/core/time/zone";
import { STEP_WORDS, ZONE_WORDS, type ZoneState } from "@/core/workshop/bare-body/zones";
import { SHELL_STEPS, type ShellZoneName } from "@/core/workshop/records/kinds/bare-zone";
import { Button } from "../../kit/button";
import { cx } from "../../kit/cx";
import { Dialog } from "../../kit/dialog";
import { Field } from "../../kit/field";
import { figure } from "../../kit/figure";
import { send } from "../../kit/send";
import { near } from "../../kit/time";
import { useAct } from "../../kit/use-act";
import { useForm } from "../../kit/use-form";
import { Circuits } from "../openings/circuits";
import { RecordList } from "../records/list";
import { RecordEnd } from "../records/record-end";
import type { BuildView } from "../view";

export function ShellPanel({ view }: { view: BuildView }) {
  const [back, setBack] = useState<ShellZoneName>();
  return (
    <div className="flex flex-col gap-6">
      <section aria-label="Zones">
        <p className="mb-3 text-muted">
          Each step stands where it stands for a reason; one done again, or taken back, opens those behind it. Whoever cleaned a zone does
          not take it over. Insulation of a zone waits for that.
        </p>
        <div className="relative overflow-x-auto rounded-md border bg-card">
          <table className="w-full min-w-[760px]">
            <thead>
              <tr className="border-b text-left">
                <th scope="col" className="px-3 py-2 font-semibold">
                  Zone
                </th>
                {SHELL_STEPS.map((s) => (
                  <th key={s} scope="col" className="px-1.5 py-2 font-semibold" title={STEP_WORDS[s].why}>
                    {STEP_WORDS[s].label}
                  </th>
                ))}
                <th scope="col" className="px-3 py-2 font-semibold">
                  Taken over
                </th>
              </tr>
            </thead>
            <tbody>
              {view.shell.map((z) => (
                <ZoneRow key={z.zone} z={z} view={view} onBack={() => setBack(z.zone)} />
              ))}
            </tbody>
          </table>
        </div>
        <p className="mt-2 text-[0.75rem] text-muted">
          {SHELL_STEPS.map((s) => `${STEP_WORDS[s].label}: ${STEP_WORDS[s].why}`).join(". ")}.
        </p>
        {view.rework.length > 0 && (
          <p className="mt-2">Cleaned again: {view.rework.map(([name, minutes]) => `${name} ${minutes} min`).join(", ")}.</p>
        )}
      </section>
      <Circuits view={view} />
      <RecordList view={view} kind="temporary" />
      <RecordList
        view={view}
        kind="lastcall"
        preset={{ title: view.client, data: { on: zoneOf(view.zone).show(view.now).slice(0, 10) } }}
      />
      <section aria-label="Before the strip closes">
        <h2 className="mb-1 text-[0.9375rem]">Before the strip closes</h2>
        {view.closing.length === 0 && <p className="text-green-text">Nothing is open.</p>}
        <ul className="overflow-hidden rounded-md border bg-card empty:hidden">
          {view.closing.map((l) => (
            <li key={l.text} className="flex flex-wrap justify-between gap-x-6 border-b px-3 py-2 last:border-0">
              <b>{l.text}</b>
              <span className="text-muted">
                {l.hurts && `hurts ${l.hurts}`}
                {l.at !== null && `, ${near(view.zone, l.at, view.now)}`}
              </span>
            </li>
          ))}
        </ul>
      </section>
      <Dialog
        open={back !== undefined}
        onOpenChange={(o) => !o && setBack(undefined)}
        title={back ? `Send ${ZONE_WORDS[back].toLowerCase()} back` : ""}
      >
        {back && <BackForm view={view} zone={back} onDone={() => setBack(undefined)} />}
      </Dialog>
    </div>
  );
}

function ZoneRow({ z, view, onBack }: { z: ZoneState; view: BuildView; onBack(): void }) {
  const act = useAct();
  const name = ZONE_WORDS[z.zone];
  const post = (path: string, body: object, says: string) =>
    void act.run(() => send("POST", `builds/${view.id}/shell/${path}`, body), says);
  const cleaned = z.steps.some((s) => s.at !== null);
  return (
    <tr className="border-b align-top last:border-0">
      <th scope="row" className="px-3 py-2 text-left">
        <b>{name}</b>
        {(z.holes > 0 || z.rust > 0) && (
          <span className={cx("block text-[0.75rem] font-normal", z.stop ? "text-signal-text" : "text-amber-text")}>
            {[
              z.holes && `${z.holes} ${z.holes === 1 ? "hole" : "holes"} open`,
              z.rust && `rust ${z.rust}${z.stop ? ", through: stop" : ""}`,
            ]
              .filter(Boolean)
              .join(", ")}
          </span>
        )}
      </th>
      {z.steps.map((s) => (
        <td key={s.step} className="px-1.5 py-2">
          <button
            type="button"
            disabled={act.busy}
            aria-pressed={s.at !== null && !s.stale}
            title={s.by ? `${s.by}, ${near(view.zone, s.at!, view.now)}` : STEP_WORDS[s.step].why}
            onClick={() => post("step", { zone: z.zone, step: s.step }, `${name}: ${STEP_WORDS[s.step].label.toLowerCase()}`)}
            className={cx(
              "h-8 w-full min-w-[64px] truncate rounded-md border px-1 text-[0.75rem]",
              s.at !== null && !s.stale && "border-green bg-green-soft text-green-text",
              s.stale && "border-amber bg-amber-soft text-amber-text",
              s.at === null && z.next === s.step && "border-pine font-semibold",
              s.at === null && z.next !== s.step && "text-muted",
            )}
          >
            <span className="sr-only">{`${name}, ${STEP_WORDS[s.step].label}: `}</span>
            {s.at === null ? (z.next === s.step ? "next" : "–") : s.stale ? "again" : s.by}
          </button>
        </td>
      ))}
      <td className="px-3 py-2">
        {z.accepted ? (
          <span className="text-green-text">
            {z.accepted.by}, {near(view.zone, z.accepted.at, view.now)}
          </span>
        ) : cleaned ? (
          <span className="flex flex-wrap gap-1.5">
            <Button
              disabled={act.busy || z.open.length > 0}
              title={z.open.join(", ") || undefined}
              onClick={() => post("take-over", { zone: z.zone }, `${name} is taken over`)}
            >
              Take over
            </Button>
            <Button disabled={act.busy} onClick={onBack}>
              Send back
            </Button>
          </span>
        ) : (
          <span className="text-muted">not started</span>
        )}
        {z.back.length > 0 && <span className="block text-[0.75rem] text-muted">sent back: {z.back.at(-1)!.why}</span>}
      </td>
    </tr>
  );
}

function BackForm({ view, zone, onDone }: { view: BuildView; zone: ShellZoneName; onDone(): void }) {
  const form = useForm();
  const [why, setWhy] = useState("");
  const [minutes, setMinutes] = useState("");
  return (
    <form
      data-busy
      className="flex flex-col gap-4"
      onSubmit={(e) => {
        e.preventDefault();
        void form
          .submit(
            () => send("POST", `builds/${view.id}/shell/send-back`, { zone, why: why.trim(), minutes: figure(minutes) }),
            1,
            "Sent back",
          )
          .then((ok) => ok && onDone());
      }}
    >
      <Field
        label="What was found"
        name="why"
        faults={form.faults}
        value={why}
        onChange={(e) => setWhy(e.target.value)}
        required
        maxLength={300}
        hint="white cloth, ledges, drain holes, smell, magnet"
      />
      <Field
        label="Minutes to clean it again"
        name="minutes"
        faults={form.faults}
        value={minutes}
        onChange={(e) => setMinutes(e.target.value)}
        inputMode="numeric"
        required
        hint="they count for whoever handed it over"
      />
      <RecordEnd form={form} label="Send it back" />
    </form>
  );
}
