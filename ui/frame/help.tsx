"use client";
// The list of keys.

import { Dialog } from "../kit/dialog";
import type { View } from "./views";

const FIND: [string, string] = ["/", "find a build, a job or a part, or do something"];

const LOOK: [string, string][] = [
  ["Arrow keys", "Lanes: from block to block"],
  ["Enter", "Lanes: open the block's job"],
  ["w", "Lanes: why not earlier, in the panel"],
  ["Esc", "Lanes: close the panel"],
];

const LEAD: [string, string][] = [
  ["p", "Lanes: pin the block where it is, or take the pin out"],
  ["[  ]", "Lanes: pin it an hour earlier or later"],
  ["Alt ↑ ↓", "Lanes: hand it to the bay or fitter above or below"],
  ["Ctrl Z  Y", "Lanes: undo the last pin, or pin again"],
  ["r", "Lanes: replan"],
  ["a  x", "Proof: approve the first photo, or ask for it again"],
];

export function Help({
  views,
  lead,
  open,
  onOpenChange,
}: {
  views: readonly View[];
  lead: boolean;
  open: boolean;
  onOpenChange(open: boolean): void;
}) {
  const keys: [string, string][] = [
    ...(lead ? [FIND] : []),
    ...views.map((v): [string, string] => [`g ${v.key}`, `go to ${v.name}`]),
    ...LOOK,
    ...(lead ? LEAD : []),
    ["?", "this list"],
  ];
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title="Keys">
      <dl className="grid grid-cols-[100px_1fr] gap-x-4 gap-y-1.5">
        {keys.map(([key, what]) => (
          <div key={key} className="contents">
            <dt className="font-bold">{key}</dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
    </Dialog>
  );
}
