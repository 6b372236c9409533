"use client";
// Runs one action at a time for a component: pending state, the server's words on a refusal, fresh data after.

import { useRouter } from "next/navigation";
import { useCallback, useState } from "react";
import { toast } from "sonner";
import { refresh } from "./fresh";
import { SendError } from "./send";

export interface Act {
  busy: boolean;
  /** Runs `work`; true when it went through. A refusal is shown as a toast, unless `onError` takes it. */
  run(work: () => Promise<unknown>, said?: string, undo?: () => Promise<unknown>, onError?: (e: SendError) => boolean): Promise<boolean>;
}

export function useAct(): Act {
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const run = useCallback<Act["run"]>(
    async (work, said, undo, onError) => {
      setBusy(true);
      try {
        await work();
        refresh(router);
        if (said)
          toast.success(said, {
            ...(undo && {
              action: {
                label: "Undo",
                onClick: () => {
                  undo().then(
                    () => refresh(router),
                    (e: Error) => toast.error(e.message),
                  );
                },
              },
            }),
          });
        return true;
      } catch (e) {
        if ((e as Error).name === "AbortError") return false;
        if (e instanceof SendError && onError?.(e)) return false;
        toast.error((e as Error).message, { duration: 8000 });
        if (e instanceof SendError && e.status === 409) refresh(router);
        return false;
      } finally {
        setBusy(false);
      }
    },
    [router],
  );
  return { busy, run };
}
