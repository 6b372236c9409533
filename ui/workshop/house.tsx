"use client";
// House rules: by which schools this workshop builds unless a build says otherwise, and what an hour costs.

import { useState } from "react";
import { CHOICES } from "@/core/library/choices";
import { conflictsOf } from "@/core/library/conflicts";
import { DEFAULT_OPTIONS, type Options } from "@/core/library/options";
import { Choices } from "../builds/choices";
import { Button } from "../kit/button";
import { Field } from "../kit/field";
import { send } from "../kit/send";
import { useForm } from "../kit/use-form";
import type { WorkshopView } from "./view";

const SCHOOLS = CHOICES.filter((c) => c.kind === "school").map((c) => c.key);

export function House({ view }: { view: WorkshopView }) {
  const was = view.workshop;
  const form = useForm();
  const [options, setOptions] = useState<Options>({ ...DEFAULT_OPTIONS, ...was.house });
  const [rate, setRate] = useState(String(was.hourRate));
  const [currency, setCurrency] = useState(was.currency);
  const house = Object.fromEntries(
    SCHOOLS.filter((k) => options[k] !== DEFAULT_OPTIONS[k]).map((k) => [k, options[k]]),
  ) as Partial<Options>;
  const save = (version: number) =>
    form.submit(
      (v) => send("PATCH", "workshop/house", { version: v, house, hourRate: Number(rate), currency }),
      version,
      "House rules kept",
    );
  return (
    <form
      data-busy
      className="flex flex-col gap-5"
      onSubmit={(e) => {
        e.preventDefault();
        void save(was.version);
      }}
    >
      <p className="text-muted">
        A new build starts from these; each may choose otherwise. Builds in the shop keep what they were made with.
      </p>
      <Choices kind="school" options={options} onChange={setOptions} open={[]} conflicts={conflictsOf(options)} />
      <div className="grid max-w-md grid-cols-2 gap-4">
        <Field
          label="An hour of work costs"
          name="hourRate"
          type="number"
          min={0}
          step="any"
          faults={form.faults}
          value={rate}
          onChange={(e) => setRate(e.target.value)}
        />
        <Field
          label="in"
          name="currency"
          faults={form.faults}
          value={currency}
          onChange={(e) => setCurrency(e.target.value)}
          maxLength={8}
        />
      </div>
      {form.stale && (
        <p role="alert" className="text-amber-text">
          Somebody else changed the workshop meanwhile.{" "}
          <button type="button" className="font-semibold underline" onClick={() => void save(form.stale!.version)}>
            Keep mine all the same
          </button>
        </p>
      )}
      {form.general && (
        <p role="alert" className="text-signal-text">
          {form.general}
        </p>
      )}
      <div>
        <Button kind="main" type="submit" disabled={form.busy}>
          Keep
        </Button>
      </div>
    </form>
  );
}
