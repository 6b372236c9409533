"use client";
// One place of the yard: a bay with its van to scale, or a van that waits outside.

import { MoveRight } from "lucide-react";
import Link from "next/link";
import { DropdownMenu as Menu } from "radix-ui";
import { useState } from "react";
import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { Check } from "../kit/field";
import { send } from "../kit/send";
import { StageBadge } from "../kit/stage";
import { type Act, useAct } from "../kit/use-act";
import { VanPlan } from "../van/plan";
import { Person } from "./person";
import type { Line, Spot, Standing, YardView } from "./view";

/** Pixels a millimetre: one scale for every van on the floor. */
const SCALE = 0.036;

export function BaySpot({ spot, view }: { spot: Spot; view: YardView }) {
  return (
    <article
      aria-label={spot.name}
      className={`flex min-h-[196px] flex-col rounded-[3px] border-2 border-dashed px-3 py-2 ${spot.indoor ? "border-[color-mix(in_srgb,var(--muted)_45%,transparent)] bg-paper" : "border-[#9fb9c2] bg-[#e4ecee] dark:border-[#3d5560] dark:bg-[#1b2930]"}`}
    >
      <div className="flex items-baseline justify-between gap-3">
        <h3 className="text-[0.8125rem]">{spot.name}</h3>
        <p className="truncate text-[0.75rem] text-muted" title={spot.about}>
          {spot.about}
        </p>
      </div>
      {spot.van ? <VanHere van={spot.van} view={view} /> : null}
      {spot.notes.map((n) => (
        <p key={n} className={spot.van ? "text-[0.75rem] text-muted" : "mt-1"}>
          {n}
        </p>
      ))}
    </article>
  );
}

export function YardVan({ van, view }: { van: Standing; view: YardView }) {
  return (
    <li className="flex items-center gap-3">
      <VanPlan van={van.van} marks={van.marks} width={van.van.lengthMm * SCALE * 0.62} hatchId={`h-${van.buildId}`} />
      <div className="min-w-0">
        <Head van={van} view={view} />
        <Lines lines={van.lines} buildId={van.buildId} />
      </div>
    </li>
  );
}

function VanHere({ van, view }: { van: Standing; view: YardView }) {
  return (
    <>
      <div className="relative my-1.5 self-start">
        <VanPlan van={van.van} marks={van.marks} width={van.van.lengthMm * SCALE} hatchId={`h-${van.buildId}`} />
        <div className="absolute inset-y-0 left-[40%] flex items-center gap-0.5">
          {van.people.map((p) => (
            <Person key={p.id} initials={p.initials} name={p.name} />
          ))}
        </div>
      </div>
      <Head van={van} view={view} />
      <Lines lines={van.lines} buildId={van.buildId} />
    </>
  );
}

function Head({ van, view }: { van: Standing; view: YardView }) {
  return (
    <div className="flex items-center justify-between gap-2">
      <Link href={`/builds/${van.buildId}`} className="wide truncate text-[0.875rem] hover:underline">
        {van.name}
      </Link>
      <MoveVan van={van} view={view} />
    </div>
  );
}

function Lines({ lines, buildId }: { lines: Line[]; buildId: string }) {
  return (
    <ul>
      {lines.map((l) => (
        <li key={l.jobId || l.name}>
          <span className="flex items-center gap-2">
            {l.stage && <StageBadge stage={l.stage} />}
            {l.jobId ? (
              <Link href={`/builds/${buildId}?job=${encodeURIComponent(l.jobId)}`} className="truncate hover:underline">
                {l.name}
              </Link>
            ) : (
              <span>{l.name}</span>
            )}
          </span>
          {l.detail && (
            <span className="block text-[0.75rem] text-muted" suppressHydrationWarning>
              {l.detail}
            </span>
          )}
        </li>
      ))}
    </ul>
  );
}

/** Says that the van was moved. A van that must not be moved says why instead. */
function MoveVan({ van, view }: { van: Standing; view: YardView }) {
  const act = useAct();
  const [leaving, setLeaving] = useState(false);
  const move = (place: string, name: string) =>
    act.run(() => send("POST", `builds/${van.buildId}/move`, { place }), `${van.name} is now: ${name}`);
  return (
    <>
      <Menu.Root modal={false}>
        <Menu.Trigger
          disabled={act.busy}
          className="flex h-7 shrink-0 items-center gap-1 rounded-md px-1.5 text-[0.75rem] text-muted hover:bg-sunk hover:text-ink"
          aria-label={`Move van: ${van.name}`}
        >
          <MoveRight size={14} /> Move van
        </Menu.Trigger>
        <Menu.Portal>
          <Menu.Content align="end" className="z-50 min-w-44 rounded-md border bg-card p-1 shadow-lg">
            {van.stuck ? (
              <Menu.Item disabled className="max-w-56 px-3 py-2 text-signal-text">
                Not now: {van.stuck}.
              </Menu.Item>
            ) : (
              <>
                <Menu.Label className="px-3 py-1 text-muted">{van.name} now stands in</Menu.Label>
                {view.places.map((p) => (
                  <Menu.Item
                    key={p.id}
                    onSelect={() => (p.id === "off" ? setLeaving(true) : void move(p.id, p.name))}
                    className="rounded px-3 py-1.5 outline-none data-highlighted:bg-sunk"
                  >
                    {p.name}
                  </Menu.Item>
                ))}
              </>
            )}
          </Menu.Content>
        </Menu.Portal>
      </Menu.Root>
      <Dialog open={leaving} onOpenChange={setLeaving} title={`${van.name} leaves the yard`}>
        {leaving && <Leaving van={van} act={act} onDone={() => setLeaving(false)} />}
      </Dialog>
    </>
  );
}

/** What is looked at before a van goes on the road; what stops it stands above. */
function Leaving({ van, act, onDone }: { van: Standing; act: Act; onDone(): void }) {
  const [ticks, setTicks] = useState<string[]>([]);
  const { stops } = van.leaving;
  const open = van.leaving.ticks.filter((t) => !ticks.includes(t)).length;
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        void act
          .run(() => send("POST", `builds/${van.buildId}/move`, { place: "off", ticks }), `${van.name} has left`)
          .then((ok) => ok && onDone());
      }}
    >
      {stops.length > 0 && (
        <ul role="alert" className="list-disc rounded-md border border-signal bg-signal-soft py-2 pr-3 pl-7">
          {stops.map((s) => (
            <li key={s}>{s}</li>
          ))}
        </ul>
      )}
      <div>
        {van.leaving.ticks.map((t) => (
          <Check
            key={t}
            label={t[0].toUpperCase() + t.slice(1)}
            checked={ticks.includes(t)}
            onChange={(e) => setTicks(e.target.checked ? [...ticks, t] : ticks.filter((x) => x !== t))}
          />
        ))}
      </div>
      <div className="flex items-center justify-between gap-3">
        <span className="text-muted">{stops.length ? "It stays." : open ? `${open} to look at` : ""}</span>
        <Button kind="main" type="submit" disabled={act.busy || stops.length > 0 || open > 0}>
          It has left
        </Button>
      </div>
    </form>
  );
}
