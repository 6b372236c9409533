"use client";
// What a view shows when it could not be made. Once it tries again by itself: most of what fails is over in a moment.

import { useRouter } from "next/navigation";
import { startTransition, useCallback, useEffect } from "react";
import { Button } from "@/ui/kit/button";

/** When it last tried by itself (ms), so that what fails for good does not go round in circles. */
let tried = 0;
const PAUSE = 10_000;

export default function Failed({ error, reset }: { error: Error; reset(): void }) {
  const router = useRouter();
  const again = useCallback(
    () =>
      startTransition(() => {
        router.refresh();
        reset();
      }),
    [router, reset],
  );
  useEffect(() => {
    console.error(error);
    if (Date.now() - tried < PAUSE) return;
    tried = Date.now();
    again();
  }, [error, again]);
  return (
    <div className="m-auto max-w-md p-8 text-center">
      <h1 className="text-[1.25rem]">This view could not be drawn</h1>
      <p className="mt-2 text-muted">
        The server or its database did not answer as it should. Try again in a moment. If it goes on, tell whoever looks after the server.
      </p>
      <Button kind="main" className="mt-4" onClick={again}>
        Try again
      </Button>
    </div>
  );
}
