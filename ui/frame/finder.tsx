"use client";
// Find or do anything: builds, jobs, parts, views and actions, by a few letters.

import { Command } from "cmdk";
import { useRouter } from "next/navigation";
import { Dialog as D } from "radix-ui";
import { useState } from "react";
import { send } from "../kit/send";
import { useAct } from "../kit/use-act";
import { setTheme, signOut } from "./session";
import type { Find } from "./view";
import { VIEWS } from "./views";

const MOST = 40;

export function Finder({ open, onOpenChange, find }: { open: boolean; onOpenChange(open: boolean): void; find: Find[] }) {
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
    { label: "Replan", detail: "plan anew from how things stand", run: doIt(() => void act.run(() => send("POST", "plan"), "Replanned")) },
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
  const hits = q
    ? find.filter((f) => words.every((w) => `${f.label} ${f.detail}`.toLowerCase().includes(w))).slice(0, MOST)
    : find.filter((f) => f.detail.startsWith("build")).slice(0, MOST);
  const acts = actions.filter((a) => !q || words.every((w) => `${a.label} ${a.detail}`.toLowerCase().includes(w)));
  const item = "flex cursor-pointer items-baseline justify-between gap-4 rounded px-3 py-1.5 data-[selected=true]:bg-pine-soft";
  return (
    <D.Root open={open} onOpenChange={onOpenChange}>
      <D.Portal>
        <D.Overlay className="fixed inset-0 z-40 bg-black/45" />
        <D.Content
          aria-describedby={undefined}
          className="fixed top-[12vh] left-1/2 z-50 w-[calc(100vw-32px)] max-w-xl -translate-x-1/2 overflow-hidden rounded-lg border bg-card shadow-xl"
        >
          <D.Title className="sr-only">Find or do</D.Title>
          <Command shouldFilter={false} label="Find or do">
            <Command.Input
              autoFocus
              value={text}
              onValueChange={setText}
              placeholder="A build, a job, a part, or what to do"
              className="h-12 w-full border-b bg-transparent px-4 text-[15px] outline-none placeholder:text-muted"
            />
            <Command.List className="max-h-[52vh] overflow-y-auto p-2">
              {hits.length + acts.length === 0 && <p className="px-3 py-4 text-muted">Nothing here by that name. Try fewer letters.</p>}
              {hits.map((f) => (
                <Command.Item key={f.href + f.label} value={f.href + f.label} onSelect={() => go(f.href)} className={item}>
                  <span className="font-semibold">{f.label}</span>
                  <span className="text-muted">{f.detail}</span>
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
        </D.Content>
      </D.Portal>
    </D.Root>
  );
}
