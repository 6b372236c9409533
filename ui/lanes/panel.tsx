"use client";

// Beside the lanes: one job, why it is not earlier, the stop lines before it, its parts, its pin.

import { X } from "lucide-react";
import Link from "next/link";
import type { Block } from "@/core/lanes/lanes";
import { zoneOf } from "@/core/time/zone";
import { sayMinutes } from "@/core/workshop/state/say";
import { Button } from "../kit/button";
import { cx } from "../kit/cx";
import { Field } from "../kit/field";
import { Tick } from "../kit/tick";
import { clock, local, near, time } from "../kit/time";
import { GainADay } from "./gain";
import { useDetail } from "./use-detail";
import { isPinned, type JobCard, type LanesView } from "./view";

export function JobPanel({
  card,
  block,
  view,
  at,
  onClose,
  onPin,
  busy,
}: {
  card: JobCard;
  block: Block;
  view: LanesView;
  /** The panel itself, for whoever sends the focus there. */
  at: React.RefObject<HTMLElement | null>;
  onClose(): void;
  onPin(start: number | null): void;
  busy: boolean;
}) {
  const z = zoneOf(view.zone);
  const sameDay = z.dayOf(block.from) === z.dayOf(block.to);
  const planned = block.state === "todo" || block.state === "paused";
  const mayPin = planned && view.mayChange;
  const detail = useDetail(card.id, view);
  return (
    <aside
      ref={at}
      tabIndex={-1}
      aria-label={`Job ${card.name}`}
      className="fixed inset-x-0 bottom-0 z-30 max-h-[60dvh] shrink-0 overflow-y-auto border-t bg-card px-4 py-3.5 md:static md:max-h-none md:w-[300px] md:border-t-0 md:border-l"
    >
      <div className="flex items-start justify-between gap-2">
        <p className="text-[0.75rem] text-muted">
          {card.code} · {card.build}
        </p>
        <button type="button" onClick={onClose} aria-label="Close the job" className="-mt-1 -mr-1 rounded p-1 hover:bg-sunk">
          <X size={15} />
        </button>
      </div>
      <h2 className="text-[1.0625rem] leading-tight">
        {view.opens.includes(card.buildId) ? (
          <Link href={`/builds/${card.buildId}?job=${encodeURIComponent(card.id)}`} className="hover:underline">
            {card.name}
          </Link>
        ) : (
          card.name
        )}
      </h2>
      <p className="mt-1 text-muted">
        {time(view.zone, block.from)} to {sameDay ? clock(view.zone, block.to) : time(view.zone, block.to)} ·{" "}
        {view.places[block.place] ?? block.place}
        <br />
        {block.fitters.map((f) => view.people[f] ?? f).join(" + ") || "nobody named"}
        {detail && ` · ${detail.likely}`}
        {block.helpers.map((h) => (
          <span key={h.fitter} className="block">
            {view.people[h.fitter] ?? h.fitter} only from {time(view.zone, h.from)} to {clock(view.zone, h.to)}
          </span>
        ))}
      </p>
      {block.holdUntil !== null && <p className="mt-1">Then nobody touches it until {near(view.zone, block.holdUntil, view.now)}.</p>}

      {detail?.bond && (
        <p className="mt-1 text-muted">
          {detail.bond.blocked === 0
            ? "The hold falls on closed hours and blocks nobody."
            : `The hold keeps its zones from ${sayMinutes(detail.bond.blocked)} of working time.`}
          {view.mayChange && detail.bond.better && (
            <>
              {" "}
              Ended at {near(view.zone, detail.bond.better.end, view.now)}, it would block{" "}
              {detail.bond.better.blocked === 0 ? "none" : sayMinutes(detail.bond.better.blocked)}.{" "}
              <button
                type="button"
                disabled={busy}
                className="font-bold text-ink underline"
                onClick={() => onPin(detail.bond!.better!.start)}
              >
                Set it then
              </button>
            </>
          )}
        </p>
      )}

      {planned && (
        <Part title="Why not earlier">
          {detail === undefined && <p className="text-muted">Looking …</p>}
          {detail === null && <p className="text-signal-text">The server did not answer. Close the job and open it again.</p>}
          {detail?.why.length === 0 && <p className="text-muted">Replan to see the reasons.</p>}
          <ol className="flex flex-col gap-2">
            {detail?.why.map((w, i) => (
              <li key={`${w.kind} ${w.ref ?? ""}`} className="flex gap-2.5">
                <span
                  className={cx(
                    "grid size-[21px] shrink-0 place-items-center rounded-md text-[0.75rem] font-bold text-white",
                    i === 0 ? "bg-signal" : "bg-[#6b7476]",
                  )}
                >
                  {i + 1}
                </span>
                <span>
                  <span className={i === 0 ? "font-bold" : ""}>{w.text}</span>
                  {w.until && !/ until /.test(w.text) && (
                    <span className="block text-[0.75rem] text-muted">until {near(view.zone, z.parse(w.until), view.now)}</span>
                  )}
                </span>
              </li>
            ))}
          </ol>
        </Part>
      )}
      {mayPin && (
        <Part title={`To gain a day for ${card.build}`}>
          <GainADay
            buildId={card.buildId}
            names={Object.fromEntries(view.lanes.map((l) => [l.buildId, l.name]))}
            currency={view.currency}
          />
        </Part>
      )}
      {detail && detail.covers.length > 0 && (
        <Part title="Stop lines before it">
          <ul className="flex flex-col gap-2">
            {detail.covers.map((c) => (
              <li key={c.name} className="flex gap-2.5">
                <span
                  className={cx(
                    "grid size-[21px] shrink-0 place-items-center rounded-md text-[0.75rem] font-bold",
                    c.approved === c.asked ? "bg-green text-white" : "bg-ink text-paper",
                  )}
                >
                  {c.approved === c.asked ? <Tick label="all approved" /> : c.asked - c.approved}
                </span>
                <span>
                  {c.name}
                  <span className="block text-[0.75rem] text-muted">
                    {c.approved} of {c.asked} photos approved{c.waiting ? `, ${c.waiting} wait for you` : ""}
                  </span>
                </span>
              </li>
            ))}
          </ul>
        </Part>
      )}
      {detail && detail.parts.length > 0 && (
        <Part title="Parts">
          <ul>
            {detail.parts.map((p) => (
              <li key={p.name}>
                {p.name} <span className="text-muted">{p.quantity}</span> · {p.state}
              </li>
            ))}
          </ul>
        </Part>
      )}
      {detail && detail.after.length > 0 && (
        <Part title="Comes after">
          <ul className="flex flex-col gap-1.5">
            {detail.after.map((a) => (
              <li key={a.name}>
                {a.done && <Tick className="mr-1" />}
                {a.name}
                <span className="block text-[0.75rem] text-muted">{a.reason}</span>
              </li>
            ))}
          </ul>
        </Part>
      )}
      {mayPin && (
        <Part title="Pin">
          <form
            className="flex flex-col gap-2"
            onSubmit={(e) => {
              e.preventDefault();
              const t = z.parse(String(new FormData(e.currentTarget).get("start")));
              if (!Number.isNaN(t)) onPin(t);
            }}
          >
            <Field
              label="Start at"
              name="start"
              type="datetime-local"
              defaultValue={card.pin.start ?? local(view.zone, block.from)}
              required
              hint={
                isPinned(card.pin)
                  ? "Pinned. The plan flows round it."
                  : "The plan then flows round it; a pin that breaks a rule is reported."
              }
            />
            {(card.pin.place !== null || card.pin.fitters.length > 0) && (
              <p className="text-[0.75rem] text-muted">
                Also pinned to{" "}
                {[card.pin.place && (view.places[card.pin.place] ?? card.pin.place), ...card.pin.fitters.map((f) => view.people[f] ?? f)]
                  .filter(Boolean)
                  .join(", ")}
              </p>
            )}
            <div className="flex gap-2">
              <Button type="submit" disabled={busy}>
                Pin
              </Button>
              {isPinned(card.pin) && (
                <Button disabled={busy} onClick={() => onPin(null)}>
                  Take the pin out
                </Button>
              )}
            </div>
          </form>
        </Part>
      )}
    </aside>
  );
}

function Part({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <section className="mt-3.5 border-t pt-3">
      <h3 className="mb-2 text-[0.8125rem]">{title}</h3>
      {children}
    </section>
  );
}
