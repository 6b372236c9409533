"use client";
// Find or do anything: builds, jobs, parts, people, sheets, records and actions, by a few letters.

import { Command } from "cmdk";
import { useRouter } from "next/navigation";
import { Dialog as D } from "radix-ui";
import { useState } from "react";
import { send } from "../kit/send";
import { useAct } from "../kit/use-act";
import { setTheme, signOut } from "./session";
import { useFound } from "./use-found";
import { VIEWS } from "./views";

export function Finder({ open, onOpenChange }: { open: boolean; onOpenChange(open: boolean): void }) {
  return (
    <D.Root open={open} onOpenChange={onOpenChange}>
      <D.Portal>
        <D.Overlay className="fixed inset-0 z-40 bg-black/45" />
        <D.Content
          aria-describedby={undefined}
          className="fixed top-[12vh] left-1/2 z-50 w-[calc(100vw-32px)] max-w-xl -translate-x-1/2 overflow-hidden rounded-lg border bg-card shadow-xl"
        >
          <D.Title className="sr-only">Find or do</D.Title>
          {/* Within the dialog, so that it opens empty each time. */}
          <Search onOpenChange={onOpenChange} />
        </D.Content>
      </D.Portal>
    </D.Root>
  );
}

function Search({ onOpenChange }: { onOpenChange(open: boolean): void }) {
  const router = useRouter();
  const act = useAct();
  const [text, setText] = useState("");
  const go = (href: string) => {
    onOpenChange(false);
    router.push(href);
  };
  const doIt = (work: () => void) => () => {
    onOpenChange(false);
    work();
  };
  const actions: { label: string; detail: string; run(): void }[] = [
    ...VIEWS.map((v) => ({ label: `Go to ${v.name}`, detail: `g ${v.key}`, run: () => go(v.href) })),
    { label: "Add a build", detail: "van, dates, options", run: () => go("/builds/new") },
    { label: "Job library", detail: "jobs, order, steps, versions", run: () => go("/workshop/library") },
    {
      label: "Replan",
      detail: "make a new plan from how things are now",
      run: doIt(() => void act.run(() => send("POST", "plan"), "Replanned")),
    },
    {
      label: "Ask the suppliers",
      detail: "confirmations and slips",
      run: doIt(() => void act.run(() => send("POST", "parts/ask"), "Suppliers asked")),
    },
    { label: "Fetch the forecast", detail: "weather", run: doIt(() => void act.run(() => send("POST", "weather"), "Forecast fetched")) },
    { label: "Export the planning problem", detail: "JSON", run: doIt(() => window.location.assign("/api/problem")) },
    { label: "Light or dark", detail: "look", run: doIt(setTheme) },
    { label: "Sign out", detail: "", run: doIt(() => void signOut()) },
  ];
  const q = text.trim().toLowerCase();
  const words = q.split(/\s+/);
  const { found, failed, text: answered } = useFound(text);
  const acts = actions.filter((a) => !q || words.every((w) => `${a.label} ${a.detail}`.toLowerCase().includes(w)));
  const item = "flex cursor-pointer items-baseline justify-between gap-4 rounded px-3 py-1.5 data-[selected=true]:bg-pine-soft";
  const none = found.length + acts.length === 0;
  return (
    <Command shouldFilter={false} label="Find or do">
      <Command.Input
        autoFocus
        value={text}
        onValueChange={setText}
        placeholder="A build, a job, a part, a person, or what to do"
        className="h-12 w-full border-b bg-transparent px-4 text-[0.9375rem] outline-none placeholder:text-muted"
      />
      <Command.List className="max-h-[52vh] overflow-y-auto p-2">
        {failed && <p className="px-3 py-2 text-muted">No answer from the workshop's server; only actions are listed.</p>}
        {none && !failed && answered.toLowerCase() === q && (
          <p className="px-3 py-4 text-muted">Nothing here by that name. Try fewer letters.</p>
        )}
        {found.map((f) => (
          <Command.Item key={`${f.kind} ${f.id}`} value={`${f.kind} ${f.id}`} onSelect={() => go(f.href)} className={item}>
            <span className="min-w-0 font-semibold">{f.label}</span>
            <span className="shrink-0 text-muted">
              {f.kind}, {f.detail}
            </span>
          </Command.Item>
        ))}
        {acts.map((a) => (
          <Command.Item key={a.label} value={a.label} onSelect={a.run} className={item}>
            <span>{a.label}</span>
            <span className="text-muted">{a.detail}</span>
          </Command.Item>
        ))}
      </Command.List>
    </Command>
  );
}
