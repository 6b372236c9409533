"use client";
// The workshop: bays, people, hours, time away, who signs in, settings and the forecast.

import Link from "next/link";
import { Tabs } from "radix-ui";
import { buttonClass } from "../kit/button";
import { TabPanel, useShownTab } from "../kit/tab-panel";
import { useUrlChoice } from "../kit/use-url";
import { Access } from "./access";
import { Away } from "./away";
import { Bays } from "./bays";
import { Figures } from "./figures";
import { Hours } from "./hours";
import { House } from "./house";
import { People } from "./people";
import { Settings } from "./settings";
import { Suppliers } from "./suppliers";
import { Templates } from "./templates";
import { Tools } from "./tools";
import { Users } from "./users";
import type { WorkshopView } from "./view";

const TABS = [
  ["bays", "Bays", Bays],
  ["people", "Fitters", People],
  ["tools", "Tools", Tools],
  ["templates", "Templates", Templates],
  ["suppliers", "Suppliers", Suppliers],
  ["hours", "Hours", Hours],
  ["away", "Away, closed, heat", Away],
  ["users", "Who signs in", Users],
  ["access", "Access and backups", Access],
  ["house", "House rules", House],
  ["figures", "Figures", Figures],
  ["settings", "Settings and forecast", Settings],
] as const;

const TAB_NAMES = TABS.map(([id]) => id);

export function Workshop({ view }: { view: WorkshopView }) {
  const [tab, setTab] = useUrlChoice("tab", TAB_NAMES, "bays");
  const shownTab = useShownTab(tab);
  return (
    <div className="mx-auto w-full max-w-6xl p-5">
      <div className="mb-3 flex flex-wrap items-center justify-between gap-3">
        <h1 className="text-[1.375rem]">{view.workshop.name}</h1>
        <Link href="/workshop/library" className={buttonClass()}>
          Job library
        </Link>
      </div>
      <Tabs.Root value={tab} onValueChange={(t) => setTab(t as typeof tab)}>
        <Tabs.List aria-label="Parts of the workshop" className="mb-4 flex flex-wrap gap-1 border-b">
          {TABS.map(([id, label]) => (
            <Tabs.Trigger
              key={id}
              value={id}
              className="-mb-px h-9 whitespace-nowrap border-b-[3px] border-transparent px-3 text-muted hover:text-ink data-[state=active]:border-pine data-[state=active]:font-bold data-[state=active]:text-ink"
            >
              {label}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        {TABS.map(([id, , Content]) => (
          <TabPanel key={id} value={id} shown={shownTab}>
            <Content view={view} />
          </TabPanel>
        ))}
      </Tabs.Root>
    </div>
  );
}
