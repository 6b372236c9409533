// The file of a backup: SQL that any MariaDB reads, between a first line that says what it is and a last one that says that it is whole.
//
//   -- wide-lane-backup {"format":"wide-lane/backup@2","made":"…","schema":33}
//   … SQL, each row on a line of its own …
//   -- wide-lane-end {"bytes":…,"sha256":"…","rows":{"build":7,…}}

import { createHash, type Hash } from "node:crypto";
import { createReadStream } from "node:fs";
import { stat } from "node:fs/promises";
import { Transform } from "node:stream";
import { Stop } from "./stop";

export const FORMAT = "wide-lane/backup@2";
const HEAD = "-- wide-lane-backup ";
const END = "-- wide-lane-end ";
const ROW = /^INSERT INTO `([^`]+)`/;

export interface Manifest {
  format: string;
  /** UTC, ISO. */
  made: string;
  /** The newest migration in it. */
  schema: number;
}

export interface Whole {
  bytes: number;
  sha256: string;
  /** Rows of each table. */
  rows: Record<string, number>;
}

export const firstLine = (m: Manifest): string => `${HEAD}${JSON.stringify(m)}\n`;

/** Counts what goes through, and closes with the last line. `begin` is written before everything else. */
export class Sealing extends Transform {
  private readonly hash: Hash = createHash("sha256");
  private bytes = 0;
  private readonly rows: Record<string, number> = {};
  /** The beginning of the line at hand: enough to know its table. */
  private line = "";
  constructor(begin: string) {
    super();
    this.note(Buffer.from(begin));
  }

  private note(chunk: Buffer): void {
    this.hash.update(chunk);
    this.bytes += chunk.length;
    this.push(chunk);
  }

  override _transform(chunk: Buffer, _encoding: string, done: () => void): void {
    countRows(chunk, this.line, this.rows, (rest) => {
      this.line = rest;
    });
    this.note(chunk);
    done();
  }

  override _flush(done: () => void): void {
    const whole: Whole = { bytes: this.bytes, sha256: this.hash.digest("hex"), rows: this.rows };
    this.push(`${END}${JSON.stringify(whole)}\n`);
    done();
  }
}

const LINE_START = 120;

/** Counts rows by the beginnings of lines; `keep` is told the beginning of the line that is not over yet. */
function countRows(chunk: Buffer, before: string, rows: Record<string, number>, keep: (rest: string) => void): void {
  let line = before;
  let at = 0;
  for (;;) {
    const next = chunk.indexOf(10, at);
    const to = next < 0 ? chunk.length : next;
    if (line.length < LINE_START) line += chunk.toString("latin1", at, Math.min(to, at + LINE_START - line.length));
    if (next < 0) return keep(line);
    const table = ROW.exec(line)?.[1];
    if (table) rows[table] = (rows[table] ?? 0) + 1;
    line = "";
    at = next + 1;
  }
}

export interface Verified {
  manifest: Manifest;
  whole: Whole;
}

/** Reads a backup from one end to the other. Throws a Stop that says what is wrong with it: cut off, changed, or no backup. */
export async function verifyBackup(file: string): Promise<Verified> {
  const size = await stat(file).then(
    (s) => (s.isFile() ? s.size : -1),
    () => -2,
  );
  if (size === -2) throw new Stop(`${file}: there is no such file`, 2);
  if (size === -1) throw new Stop(`${file}: is no file`, 2);
  if (size === 0) throw new Stop(`${file} is empty: it is no backup.`);
  const tail = await lastLine(file, size);
  const first = await firstBytes(file);
  if (!first.startsWith(HEAD)) throw new Stop(`${file} is no backup of Wide Lane, or one of an older version that can't be checked.`);
  const manifest = parse<Manifest>(first.slice(HEAD.length, first.indexOf("\n")));
  if (manifest?.format !== FORMAT) throw new Stop(`${file} is of the form ${manifest?.format ?? "unknown"}; this version reads ${FORMAT}.`);
  const whole = tail?.startsWith(END) ? parse<Whole>(tail.slice(END.length)) : undefined;
  if (!whole) throw new Stop(`${file} was cut off: its end is missing. Nothing was restored from it.`);
  const hash = createHash("sha256");
  const rows: Record<string, number> = {};
  let line = "";
  let bytes = 0;
  for await (const chunk of createReadStream(file, { end: size - Buffer.byteLength(`${tail}\n`) - 1 }) as AsyncIterable<Buffer>) {
    hash.update(chunk);
    bytes += chunk.length;
    countRows(chunk, line, rows, (rest) => {
      line = rest;
    });
  }
  if (bytes !== whole.bytes) throw new Stop(`${file} has ${bytes} bytes where ${whole.bytes} were written: it was cut or changed.`);
  if (hash.digest("hex") !== whole.sha256) throw new Stop(`${file} was changed or damaged: its checksum is another one.`);
  for (const [table, n] of Object.entries(whole.rows))
    if (rows[table] !== n) throw new Stop(`${file} holds ${rows[table] ?? 0} rows of ${table} where ${n} were written.`);
  return { manifest, whole };
}

function parse<T>(text: string): T | undefined {
  try {
    return JSON.parse(text) as T;
  } catch {
    return undefined;
  }
}

async function firstBytes(file: string): Promise<string> {
  for await (const chunk of createReadStream(file, { end: 2000 }) as AsyncIterable<Buffer>) return chunk.toString("utf8");
  return "";
}

async function lastLine(file: string, size: number): Promise<string | undefined> {
  const parts: Buffer[] = [];
  for await (const chunk of createReadStream(file, { start: Math.max(0, size - 64_000) }) as AsyncIterable<Buffer>) parts.push(chunk);
  const text = Buffer.concat(parts).toString("utf8");
  return text.endsWith("\n") ? text.slice(text.lastIndexOf("\n", text.length - 2) + 1, -1) : undefined;
}
