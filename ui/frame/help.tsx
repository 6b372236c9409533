"use client";
// The list of keys.

import { Dialog } from "../kit/dialog";
import { VIEWS } from "./views";

const KEYS: [string, string][] = [
  ["/", "find a build, a job or a part, or do something"],
  ...VIEWS.map((v): [string, string] => [`g ${v.key}`, `go to ${v.name}`]),
  ["Arrow keys", "Lanes: from block to block"],
  ["Enter", "Lanes: open the block's job"],
  ["w", "Lanes: why not earlier"],
  ["p", "Lanes: pin the block where it is, or take the pin out"],
  ["[  ]", "Lanes: pin it an hour earlier or later"],
  ["Alt ↑ ↓", "Lanes: hand it to the bay or fitter above or below"],
  ["Ctrl Z  Y", "Lanes: undo the last pin, or pin again"],
  ["r", "Lanes: replan"],
  ["a  x", "Proof: approve the first photo, or ask for it again"],
  ["?", "this list"],
];

export function Help({ open, onOpenChange }: { open: boolean; onOpenChange(open: boolean): void }) {
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title="Keys">
      <dl className="grid grid-cols-[100px_1fr] gap-x-4 gap-y-1.5">
        {KEYS.map(([key, what]) => (
          <div key={key} className="contents">
            <dt className="font-bold">{key}</dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
    </Dialog>
  );
}
