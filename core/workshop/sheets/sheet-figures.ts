// House figures that calculators go by: limits, norms and margins of a sheet, by its name and the path of the input.

import { CALCULATORS } from "../../setout/calculators";
import type { Calculator } from "../../setout/engine/define";
import type { Draft } from "../../setout/engine/form";
import type { Inputs, Leaf } from "../../setout/engine/inputs";
import { HOUSE_FIGURES, type HouseFigure } from "../state/house-figures";
import type { Workshop } from "../state/model";

export interface SheetFigure extends HouseFigure {
  calculator: string;
  path: string;
}

/** A figure of the house is not set to more than so many times what it usually is. */
const MOST_TIMES = 10;

function leafsOf(inputs: Inputs, prefix: string): [path: string, leaf: Leaf][] {
  return Object.entries(inputs).flatMap(([k, x]): [string, Leaf][] =>
    x.kind === "rows" ? [] : x.kind === "group" ? leafsOf(x.inputs, `${prefix}${k}.`) : [[prefix + k, x]],
  );
}

const bounds = (x: Leaf, usual: number): { min: number; max: number } => {
  const { minimum, maximum = usual } = x.schema as { minimum?: number; maximum?: number };
  return { min: minimum ?? usual / 100, max: Math.min(maximum, usual * MOST_TIMES) };
};

function figuresOf(c: Calculator): [string, SheetFigure][] {
  return leafsOf(c.inputs, "").flatMap(([path, x]): [string, SheetFigure][] => {
    if (x.from !== "house" || typeof x.usual !== "number") return [];
    const unit = x.unit ?? (x.kind === "length" ? "mm" : "");
    return [
      [
        `${c.name}.${path}`,
        {
          label: `${c.title}: ${x.label[0].toLowerCase()}${x.label.slice(1)}`,
          unit,
          usual: x.usual,
          ...bounds(x, x.usual),
          step: 0,
          shows: "Set-out",
          calculator: c.name,
          path,
        },
      ],
    ];
  });
}

/** By "cable.slack": the calculator's name and the path of its input. */
export const SHEET_FIGURES: Readonly<Record<string, SheetFigure>> = Object.fromEntries(CALCULATORS.flatMap(figuresOf));

/** All figures of the house: those of the rules, then those of the sheets. */
export const ALL_FIGURES: Readonly<Record<string, HouseFigure>> = { ...HOUSE_FIGURES, ...SHEET_FIGURES };

/** A figure of a sheet as this house has it, by "go-no-go.caution"; for rules that go by the same one as the sheet. */
export const sheetFigure = (figures: Workshop["figures"], key: string): number => figures[key] ?? SHEET_FIGURES[key].usual;

/** What this house has of its own for a calculator, as it would be typed, and in words for what the sheet stands on. */
export function houseDraft(figures: Workshop["figures"], calculator: string): { draft: Draft; basis: Record<string, number> } {
  const own = Object.entries(SHEET_FIGURES).flatMap(([key, f]) =>
    f.calculator === calculator && figures[key] !== undefined ? [{ f, value: figures[key] }] : [],
  );
  return {
    draft: Object.fromEntries(own.map(({ f, value }) => [f.path, String(value)])),
    basis: Object.fromEntries(own.map(({ f, value }) => [`house figure, ${f.label}`, value])),
  };
}
