"use client";
// What the panel says of a job, asked for when it is opened, and again whenever the page has something new.

import { useEffect, useState } from "react";
import type { JobDetail, LanesView } from "./view";

/** undefined while it is on its way; null where the server did not answer. */
export function useDetail(jobId: string, view: LanesView): JobDetail | null | undefined {
  const [found, setFound] = useState<{ id: string; detail: JobDetail | null }>();
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new view is a reason to ask again
  useEffect(() => {
    const stop = new AbortController();
    fetch(`/api/lanes/${encodeURIComponent(jobId)}`, { signal: stop.signal })
      .then((r) => (r.ok ? (r.json() as Promise<JobDetail>) : null))
      .then((detail) => setFound({ id: jobId, detail }))
      .catch(() => !stop.signal.aborted && setFound({ id: jobId, detail: null }));
    return () => stop.abort();
  }, [jobId, view]);
  // What was said of it before stays until the new answer is there.
  return found?.id === jobId ? found.detail : undefined;
}
