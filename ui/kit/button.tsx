// Buttons: one main action, plain ones, and those that take something away.

import { cx } from "./cx";

type Kind = "main" | "plain" | "quiet" | "danger";
type Size = "desk" | "touch";

const KINDS: Record<Kind, string> = {
  main: "bg-pine text-on-pine border-pine hover:bg-pine-strong hover:border-pine-strong",
  plain: "bg-card text-ink border-line hover:border-muted",
  quiet: "bg-transparent text-ink border-transparent hover:bg-sunk",
  danger: "bg-card text-signal-text border-signal hover:bg-signal-soft",
};

export const buttonClass = (kind: Kind = "plain", size: Size = "desk"): string =>
  cx(
    "inline-flex items-center justify-center gap-1.5 rounded-md border font-semibold whitespace-nowrap disabled:opacity-55",
    size === "desk" ? "h-8 px-3 text-[0.8125rem]" : "min-h-13 px-4 text-[1.0625rem]",
    KINDS[kind],
  );

export function Button({
  kind = "plain",
  size = "desk",
  className,
  type = "button",
  ...rest
}: React.ComponentProps<"button"> & { kind?: Kind; size?: Size }) {
  return <button type={type} className={cx(buttonClass(kind, size), className)} {...rest} />;
}
