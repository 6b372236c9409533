// A tick, drawn: the font has none.

import { Check } from "lucide-react";
import { cx } from "./cx";

export const Tick = ({ label = "done", className }: { label?: string; className?: string }) => (
  <Check size="1em" strokeWidth={3} role="img" aria-label={label} className={cx("inline align-[-0.12em]", className)} />
);
