"use client";
// The set-out view: a sheet chosen at the left, its drawing in the middle, inputs and results at the right.

import Link from "next/link";
import { useRouter } from "next/navigation";
import { useEffect, useMemo, useRef, useState } from "react";
import { CALCULATORS, type CalculatorName, calculator, calculatorsFor } from "@/core/setout/calculators";
import type { Calculator, Stage } from "@/core/setout/engine/define";
import { blankDraft, type Draft, toDraft, toInput } from "@/core/setout/engine/form";
import { handlesOf, moved } from "@/core/setout/engine/handles";
import type { Outcome } from "@/core/setout/engine/outcome";
import { Button } from "../kit/button";
import { cx } from "../kit/cx";
import { send } from "../kit/send";
import { Tick } from "../kit/tick";
import { useAct } from "../kit/use-act";
import { useUrlChoice } from "../kit/use-url";
import { Chosen, optionsOf } from "./chosen";
import { Claim } from "./claim";
import { DrawingView } from "./drawing";
import { FindingList } from "./finding-list";
import { SheetForm } from "./form";
import { HandOut } from "./hand-out";
import { Kept } from "./keep";
import { marksOf } from "./marks";
import { Cuts, Files, Results } from "./results";
import { useOutcome } from "./use-outcome";
import type { KeptSheet, SetOutView } from "./view";

const KEY = "wide-lane set-out";

const NAMES: readonly string[] = CALCULATORS.map((c) => c.name);
const STAGE: Record<Stage, string> = { strip: "Strip", openings: "Openings", time: "Time and hands" };

export function SetOut({ view }: { view: SetOutView }) {
  const { of } = view;
  const router = useRouter();
  const act = useAct();
  const first = of?.jobs.find((j) => j.id === of.jobId)?.calculators[0];
  const [name, setName] = useUrlChoice("sheet", NAMES, first ?? "opening");
  const [loose, setLoose] = useState<Record<string, Draft>>({});
  const [edits, setEdits] = useState<Record<string, Draft>>({});
  const [inches, setInches] = useState(false);
  const [find, setFind] = useState("");
  const [opened, setOpened] = useState<ReadonlySet<Stage>>(() => new Set([calculator(name as CalculatorName).stage]));
  // A loose sheet's figures are still there after a reload: on this machine only.
  useEffect(() => {
    try {
      setLoose(JSON.parse(window.localStorage.getItem(KEY) ?? "{}") as Record<string, Draft>);
    } catch {
      // Nothing kept, or nothing that can be read: the sheets start afresh.
    }
  }, []);
  const sheet = calculator(name as CalculatorName);
  const example = useMemo(() => toDraft(sheet.inputs, sheet.example), [sheet]);
  useEffect(() => {
    document.title = [sheet.title, of?.jobName, of?.buildName, "Wide Lane"].filter(Boolean).join(" · ");
  }, [sheet, of?.jobName, of?.buildName]);
  const source = of?.fromPlan.includes(name) ? "plan, forecast and stores" : "the van and the choices";
  const kept = of?.kept.find((k) => k.calculator === name && k.jobId === of.jobId);
  const start = useMemo(
    () =>
      of
        ? (kept?.draft ?? { ...blankDraft(sheet.fields), ...of.prefills[name] })
        : { ...blankDraft(sheet.fields), ...example, ...view.house[name] },
    [of, kept, sheet, name, example, view.house],
  );
  const draft = (of ? edits[name] : loose[name]) ?? start;
  const locked = kept?.locked != null;
  const { outcome, faults, searching, stopped, stop } = useOutcome(sheet, draft);
  const [lit, setLit] = useState<number>();
  const [past, setPast] = useState<{ name: string; draft: Draft }[]>([]);
  const change = (d: Draft | undefined) => {
    if (locked) return;
    const next = { ...(of ? edits : loose) };
    if (d) next[name] = d;
    else delete next[name];
    if (of) return setEdits(next);
    setLoose(next);
    window.localStorage.setItem(KEY, JSON.stringify(next));
  };
  // A drag counts from where it began, however often the drawing has been worked out since.
  const held = useRef<{ draft: Draft; outcome: Outcome } | null>(null);
  const moves = {
    begin: () => {
      if (!outcome) return;
      held.current = { draft, outcome };
      setPast((p) => [...p.slice(-99), { name, draft }]);
    },
    to: (id: string, dx: number, dy: number) => {
      if (held.current) change(moved(sheet, held.current.draft, held.current.outcome, id, dx, dy));
    },
  };
  const back = past.at(-1)?.name === name ? past.at(-1) : undefined;
  const undo = () => {
    if (!back) return;
    change(back.draft);
    setPast(past.slice(0, -1));
  };
  const keep = async () => {
    const { input } = toInput(sheet.inputs, draft);
    const ok = await act.run(
      () =>
        send("POST", `builds/${of!.buildId}/sheets`, {
          calculator: name,
          draft,
          input,
          ...(of!.jobId ? { jobId: of!.jobId } : {}),
          ...(kept ? { version: kept.version } : {}),
        }),
      `${sheet.title} is kept with ${of!.jobName ?? of!.buildName}`,
    );
    if (ok) {
      const next = { ...edits };
      delete next[name];
      setEdits(next);
    }
  };
  // What the job asks for, and what is kept for it, stands open; all the rest is folded by stage, and found by a search.
  const ofJob = of?.jobs.find((j) => j.id === of.jobId)?.calculators ?? [];
  const keptHere = new Set(of?.kept.filter((k) => k.jobId === of.jobId).map((k) => k.calculator));
  const near = CALCULATORS.filter((s) => ofJob.includes(s.name) || keptHere.has(s.name));
  const far = CALCULATORS.filter((s) => !near.includes(s));
  const groups = (Object.keys(STAGE) as Stage[])
    .map((stage) => ({ stage, list: far.filter((s) => s.stage === stage) }))
    .filter((g) => g.list.length);
  const entry = (s: Calculator) => (
    <button
      key={s.name}
      type="button"
      title={s.asks}
      aria-current={s.name === name ? "true" : undefined}
      onClick={() => setName(s.name)}
      className={cx(
        "block w-full border-l-4 px-3 py-1 text-left",
        s.name === name ? "border-l-pine bg-sunk font-bold" : "border-l-transparent hover:bg-sunk",
      )}
    >
      {s.title}
      {of && <Sign sheet={of.kept.find((k) => k.calculator === s.name && k.jobId === of.jobId)} />}
    </button>
  );
  const changed = of ? !!edits[name] : !!loose[name];
  // Nothing is wrong with a sheet that nobody has begun.
  const shownFaults = of && !changed && !kept ? [] : faults;
  const unplaced = shownFaults.filter(
    (f) => !sheet.fields.some((x) => f.path === x.path || (x.kind === "rows" && f.path.startsWith(x.path))),
  );
  return (
    <div className="flex flex-col md:h-[calc(100dvh-52px)] print:h-auto">
      <div className="flex min-h-[48px] shrink-0 flex-wrap items-center gap-3 border-b bg-paper px-4 py-2 md:flex-nowrap md:py-0 print:hidden">
        <h1 className="text-[1.0625rem] whitespace-nowrap">
          <Link href={of ? `/set-out?build=${encodeURIComponent(of.buildId)}` : "/set-out?build=none"} className="hover:underline">
            Set-out
          </Link>
        </h1>
        <select
          aria-label="Build"
          value={of?.buildId ?? ""}
          onChange={(e) =>
            router.push(e.target.value ? `/set-out?build=${encodeURIComponent(e.target.value)}&sheet=${name}` : `/set-out?sheet=${name}`)
          }
          className="h-8 rounded-md border bg-card px-2"
        >
          <option value="">no build</option>
          {view.builds.map((b) => (
            <option key={b.id} value={b.id}>
              {b.name}
            </option>
          ))}
        </select>
        {of && (
          <select
            aria-label="Job"
            value={of.jobId ?? ""}
            onChange={(e) =>
              router.push(
                e.target.value
                  ? `/set-out?job=${encodeURIComponent(e.target.value)}`
                  : `/set-out?build=${encodeURIComponent(of.buildId)}&sheet=${name}`,
              )
            }
            className="h-8 max-w-64 rounded-md border bg-card px-2"
          >
            <option value="">whole van</option>
            {of.jobs.map((j) => (
              <option key={j.id} value={j.id}>
                {j.name}
              </option>
            ))}
          </select>
        )}
        <p className="min-w-0 basis-full text-muted md:flex-1 md:basis-0 md:truncate">
          {of
            ? kept
              ? changed
                ? "changed, not kept yet"
                : ""
              : of.prefills[name]
                ? outcome
                  ? `filled from ${source}, not kept yet`
                  : `started from ${source}; fill in the rest`
                : "nothing is known of it yet: fill it in"
            : `lengths in mm, or as 123.4 cm, 48 1/2", 4' 3"; kept on this machine only`}
        </p>
        {of && !locked && (
          <Button kind="main" onClick={() => void keep()} disabled={!outcome || searching || stopped || act.busy || (!!kept && !changed)}>
            Keep with {of.jobName ? "the job" : "the build"}
          </Button>
        )}
        <Button onClick={() => setInches(!inches)} aria-pressed={inches}>
          {inches ? "inches" : "mm"}
        </Button>
        {back && !locked && <Button onClick={undo}>Undo move</Button>}
        <Button
          onClick={() => {
            setPast([]);
            change(undefined);
          }}
          disabled={!changed}
        >
          Start afresh
        </Button>
        <Button
          onClick={() => {
            // Told before the paper comes, so that every device knows it when the sheet changes. Paper comes out without a network as well.
            if (of && kept && !changed)
              void send("POST", `builds/${of.buildId}/records`, {
                kind: "printed",
                title: sheet.title,
                data: { sheet: kept.id, version: kept.version },
              }).catch(() => undefined);
            window.print();
          }}
          disabled={!outcome}
        >
          Print
        </Button>
        {outcome && <Files name={name} outcome={outcome} />}
      </div>
      <div className="flex min-h-0 flex-1 flex-col md:flex-row">
        <nav
          aria-label="Sheets"
          className="max-h-44 w-full shrink-0 overflow-y-auto border-b bg-paper py-3 md:max-h-none md:w-[190px] md:border-r md:border-b-0 print:hidden"
        >
          <div className="px-3 pb-2">
            <input
              type="search"
              aria-label="Ask for a sheet"
              placeholder="Ask for a sheet"
              value={find}
              onChange={(e) => setFind(e.target.value)}
              className="h-8 w-full rounded-md border bg-card px-2"
            />
          </div>
          {find.trim() ? (
            calculatorsFor(find).map(entry)
          ) : (
            <>
              {near.length > 0 && <h2 className="px-4 py-1 text-[0.875rem]">{of?.jobId ? "This job" : "This build"}</h2>}
              {near.map(entry)}
              {groups.map(({ stage, list }) => (
                <details
                  key={stage}
                  className="mt-1"
                  open={opened.has(stage)}
                  onToggle={(e) => {
                    const next = new Set(opened);
                    if (e.currentTarget.open) next.add(stage);
                    else next.delete(stage);
                    if (next.size !== opened.size) setOpened(next);
                  }}
                >
                  <summary className="cursor-pointer px-4 py-1 text-[0.875rem] font-bold">{STAGE[stage]}</summary>
                  {list.map(entry)}
                </details>
              ))}
            </>
          )}
        </nav>
        <div className="flex min-h-[300px] min-w-0 flex-1 flex-col gap-3 p-3 md:min-h-0 md:overflow-y-auto">
          <p className="text-[0.9375rem] font-semibold">{sheet.asks}</p>
          {(searching || stopped) && (
            <p role="status" className="flex items-center gap-3 rounded-md border bg-card px-3 py-1.5">
              <span className="flex-1">
                {searching
                  ? "Looking for places on the roof; the drawing shows the last ones found."
                  : "The search was stopped: the drawing is of earlier figures. Change a figure to search again."}
              </span>
              {searching && <Button onClick={stop}>Stop the search</Button>}
            </p>
          )}
          {outcome?.drawing ? (
            <DrawingView
              drawing={outcome.drawing}
              handles={handlesOf(sheet, draft, outcome)}
              {...(locked ? {} : { moves })}
              marks={marksOf(outcome.findings)}
              {...(lit ? { lit } : {})}
            />
          ) : (
            <p className="m-auto max-w-sm text-center text-muted">
              {outcome
                ? "This sheet has figures only."
                : "Fill in the figures on the right. The drawing appears as soon as they make sense."}
            </p>
          )}
          {outcome && outcome.cuts.length > 0 && <Cuts outcome={outcome} inches={inches} />}
        </div>
        <aside className="w-full shrink-0 border-t bg-card px-4 py-3 md:w-[400px] md:overflow-y-auto md:border-t-0 md:border-l print:hidden">
          {kept && <Kept sheet={kept} changed={changed} zone={view.zone} lead={view.lead} act={act} />}
          {name === "good-slot" && view.lead && <HandOut act={act} />}
          {kept?.claim && view.lead && !changed && <Claim key={`claim ${name}`} claim={kept.claim} />}
          {kept && of && kept.asks.length > 0 && (
            <p className="mb-3 rounded-md border border-amber bg-amber-soft px-3 py-2">
              It asks for work: {kept.asks.join("; ")}.{" "}
              {view.lead && (
                <Link href={`/builds/${of.buildId}`} className="font-semibold underline underline-offset-2">
                  Take it on
                </Link>
              )}
            </p>
          )}
          {kept && of && view.lead && !changed && (
            <Chosen key={name} buildId={of.buildId} jobId={of.jobId} options={optionsOf(name, kept.draft, outcome)} />
          )}
          <h2 className="mb-2 text-[0.9375rem]">Inputs</h2>
          <fieldset disabled={locked}>
            <legend className="sr-only">{locked ? "Locked" : "Figures"}</legend>
            <SheetForm fields={sheet.fields} draft={draft} faults={shownFaults} onChange={change} {...(of ? { examples: example } : {})} />
          </fieldset>
          {unplaced.map((f) => (
            <p key={f.path} role="alert" className="text-signal-text">
              {f.path}: {f.message}
            </p>
          ))}
          {outcome && (
            <>
              <h2 className="mt-4 mb-1 text-[0.9375rem]">Results</h2>
              <Results sheet={sheet} results={outcome.results} inches={inches} />
              <h2 className="mt-4 mb-1 text-[0.9375rem]">Findings</h2>
              <FindingList list={outcome.findings} onPoint={setLit} />
            </>
          )}
        </aside>
      </div>
    </div>
  );
}

/** How a kept sheet stands, in one sign beside its name. */
function Sign({ sheet }: { sheet: KeptSheet | undefined }) {
  if (!sheet) return null;
  const [sign, says, tone] = sheet.notices.length
    ? ["!", "contradicted", "text-signal-text"]
    : sheet.locked !== null
      ? [<Tick key="tick" />, "locked", "text-green-text"]
      : ["·", "kept", "text-muted"];
  return (
    <span role="img" aria-label={says} title={says} className={cx("ml-1.5 font-bold", tone)}>
      {sign}
    </span>
  );
}
