"use client";
// Calendars: the week, and single days that are closed or get extra hours.

import { useState } from "react";
import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { Check, Field, faultOf, Select } from "../kit/field";
import { byText, useListTools } from "../kit/list-tools";
import { send } from "../kit/send";
import { useAct } from "../kit/use-act";
import { useForm } from "../kit/use-form";
import { FormEnd, Head, Retire, Row, Rows } from "./parts";
import type { CalendarView, WorkshopView } from "./view";

const DAYS = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"];

/** "Mon to Thu 08:00 to 12:00, 12:45 to 17:00" with equal days put together. */
export function weekWords(windows: CalendarView["windows"]): string {
  const byDay = DAYS.map((_, d) =>
    windows
      .filter((w) => w.weekday === d)
      .map((w) => `${w.opens} to ${w.closes}`)
      .join(", "),
  );
  const out: string[] = [];
  for (let d = 0; d < 7; ) {
    let e = d;
    while (e + 1 < 7 && byDay[e + 1] === byDay[d]) e++;
    if (byDay[d]) out.push(`${e > d ? `${DAYS[d]} to ${DAYS[e]}` : DAYS[d]} ${byDay[d]}`);
    d = e + 1;
  }
  return out.join(" · ") || "never open";
}

export function Hours({ view }: { view: WorkshopView }) {
  const act = useAct();
  const [editing, setEditing] = useState<CalendarView>();
  const [adding, setAdding] = useState(false);
  const [day, setDay] = useState<CalendarView>();
  const { shown, tools } = useListTools(view.calendars, {
    name: "hours",
    text: (c) => `${c.name} ${weekWords(c.windows)}`,
    orders: { "as added": undefined, name: byText((c) => c.name) },
    head: ["calendar", "hours", "single days", "retired"],
    cells: (c) => [c.name, weekWords(c.windows), c.days.map((d) => d.date).join("; "), c.retired],
  });
  return (
    <>
      <Head
        about="Each calendar stands alone: closing the shop does not close a fitter's own hours."
        add="Add hours"
        onAdd={() => setAdding(true)}
      />
      {tools}
      <Rows empty="No hours yet.">
        {shown.map((c) => (
          <Row
            key={c.id}
            title={c.name}
            retired={c.retired}
            actions={
              <>
                <Button onClick={() => setEditing(c)}>Change</Button>
                <Button onClick={() => setDay(c)}>A single day</Button>
                {c.id !== "shop" && <Retire path={`calendars/${c.id}`} name={c.name} version={c.version} retired={c.retired} />}
              </>
            }
          >
            {weekWords(c.windows)}
            {c.days.map((d) => (
              <span key={d.id} className="flex items-center gap-2 text-[0.75rem] text-muted">
                {d.date}: {d.opens ? `${d.opens} to ${d.closes}${d.overtime ? ", overtime" : ""}` : "closed"}
                {d.reason && `, ${d.reason}`}
                <button
                  type="button"
                  disabled={act.busy}
                  className="underline underline-offset-2"
                  onClick={() =>
                    void act.run(
                      () => send("DELETE", `calendar-days/${d.id}`),
                      "Taken out",
                      () =>
                        send("POST", "calendar-days", {
                          calendarId: c.id,
                          date: d.date,
                          reason: d.reason,
                          overtime: d.overtime,
                          ...(d.opens ? { opens: d.opens, closes: d.closes } : {}),
                        }),
                    )
                  }
                >
                  take out
                </button>
              </span>
            ))}
          </Row>
        ))}
      </Rows>
      <Dialog wide open={!!editing} onOpenChange={(o) => !o && setEditing(undefined)} title={`Change ${editing?.name ?? ""}`}>
        {editing && <WeekForm calendar={editing} onDone={() => setEditing(undefined)} />}
      </Dialog>
      <Dialog open={adding} onOpenChange={setAdding} title="Add hours">
        <AddForm view={view} onDone={() => setAdding(false)} />
      </Dialog>
      <Dialog
        open={!!day}
        onOpenChange={(o) => !o && setDay(undefined)}
        title={`A single day of ${day?.name ?? ""}`}
        about="Extra hours win over the week; without hours the day is closed."
      >
        {day && <DayForm calendar={day} onDone={() => setDay(undefined)} />}
      </Dialog>
    </>
  );
}

function WeekForm({ calendar, onDone }: { calendar: CalendarView; onDone(): void }) {
  const form = useForm();
  const [windows, setWindows] = useState(calendar.windows.map(({ weekday, opens, closes }) => ({ weekday, opens, closes })));
  const [name, setName] = useState(calendar.name);
  const save = async (version: number) => {
    const sorted = [...windows].sort((a, b) => a.weekday - b.weekday || a.opens.localeCompare(b.opens));
    if (
      await form.submit(
        (v) => send("PATCH", `calendars/${calendar.id}`, { version: v, name, windows: sorted }),
        version,
        "Saved. Replan to use it.",
      )
    )
      onDone();
  };
  const set = (i: number, key: "opens" | "closes", value: string) =>
    setWindows(windows.map((w, k) => (k === i ? { ...w, [key]: value } : w)));
  const fault = faultOf(form.faults, "windows");
  return (
    <form
      data-busy
      className="flex flex-col gap-4"
      onSubmit={(e) => {
        e.preventDefault();
        void save(calendar.version);
      }}
    >
      <Field
        label="Name"
        name="name"
        faults={form.faults}
        value={name}
        onChange={(e) => setName(e.target.value)}
        required
        maxLength={120}
      />
      <div className="flex flex-col gap-1.5">
        {DAYS.map((d, weekday) => (
          <div key={d} className="flex min-h-9 flex-wrap items-center gap-2">
            <span className="w-10 font-semibold">{d}</span>
            {windows.map((w, i) =>
              w.weekday === weekday ? (
                // biome-ignore lint/suspicious/noArrayIndexKey: rows of a form have no other name
                <span key={i} className="flex items-center gap-1 rounded-md border px-1.5 py-0.5">
                  <input
                    type="time"
                    aria-label={`${d} opens`}
                    value={w.opens}
                    onChange={(e) => set(i, "opens", e.target.value)}
                    className="bg-transparent"
                    required
                  />
                  to
                  <input
                    type="time"
                    aria-label={`${d} closes`}
                    value={w.closes === "24:00" ? "23:59" : w.closes}
                    onChange={(e) => set(i, "closes", e.target.value)}
                    className="bg-transparent"
                    required
                  />
                  <button
                    type="button"
                    aria-label={`Take out ${d} ${w.opens}`}
                    className="px-1"
                    onClick={() => setWindows(windows.filter((_, k) => k !== i))}
                  >
                    ×
                  </button>
                </span>
              ) : null,
            )}
            <Button
              kind="quiet"
              className="!h-7 !px-2"
              onClick={() =>
                setWindows([
                  ...windows,
                  {
                    weekday,
                    opens: windows.some((w) => w.weekday === weekday) ? "12:45" : "08:00",
                    closes: windows.some((w) => w.weekday === weekday) ? "17:00" : "12:00",
                  },
                ])
              }
            >
              + hours
            </Button>
          </div>
        ))}
        {fault && (
          <p role="alert" className="text-signal-text">
            A stretch of hours {fault}
          </p>
        )}
      </div>
      <FormEnd form={form} labels={{ name: "Name" }} onTakeMine={() => void save(form.stale!.version)} />
    </form>
  );
}

function AddForm({ view, onDone }: { view: WorkshopView; onDone(): void }) {
  const form = useForm();
  return (
    <form
      data-busy
      className="flex flex-col gap-4"
      onSubmit={async (e) => {
        e.preventDefault();
        const d = new FormData(e.currentTarget);
        if (
          await form.submit(
            () => send("POST", "calendars", { name: String(d.get("name") ?? ""), copyOf: String(d.get("copyOf") ?? "") }),
            1,
            "Added; change its hours now",
          )
        )
          onDone();
      }}
    >
      <Field label="Name" name="name" faults={form.faults} required maxLength={120} />
      <Select
        label="Begin with the hours of"
        name="copyOf"
        faults={form.faults}
        options={view.calendars.map((c) => [c.id, c.name] as const)}
      />
      <FormEnd form={form} labels={{}} onTakeMine={() => undefined} />
    </form>
  );
}

function DayForm({ calendar, onDone }: { calendar: CalendarView; onDone(): void }) {
  const form = useForm();
  const [open, setOpen] = useState(false);
  return (
    <form
      data-busy
      className="flex flex-col gap-4"
      onSubmit={async (e) => {
        e.preventDefault();
        const d = new FormData(e.currentTarget);
        const text = (k: string) => String(d.get(k) ?? "");
        const body = {
          calendarId: calendar.id,
          date: text("date"),
          reason: text("reason"),
          ...(open ? { opens: text("opens"), closes: text("closes"), overtime: d.get("overtime") === "on" } : {}),
        };
        if (await form.submit(() => send("POST", "calendar-days", body), 1, "Saved. Replan to use it.")) onDone();
      }}
    >
      <Field label="Date" name="date" type="date" faults={form.faults} required />
      <Check label="Open, with these hours" checked={open} onChange={(e) => setOpen(e.target.checked)} hint="else closed all day" />
      {open && (
        <div className="grid grid-cols-2 gap-4">
          <Field label="Opens" name="opens" type="time" faults={form.faults} defaultValue="08:00" required />
          <Field label="Closes" name="closes" type="time" faults={form.faults} defaultValue="12:00" required />
          <Check label="Counts as overtime" name="overtime" defaultChecked />
        </div>
      )}
      <Field label="Reason" name="reason" faults={form.faults} maxLength={200} />
      <FormEnd form={form} labels={{}} onTakeMine={() => undefined} />
    </form>
  );
}
