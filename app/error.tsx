"use client";
// What is shown when not even the frame of a page could be made.

import { Button } from "@/ui/kit/button";

export default function Failed({ reset }: { error: Error; reset(): void }) {
  return (
    <main className="m-auto max-w-md p-8 pt-24 text-center">
      <h1 className="text-[1.25rem]">Wide Lane could not draw this page</h1>
      <p className="mt-2 text-muted">
        The server or its database did not answer as it should. Try again in a moment. If it goes on, tell whoever looks after the server.
      </p>
      <Button
        kind="main"
        className="mt-4"
        onClick={() => {
          reset();
          window.location.reload();
        }}
      >
        Try again
      </Button>
    </main>
  );
}
