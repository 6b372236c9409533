"use client";
// The order of a build: which steps are forced and which are a habit of the house; orders kept by name and what each would change here.

import { useState } from "react";
import type { OrderStep } from "@/core/library/order";
import type { OptionPreview } from "@/core/workshop/builds/previews";
import { Button } from "../../kit/button";
import { Dialog } from "../../kit/dialog";
import { Field } from "../../kit/field";
import { send } from "../../kit/send";
import { useAct } from "../../kit/use-act";
import { useForm } from "../../kit/use-form";
import { Preview } from "../choices-panel";
import type { BuildView } from "../view";

export function OrderPanel({ view }: { view: BuildView }) {
  const act = useAct();
  const [steps, setSteps] = useState<OrderStep[]>();
  const [tried, setTried] = useState<{ order: BuildView["orders"][number]; preview: OptionPreview }>();
  const habits = steps?.filter((s) => s.habits.length) ?? [];
  const forced = steps?.filter((s) => !s.habits.length) ?? [];
  return (
    <section aria-label="Order of the house" className="mt-8 border-t pt-5">
      <h2 className="text-[0.9375rem]">Order of the house</h2>
      <p className="mb-3 text-muted">
        Some jobs must come in this order whatever is chosen. Others are a habit of one way of working and may move. Save an order under a
        name and try it on any build: you see what changes, what it costs in hours and days, and what it would break.
      </p>
      <ul className="mb-3 overflow-hidden rounded-md border bg-card empty:hidden">
        {view.orders.map((o) => (
          <li key={o.id} className="flex flex-wrap items-center gap-3 border-b px-3 py-2 last:border-0">
            <span className="min-w-0 flex-1">
              <b>{o.name}</b>
              <span className="block text-[0.75rem] text-muted">
                {o.differs.length ? o.differs.join("; ") : "as this build is made"}
                {o.forbidden.length > 0 && <span className="text-signal-text"> · forbidden here: {o.forbidden.join(" ")}</span>}
              </span>
            </span>
            {o.differs.length > 0 && (
              <Button
                disabled={act.busy}
                onClick={() =>
                  void act.run(async () =>
                    setTried({ order: o, preview: await send<OptionPreview>("POST", `orders/${o.id}/try`, { buildId: view.id }) }),
                  )
                }
              >
                What would it change here?
              </Button>
            )}
            <Button kind="quiet" disabled={act.busy} onClick={() => void act.run(() => send("DELETE", `orders/${o.id}`), "Forgotten")}>
              Forget
            </Button>
          </li>
        ))}
      </ul>
      <div className="flex flex-wrap items-end gap-3">
        <KeepOrder view={view} />
        <Button
          disabled={act.busy}
          onClick={() =>
            void act.run(async () => setSteps((await send<{ steps: OrderStep[] }>("POST", `builds/${view.id}/order`, {})).steps))
          }
        >
          {act.busy ? "Trying every school …" : "Which steps are forced?"}
        </Button>
      </div>
      {steps && (
        <div className="mt-4">
          <p className="mb-2">
            Of {steps.length} steps <b>{forced.length}</b> are forced and <b>{habits.length}</b> are habits.
          </p>
          <ul className="overflow-hidden rounded-md border bg-card">
            {habits.map((s) => (
              <li key={`${s.before} ${s.after}`} className="border-b border-l-[5px] border-l-amber px-3 py-2 last:border-b-0">
                {s.before} <span className="text-muted">before</span> {s.after}
                <span className="block text-[0.75rem] text-muted">
                  {s.reason} · habit, may move: {s.habits.map((h) => `${h.label}: ${h.other}`).join("; ")}
                </span>
              </li>
            ))}
          </ul>
          <details className="mt-3">
            <summary className="cursor-pointer font-semibold">The forced ones, with their rule</summary>
            <ul className="mt-1 columns-1 gap-6 text-[0.8125rem] md:columns-2">
              {forced.map((s) => (
                <li key={`${s.before} ${s.after}`} className="break-inside-avoid py-0.5">
                  {s.before} <span className="text-muted">before</span> {s.after}
                  <span className="text-muted">: {s.reason}</span>
                </li>
              ))}
            </ul>
          </details>
        </div>
      )}
      <Dialog open={!!tried} onOpenChange={(o) => !o && setTried(undefined)} title={`By the order ${tried?.order.name ?? ""}`} wide>
        {tried && (
          <Preview
            preview={tried.preview}
            view={view}
            onTaken={() => setTried(undefined)}
            take={(who, why, version) =>
              send("POST", `builds/${view.id}/options`, {
                version,
                options: { ...view.options, ...tried.order.choices },
                openChoices: view.openKeys,
                who,
                why,
              })
            }
          />
        )}
      </Dialog>
    </section>
  );
}

function KeepOrder({ view }: { view: BuildView }) {
  const form = useForm();
  const [name, setName] = useState("");
  return (
    <form
      className="flex items-end gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        void form.submit(() => send("POST", "orders", { buildId: view.id, name }), 1, "Kept").then((ok) => ok && setName(""));
      }}
    >
      <Field
        label="Keep this build's order as"
        name="name"
        faults={form.faults}
        value={name}
        onChange={(e) => setName(e.target.value)}
        required
        maxLength={120}
        placeholder="foam house"
      />
      <Button type="submit" disabled={form.busy}>
        Keep
      </Button>
    </form>
  );
}
