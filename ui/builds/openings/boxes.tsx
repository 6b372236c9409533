"use client";
// Boxes of units that a cut waits for, counted line by line: here, missing, damaged or wrong.

import { useState } from "react";
import type { Contents } from "@/core/workshop/records/kinds/goods";
import { KINDS } from "@/core/workshop/records/kinds/kinds";
import { Button } from "../../kit/button";
import { Dialog } from "../../kit/dialog";
import { DeclaredForm } from "../records/form";

export interface BoxToCount {
  name: string;
  job: string;
  jobId: string;
  items: NonNullable<Contents["items"]>;
  open: string[];
}

export function Boxes({ buildId, boxes, touch = false }: { buildId: string; boxes: readonly BoxToCount[]; touch?: boolean }) {
  const [box, setBox] = useState<BoxToCount>();
  if (!boxes.length) return null;
  return (
    <>
      <ul className="mb-2 overflow-hidden rounded-md border border-signal bg-card">
        {boxes.map((b) => (
          <li key={`${b.jobId} ${b.name}`} className="flex flex-wrap items-center gap-3 border-b px-3 py-2 last:border-0">
            <span className="min-w-0 flex-1">
              <b>{b.name}</b>
              <span className="block text-signal-text">
                {b.job} is locked: {b.open.join(", ")}
              </span>
            </span>
            <Button size={touch ? "touch" : "desk"} onClick={() => setBox(b)}>
              Count the box
            </Button>
          </li>
        ))}
      </ul>
      <Dialog open={!!box} onOpenChange={(o) => !o && setBox(undefined)} title={box ? `In the box: ${box.name}` : ""} wide>
        {box && (
          <DeclaredForm
            declared={KINDS.contents}
            buildId={buildId}
            preset={{ title: box.name, data: { items: box.items }, jobId: box.jobId }}
            onDone={() => setBox(undefined)}
          />
        )}
      </Dialog>
    </>
  );
}
