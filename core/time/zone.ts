// Local wall time to absolute minutes and back, in one IANA zone.
//
// Absolute time inside the product is a whole number of minutes since 1970-01-01T00:00Z. Wall time
// stands only at the edges. Offsets come from Intl, found once per zone and kept as a short list of
// changes, so that a conversion costs one look-up.

/** Minutes since 1970-01-01T00:00 UTC. */
export type Minute = number;

export const DAY = 1440;

/** Nobody knows when clocks change outside of these (1950 and 2110): the nearest known offset holds there. */
const EARLIEST = Date.UTC(1950, 0) / 60_000;
const LATEST = Date.UTC(2110, 0) / 60_000;

interface Change {
  /** First minute (UTC) at which `offset` holds. */
  from: Minute;
  /** Minutes that local time is ahead of UTC. */
  offset: number;
}

const LOCAL = /^(\d{4})-(\d{2})-(\d{2})T(\d{2}):(\d{2})$/;
const DATE = /^(\d{4})-(\d{2})-(\d{2})$/;

/** "YYYY-MM-DD" as whole days since 1970-01-01, or NaN when it is no real date. */
export function parseDate(text: string): number {
  let day = days.get(text);
  if (day === undefined) {
    if (days.size > 5000) days.clear();
    day = readDate(text);
    days.set(text, day);
  }
  return day;
}

/** Remembered: plans are full of the same few hundred dates. */
const days = new Map<string, number>();

function readDate(text: string): number {
  const m = DATE.exec(text);
  if (!m) return Number.NaN;
  const t = Date.UTC(+m[1], +m[2] - 1, +m[3]);
  const d = new Date(t);
  if (d.getUTCMonth() !== +m[2] - 1 || d.getUTCDate() !== +m[3]) return Number.NaN;
  return t / 86_400_000;
}

/** Days since 1970-01-01 as "YYYY-MM-DD". */
export function formatDate(day: number): string {
  return new Date(day * 86_400_000).toISOString().slice(0, 10);
}

const dates = new Map<number, string>();

/** `formatDate`, remembered: plans say the same few hundred dates over and over. */
function dateText(day: number): string {
  let text = dates.get(day);
  if (text === undefined) {
    if (dates.size > 5000) dates.clear();
    text = formatDate(day);
    dates.set(day, text);
  }
  return text;
}

/** 0 Monday to 6 Sunday, of days since 1970-01-01 (a Thursday). */
export function weekdayOf(day: number): number {
  return (((day + 3) % 7) + 7) % 7;
}

/** "YYYY-MM-DDTHH:MM" as minutes since 1970 read as if it were UTC, or NaN. */
export function parseLocal(text: string): number {
  const m = LOCAL.exec(text);
  if (!m) return Number.NaN;
  const day = parseDate(text.slice(0, 10));
  const h = +m[4];
  const min = +m[5];
  if (h > 23 || min > 59) return Number.NaN;
  return day * DAY + h * 60 + min;
}

/** "HH:MM" as minutes after midnight ("24:00" ends a day), or NaN. */
export function parseClock(text: string): number {
  const m = /^(\d{2}):(\d{2})$/.exec(text);
  if (!m) return Number.NaN;
  const v = +m[1] * 60 + +m[2];
  return +m[2] > 59 || v > DAY ? Number.NaN : v;
}

const two = (n: number): string => (n < 10 ? `0${n}` : String(n));

/** Minutes after midnight as "HH:MM". */
export function formatClock(minutes: number): string {
  return `${two(Math.floor(minutes / 60))}:${two(minutes % 60)}`;
}

/** One IANA zone. Throws a RangeError when the zone is unknown. */
export class Zone {
  readonly id: string;
  private readonly format: Intl.DateTimeFormat;
  private changes: Change[] = [];
  private knownFrom = 0;
  private knownTo = 0;

  constructor(id: string) {
    this.id = id;
    this.format = new Intl.DateTimeFormat("en-GB", {
      timeZone: id,
      hourCycle: "h23",
      year: "numeric",
      month: "2-digit",
      day: "2-digit",
      hour: "2-digit",
      minute: "2-digit",
    });
  }

  private ask(utc: Minute): number {
    const p: Record<string, string> = {};
    for (const { type, value } of this.format.formatToParts(utc * 60_000)) p[type] = value;
    const local = Date.UTC(+p.year, +p.month - 1, +p.day, +p.hour, +p.minute) / 60_000;
    return local - utc;
  }

  /** Widens the list of changes so that it covers [from, to], as far as clock changes can be known at all. */
  private know(first: Minute, last: Minute): void {
    const from = Math.min(Math.max(first, EARLIEST), LATEST);
    const to = Math.min(Math.max(last, EARLIEST), LATEST);
    if (this.knownTo > this.knownFrom && from >= this.knownFrom && to <= this.knownTo) return;
    const lo = Math.min(from, this.knownTo > this.knownFrom ? this.knownFrom : from) - 400 * DAY;
    const hi = Math.max(to, this.knownTo) + 400 * DAY;
    const step = 10 * DAY;
    const changes: Change[] = [{ from: Number.NEGATIVE_INFINITY, offset: this.ask(lo) }];
    let at = lo;
    let offset = changes[0].offset;
    while (at < hi) {
      const next = at + step;
      const there = this.ask(next);
      if (there !== offset) {
        let a = at;
        let b = next;
        while (b - a > 1) {
          const mid = Math.floor((a + b) / 2);
          if (this.ask(mid) === offset) a = mid;
          else b = mid;
        }
        changes.push({ from: b, offset: there });
        offset = there;
      }
      at = next;
    }
    this.changes = changes;
    this.knownFrom = lo;
    this.knownTo = hi;
  }

  /** Minutes that local time is ahead of UTC at this instant. */
  offsetAt(utc: Minute): number {
    this.know(utc, utc);
    let o = this.changes[0].offset;
    for (let i = 1; i < this.changes.length && this.changes[i].from <= utc; i++) o = this.changes[i].offset;
    return o;
  }

  /**
   * Local minutes (as if UTC) to the instant. In a repeated hour the first of the two; a time that
   * the spring change skips moves forward by the gap.
   */
  toUtc(local: number): Minute {
    const before = this.offsetAt(local - DAY);
    const after = this.offsetAt(local + DAY);
    const a = local - before;
    if (before === after) return a;
    const b = local - after;
    const first = Math.min(a, b);
    const second = Math.max(a, b);
    if (first + this.offsetAt(first) === local) return first;
    if (second + this.offsetAt(second) === local) return second;
    return a;
  }

  /** Instant to local minutes (as if UTC). */
  toLocal(utc: Minute): number {
    return utc + this.offsetAt(utc);
  }

  /** "YYYY-MM-DDTHH:MM" to the instant; NaN when the text is no such time. */
  parse(text: string): Minute {
    const local = parseLocal(text);
    return Number.isNaN(local) ? local : this.toUtc(local);
  }

  /** Instant to "YYYY-MM-DDTHH:MM". */
  show(utc: Minute): string {
    const local = this.toLocal(utc);
    const day = Math.floor(local / DAY);
    return `${dateText(day)}T${formatClock(local - day * DAY)}`;
  }

  /** The instant at which a local date (days since 1970) begins. */
  dayStart(day: number): Minute {
    return this.toUtc(day * DAY);
  }

  /** The local date (days since 1970) of an instant. */
  dayOf(utc: Minute): number {
    return Math.floor(this.toLocal(utc) / DAY);
  }

  /**
   * Stretches [from, to) of instants whose wall time occurs twice, within the span given. Nothing
   * planned may start, pause or end in one: nobody could tell which of the two is meant.
   */
  repeated(from: Minute, to: Minute): [Minute, Minute][] {
    this.know(from, to);
    const out: [Minute, Minute][] = [];
    for (let i = 1; i < this.changes.length; i++) {
      const back = this.changes[i - 1].offset - this.changes[i].offset;
      const at = this.changes[i].from;
      if (back > 0 && at + back > from && at - back < to) out.push([at - back, at + back]);
    }
    return out;
  }

  /** This instant, or the end of the repeated hour that it lies in: the next one whose wall time is told without doubt. */
  sayable(utc: Minute): Minute {
    return this.repeated(utc, utc + 1).find(([a, b]) => a <= utc && utc < b)?.[1] ?? utc;
  }
}

const zones = new Map<string, Zone>();

/** The zone of this id, made once (its list of changes is worth keeping). Throws RangeError when unknown. */
export function zoneOf(id: string): Zone {
  let z = zones.get(id);
  if (!z) {
    z = new Zone(id);
    zones.set(id, z);
  }
  return z;
}
