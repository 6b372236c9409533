// Processes as the system knows them: by number and the moment they were started, so that a number used again is never taken for the old one.

import { readFileSync } from "node:fs";

export interface Known {
  pid: number;
  /** Clock ticks after the machine's start at which it was started, as the system counts; "" where it can't be told. */
  started: string;
}

/** When a process was started; undefined: there is none of that number, or it is only waiting to be buried. */
export function startOf(pid: number): string | undefined {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, "utf8");
    // The name stands in brackets and may hold spaces and brackets itself.
    const fields = stat.slice(stat.lastIndexOf(")") + 2).split(" ");
    return fields[0] === "Z" ? undefined : fields[19];
  } catch {
    return alive(pid) && process.platform !== "linux" ? "" : undefined;
  }
}

function alive(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch (e) {
    return (e as NodeJS.ErrnoException).code === "EPERM";
  }
}

export const self = (): Known => ({ pid: process.pid, started: startOf(process.pid) ?? "" });

export const known = (pid: number): Known => ({ pid, started: startOf(pid) ?? "" });

/** Whether this very process still runs. */
export const runs = (k: Known | undefined): boolean => k !== undefined && k.pid > 0 && startOf(k.pid) === k.started;

/** "PID START", as it stands in a file; undefined: nothing that can be read. */
export function readKnown(file: string): Known | undefined {
  try {
    const [pid, started = ""] = readFileSync(file, "utf8").trim().split(" ");
    const n = Number(pid);
    return Number.isInteger(n) && n > 0 ? { pid: n, started } : undefined;
  } catch {
    return undefined;
  }
}

export const writeKnown = (k: Known): string => `${k.pid} ${k.started}`;

/** Ends a process and waits until it is gone: asked first, made to after `graceMs`. False: it is still there. */
export async function endProcess(k: Known, graceMs = 10_000): Promise<boolean> {
  const until = async (ms: number) => {
    for (const end = Date.now() + ms; Date.now() < end; ) {
      if (!runs(k)) return true;
      await new Promise((r) => setTimeout(r, 50));
    }
    return !runs(k);
  };
  if (!runs(k)) return true;
  signal(k.pid, "SIGTERM");
  if (await until(graceMs)) return true;
  if (runs(k)) signal(k.pid, "SIGKILL");
  return until(5000);
}

function signal(pid: number, name: NodeJS.Signals): void {
  try {
    process.kill(pid, name);
  } catch {
    // It is gone already.
  }
}
