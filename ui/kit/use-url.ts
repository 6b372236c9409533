"use client";
// A choice of the reader that has its place in the address: kept over a reload, a link and the way back.

import { useRouter, useSearchParams } from "next/navigation";
import { useCallback, useEffect, useRef, useState } from "react";
import { askedLately, refreshMoved } from "./fresh";

/** Writes one choice into the address without loading anything; the usual one is left out. */
function write(key: string, value: string, usual: string): void {
  const url = new URL(window.location.href);
  if (value === usual) url.searchParams.delete(key);
  else url.searchParams.set(key, value);
  if (url.href !== window.location.href) window.history.replaceState(null, "", url);
}

/** What stands in the address under a key, read by `clean`; shown at once when it is set, and followed when a link sets it. */
function useUrl<T extends string>(key: string, usual: T, clean: (found: string | null) => T): [T, (v: T) => void] {
  const router = useRouter();
  const found = useSearchParams().get(key);
  const [value, setValue] = useState<T>(() => clean(found));
  const known = useRef(found);
  const latest = useRef(clean);
  latest.current = clean;
  const stood = useRef(found);
  /** Fresh data were on their way when the address was changed: they come for the old one, and together with the new. */
  const again = useRef(false);
  useEffect(() => {
    // Only once the new address holds: asked for before, the fresh data would belong to the old one.
    if (found !== stood.current && again.current) refreshMoved(router);
    again.current = false;
    stood.current = found;
    if (found === known.current) return;
    known.current = found;
    setValue(latest.current(found));
  }, [found, router]);
  const set = useCallback(
    (v: T) => {
      known.current = v === usual ? null : v;
      again.current ||= askedLately();
      setValue(v);
      write(key, v, usual);
    },
    [key, usual],
  );
  return [value, set];
}

/** One of some words. What else stands in the address counts as the usual one. */
export const useUrlChoice = <T extends string>(key: string, choices: readonly T[], usual: T): [T, (v: T) => void] =>
  useUrl(key, usual, (found) => choices.find((c) => c === found) ?? usual);

/** Free words, as in a search; at most 200 characters. */
export const useUrlText = (key: string): [string, (v: string) => void] => useUrl(key, "", (found) => (found ?? "").slice(0, 200));
