"use client";
// The frame of the desk: name, views, finder, clock, who is signed in.

import { Moon, Sun } from "lucide-react";
import Link from "next/link";
import { usePathname } from "next/navigation";
import { DropdownMenu as Menu } from "radix-ui";
import { useState } from "react";
import { cx } from "../kit/cx";
import { clock, day } from "../kit/time";
import { Finder } from "./finder";
import { Help } from "./help";
import { setTheme, signOut } from "./session";
import { useKeys } from "./use-keys";
import { useNow } from "./use-now";
import { usePulse } from "./use-pulse";
import type { FrameView } from "./view";
import { viewsFor } from "./views";

export function Frame({ view, children }: { view: FrameView; children: React.ReactNode }) {
  const path = usePathname();
  const now = useNow(view.now, view.fixed);
  const [finding, setFinding] = useState(false);
  const [helping, setHelping] = useState(false);
  const lead = view.user.role === "lead";
  const views = viewsFor(view.user.role);
  useKeys(views, { ...(lead ? { find: () => setFinding(true) } : {}), help: () => setHelping(true) });
  usePulse(view);
  return (
    <div className="flex min-h-dvh flex-col">
      <a href="#main" className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-card focus:p-2">
        Skip to the view
      </a>
      <header className="on-pine sticky top-0 z-30 flex shrink-0 flex-wrap items-center gap-x-6 bg-pine px-4 py-2 md:h-[52px] md:flex-nowrap md:py-0 text-on-pine print:hidden">
        <Link
          href={lead ? "/" : "/card"}
          className="wide whitespace-nowrap text-[1.0625rem] tracking-wide uppercase"
          style={{ fontStretch: "125%", fontWeight: 800 }}
        >
          Wide Lane
        </Link>
        <nav aria-label="Views" className="order-last flex w-full gap-1 overflow-x-auto pt-1.5 md:order-none md:w-auto md:pt-0">
          {views.map((v) => {
            const on = v.href === "/" ? path === "/" : path.startsWith(v.href);
            return (
              <Link
                key={v.href}
                href={v.href}
                aria-current={on ? "page" : undefined}
                className={cx(
                  "flex h-8 items-center gap-1.5 rounded-md px-2 text-[0.8125rem] whitespace-nowrap md:px-2.5",
                  on ? "bg-paper font-bold text-[var(--pine)] dark:text-ink" : "hover:bg-pine-strong",
                )}
              >
                {v.name}
                {v.href === "/proof" && view.waitingPhotos > 0 && (
                  <span
                    className="rounded-full bg-signal px-1.5 text-[0.6875rem] leading-[17px] font-bold text-white"
                    title={`${view.waitingPhotos} photos wait for you`}
                  >
                    {view.waitingPhotos}
                  </span>
                )}
              </Link>
            );
          })}
        </nav>
        <div className="ml-auto flex items-center gap-4">
          {lead && (
            <button
              type="button"
              onClick={() => setFinding(true)}
              className="flex h-8 items-center gap-3 rounded-md border border-white/30 px-2.5 whitespace-nowrap hover:bg-pine-strong"
            >
              Find or do <kbd className="font-sans font-bold">/</kbd>
            </button>
          )}
          <span className="hidden whitespace-nowrap lg:inline" suppressHydrationWarning>
            {day(view.zone, now)} <b className="ml-1">{clock(view.zone, now)}</b>
          </span>
          <Menu.Root modal={false}>
            <Menu.Trigger className="flex h-8 items-center gap-2 rounded-md px-2 hover:bg-pine-strong">{view.user.name}</Menu.Trigger>
            <Menu.Portal>
              <Menu.Content align="end" sideOffset={6} className="z-50 min-w-52 rounded-md border bg-card p-1 text-ink shadow-lg">
                <Menu.Label className="px-3 py-1.5 text-muted">
                  {view.workshop} · {view.user.role}
                </Menu.Label>
                <Menu.Item
                  onSelect={() => setTheme()}
                  className="flex items-center gap-2 rounded px-3 py-1.5 outline-none data-highlighted:bg-sunk"
                >
                  <Sun size={14} className="dark:hidden" />
                  <Moon size={14} className="hidden dark:block" />
                  <span className="dark:hidden">Dark, for the evening</span>
                  <span className="hidden dark:inline">Light</span>
                </Menu.Item>
                <Menu.Item onSelect={() => setHelping(true)} className="rounded px-3 py-1.5 outline-none data-highlighted:bg-sunk">
                  Keys
                </Menu.Item>
                <Menu.Item asChild className="block rounded px-3 py-1.5 outline-none data-highlighted:bg-sunk">
                  <Link href="/card">{lead ? "Bench cards" : "My card"}</Link>
                </Menu.Item>
                <Menu.Item asChild className="block rounded px-3 py-1.5 outline-none data-highlighted:bg-sunk">
                  <Link href="/account">Your account</Link>
                </Menu.Item>
                <Menu.Separator className="my-1 h-px bg-line" />
                <Menu.Item onSelect={() => void signOut()} className="rounded px-3 py-1.5 outline-none data-highlighted:bg-sunk">
                  Sign out
                </Menu.Item>
              </Menu.Content>
            </Menu.Portal>
          </Menu.Root>
        </div>
      </header>
      <main id="main" className="flex min-h-0 flex-1 flex-col">
        {children}
      </main>
      {lead && <Finder open={finding} onOpenChange={setFinding} />}
      <Help views={views} lead={lead} open={helping} onOpenChange={setHelping} />
    </div>
  );
}
