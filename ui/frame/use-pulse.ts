"use client";
// Asks every few seconds whether something happened in the workshop, and loads the page anew when it did.

import { useRouter } from "next/navigation";
import { useEffect, useRef } from "react";
import { awaited, refresh } from "../kit/fresh";
import { useFresh } from "../kit/use-fresh";

const EVERY_MS = 4000;

/** `view` is what the page was given: another one each time that fresh data are there. */
export function usePulse(view: { event: string }): void {
  const router = useRouter();
  const shown = useRef(view.event);
  shown.current = view.event;
  useFresh(view);
  useEffect(() => {
    const ask = async () => {
      // Not while somebody looks elsewhere, and not under an open form: what is typed there stays.
      if (document.hidden || document.querySelector("form[data-busy]")) return;
      const answer = await fetch("/api/pulse")
        .then((r) => (r.ok ? (r.json() as Promise<{ event: string }>) : undefined))
        .catch(() => undefined);
      // Until the page shows it: what was on its way may have been read before it. Never while data are awaited: a page that takes longer
      // than the pulse would be asked for again and again, and never be there.
      if (answer && answer.event !== shown.current && !awaited()) refresh(router);
    };
    const timer = setInterval(ask, EVERY_MS);
    return () => clearInterval(timer);
  }, [router]);
}
