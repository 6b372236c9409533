// One calculator said in one place: what it asks, what it works out, how that reads, and what it does to its job.

import type { Role } from "../../library/roles";
import { type Fault, InputError, reader } from "../../plan/fault";
import type { Facts, Prefill } from "./facts";
import { type Field, fieldsOf, type RowsField } from "./form";
import type { Handles } from "./handles";
import type { GivenOf, InputOf, Inputs } from "./inputs";
import type { Outcome } from "./outcome";
import { filled, objectOf } from "./schema";
import type { SecondReading } from "./second";

/** The folders of core/setout, in the order of the work. */
export const STAGES = ["strip", "openings", "time"] as const;
export type Stage = (typeof STAGES)[number];

/** What a result is called, and its unit: "" where it has none. */
export type Said = readonly [label: string, unit: string];

interface Head<N extends string> {
  name: N;
  title: string;
  stage: Stage;
  /** The question that it answers, as somebody in the workshop would ask it. */
  asks: string;
  /** Other words by which it is looked for. */
  words?: string;
  /** Asked only when something went wrong: no job needs it beforehand. */
  onlyIf?: true;
  /** A job is not begun while its sheet says stop. */
  holds?: true;
  /** Its minutes count on jobs of this role alone; on others it is a list to work by. */
  onlyOn?: Role;
  /** It holds a part that has come against the van or its order: where it says stop, the part can be claimed. */
  fitsPart?: true;
  /** The plan takes its minutes as soon as it is kept, with no second measuring. */
  plannedAtOnce?: true;
  /** It may take long: a page asks for it in a worker. */
  slow?: true;
  /** Each result by its key, wherever it stands in the outcome. */
  results: Readonly<Record<string, Said>>;
  /** It starts from plan and forecast: beyond them nothing is known that could contradict it. */
  fromPlan?: true;
  /** Where a build's sheet starts from. */
  prefill?(facts: Facts): Prefill | undefined;
  /** What can be moved in its drawing. */
  handles?: Handles;
}

interface Definition<N extends string, I extends Inputs> extends Head<N> {
  inputs: I;
  /** Figures to try it with; a form without a build starts from them. */
  example: GivenOf<I>;
  /** What the schema can't say. */
  check?(input: InputOf<I>): Fault[];
  work(input: InputOf<I>): Outcome<object>;
  /** What is read a second time, from the other datum, before it is cut. */
  second?(input: InputOf<I>, o: Outcome): SecondReading[];
}

export interface Calculator<N extends string = string> extends Head<N> {
  inputs: Inputs;
  schema: object;
  /** The form, in the order of its inputs. */
  fields: readonly (Field | RowsField)[];
  example: Record<string, unknown>;
  /** Input as JSON. Throws InputError with every fault, by field. */
  run(input: unknown): Outcome;
  second(input: unknown, o: Outcome): SecondReading[];
}

/** A calculator out of its definition: schema, type, form, help and command line come from the inputs. */
export function defineCalculator<const N extends string, const I extends Inputs>(d: Definition<N, I>): Calculator<N> {
  const { inputs, example, check, work, second, ...head } = d;
  const schema = objectOf(inputs);
  const read = reader<Record<string, unknown>>(schema);
  const whole = (value: unknown) => filled(inputs, read(value)) as InputOf<I>;
  return {
    ...head,
    inputs,
    schema,
    fields: fieldsOf(inputs),
    example: example as Record<string, unknown>,
    run: (value) => {
      const input = whole(value);
      const faults = check?.(input) ?? [];
      if (faults.length) throw new InputError(faults);
      return work(input) as Outcome;
    },
    second: (value, o) => second?.(whole(value), o) ?? [],
  };
}
