"use client";

// On the fitter's phone: the holes a job makes or soaks, each a step further by a tap; and the bare zones it cleans or shuts in.

import { useState } from "react";
import { STEP_WORDS, ZONE_WORDS, type ZoneState } from "@/core/workshop/bare-body/zones";
import { HOLE_SHOWS, HOLE_STEP_WORDS, nextStep } from "@/core/workshop/openings/hole-steps";
import { isOpen, sendable } from "@/core/workshop/openings/holes";
import { SHELL_STEPS } from "@/core/workshop/records/kinds/bare-zone";
import type { Penetration } from "@/core/workshop/records/kinds/hole";
import { figure } from "@/core/workshop/state/house-figures";
import { HoleChain } from "../builds/openings/hole-chain";
import { RecordPhotos } from "../builds/records/record-photos";
import { Button } from "../kit/button";
import { cx } from "../kit/cx";
import { inputClass } from "../kit/field";
import { send } from "../kit/send";
import { near } from "../kit/time";
import type { Act } from "../kit/use-act";
import type { CardJob } from "./view";

type Hole = CardJob["holes"][number];

/** What a hole becomes next, and what that is called; only of a job that is begun, with its questions answered. */
const NEXT: Partial<Record<Penetration["state"], [Penetration["state"], string]>> = {
  wanted: ["cut", "It is cut"],
  "set out": ["cut", "It is cut"],
  cut: ["protected", "Edge made safe"],
  protected: ["closed", "Closed"],
};

export function CardHoles({ job, act, zone, now }: { job: CardJob; act: Act; zone: string; now: number }) {
  return (
    <section aria-label="Holes" className="mt-3">
      <h3 className="text-[1.0625rem]">{job.soaks ? "To be soaked" : job.holes.length === 1 ? "Its hole" : "Its holes"}</h3>
      <ul className="mt-1 overflow-hidden rounded-md border bg-card">
        {job.holes.map((h) => (
          <OneHole key={`${h.id} ${h.version}`} h={h} job={job} begun={job.state !== "todo"} act={act} zone={zone} now={now} />
        ))}
      </ul>
    </section>
  );
}

function OneHole({ h, job, begun, act, zone, now }: { h: Hole; job: CardJob; begun: boolean; act: Act; zone: string; now: number }) {
  const { soaks } = job;
  const soakMinutes = figure(job, "soakMinutes");
  const [cover, setCover] = useState(h.data.cover ?? "");
  const say = (more: Partial<Penetration>) => {
    const data = { ...sendable(h.data), ...more };
    // A cover is of an open hole only.
    if (!isOpen(data)) delete data.cover;
    void act.run(() => send("PATCH", `records/${h.id}`, { version: h.version, title: h.title, data, closed: data.state === "tested" }));
  };
  const next = NEXT[h.data.state];
  const shut = h.data.state === "closed";
  return (
    <li className="border-b px-3 py-2 last:border-0">
      <p className="text-[0.9375rem]">
        <b>
          {h.no} {h.title}
        </b>{" "}
        <span className={cx(isOpen(h.data) ? "text-signal-text" : "text-muted")}>{h.says}</span>
      </p>
      {begun && !soaks && isOpen(h.data) && (
        <div className="mt-1 flex flex-wrap items-center gap-2">
          <input
            aria-label={`What covers hole ${h.no}`}
            placeholder="what covers it"
            value={cover}
            maxLength={300}
            onChange={(e) => setCover(e.target.value)}
            className={cx(inputClass, "!h-12 min-w-0 flex-1 text-[1.0625rem]")}
          />
          {cover.trim() !== (h.data.cover ?? "") && (
            <Button size="touch" disabled={act.busy} onClick={() => say({ cover: cover.trim() || undefined })}>
              Cover
            </Button>
          )}
        </div>
      )}
      {begun && !soaks && next && h.data.by === "us" && h.data.state !== "protected" && (
        <details className="mt-1">
          <summary className="flex min-h-11 cursor-pointer items-center py-2 text-[0.9375rem] font-semibold">
            Step by step{nextStep(h.data) && `: ${HOLE_STEP_WORDS[nextStep(h.data)!].label.toLowerCase()}`}
          </summary>
          <HoleChain hole={h} act={act} zone={zone} now={now} touch />
        </details>
      )}
      {begun && !soaks && next && (
        <Button size="touch" className="mt-1 w-full" disabled={act.busy} onClick={() => say({ state: next[0] })}>
          {next[1]}
        </Button>
      )}
      {begun && soaks && shut && (
        <div className="mt-1 grid grid-cols-3 gap-2">
          <Button size="touch" disabled={act.busy} onClick={() => say({ state: "tested", soak: "dry", soakMinutes, tagged: undefined })}>
            {`Dry, ${soakMinutes} min`}
          </Button>
          {(["damp", "drip"] as const).map((soak) => (
            <Button key={soak} size="touch" disabled={act.busy} onClick={() => say({ soak, soakMinutes })}>
              {soak === "damp" ? "Damp" : "Drips"}
            </Button>
          ))}
        </div>
      )}
      {begun && (
        <div className="mt-1 flex flex-wrap items-center gap-2">
          <RecordPhotos id={h.id} title={h.title} photos={h.photos} shows={h.shows} choices={HOLE_SHOWS} />
        </div>
      )}
      {begun && soaks && !shut && <p className="text-[0.9375rem] text-signal-text">It is not closed yet.</p>}
    </li>
  );
}

export function CardZones({ job, act, zone, now }: { job: CardJob; act: Act; zone: string; now: number }) {
  return (
    <section aria-label="Bare zones" className="mt-3">
      <h3 className="text-[1.0625rem]">{job.stage === "insulation" ? "Taken over clean" : "Zone by zone"}</h3>
      <ul className="mt-1 overflow-hidden rounded-md border bg-card">
        {job.zones.map((z) => (
          <OneZone key={z.zone} z={z} job={job} act={act} zone={zone} now={now} />
        ))}
      </ul>
    </section>
  );
}

function OneZone({ z, job, act, zone, now }: { z: ZoneState; job: CardJob; act: Act; zone: string; now: number }) {
  const name = ZONE_WORDS[z.zone];
  const post = (path: string, body: object) =>
    void act.run(() => send("POST", `builds/${job.buildId}/shell/${path}`, { zone: z.zone, ...body }));
  return (
    <li className="border-b px-3 py-2 last:border-0">
      <p className="text-[0.9375rem]">
        <b>{name}</b>{" "}
        <span className="text-muted">
          {z.accepted ? `taken over by ${z.accepted.by}, ${near(zone, z.accepted.at, now)}` : z.open.join(", ") || "ready to be taken over"}
        </span>
      </p>
      <div className="mt-1 grid grid-cols-3 gap-2">
        {SHELL_STEPS.map((s) => {
          const step = z.steps.find((x) => x.step === s)!;
          const done = step.at !== null && !step.stale;
          return (
            <button
              key={s}
              type="button"
              aria-pressed={done}
              disabled={act.busy}
              onClick={() => post("step", { step: s })}
              className={cx(
                "min-h-12 rounded-md border px-1 text-[0.9375rem]",
                done
                  ? "border-green bg-green-soft text-green-text"
                  : z.next === s || step.stale
                    ? "border-pine font-semibold"
                    : "text-muted",
              )}
            >
              <span className="sr-only">{`${name}, `}</span>
              {STEP_WORDS[s].label}
              {step.stale && " again"}
            </button>
          );
        })}
      </div>
      {job.stage === "insulation" && !z.accepted && (
        <Button size="touch" className="mt-2 w-full" disabled={act.busy || z.open.length > 0} onClick={() => post("take-over", {})}>
          I take it over
        </Button>
      )}
    </li>
  );
}
