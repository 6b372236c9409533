// Every declared kind of entry, by its name.

import type { House } from "../../state/house-figures";
import { cableEndKinds, type LastCall, type Tail } from "./cable-end";
import { CONSENT, type Consent, OTHERS, type Others, OWNER, type Owner } from "./client";
import { CLOCK_KIND, type Clock } from "./clock";
import { DECIDER, type Decider } from "./decider";
import type { Declared, Fault, Values } from "./fields";
import { missing, schemaOf, tidy } from "./fields";
import { GO_ON, type GoOn } from "./go-on";
import { type Arrival, type Contents, goodsKinds } from "./goods";
import { type HotWork, SPARKS } from "./hot-work";
import { type LayoutLine, type LayoutOpen, layoutKinds } from "./layout";
import { LOOKED, type Looked } from "./looked";
import { REACH, type Reach } from "./reach";
import { SEAT, type Seat } from "./seat";
import { type Attend, type DayEndChoice, type Parked, type Reading, type Substitute, waitKinds, type ZoneBench } from "./set-aside";
import { type Fixing, type FramePart, type Round, stripKinds, type Trap } from "./strip";
import { TEMPORARY_KIND, type Temporary } from "./temporary";

/** What each kind keeps. */
export interface DeclaredData {
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
}
export type DeclaredKind = keyof DeclaredData;

export const DECLARED_KINDS: Record<DeclaredKind, Declared> = Object.fromEntries(
  [
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
    ...goodsKinds,
    ...stripKinds,
    ...layoutKinds,
    ...cableEndKinds,
    ...waitKinds,
    DECIDER,
  ].map((d) => [d.kind, d]),
) as Record<DeclaredKind, Declared>;

export const isDeclared = (kind: string): kind is DeclaredKind => kind in DECLARED_KINDS;

export const declaredSchema = (kind: DeclaredKind): object => schemaOf(DECLARED_KINDS[kind].fields);

/** The data without what is not asked of it, and what is wrong with it by field. */
export function readDeclared(kind: DeclaredKind, data: Values, closed: boolean, house: House = {}): { data: Values; faults: Fault[] } {
  const d = DECLARED_KINDS[kind];
  const clean = tidy(d.fields, data);
  return { data: clean, faults: [...missing(d.fields, clean), ...(d.faults?.(clean, closed, house) ?? [])] };
}

/** Whether it is over: by what it says, or because somebody closed it. */
export const declaredOver = (kind: DeclaredKind, data: Values, closed: boolean): boolean => DECLARED_KINDS[kind].over?.(data) ?? closed;
