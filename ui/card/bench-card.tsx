"use client";
// The fitter's card: my next job, one at a time, with big targets for dirty hands.

import { Check } from "lucide-react";
import Link from "next/link";
import { useRef, useState } from "react";
import { setTheme, signOut } from "../frame/session";
import { useNow } from "../frame/use-now";
import { usePulse } from "../frame/use-pulse";
import { Button } from "../kit/button";
import { cx } from "../kit/cx";
import { send } from "../kit/send";
import { StageBadge } from "../kit/stage";
import { clock, near } from "../kit/time";
import { useAct } from "../kit/use-act";
import { CardClocks, CardDayEnd } from "./clocks";
import { CardFoundList } from "./found";
import { GoOn } from "./go-on";
import { CardHelp } from "./help";
import { CardHoles, CardZones } from "./holes-and-zones";
import { Morning } from "./morning";
import { ButFor, LeaveOut, Pieces, Questions, Readings, Release, TemplateInHand } from "./parts";
import { Photos, type PhotosHandle } from "./photos";
import { CardSetOut } from "./set-out";
import { CardHotWork, CardKit } from "./sparks";
import { Strip } from "./strip";
import { useKept } from "./use-kept";
import { useOnline } from "./use-online";
import type { CardJob, CardView } from "./view";
import { Wrong } from "./wrong";

/** What a fitter may look at beside the card. */
const LOOK_AT = [
  ["/lanes", "Lanes"],
  ["/set-out", "Set-out"],
  ["/stores", "Kits"],
] as const;

export function BenchCard({ view }: { view: CardView }) {
  const now = useNow(view.now, view.fixed);
  const online = useOnline();
  const act = useAct();
  usePulse(view);
  const { job } = view;
  useKept(job?.id);
  return (
    <div data-touch className="mx-auto flex min-h-dvh max-w-[35rem] flex-col text-[1.0625rem] leading-snug">
      <header className="on-pine sticky top-0 z-20 flex h-[51px] shrink-0 items-center justify-between bg-pine px-[18px] text-on-pine">
        {view.lead ? (
          <label className="flex items-center gap-2">
            <span className="sr-only">Card of</span>
            <select
              value={view.who?.id ?? ""}
              onChange={(e) => window.location.assign(`/card?fitter=${encodeURIComponent(e.target.value)}`)}
              className="wide h-10 rounded-md bg-pine-strong px-2 text-[1.0625rem]"
            >
              {view.people.map((p) => (
                <option key={p.id} value={p.id}>
                  {p.name}
                </option>
              ))}
            </select>
          </label>
        ) : (
          <h1 className="wide text-[1.0625rem]">{view.who?.name ?? "Bench card"}</h1>
        )}
        <p className="text-[1rem]" role="status" suppressHydrationWarning>
          {clock(view.zone, now)} · {act.busy ? "saving …" : online ? "saved" : "offline"}
        </p>
      </header>
      {!online && (
        <p className="bg-amber-soft px-[18px] py-2 text-[0.9375rem]">
          No network: you can read this card, but what you tap now is not saved. Go where there is a network first.
        </p>
      )}
      {job ? <JobCard job={job} view={view} now={now} act={act} /> : <Nothing view={view} />}
      {view.dayEnd && <CardDayEnd end={view.dayEnd} />}
      {view.slot && (
        <section className="mt-4 px-[18px]" aria-label="Before the next job">
          <h3 className="text-[1.0625rem]">
            Before the next job <span className="font-normal text-muted">{view.slot.minutes}</span>
          </h3>
          <ul>
            {view.slot.offers.map((o) => (
              <li key={`${o.build} ${o.text}`} className="border-b py-2 text-[1rem] last:border-0">
                {o.text} <span className="text-muted">· {o.build}</span>
              </li>
            ))}
          </ul>
        </section>
      )}
      <Later view={view} />
      {!view.lead && (
        <nav aria-label="Look at" className="mt-6 grid grid-cols-3 gap-2 px-[18px]">
          {LOOK_AT.map(([href, name]) => (
            <Link key={href} href={href} className="grid min-h-12 place-items-center rounded-md border bg-card text-[1rem] font-semibold">
              {name}
            </Link>
          ))}
        </nav>
      )}
      <footer className="mt-auto flex items-center justify-between gap-2 px-[18px] pt-4 pb-6 text-[0.9375rem]">
        {view.lead ? (
          <Link href="/" className="flex min-h-11 items-center underline underline-offset-4">
            Back to the yard
          </Link>
        ) : (
          <button type="button" onClick={setTheme} className="min-h-11 underline underline-offset-4">
            Light or dark
          </button>
        )}
        <Link href="/account" className="flex min-h-11 items-center underline underline-offset-4">
          Your account
        </Link>
        <button type="button" onClick={() => void signOut()} className="min-h-11 underline underline-offset-4">
          Sign out
        </button>
      </footer>
    </div>
  );
}

function Nothing({ view }: { view: CardView }) {
  return (
    <div className="px-[18px] py-10 text-center">
      <h2 className="text-[1.375rem]">Nothing planned{view.who ? ` for ${view.who.name}` : ""}</h2>
      <p className="mt-2 text-muted">
        {view.lead ? "Replan and publish, then the next job stands here." : "Ask the lead what to pull forward."}
      </p>
    </div>
  );
}

function JobCard({ job, view, now, act }: { job: CardJob; view: CardView; now: number; act: ReturnType<typeof useAct> }) {
  const [wrong, setWrong] = useState(false);
  const photos = useRef<PhotosHandle>(null);
  const next = job.steps.find((s) => !s.done);
  const open = job.shots.filter((s) => s.required && s.state !== "approved" && s.state !== "waiting");
  const doIt = (what: "start" | "pause" | "done" | "undo", said: string) =>
    act.run(
      () => send("POST", `jobs/${job.id}/act`, { act: what }),
      said,
      what === "start" || what === "done" ? () => send("POST", `jobs/${job.id}/act`, { act: "undo" }) : undefined,
    );
  const tick = (n: number, done: boolean) => act.run(() => send("POST", `jobs/${job.id}/step`, { n, done }));
  const running = job.state === "started";
  return (
    <main className="px-[18px] pt-3">
      <p className="flex items-center gap-2 text-[1rem] text-muted">
        <StageBadge stage={job.stage} className="!h-6 !px-2 !text-[0.875rem]" />
        {job.opensBuild ? (
          <Link
            href={`/builds/${encodeURIComponent(job.buildId)}`}
            className="inline-flex min-h-11 items-center underline underline-offset-2"
          >
            {job.build}
          </Link>
        ) : (
          job.build
        )}{" "}
        · {job.place}
        {job.with && ` · with ${job.with}`}
      </p>
      <h2 className="text-[1.625rem] leading-tight">{job.name}</h2>
      {job.limit && <p className="font-semibold text-amber-text">{job.limit}</p>}
      {job.dust && <p className="font-semibold text-amber-text">{job.dust}</p>}
      {job.machines.map((m) => (
        <p key={m} className="text-[0.9375rem]">
          {m}
        </p>
      ))}
      {job.noise && <p className="font-semibold text-amber-text">Noisy work: {job.noise}</p>}
      {job.urgent && <p className="font-bold text-signal-text">{job.urgent}</p>}
      <GoOn job={job} act={act} />
      <CardHelp job={job} act={act} />
      <Strip job={job} now={now} />
      <p className="text-[0.9375rem] text-muted" suppressHydrationWarning>
        {job.state === "done"
          ? `done, ${job.worked} of work`
          : running
            ? `${job.worked} worked`
            : job.from !== null
              ? `from ${near(view.zone, job.from, now)}`
              : "not in the published plan"}
        {job.to !== null && job.state !== "done" && ` · till ${near(view.zone, job.to, now)}`}
        {job.holdUntil !== null && ` · then ${job.holdWords} until ${near(view.zone, job.holdUntil, now)}`}
        {open.length > 0 &&
          ` · ${open.length} ${open.length === 1 ? "photo" : "photos"}${job.stops.length ? ` before ${job.stops[0].toLowerCase()}` : " to take"}`}
      </p>
      {job.remarks.map((r) => (
        <p key={r} className="mt-2 rounded-md border border-signal bg-signal-soft px-3 py-2 text-[0.9375rem]">
          Said: {r}
        </p>
      ))}
      {job.obstacles.length > 0 && (
        <div className="mt-3 rounded-md border border-amber bg-amber-soft px-3 py-2 text-[0.9375rem]">
          <p className="font-bold">Not yet</p>
          <ul className="list-disc pl-5">
            {job.obstacles.map((o) => (
              <li key={o}>{o}</li>
            ))}
          </ul>
        </div>
      )}
      {job.mind.map((m) => (
        <p key={m} className="mt-2 rounded-md border border-amber bg-amber-soft px-3 py-2 text-[0.9375rem]">
          {m}
        </p>
      ))}
      {view.lead && job.tired && job.state === "todo" && <Morning job={job} act={act} />}
      {job.overBox && (
        <p className="mt-2 rounded-md border border-amber bg-amber-soft px-3 py-2 text-[0.9375rem]">
          {job.overBox}. Tell the lead: a second person, park it, or call the supplier?
        </p>
      )}
      {job.remainders.map((r) => (
        <p key={r} className="mt-2 rounded-md border border-dashed px-3 py-2 text-[0.9375rem]">
          Still to finish: {r}
        </p>
      ))}
      {job.cameOut.map((t) => (
        <p key={t} className="mt-2 rounded-md border px-3 py-2 text-[0.9375rem]">
          {t}
        </p>
      ))}
      {job.templateAsked && <TemplateInHand job={job} act={act} />}
      <Questions job={job} act={act} />
      <Release job={job} lead={view.lead} act={act} />
      <Pieces job={job} act={act} />
      <ul className="mt-3 overflow-hidden rounded-md border bg-card">
        {job.steps.map((s) => {
          const here = running && s.n === next?.n;
          return (
            <li key={s.n} className={cx("border-b last:border-0", here && "bg-signal-soft")}>
              <button
                type="button"
                aria-pressed={s.done}
                disabled={!running || act.busy}
                onClick={() => void tick(s.n, !s.done)}
                className="flex min-h-13 w-full items-center gap-3 px-3 py-2 text-left disabled:cursor-default"
              >
                <span
                  className={cx(
                    "grid size-[26px] shrink-0 place-items-center rounded-[5px] border-2 text-[0.9375rem] font-bold",
                    s.done ? "border-green bg-green text-white" : here ? "border-signal text-signal-text" : "border-muted text-muted",
                  )}
                >
                  {s.done ? <Check size={17} strokeWidth={3} /> : here ? s.n : ""}
                </span>
                <span className={cx(s.done && "text-muted", here && "font-bold")}>
                  {s.text}
                  {here && <span className="block text-[0.875rem] font-normal text-muted">{job.cautions[0]}</span>}
                  {s.waived && <span className="block text-[0.875rem] text-amber-text">left out: {s.waived}</span>}
                </span>
              </button>
              {here && (!s.guards || view.lead) && <LeaveOut job={job} n={s.n} act={act} />}
            </li>
          );
        })}
      </ul>
      <CardSetOut key={`set-out ${job.id}`} job={job} act={act} zone={view.zone} now={now} />
      {job.holes.length > 0 && <CardHoles job={job} act={act} zone={view.zone} now={now} />}
      {(job.clocks.length > 0 || running) && <CardClocks job={job} act={act} now={now} />}
      {job.sparks.length > 0 && <CardHotWork job={job} act={act} />}
      {job.zones.length > 0 && <CardZones job={job} act={act} zone={view.zone} now={now} />}
      {job.readings && <Readings job={job} act={act} />}
      <CardFoundList key={`found ${job.id}`} job={job} />
      <Photos ref={photos} job={job} />
      {(running || job.state === "done") && <ButFor job={job} act={act} />}
      <Details job={job} />
      {job.pick.length > 0 && <CardKit job={job} act={act} />}
      <div className="sticky bottom-0 z-10 -mx-[18px] mt-4 grid grid-cols-2 gap-2.5 border-t bg-paper px-[18px] py-3">
        {running ? (
          next ? (
            <Button kind="main" size="touch" className="col-span-2" disabled={act.busy} onClick={() => void tick(next.n, true)}>
              Step {next.n} done
            </Button>
          ) : (
            <Button
              kind="main"
              size="touch"
              className="col-span-2"
              disabled={act.busy}
              onClick={() => void doIt("done", `${job.name} is done`)}
            >
              Done{open.length > 0 ? `, ${open.length} ${open.length === 1 ? "photo" : "photos"} still to take` : ""}
            </Button>
          )
        ) : job.state === "done" ? (
          <Link href="/card" className="col-span-2 grid min-h-13 place-items-center rounded-md bg-pine font-semibold text-on-pine">
            Next job
          </Link>
        ) : (
          <Button
            kind="main"
            size="touch"
            className="col-span-2"
            disabled={act.busy || job.obstacles.length > 0 || (job.state === "todo" && job.questions.some((q) => !q.yes))}
            onClick={() => void doIt("start", `${job.name} is under way`)}
          >
            {job.state === "paused"
              ? "Go on"
              : job.questions.some((q) => !q.yes)
                ? `${job.questions.filter((q) => !q.yes).length} to answer before you ${job.deed}`
                : "Start"}
          </Button>
        )}
        {running ? (
          <Button size="touch" disabled={act.busy} onClick={() => void doIt("pause", `${job.name} is paused`)}>
            Pause
          </Button>
        ) : job.canUndo ? (
          <Button size="touch" disabled={act.busy} onClick={() => void doIt("undo", "Taken back")}>
            Take back
          </Button>
        ) : null}
        {job.shots.length > 0 && (
          <Button size="touch" onClick={() => photos.current?.next()}>
            Photo
          </Button>
        )}
        <Button
          size="touch"
          className={cx((running || job.canUndo ? 1 : 0) + (job.shots.length ? 1 : 0) !== 1 && "col-span-2")}
          onClick={() => setWrong(true)}
        >
          Something's wrong
        </Button>
      </div>
      <Wrong job={job} open={wrong} onOpenChange={setWrong} />
    </main>
  );
}

function Details({ job }: { job: CardJob }) {
  return (
    <section className="mt-4" aria-label="Cautions">
      <h3 className="text-[1.0625rem]">Take care</h3>
      <ul className="list-disc pl-5 text-[1rem]">
        {job.cautions.map((c) => (
          <li key={c}>{c}</li>
        ))}
        <li>The maker's sheet and local rules come first.</li>
      </ul>
    </section>
  );
}

function Later({ view }: { view: CardView }) {
  if (!view.later.length) return null;
  return (
    <section className="mt-4 px-[18px]" aria-label="After that">
      <h3 className="text-[1.0625rem]">After that</h3>
      <ul>
        {view.later.map((j) => (
          <li key={j.id} className="border-b last:border-0">
            <Link
              href={`/card?job=${encodeURIComponent(j.id)}${view.lead && view.who ? `&fitter=${encodeURIComponent(view.who.id)}` : ""}`}
              className="flex min-h-12 items-center gap-3 py-1.5"
            >
              <StageBadge stage={j.stage} className="!h-6 !text-[0.8125rem]" />
              <span className="min-w-0 flex-1 truncate">
                {j.name} <span className="text-muted">· {j.build}</span>
              </span>
              <span className="shrink-0 text-[0.9375rem] text-muted" suppressHydrationWarning>
                {j.state === "started" ? "under way" : j.from === null ? "" : near(view.zone, j.from, view.now)}
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
