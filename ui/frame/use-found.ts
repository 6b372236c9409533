"use client";
// Asks the server for what is looked for, a moment after the last letter; an answer that is overtaken is dropped.

import { useEffect, useState } from "react";
import type { Found } from "@/core/workshop/state/find";

const AFTER_MS = 60;

interface State {
  found: Found[];
  /** What `found` answers to. */
  text: string;
  failed: boolean;
}

const NOTHING: State = { found: [], text: "", failed: false };

export function useFound(text: string): State {
  const [state, setState] = useState<State>(NOTHING);
  useEffect(() => {
    const q = text.trim();
    if (!q) {
      setState(NOTHING);
      return;
    }
    const abort = new AbortController();
    const timer = setTimeout(async () => {
      const found = await fetch(`/api/find?q=${encodeURIComponent(q)}`, { signal: abort.signal })
        .then((r) => (r.ok ? (r.json() as Promise<{ found: Found[] }>) : undefined))
        .catch(() => undefined);
      if (!abort.signal.aborted) setState({ found: found?.found ?? [], text: q, failed: !found });
    }, AFTER_MS);
    return () => {
      clearTimeout(timer);
      abort.abort();
    };
  }, [text]);
  return state;
}
