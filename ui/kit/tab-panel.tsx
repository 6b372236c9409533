"use client";
// What a tab shows. The tab itself is shown as pressed at once; what is behind it follows as soon as it is ready.

import { Tabs } from "radix-ui";

/** `shown`: the tab whose content is ready, the deferred value of the one that is pressed. */
export function TabPanel({ value, shown, children }: { value: string; shown: string; children: React.ReactNode }) {
  return <Tabs.Content value={value}>{shown === value ? children : null}</Tabs.Content>;
}
