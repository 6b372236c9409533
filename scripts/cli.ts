// Dispatches ./wide-lane COMMAND. Faults that a person can mend come as one clear message and exit 1.

import { Stop } from "./stop";

const HELP = `Usage: ./wide-lane COMMAND

  demo [--fresh] [--port N] [--host H]     the made-up workshop, served on this machine
  start [--port N] [--host H]              your own workshop (DATABASE_URL, or a database of its own)
  test                                     lint, types, unit, database and browser tests
  plan FILE [--ms N | --iterations N] [--seed N]   plan a problem file, plan on standard output
  check PROBLEM PLAN                       the independent checker: exit 0 and "valid", or 1 and each broken rule
  setout NAME FILE [--svg FILE] [--dxf FILE]   a set-out calculator: numbers before metal is cut
  new setout [STAGE NAME]                  a new calculator's folder; without a name, the registry and docs/setout.md again
  bench [plan | replan | plain | app | clicks] [--write]   speed of the planner, of the server, and from click to paint
  backup FILE | backup --verify FILE       write the whole database of ./wide-lane start to a file; read one through
  restore FILE [--replace]                 put such a file back, all of it or nothing
  sign-in-code LOGIN                       a code for somebody who can't get in any more
  audit                                    known holes in the packages, where the registry answers
  torture [--minutes N]                    kill everything under load, and look whether anything was lost
  doctor                                   what is installed, free and running
  needs [--write]                          check docs/needs.md and count its states
  shots                                    make the pictures in docs/screenshots anew`;

const commands: Record<string, () => Promise<{ default: (args: string[]) => Promise<number> }>> = {
  demo: () => import("./demo"),
  start: () => import("./start"),
  test: () => import("./test"),
  plan: () => import("./plan"),
  check: () => import("./check"),
  setout: () => import("./setout"),
  new: () => import("./new"),
  bench: () => import("./bench"),
  backup: () => import("./backup"),
  restore: () => import("./restore"),
  "sign-in-code": () => import("./sign-in-code"),
  audit: () => import("./audit"),
  torture: () => import("./torture"),
  doctor: () => import("./doctor"),
  needs: () => import("./needs"),
  shots: () => import("./shots"),
};

const [name = "help", ...args] = process.argv.slice(2);
const load = commands[name];
if (!load) {
  const asked = ["help", "--help", "-h"].includes(name);
  (asked ? console.log : console.error)(asked ? HELP : `wide-lane: there is no command ${name}\n\n${HELP}`);
  process.exitCode = asked ? 0 : 2;
} else {
  try {
    process.exitCode = await (await load()).default(args);
  } catch (e) {
    if (!(e instanceof Stop)) throw e;
    console.error(`wide-lane: ${e.message}`);
    process.exitCode = e.code;
  }
}
