// ./wide-lane doctor: what is installed, free and running, in one look.

import { spawnSync } from "node:child_process";
import { existsSync, readFileSync } from "node:fs";

export default async function doctor(): Promise<number> {
  let bad = 0;
  const line = (what: string, ok: boolean, words: string) => {
    if (!ok) bad++;
    console.log(`${ok ? "ok  " : "BAD "} ${what.padEnd(12)} ${words}`);
  };
  const first = (cmd: string, args: string[]) => spawnSync(cmd, args, { encoding: "utf8" }).stdout?.split("\n")[0]?.trim() ?? "";
  line("Node", true, process.version);
  const maria = first("mariadbd", ["--version"]);
  line("MariaDB", maria !== "", maria || "not installed; ./wide-lane start installs it");
  const kb = Number(first("sh", ["-c", "df -Pk . | tail -n 1"]).split(/\s+/)[3]);
  line("disk", kb > 500_000, `${Math.round(kb / 1024)} MB free`);
  line("build", true, existsSync(".next/wide-lane-stamp") ? "there" : "made at the next start");
  for (const name of ["demo", "shop"]) {
    const file = `.data/${name}/running`;
    const pid = existsSync(file) ? Number(readFileSync(file, "utf8")) : 0;
    let alive = false;
    try {
      alive = pid > 0 && process.kill(pid, 0);
    } catch {
      alive = false;
    }
    line(name, true, alive ? `running, process ${pid}` : existsSync(`.data/${name}/mariadb`) ? "data there, not running" : "no data yet");
  }
  return bad ? 1 : 0;
}
