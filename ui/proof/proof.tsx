"use client";
// Proof: photos that wait for the lead, one decision each; what is still to be taken beside them.

import Link from "next/link";
import { useEffect, useRef, useState } from "react";
import { toast } from "sonner";
import { typing } from "../frame/use-keys";
import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { Area } from "../kit/field";
import { byNumber, byText, useListTools } from "../kit/list-tools";
import { send } from "../kit/send";
import { StageBadge } from "../kit/stage";
import { local, near } from "../kit/time";
import { useAct } from "../kit/use-act";
import { useForm } from "../kit/use-form";
import type { ProofView, WaitingPhoto } from "./view";

export function Proof({ view }: { view: ProofView }) {
  const act = useAct();
  const [asking, setAsking] = useState<WaitingPhoto>();
  const [looking, setLooking] = useState<WaitingPhoto>();
  const approve = (p: WaitingPhoto) =>
    act.run(async () => {
      const { opened } = await send<{ opened: boolean }>("POST", `photos/${p.id}/review`, { verdict: "approved" });
      toast.success(opened && p.holds.length ? `Approved. ${p.holds[0].name} may be started; the plan follows.` : "Approved", {
        action: {
          label: "Undo",
          onClick: () => void act.run(() => send("DELETE", `photos/${p.id}/review`), "The photo waits for you again"),
        },
      });
    });
  const { shown, tools } = useListTools(view.waiting, {
    name: "photos",
    text: (p) => [p.build, p.job, p.text, p.by].join(" "),
    orders: { "what holds up most": undefined, build: byText((p) => p.build), taken: byNumber((p) => p.at) },
    head: ["build", "job", "photo", "by", "taken", "before"],
    cells: (p) => [p.build, p.job, p.text, p.by, local(view.zone, p.at), p.holds.map((h) => h.name).join("; ")],
  });
  const first = shown[0];
  const latest = useRef({ first, approve, busy: act.busy });
  latest.current = { first, approve, busy: act.busy };
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      const { first: p, busy } = latest.current;
      if (typing(e) || !p || busy) return;
      if (e.key === "a") void latest.current.approve(p);
      if (e.key === "x") setAsking(p);
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  }, []);
  return (
    <div className="flex flex-1 flex-col lg:flex-row">
      <div className="min-w-0 flex-1 p-5">
        <h1 className="mb-1 text-[1.375rem]">Photos that wait for you</h1>
        <p className="mb-4 text-muted">
          {view.waiting.length === 0
            ? "None. Photos that fitters take before closing up appear here."
            : "What holds up most comes first. An approved set opens its stop line, and the plan follows."}
        </p>
        {view.waiting.length > 1 && tools}
        <ul className="grid grid-cols-1 gap-4 md:grid-cols-2 xl:grid-cols-3">
          {shown.map((p) => (
            <li key={p.id} className="flex flex-col overflow-hidden rounded-md border bg-card">
              <button type="button" onClick={() => setLooking(p)} aria-label={`Look at ${p.text} of ${p.build} in full`}>
                {/* biome-ignore lint/performance/noImgElement: served small by our own route, kept by content hash */}
                <img
                  src={`/api/photos/${p.sha}?small`}
                  alt={`${p.text}: ${p.job} of ${p.build}`}
                  className="h-[178px] w-full object-cover"
                />
              </button>
              <div className="flex flex-1 flex-col gap-2 px-3.5 py-3">
                <div>
                  <p className="flex items-center gap-2">
                    <StageBadge stage={p.stage} />
                    <Link href={`/builds/${p.buildId}?job=${encodeURIComponent(p.jobId)}`} className="truncate font-bold hover:underline">
                      {p.build}, {p.job}
                    </Link>
                  </p>
                  <p className="mt-1">{p.text}</p>
                  {p.again.length > 0 && <p className="text-[0.75rem] text-amber-text">by the figures: {p.again.join(", ")}</p>}
                  <p className="text-[0.75rem] text-muted">
                    {p.by}, {near(view.zone, p.at, view.now)}
                    {p.holds.length > 0 &&
                      ` · before ${p.holds[0].name}${p.holds[0].start !== null ? `, ${near(view.zone, p.holds[0].start, view.now)}` : ""}`}
                  </p>
                </div>
                <div className="mt-auto grid grid-cols-2 gap-2">
                  <Button kind="main" disabled={act.busy} onClick={() => void approve(p)}>
                    Approve
                  </Button>
                  <Button disabled={act.busy} onClick={() => setAsking(p)}>
                    Ask again
                  </Button>
                </div>
              </div>
            </li>
          ))}
        </ul>
      </div>
      <aside className="w-full shrink-0 border-l bg-card p-4 lg:w-[340px]">
        <h2 className="border-b pb-2 text-[0.9375rem]">Still to be taken</h2>
        {view.open.length === 0 && <p className="py-2 text-muted">Nothing: every job in work or done has its photos.</p>}
        <ul className="mb-6">
          {view.open.map((s) => (
            <li key={s.id} className="flex gap-3 border-b py-2 last:border-0">
              <StageBadge stage={s.stage} className="mt-0.5" />
              <div className="min-w-0">
                <Link href={`/builds/${s.buildId}?job=${encodeURIComponent(s.jobId)}`} className="hover:underline">
                  <b>{s.build}</b>: {s.text}
                </Link>
                <p className="text-[0.75rem] text-muted">
                  {s.job}
                  {s.who && ` · ${s.who}`}
                  {s.before && ` · before ${s.before}${s.start !== null ? `, ${near(view.zone, s.start, view.now)}` : ""}`}
                </p>
                {s.state === "again" && <p className="text-[0.75rem] text-signal-text">asked again: {s.reason}</p>}
              </div>
            </li>
          ))}
        </ul>
        <h2 className="border-b pb-2 text-[0.9375rem]">Behind the panels</h2>
        <ul>
          {view.approved.map((b) => (
            <li key={b.buildId} className="flex items-center gap-3 border-b py-2 last:border-0">
              <Link href={`/builds/${b.buildId}`} className="min-w-0 flex-1 truncate font-bold hover:underline">
                {b.build}
              </Link>
              <span className="h-2 w-24 overflow-hidden rounded bg-sunk">
                <span className="block h-full bg-green" style={{ width: `${b.asked ? (100 * b.approved) / b.asked : 0}%` }} />
              </span>
              <span className="w-16 text-right text-muted">
                {b.approved} of {b.asked}
              </span>
            </li>
          ))}
        </ul>
      </aside>
      <Dialog
        open={!!asking}
        onOpenChange={(o) => !o && setAsking(undefined)}
        title="Ask for it again"
        about={asking ? `${asking.text}, ${asking.build}` : undefined}
      >
        {asking && <AskAgain photo={asking} onDone={() => setAsking(undefined)} />}
      </Dialog>
      <Dialog
        wide
        open={!!looking}
        onOpenChange={(o) => !o && setLooking(undefined)}
        title={looking?.text ?? ""}
        about={looking ? `${looking.build}, ${looking.job} · ${looking.by}` : undefined}
      >
        {/* biome-ignore lint/performance/noImgElement: served by our own route */}
        {looking && <img src={`/api/photos/${looking.sha}`} alt={looking.text} className="w-full rounded-md" />}
      </Dialog>
    </div>
  );
}

const REASONS = ["too dark", "blurred", "tape not in shot", "wrong side", "not all of it in shot"];

function AskAgain({ photo, onDone }: { photo: WaitingPhoto; onDone(): void }) {
  const form = useForm();
  const [text, setText] = useState("");
  return (
    <form
      data-busy
      className="flex flex-col gap-3"
      onSubmit={async (e) => {
        e.preventDefault();
        if (
          await form.submit(
            () => send("POST", `photos/${photo.id}/review`, { verdict: "again", reason: text }),
            1,
            "Asked again. The fitter sees it on the card.",
          )
        )
          onDone();
      }}
    >
      <div className="flex flex-wrap gap-2">
        {REASONS.map((r) => (
          <Button key={r} className="!h-7 !px-2.5 !font-normal" onClick={() => setText(text ? `${text}, ${r}` : r)}>
            {r}
          </Button>
        ))}
      </div>
      <Area
        label="What the next photo has to show"
        name="reason"
        faults={form.faults}
        value={text}
        onChange={(e) => setText(e.target.value)}
        maxLength={300}
        autoFocus
      />
      {form.general && (
        <p role="alert" className="text-signal-text">
          {form.general}
        </p>
      )}
      <Button kind="main" type="submit" disabled={form.busy}>
        Ask again
      </Button>
    </form>
  );
}
