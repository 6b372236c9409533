"use client";
// What the working plan moves against a published one: handovers first, then jobs by what set them off or by build, with the reason of each.

import { usePathname, useRouter } from "next/navigation";
import { ToggleGroup } from "radix-ui";
import { useState } from "react";
import { zoneOf } from "@/core/time/zone";
import { Button } from "../kit/button";
import { Select } from "../kit/field";
import { send } from "../kit/send";
import { StageBadge } from "../kit/stage";
import { day, time } from "../kit/time";
import { useAct } from "../kit/use-act";
import type { LanesView, MoveRow } from "./view";

export function Moves({ view, onShow }: { view: LanesView; onShow(id: string): void }) {
  const router = useRouter();
  const path = usePathname();
  const [by, setBy] = useState<"cause" | "build">("cause");
  const groups = new Map<string, MoveRow[]>();
  for (const m of view.moves) groups.set(m[by], [...(groups.get(m[by]) ?? []), m]);
  // What moves most first.
  const list = [...groups].sort((a, b) => b[1].length - a[1].length);
  return (
    <div className="flex flex-col gap-5">
      {view.plans.length > 1 && view.against && (
        <Select
          label="Compare with"
          name="against"
          className="max-w-md"
          value={String(view.against.number)}
          onChange={(e) => router.replace(`${path}?against=${e.target.value}`)}
          options={view.plans.map(
            (p) => [String(p.number), `Plan ${p.number}, ${time(view.zone, p.madeAt)}, ${p.madeBy}${p.note ? `: ${p.note}` : ""}`] as const,
          )}
        />
      )}
      {!view.moves.length && !view.handovers.length && <p>Nothing moves: that plan still holds.</p>}
      {view.handovers.length + view.moves.length > 0 && (
        <section>
          <h3 className="mb-1 text-[0.9375rem]">Handovers</h3>
          {view.handovers.length === 0 && <p className="text-muted">No date moves.</p>}
          <table className="w-full text-left">
            <tbody>
              {view.handovers.map((h) => (
                <tr key={h.build} className="border-b last:border-0">
                  <td className="py-1.5 pr-3 font-bold">{h.build}</td>
                  <td className="pr-3">
                    {h.from === null ? "not planned" : time(view.zone, h.from)} » {h.to === null ? "does not fit" : time(view.zone, h.to)}
                  </td>
                  <td className={h.days > 0 ? "text-signal-text" : "text-green-text"}>
                    {h.days === 0
                      ? "same day"
                      : `${h.days > 0 ? "+" : "−"}${Math.abs(h.days)} working ${Math.abs(h.days) === 1 ? "day" : "days"}`}
                  </td>
                  <td className="text-right text-muted">due {day(view.zone, h.due)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      )}
      {view.moves.length > 0 && (
        <ToggleGroup.Root
          type="single"
          value={by}
          onValueChange={(v) => v && setBy(v as typeof by)}
          aria-label="Moves grouped by"
          className="flex self-start overflow-hidden rounded-md border bg-card"
        >
          {(["cause", "build"] as const).map((g) => (
            <ToggleGroup.Item
              key={g}
              value={g}
              className="h-8 px-3 data-[state=on]:bg-ink data-[state=on]:font-bold data-[state=on]:text-paper"
            >
              By {g}
            </ToggleGroup.Item>
          ))}
        </ToggleGroup.Root>
      )}
      {list.map(([head, moves]) => (
        <section key={head} aria-label={`Moves of ${head}`}>
          <h3 className="mb-1 text-[0.9375rem]">
            {head} <span className="text-[0.75rem] font-normal text-muted">{moves.length}</span>
          </h3>
          <ul>
            {moves.map((m) => (
              <MoveItem key={m.jobId} m={m} view={view} onShow={onShow} />
            ))}
          </ul>
        </section>
      ))}
    </div>
  );
}

function MoveItem({ m, view, onShow }: { m: MoveRow; view: LanesView; onShow(id: string): void }) {
  const act = useAct();
  const card = view.jobs[m.jobId];
  /** Pins the job where the compared plan had it, and replans; undo frees it again. */
  const keep = () => {
    if (m.from === null) return;
    const start = zoneOf(view.zone).show(m.from);
    const { place, fitters } = card.pin;
    const rest = { ...(place && { place }), ...(fitters.length && { fitters }) };
    void act.run(
      async () => {
        await send("PATCH", `jobs/${m.jobId}/pin`, { version: card.version, start, ...rest });
        await send("POST", "plan");
      },
      `${m.name} is kept at ${start.replace("T", " ")}`,
      async () => {
        await send("PATCH", `jobs/${m.jobId}/pin`, {
          version: card.version + 1,
          ...(card.pin.start && { start: card.pin.start }),
          ...rest,
        });
        await send("POST", "plan");
      },
    );
  };
  return (
    <li className="flex items-start gap-3 border-b py-2 last:border-0">
      <StageBadge stage={m.stage} className="mt-0.5" />
      <button type="button" onClick={() => onShow(m.jobId)} className="min-w-0 flex-1 text-left hover:underline">
        <b>{m.name}</b> <span className="text-muted">{m.build}</span>
        <span className="block">
          {m.from === null ? "new" : time(view.zone, m.from)} » {m.to === null ? "no place" : time(view.zone, m.to)}
          {m.place && ` · ${m.place}`}
          {m.who && ` · ${m.who}`}
        </span>
        <span className="block text-[0.75rem] text-muted">{m.why}</span>
      </button>
      {m.from !== null && m.from >= view.now && m.from !== m.to && (
        <Button disabled={act.busy} onClick={keep} title="Pins it where that plan has it">
          {act.busy ? "Replanning …" : "Keep as published"}
        </Button>
      )}
    </li>
  );
}
