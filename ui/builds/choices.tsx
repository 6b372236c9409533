"use client";
// The choices of a build as cards with a picture of what each means; contradictions stand with the choices they belong to.

import { TriangleAlert } from "lucide-react";
import { CHOICES, type Choice } from "@/core/library/choices";
import type { Conflict } from "@/core/library/conflicts";
import { layoutOf, SHOWS_IN } from "@/core/library/layout";
import type { OptionKey, Options } from "@/core/library/options";
import type { Van } from "@/core/van/model";
import { cx } from "../kit/cx";
import { VanDrawing } from "../van/drawing";

interface Props {
  options: Options;
  onChange(options: Options): void;
  open: readonly OptionKey[];
  onOpen?(open: OptionKey[]): void;
  conflicts: readonly Conflict[];
  van?: Van;
  kind: Choice["kind"];
  /** The house's own answers: told beside them. */
  house?: Partial<Options>;
}

export function Choices({ kind, ...rest }: Props) {
  const groups = [...new Set(CHOICES.filter((c) => c.kind === kind).map((c) => c.group))];
  return (
    <div className="flex flex-col gap-6">
      {groups.map((g) => (
        <section key={g} aria-label={g}>
          <h2 className="mb-2 border-b pb-1 text-[0.9375rem]">{g}</h2>
          <div className={cx("grid gap-x-6 gap-y-4", kind === "option" ? "xl:grid-cols-2" : "")}>
            {CHOICES.filter((c) => c.group === g && shown(c.key, rest.options)).map((c) => (
              <One key={c.key} choice={c} {...rest} />
            ))}
          </div>
        </section>
      ))}
    </div>
  );
}

/** A question that the other answers make pointless is not asked. */
function shown(key: OptionKey, o: Options): boolean {
  if (key === "windowKind") return o.windows > 0;
  if (key === "drain") return o.wetRoom !== "none";
  if (key === "roofUnits") return o.fan || o.skylight || o.solar > 0;
  if (key === "sealing") return o.fan || o.skylight;
  return true;
}

function One({ choice, options, onChange, open, onOpen, conflicts, van, house }: Omit<Props, "kind"> & { choice: Choice }) {
  const { key } = choice;
  const mine = conflicts.filter((c) => c.keys.includes(key));
  const isOpen = open.includes(key);
  const counted = typeof options[key] === "number";
  const set = (value: Options[OptionKey]) => onChange({ ...options, [key]: value } as Options);
  return (
    <fieldset className="min-w-0">
      <legend className="mb-1 flex w-full items-baseline justify-between gap-3">
        <span className="font-semibold">{choice.label}</span>
        {house && key in house && house[key] === options[key] && <span className="text-[0.75rem] text-muted">as the house does it</span>}
        {onOpen && (
          <label className="flex items-center gap-1.5 text-[0.75rem] text-muted">
            <input
              type="checkbox"
              checked={isOpen}
              onChange={(e) => onOpen(e.target.checked ? [...open, key] : open.filter((k) => k !== key))}
              className="size-3.5 accent-pine"
            />
            {choice.group === "How the van comes" ? "not known yet" : "client has not decided"}
          </label>
        )}
      </legend>
      {counted ? (
        <Counted choice={choice} options={options} set={set} van={van} />
      ) : (
        <div className="flex flex-wrap gap-2">
          {choice.values.map((v) => {
            const on = options[key] === v.value;
            return (
              <label
                key={String(v.value)}
                className={cx(
                  "flex cursor-pointer flex-col rounded-md border bg-card px-2.5 py-1.5 has-focus-visible:outline-2",
                  v.means.length > 20 ? "min-w-[150px] max-w-[270px] flex-1" : "min-w-14",
                  on && "border-pine bg-pine-soft",
                )}
              >
                <input
                  type="radio"
                  name={key}
                  value={String(v.value)}
                  checked={on}
                  onChange={() => set(v.value)}
                  className="sr-only"
                  aria-label={`${choice.label}: ${v.label}`}
                />
                {van && SHOWS_IN[key] && (
                  <VanDrawing
                    van={van}
                    view={SHOWS_IN[key]}
                    width={SHOWS_IN[key] === "rear" ? 64 : 132}
                    id={`${key}-${String(v.value)}`}
                    layout={layoutOf({ ...options, [key]: v.value } as Options, van).filter((i) => i.view === SHOWS_IN[key])}
                    marked={[key]}
                    label=""
                  />
                )}
                <span className="font-semibold">{v.label}</span>
                <span className="text-[0.75rem] leading-snug text-muted">{v.means}</span>
              </label>
            );
          })}
        </div>
      )}
      {mine.map((c) => (
        <p
          key={c.text}
          role={c.level === "stop" ? "alert" : "status"}
          className={cx(
            "mt-1.5 flex items-start gap-1.5 rounded-md px-2.5 py-1.5",
            c.level === "stop" ? "bg-signal-soft text-signal-text" : "bg-amber-soft text-amber-text",
          )}
        >
          <TriangleAlert size={14} className="mt-0.5 shrink-0" aria-hidden="true" />
          {c.text}
        </p>
      ))}
    </fieldset>
  );
}

/** A number: chosen on a row or a slider, with one picture of what it makes. */
function Counted({ choice, options, set, van }: { choice: Choice; options: Options; set(value: Options[OptionKey]): void; van?: Van }) {
  const { key, values } = choice;
  const at = values.findIndex((v) => v.value === options[key]);
  const chosen = values[at];
  const views = key === "windows" ? (["left", "right"] as const) : SHOWS_IN[key] ? [SHOWS_IN[key]] : [];
  return (
    <div className="rounded-md border bg-card px-3 py-2">
      {values.length > 6 ? (
        <input
          type="range"
          aria-label={choice.label}
          aria-valuetext={chosen?.label}
          min={0}
          max={values.length - 1}
          value={Math.max(0, at)}
          onChange={(e) => set(values[Number(e.target.value)].value)}
          className="w-56 accent-pine"
        />
      ) : (
        <div className="flex gap-1">
          {values.map((v) => (
            <label
              key={String(v.value)}
              className={cx(
                "grid h-8 min-w-9 cursor-pointer place-items-center rounded-md border px-2 font-semibold has-focus-visible:outline-2",
                v.value === options[key] && "border-pine bg-pine-soft",
              )}
            >
              <input
                type="radio"
                name={key}
                checked={v.value === options[key]}
                onChange={() => set(v.value)}
                className="sr-only"
                aria-label={`${choice.label}: ${v.label}`}
              />
              {v.label}
            </label>
          ))}
        </div>
      )}
      <p className="mt-1 text-[0.75rem] text-muted">
        {values.length > 6 && <b className="text-ink">{chosen?.label} </b>}
        {chosen?.means}
      </p>
      {van && (
        <div className="mt-1 flex gap-4">
          {views.map((view) => (
            <VanDrawing
              key={view}
              van={van}
              view={view}
              width={150}
              id={`${key}-${view}`}
              layout={layoutOf(options, van)}
              marked={[key]}
              label=""
            />
          ))}
        </div>
      )}
    </div>
  );
}
