"use client";
// What a view shows when it could not be made.

import { Button } from "@/ui/kit/button";

export default function Failed({ reset }: { error: Error; reset(): void }) {
  return (
    <div className="m-auto max-w-md p-8 text-center">
      <h1 className="text-[20px]">This view could not be drawn</h1>
      <p className="mt-2 text-muted">
        The server or its database did not answer as it should. Nothing was changed. The server's log has the details.
      </p>
      <Button kind="main" className="mt-4" onClick={reset}>
        Try again
      </Button>
    </div>
  );
}
