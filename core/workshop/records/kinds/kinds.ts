// Every declared kind of entry, by its name.

import type { House } from "../../state/house-figures";
import { type LastCall, type Tail, tailDockets } from "./cable-end";
import { CONSENT, type Consent, OTHERS, type Others, OWNER, type Owner } from "./client";
import { CLOCK_DOCKET, type Clock } from "./clock";
import { DECIDER, type Decider } from "./decider";
import type { Docket, Fault, Values } from "./fields";
import { missing, schemaOf, tidy } from "./fields";
import { GO_ON, type GoOn } from "./go-on";
import { type Arrival, type Contents, goodsDockets } from "./goods";
import { SPARKS, type Sparks } from "./hot-work";
import { type LayoutLine, type LayoutOpen, layoutDockets } from "./layout";
import { LOOKED, type Looked } from "./looked";
import { REACH, type Reach } from "./reach";
import { SEAT, type Seat } from "./seat";
import { type Attend, type DayEndChoice, type Parked, type Reading, type Substitute, waitDockets, type ZoneBench } from "./set-aside";
import { type Fixing, type Member, type Round, stripDockets, type Trap } from "./strip";
import { TEMPORARY_DOCKET, type Temporary } from "./temporary";

/** What each kind keeps. */
export interface DocketData {
  owner: Owner;
  consent: Consent;
  others: Others;
  round: Round;
  trap: Trap;
  fixing: Fixing;
  member: Member;
  seat: Seat;
  sparks: Sparks;
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
export type DocketKind = keyof DocketData;

export const DOCKETS: Record<DocketKind, Docket> = Object.fromEntries(
  [
    OWNER,
    CONSENT,
    OTHERS,
    SEAT,
    SPARKS,
    CLOCK_DOCKET,
    TEMPORARY_DOCKET,
    GO_ON,
    LOOKED,
    REACH,
    ...goodsDockets,
    ...stripDockets,
    ...layoutDockets,
    ...tailDockets,
    ...waitDockets,
    DECIDER,
  ].map((d) => [d.kind, d]),
) as Record<DocketKind, Docket>;

export const isDocket = (kind: string): kind is DocketKind => kind in DOCKETS;

export const docketSchema = (kind: DocketKind): object => schemaOf(DOCKETS[kind].fields);

/** The data without what is not asked of it, and what is wrong with it by field. */
export function docketRead(kind: DocketKind, data: Values, closed: boolean, house: House = {}): { data: Values; faults: Fault[] } {
  const d = DOCKETS[kind];
  const clean = tidy(d.fields, data);
  return { data: clean, faults: [...missing(d.fields, clean), ...(d.faults?.(clean, closed, house) ?? [])] };
}

/** Whether it is over: by what it says, or because somebody closed it. */
export const docketOver = (kind: DocketKind, data: Values, closed: boolean): boolean => DOCKETS[kind].over?.(data) ?? closed;
