"use client";
// The workshop's clock on the page: the server's minute, going on by this machine's clock.

import { useEffect, useState } from "react";

export function useNow(serverNow: number, fixed: boolean): number {
  const [passed, setPassed] = useState(0);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new minute from the server starts the count anew
  useEffect(() => {
    setPassed(0);
    if (fixed) return;
    const began = Date.now();
    const timer = setInterval(() => setPassed(Math.floor((Date.now() - began) / 60_000)), 5000);
    return () => clearInterval(timer);
  }, [serverNow, fixed]);
  return serverNow + passed;
}
