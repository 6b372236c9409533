"use client";
// Keeps the card on the phone: once opened, it is there without a network. Only where the browser allows it (https, or this machine).

import { useEffect } from "react";

export function useKept(job: string | undefined): void {
  // biome-ignore lint/correctness/useExhaustiveDependencies: another job is another page to keep
  useEffect(() => {
    const workers = navigator.serviceWorker;
    if (!workers) return;
    let gone = false;
    workers
      .register("/card-worker.js", { scope: "/card" })
      .then(() => workers.ready)
      .then((r) => {
        if (gone) return;
        const pieces = performance.getEntriesByType("resource").map((e) => e.name);
        r.active?.postMessage({ keep: [...pieces, window.location.href] });
      })
      // A browser that keeps nothing shows the card all the same.
      .catch(() => undefined);
    return () => {
      gone = true;
    };
  }, [job]);
}
