"use client";
// A job past its time box: each course tried on the plan, with the dates it leads to, before one is decided on.

import { useState } from "react";
import type { DateMove } from "@/core/workshop/builds/previews";
import type { Tried } from "@/core/workshop/planning/courses";
import { Button } from "../../kit/button";
import { Field } from "../../kit/field";
import { send } from "../../kit/send";
import { useForm } from "../../kit/use-form";
import type { SheetJob } from "../view";
import { DateLines } from "./date-lines";

const SAYS: Record<Tried, string> = {
  "go on": "It goes on as it is",
  "second person": "A free second person joins: half the time",
  park: "It is parked until the next morning, its people are free",
};

export function Courses({ job, likely }: { job: SheetJob; likely: number }) {
  const form = useForm();
  const [tried, setTried] = useState<{ course: Tried; dates: DateMove[] }[]>();
  const look = async (data: FormData) => {
    await form.submit(async () => {
      setTried(
        (await send<{ courses: typeof tried }>("POST", `jobs/${job.id}/courses`, { left: Number(data.get("left")) || data.get("left") }))
          .courses,
      );
    }, 1);
  };
  return (
    <form
      className="mb-4 rounded-md border px-3 py-2"
      onSubmit={(e) => {
        e.preventDefault();
        void look(new FormData(e.currentTarget));
      }}
    >
      <div className="flex items-end gap-3">
        <Field
          label="Still needed as it is"
          hint="minutes, by who is on it"
          name="left"
          type="number"
          min={1}
          defaultValue={likely}
          faults={form.faults}
          className="flex-1"
        />
        <Button type="submit" disabled={form.busy} className="mb-5">
          Try each on the plan
        </Button>
      </div>
      {form.general && (
        <p role="alert" className="text-signal-text">
          {form.general}
        </p>
      )}
      {tried && (
        <dl aria-label="What each does to the dates">
          {tried.map((t) => (
            <div key={t.course} className="border-t py-1.5">
              <dt className="font-semibold">{SAYS[t.course]}</dt>
              <dd>
                <DateLines dates={t.dates} />
              </dd>
            </div>
          ))}
        </dl>
      )}
    </form>
  );
}
