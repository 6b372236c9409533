"use client";
// Asks every few seconds whether something happened in the workshop, and loads the page anew when it did.

import { useRouter } from "next/navigation";
import { useEffect, useRef } from "react";
import { onTheirWay, refresh } from "../kit/fresh";

const EVERY_MS = 4000;
/** A page that was asked for takes so long, usually. */
const USUAL_MS = 3000;

export function usePulse(event: string): void {
  const router = useRouter();
  const shown = useRef(event);
  shown.current = event;
  useEffect(() => {
    const ask = async () => {
      // Not while somebody looks elsewhere, and not under an open form: what is typed there stays.
      if (document.hidden || document.querySelector("form[data-busy]")) return;
      const answer = await fetch("/api/pulse")
        .then((r) => (r.ok ? (r.json() as Promise<{ event: string }>) : undefined))
        .catch(() => undefined);
      // Asked for again until the page shows it: what was on its way may have been read before, or have been lost.
      if (answer && answer.event !== shown.current && !onTheirWay(USUAL_MS)) refresh(router);
    };
    const timer = setInterval(ask, EVERY_MS);
    return () => clearInterval(timer);
  }, [router]);
}
