// Every kind of record, by its name.

import { type Fault, reader } from "../../../plan/fault";
import type { House } from "../../state/house-figures";
import { KIT, type KitCheck, type ShellZone, ZONE } from "./bare-zone";
import { cableEndKinds, type LastCall, type Tail } from "./cable-end";
import { CIRCUIT, type Circuit } from "./circuit";
import { CONSENT, type Consent, OTHERS, type Others, OWNER, type Owner } from "./client";
import { CLOCK_KIND, type Clock } from "./clock";
import { DECIDER, type Decider } from "./decider";
import { DECISION, DEVIATION, type Decision, type Deviation } from "./decision";
import { FAULT, type FaultCard } from "./fault";
import type { Declared, Values } from "./fields";
import { missing, schemaOf, tidy } from "./fields";
import { WORN_KIND, type Worn } from "./gear";
import { GO_ON, type GoOn } from "./go-on";
import { type Arrival, type Contents, goodsKinds } from "./goods";
import { HOLE, type Penetration } from "./hole";
import { type HotWork, SPARKS } from "./hot-work";
import { ITEM, type Item } from "./item";
import { type LayoutLine, type LayoutOpen, layoutKinds } from "./layout";
import { LOOKED, type Looked } from "./looked";
import { MARK, type Mark } from "./mark";
import { PRINTED, type Printed } from "./printed";
import { REACH, type Reach } from "./reach";
import { SEAT, type Seat } from "./seat";
import { type Attend, type DayEndChoice, type Parked, type Reading, type Substitute, waitKinds, type ZoneBench } from "./set-aside";
import { type Fixing, type FramePart, type Round, stripKinds, type Trap } from "./strip";
import { TEMPORARY_KIND, type Temporary } from "./temporary";
import { WEIGHING, type Weighing } from "./weighing";

/** What each kind keeps. */
export interface RecordData {
  decision: Decision;
  deviation: Deviation;
  fault: FaultCard;
  mark: Mark;
  item: Item;
  penetration: Penetration;
  zone: ShellZone;
  circuit: Circuit;
  kit: KitCheck;
  owner: Owner;
  consent: Consent;
  others: Others;
  round: Round;
  trap: Trap;
  fixing: Fixing;
  member: FramePart;
  seat: Seat;
  sparks: HotWork;
  arrival: Arrival;
  contents: Contents;
  clock: Clock;
  temporary: Temporary;
  layout: LayoutOpen;
  line: LayoutLine;
  tail: Tail;
  lastcall: LastCall;
  goon: GoOn;
  decider: Decider;
  looked: Looked;
  parked: Parked;
  attend: Attend;
  reading: Reading;
  zonebench: ZoneBench;
  dayend: DayEndChoice;
  substitute: Substitute;
  reach: Reach;
  weighing: Weighing;
  printed: Printed;
  gear: Worn;
}
export type RecordKind = keyof RecordData;

export const KINDS: Readonly<Record<RecordKind, Declared>> = Object.fromEntries(
  [
    DECISION,
    DEVIATION,
    FAULT,
    MARK,
    ITEM,
    HOLE,
    ZONE,
    CIRCUIT,
    KIT,
    OWNER,
    CONSENT,
    OTHERS,
    SEAT,
    SPARKS,
    CLOCK_KIND,
    TEMPORARY_KIND,
    GO_ON,
    LOOKED,
    REACH,
    WEIGHING,
    PRINTED,
    WORN_KIND,
    ...goodsKinds,
    ...stripKinds,
    ...layoutKinds,
    ...cableEndKinds,
    ...waitKinds,
    DECIDER,
  ].map((d) => [d.kind, d]),
) as Record<RecordKind, Declared>;

/** Whether its form is made from its fields. */
export const hasForm = (kind: RecordKind): boolean => KINDS[kind].schema === undefined;

const readers = new Map<RecordKind, (v: unknown) => Values>();

function read(kind: RecordKind, data: unknown): Values {
  let r = readers.get(kind);
  if (!r) readers.set(kind, (r = reader<Values>(KINDS[kind].schema ?? schemaOf(KINDS[kind].fields))));
  return r(data);
}

/**
 * The data of a record, without what is not asked of it, and what is wrong with it by field. Throws InputError with the field where it
 * is not of the kind's shape.
 */
export function readRecord<K extends RecordKind>(
  kind: K,
  data: unknown,
  closed = false,
  house: House = {},
): { data: RecordData[K]; faults: Fault[] } {
  const d = KINDS[kind];
  const given = read(kind, data);
  const clean = hasForm(kind) ? tidy(d.fields, given) : given;
  return { data: clean as unknown as RecordData[K], faults: [...missing(d.fields, clean), ...(d.faults?.(clean, closed, house) ?? [])] };
}

/** Whether it is over: by what it says, or because somebody closed it. */
export const isOver = (kind: RecordKind, data: object, closed: boolean, house: House = {}): boolean =>
  KINDS[kind].over?.(data as Values, closed, house) ?? closed;
