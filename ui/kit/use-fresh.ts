"use client";
// Says that fresh data are there: for the component of a page whose `view` is made anew each time it is read. Each page has one.

import { usePathname } from "next/navigation";
import { useLayoutEffect } from "react";
import { noteFresh } from "./fresh";

/** `view` is what the page was given: another one each time that fresh data are there. Going to another page is fresh data too. */
export function useFresh(view: object): void {
  const path = usePathname();
  useLayoutEffect(() => {
    if (view && path) noteFresh();
  }, [view, path]);
}
