"use client";
// Adds a build, step by step: whose and which van, dates, what it gets, by which schools, and a look at what that makes. Kept as it is typed.

import { Check } from "lucide-react";
import { useRouter } from "next/navigation";
import { useEffect, useRef, useState } from "react";
import { conflictsOf } from "@/core/library/conflicts";
import { layoutOf } from "@/core/library/layout";
import { DEFAULT_OPTIONS, type OptionKey, type Options } from "@/core/library/options";
import { VIEW_LABEL } from "@/core/van/drawing";
import type { Van } from "@/core/van/model";
import type { NewBuildSums } from "@/core/workshop/builds/previews";
import { sayHours } from "@/core/workshop/state/say";
import { Button } from "../kit/button";
import { cx } from "../kit/cx";
import { Field } from "../kit/field";
import { send } from "../kit/send";
import { useAct } from "../kit/use-act";
import { useForm } from "../kit/use-form";
import { VanDrawing } from "../van/drawing";
import { Choices } from "./choices";
import { Review } from "./review";

export interface DraftData {
  step: number;
  name: string;
  client: string;
  purpose: string;
  vanId: string;
  arrives: string;
  due: string;
  weight: string;
  options: Options;
  open: OptionKey[];
}

const STEPS = ["Whose, and which van", "Dates", "What it gets", "How it is built", "Look it over"] as const;
/** Which step a field of the server's answer stands on. */
const STEP_OF: Record<string, number> = { name: 0, client: 0, purpose: 0, vanId: 0, arrives: 1, due: 1, weight: 1, options: 2 };

/** A working day that many days on, at that clock. */
function dateAfter(now: string, days: number, clock: string): string {
  const d = new Date(Date.parse(`${now.slice(0, 10)}T00:00Z`) + days * 86_400_000);
  while (d.getUTCDay() === 0 || d.getUTCDay() === 6) d.setUTCDate(d.getUTCDate() + 1);
  return `${d.toISOString().slice(0, 10)}T${clock}`;
}

export function NewBuild({
  vans,
  now,
  house,
  draft,
}: {
  vans: Van[];
  now: string;
  house: Partial<Options>;
  draft?: { id: string; data: Partial<DraftData> };
}) {
  const router = useRouter();
  const form = useForm();
  const act = useAct();
  const [data, setData] = useState<DraftData>(() => ({
    step: 0,
    name: "",
    client: "",
    purpose: "",
    vanId: vans[0]?.id ?? "",
    arrives: dateAfter(now, 1, "08:00"),
    due: dateAfter(now, 70, "17:00"),
    weight: "1",
    open: [],
    ...draft?.data,
    options: { ...DEFAULT_OPTIONS, ...house, ...draft?.data.options },
  }));
  const [sums, setSums] = useState<NewBuildSums>();
  const [kept, setKept] = useState<"" | "keeping" | "kept" | "not kept">("");
  const draftId = useRef(draft?.id);
  const touched = useRef(false);
  // One save after the other: a second one that does not know the draft's id yet would make another draft.
  const saving = useRef<Promise<unknown>>(Promise.resolve());
  const adding = useRef(false);
  const set = (more: Partial<DraftData>) => {
    touched.current = true;
    setData((d) => ({ ...d, ...more }));
  };
  const van = vans.find((v) => v.id === data.vanId);
  const conflicts = conflictsOf(data.options, van?.geometry);
  const stops = conflicts.filter((c) => c.level === "stop");

  // Kept a moment after the last stroke, so that the path can be left and taken up again.
  useEffect(() => {
    if (!touched.current) return;
    const save = async () => {
      // Once the build is being added, its draft goes: nothing is kept of it any more.
      if (adding.current) return;
      try {
        const r = await send<{ id: string }>("POST", "drafts", { data, ...(draftId.current ? { id: draftId.current } : {}) });
        if (!draftId.current) window.history.replaceState(null, "", `/builds/new?draft=${r.id}`);
        draftId.current = r.id;
        setKept("kept");
      } catch {
        setKept("not kept");
      }
    };
    const timer = setTimeout(() => {
      setKept("keeping");
      saving.current = saving.current.then(save);
    }, 700);
    return () => clearTimeout(timer);
  }, [data]);

  // Sums follow the choices; dates are worked out on the last step only.
  const { vanId, options, open, arrives, due, step } = data;
  useEffect(() => {
    if (!vanId) return;
    const stop = new AbortController();
    const timer = setTimeout(() => {
      const dates = step === 4 && arrives && due ? { arrives, due } : {};
      send<NewBuildSums>("POST", "builds/try", { vanId, options, openChoices: open, ...dates }, stop.signal).then(setSums, (e: Error) => {
        if (e.name !== "AbortError") setSums(undefined);
      });
    }, 250);
    return () => {
      clearTimeout(timer);
      stop.abort();
    };
  }, [vanId, options, open, arrives, due, step]);

  // A fault of the server leads back to the step on which its field stands.
  const fault = form.faults[0];
  useEffect(() => {
    if (fault) setData((d) => ({ ...d, step: STEP_OF[fault.path.split(".")[0]] ?? d.step }));
  }, [fault]);

  if (!vans.length) return <p className="p-6">There is no van template in this workshop's database, so no build can be added.</p>;

  const missing = (at: number): string | undefined => {
    if (at === 0 && !data.name.trim()) return "name the build";
    if (at === 0 && !data.client.trim()) return "name the client";
    if (at === 1 && !(data.arrives && data.due && data.due > data.arrives)) return "the deadline has to be after the arrival";
    if (at === 2 && stops.length) return "two choices contradict each other";
    if (at === 3 && stops.length) return "two choices contradict each other";
    return undefined;
  };
  const firstMissing = [0, 1, 2, 3].find((i) => missing(i));

  const add = async () => {
    let id = "";
    adding.current = true;
    const ok = await form.submit(
      async () => {
        await saving.current;
        const r = await send<{ id: string }>("POST", "builds", {
          name: data.name.trim(),
          client: data.client.trim(),
          purpose: data.purpose.trim(),
          vanId: data.vanId,
          arrives: data.arrives,
          due: data.due,
          weight: Number(data.weight) || 1,
          options: data.options,
          openChoices: data.open,
          ...(draftId.current ? { draft: draftId.current } : {}),
        });
        id = r.id;
        touched.current = false;
      },
      1,
      `${data.name.trim()} is in the shop. Replan to give its jobs their places.`,
    );
    adding.current = ok;
    if (ok) router.push(`/builds/${id}`);
  };
  return (
    <div className="flex flex-1 flex-col lg:flex-row" data-busy>
      <nav
        aria-label="Steps"
        className="w-full shrink-0 border-r bg-card p-4 lg:sticky lg:top-[52px] lg:h-[calc(100dvh-52px)] lg:w-[212px] lg:self-start"
      >
        <h1 className="mb-3 text-[1.1875rem]">Add a build</h1>
        <ol className="flex flex-col gap-1">
          {STEPS.map((title, i) => (
            <li key={title}>
              <button
                type="button"
                aria-current={data.step === i ? "step" : undefined}
                onClick={() => set({ step: i })}
                className={cx(
                  "flex w-full items-center gap-2.5 rounded-md px-2 py-1.5 text-left hover:bg-sunk",
                  data.step === i && "bg-pine-soft font-bold",
                )}
              >
                <span
                  className={cx(
                    "grid size-6 shrink-0 place-items-center rounded-full border text-[0.75rem]",
                    missing(i) ? "border-muted text-muted" : i < data.step ? "border-green bg-green text-white" : "border-pine",
                  )}
                >
                  {!missing(i) && i < data.step ? <Check size={13} strokeWidth={3} /> : i + 1}
                </span>
                {title}
              </button>
            </li>
          ))}
        </ol>
        <p role="status" className="mt-3 text-[0.75rem] text-muted">
          {kept === "kept"
            ? "Kept. You can leave and go on later."
            : kept === "keeping"
              ? "keeping …"
              : kept === "not kept"
                ? "Not kept: no network. Go on, it is tried again with the next stroke."
                : "Kept as you type."}
        </p>
        {draftId.current && (
          <Button
            kind="quiet"
            className="mt-2 -ml-3"
            disabled={act.busy}
            onClick={() => {
              touched.current = false;
              void act.run(() => send("DELETE", `drafts/${draftId.current}`), "Thrown away").then((ok) => ok && router.push("/builds"));
            }}
          >
            Throw this draft away
          </Button>
        )}
      </nav>
      <div className="min-w-0 flex-1 p-5">
        <h2 className="mb-4 text-[1.1875rem]">{STEPS[data.step]}</h2>
        {data.step === 0 && (
          <div className="flex max-w-3xl flex-col gap-5">
            <div className="grid grid-cols-2 gap-4">
              <Field
                label="Name of the build"
                name="name"
                faults={form.faults}
                value={data.name}
                onChange={(e) => set({ name: e.target.value })}
                maxLength={120}
                hint="what the shop will call it"
                autoFocus
              />
              <Field
                label="Client"
                name="client"
                faults={form.faults}
                value={data.client}
                onChange={(e) => set({ client: e.target.value })}
                maxLength={120}
              />
              <Field
                className="col-span-2"
                label="What it is for"
                name="purpose"
                faults={form.faults}
                value={data.purpose}
                onChange={(e) => set({ purpose: e.target.value })}
                maxLength={160}
              />
            </div>
            <div role="radiogroup" aria-label="Van" className="grid grid-cols-2 gap-2.5">
              {vans.map((v) => (
                <label
                  key={v.id}
                  className="flex cursor-pointer items-center gap-4 rounded-md border bg-card p-3 has-checked:border-pine has-checked:bg-pine-soft has-focus-visible:outline-2"
                >
                  <input
                    type="radio"
                    name="van"
                    value={v.id}
                    checked={data.vanId === v.id}
                    onChange={() => set({ vanId: v.id })}
                    className="sr-only"
                  />
                  <VanDrawing van={v} view="left" width={(v.lengthMm / 5990) * 168} id={`pick-${v.id}`} label="" />
                  <span>
                    <b>{v.name}</b>
                    <span className="block text-[0.75rem] text-muted">
                      inside {v.geometry.inside.lengthMm} × {v.geometry.inside.widthFloorMm} × {v.geometry.inside.heightMm} mm
                    </span>
                    <span className="block text-[0.75rem] text-muted">
                      {v.geometry.axles.grossKg - v.geometry.axles.kerbFrontKg - v.geometry.axles.kerbRearKg} kg between empty and full
                    </span>
                  </span>
                </label>
              ))}
            </div>
          </div>
        )}
        {data.step === 1 && (
          <div className="grid max-w-3xl grid-cols-3 gap-4">
            <Field
              label="Arrives"
              name="arrives"
              type="datetime-local"
              faults={form.faults}
              value={data.arrives}
              onChange={(e) => set({ arrives: e.target.value })}
            />
            <Field
              label="Due"
              name="due"
              type="datetime-local"
              faults={form.faults}
              value={data.due}
              onChange={(e) => set({ due: e.target.value })}
              hint="the last step proposes one that leaves a week"
            />
            <Field
              label="Weight"
              name="weight"
              type="number"
              min={0.1}
              max={20}
              step={0.1}
              faults={form.faults}
              value={data.weight}
              onChange={(e) => set({ weight: e.target.value })}
              hint="2 counts a late day twice"
            />
          </div>
        )}
        {(data.step === 2 || data.step === 3) && (
          <Choices
            kind={data.step === 2 ? "option" : "school"}
            options={data.options}
            onChange={(options) => set({ options })}
            open={data.open}
            onOpen={(open) => set({ open })}
            conflicts={conflicts}
            van={data.step === 2 ? van : undefined}
            house={house}
          />
        )}
        {data.step === 4 && <Review sums={sums} conflicts={conflicts} due={data.due} onDue={(d) => set({ due: d })} />}
        {form.general && (
          <p role="alert" className="mt-4 text-signal-text">
            {form.general}
          </p>
        )}
        <div className="sticky bottom-0 mt-6 flex items-center gap-3 border-t bg-paper py-3">
          {data.step > 0 && <Button onClick={() => set({ step: data.step - 1 })}>Back</Button>}
          {data.step < 4 ? (
            <Button kind="main" disabled={!!missing(data.step)} onClick={() => set({ step: data.step + 1 })}>
              {STEPS[data.step + 1]}
            </Button>
          ) : (
            <Button kind="main" disabled={form.busy || firstMissing !== undefined} onClick={() => void add()}>
              Add the build
            </Button>
          )}
          {(data.step < 4 ? missing(data.step) : firstMissing !== undefined && missing(firstMissing)) && (
            <span className="text-muted">
              Before that: {data.step < 4 ? missing(data.step) : `${missing(firstMissing!)} (${STEPS[firstMissing!].toLowerCase()})`}.
            </span>
          )}
        </div>
      </div>
      <aside
        className="w-full shrink-0 border-l bg-card p-4 lg:sticky lg:top-[52px] lg:h-[calc(100dvh-52px)] lg:w-[300px] lg:self-start lg:overflow-y-auto"
        aria-label="What it makes"
      >
        {van && (
          <div className="flex flex-col gap-1">
            {(["plan", "left", "roof"] as const).map((view) => (
              <figure key={view}>
                <VanDrawing van={van} view={view} width={266} id={`side-${view}`} layout={layoutOf(data.options, van)} />
                <figcaption className="text-[0.75rem] text-muted">{VIEW_LABEL[view]}, a sketch</figcaption>
              </figure>
            ))}
          </div>
        )}
        {sums && (
          <dl className="mt-3 grid grid-cols-2 gap-x-3 gap-y-1 border-t pt-3">
            <dt className="text-muted">jobs</dt>
            <dd className="text-right font-bold">{sums.jobs}</dd>
            <dt className="text-muted">likely work</dt>
            <dd className="text-right font-bold">{sayHours(sums.minutes)}</dd>
            <dt className="text-muted">photos asked</dt>
            <dd className="text-right font-bold">{sums.photos}</dd>
            <dt className="text-muted">questions before cuts</dt>
            <dd className="text-right font-bold">{sums.questions}</dd>
            <dt className="text-muted">part lines</dt>
            <dd className="text-right font-bold">{sums.parts}</dd>
            <dt className="text-muted">parts and hours</dt>
            <dd className="text-right font-bold">
              {sums.cost.toLocaleString("en-GB")} {sums.currency}
            </dd>
          </dl>
        )}
        {conflicts.length > 0 && (
          <p className={cx("mt-3", stops.length ? "text-signal-text" : "text-amber-text")}>
            {stops.length
              ? `${stops.length} ${stops.length === 1 ? "contradiction has" : "contradictions have"} to be solved.`
              : `${conflicts.length} ${conflicts.length === 1 ? "note" : "notes"} on these choices.`}
          </p>
        )}
      </aside>
    </div>
  );
}
