// The seven stages: code, colour, and a badge. The code always stands with the colour.

import { cx } from "./cx";

export const STAGE: Record<string, { code: string; name: string; colour: string; ink: string }> = {
  strip: { code: "ST", name: "Strip", colour: "#6B7880", ink: "#FFFFFF" },
  openings: { code: "OP", name: "Openings", colour: "#2F6FA3", ink: "#FFFFFF" },
  insulation: { code: "IN", name: "Insulation", colour: "#1F7F78", ink: "#FFFFFF" },
  framing: { code: "FR", name: "Framing", colour: "#6F8B2C", ink: "#0B0F10" },
  panels: { code: "PA", name: "Panels", colour: "#B98A17", ink: "#0B0F10" },
  furniture: { code: "FU", name: "Furniture", colour: "#AD5A2F", ink: "#FFFFFF" },
  services: { code: "SV", name: "Services", colour: "#75478F", ink: "#FFFFFF" },
};

export const stageOf = (stage: string) => STAGE[stage] ?? { code: "??", name: stage, colour: "#5E686A", ink: "#FFFFFF" };

export function StageBadge({ stage, className }: { stage: string; className?: string }) {
  const s = stageOf(stage);
  return (
    <span
      title={s.name}
      className={cx(
        "wide inline-flex h-[18px] min-w-[26px] shrink-0 items-center justify-center rounded-[3px] px-1 text-[0.6875rem] leading-none",
        className,
      )}
      style={{ background: s.colour, color: s.ink }}
    >
      {s.code}
    </span>
  );
}
