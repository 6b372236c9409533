// The seven stages as a ladder: how much of each is done, by likely hours.

import type { StageProgress } from "@/core/workshop/state/progress";
import { stageOf } from "../kit/stage";

export function StageLadder({ stages }: { stages: readonly StageProgress[] }) {
  const total = stages.reduce((n, s) => n + s.minutes, 0) || 1;
  return (
    <span className="flex gap-0.5" role="img" aria-label={stages.map((s) => `${stageOf(s.stage).name} ${s.done} of ${s.all}`).join(", ")}>
      {stages.map((s) => {
        const look = stageOf(s.stage);
        return (
          <span
            key={s.stage}
            className="block min-w-[47px]"
            style={{ flexGrow: s.minutes / total, flexBasis: 0 }}
            title={`${look.name}: ${s.done} of ${s.all} jobs done`}
          >
            <span
              className="relative block h-[18px] overflow-hidden rounded-[3px] bg-sunk"
              style={{ boxShadow: `inset 0 0 0 1px ${look.colour}` }}
            >
              <span
                className="absolute inset-y-0 left-0"
                style={{ width: `${(100 * s.minutesDone) / (s.minutes || 1)}%`, background: look.colour }}
              />
            </span>
            <span className="mt-0.5 block text-[0.6875rem] leading-tight whitespace-nowrap text-muted">
              <b className="text-ink">{look.code}</b> {s.done}/{s.all}
            </span>
          </span>
        );
      })}
    </span>
  );
}
