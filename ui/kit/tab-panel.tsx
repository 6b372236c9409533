"use client";
// What a tab shows. The tab itself is shown as pressed at once; what is behind it follows as soon as it is ready.

import { Tabs } from "radix-ui";
import { useDeferredValue, useEffect, useState } from "react";

/** The content of a tab may be late by so many ms; then it is drawn at once, whatever else the page is busy with. */
const LATEST = 400;

/**
 * The tab whose content is drawn: the one that is pressed, as soon as there is time for it. On a page that is busy all the while
 * (a slow machine, data coming in) that time may never come, and the tab would stay empty: so no later than after a moment.
 */
export function useShownTab<T extends string>(tab: T): T {
  const ready = useDeferredValue(tab);
  const [late, setLate] = useState(tab);
  useEffect(() => {
    const timer = setTimeout(() => setLate(tab), LATEST);
    return () => clearTimeout(timer);
  }, [tab]);
  return late === tab ? tab : ready;
}

/** `shown`: the tab whose content is drawn (`useShownTab`). */
export function TabPanel({ value, shown, children }: { value: string; shown: string; children: React.ReactNode }) {
  return <Tabs.Content value={value}>{shown === value ? children : null}</Tabs.Content>;
}
