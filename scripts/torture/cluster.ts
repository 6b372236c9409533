// What is tortured: two servers on a cluster of three nodes, of which two are cut off for a while, one after the other, and one is killed.

import { type ChildProcess, spawn } from "node:child_process";
import { chmodSync, cpSync, existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import mysql from "mysql2/promise";
import { freePort } from "../database";
import { type Server, serve } from "../serve";
import { type Supervised, supervise } from "../supervise";
import { within } from "../within";
import { allReady, type House } from "./house";

const SCRIPTS = path.resolve(".data/cluster/usr/bin");
const PROVIDER = "/usr/lib/galera/libgalera_smm.so";
const pause = (ms: number) => new Promise<void>((r) => setTimeout(r, ms));

interface Node {
  n: number;
  data: string;
  port: number;
  group: number;
  ist: number;
  sst: number;
  process?: ChildProcess;
}

/** Whether a cluster can be made on this machine. */
export const clusterPossible = (): boolean => existsSync(PROVIDER) && existsSync(path.join(SCRIPTS, "wsrep_sst_rsync"));

export async function openCluster(folder: string): Promise<House> {
  if (!clusterPossible()) throw new Error("what a cluster needs is missing: run it as ./wide-lane torture --cluster");
  const first = path.join(folder, "shop");
  const password = readFileSync(path.join(first, "password"), "utf8");
  const nodes: Node[] = [];
  for (let n = 0; n < 3; n++)
    nodes.push({
      n,
      data: path.join(folder, `node-${n}`),
      port: await freePort(),
      group: await freePort(),
      ist: await freePort(),
      sst: await freePort(),
    });
  let log = "";
  const run = mkdtempSync(path.join(os.tmpdir(), "wlc-"));
  const note = (d: Buffer) => {
    log = (log + d).slice(-100_000);
  };

  const start = async (node: Node, begins: boolean): Promise<void> => {
    const tmp = path.join(run, `t${node.n}`);
    mkdirSync(tmp, { recursive: true });
    const common = ["--no-defaults", `--user=${os.userInfo().username}`, `--datadir=${node.data}`, `--tmpdir=${tmp}`];
    node.process = spawn(
      "/usr/bin/setpriv",
      [
        "--pdeathsig",
        "TERM",
        "mariadbd",
        ...common,
        "--bind-address=127.0.0.1",
        `--port=${node.port}`,
        `--socket=${path.join(run, `s${node.n}.sock`)}`,
        `--pid-file=${path.join(run, `p${node.n}`)}`,
        "--skip-name-resolve",
        "--binlog-format=ROW",
        "--default-storage-engine=InnoDB",
        "--innodb-autoinc-lock-mode=2",
        "--innodb-flush-log-at-trx-commit=1",
        "--loose-innodb-snapshot-isolation=ON",
        "--max-allowed-packet=64M",
        "--wsrep-on=ON",
        `--wsrep-provider=${PROVIDER}`,
        `--wsrep-node-address=127.0.0.1:${node.group}`,
        `--wsrep-node-name=node${node.n}`,
        `--wsrep-cluster-address=gcomm://${nodes.map((o) => `127.0.0.1:${o.group}`).join(",")}`,
        `--wsrep-provider-options=gmcast.listen_addr=tcp://127.0.0.1:${node.group};ist.recv_addr=127.0.0.1:${node.ist};evs.suspect_timeout=PT2S;evs.inactive_timeout=PT5S;evs.keepalive_period=PT0.5S;gcache.size=256M;pc.recovery=false`,
        `--wsrep-sst-receive-address=127.0.0.1:${node.sst}`,
        "--wsrep-slave-threads=2",
        ...(begins ? ["--wsrep-new-cluster"] : []),
      ],
      // What a node missed comes out of the others' memory of it; the scripts that would send a whole copy are asked all the same.
      { stdio: ["ignore", "pipe", "pipe"], env: { ...process.env, PATH: `${SCRIPTS}:${process.env.PATH}` } },
    );
    node.process.stdout?.on("data", note);
    node.process.stderr?.on("data", note);
  };

  const stateOf = async (node: Node): Promise<string | undefined> => {
    const c = await mysql.createConnection({ host: "127.0.0.1", port: node.port, user: "wide_lane", password, connectTimeout: 1000 });
    try {
      const [[r]] = await c.query<mysql.RowDataPacket[]>({ sql: "SHOW STATUS LIKE 'wsrep_local_state_comment'", timeout: 3000 });
      return r?.Value;
    } finally {
      // Said good-bye to in order, a connection waits for the answers that are still due.
      c.destroy();
    }
  };

  const synced = async (node: Node, withinMs: number): Promise<boolean> => {
    for (const end = Date.now() + withinMs; Date.now() < end; await pause(200)) {
      // A node that has just been let go on may take a question and never answer it: each asking has its own end.
      const state = await within(`node ${node.n}`, 5000, stateOf(node)).catch(() => undefined);
      if (state === "Synced") return true;
    }
    return false;
  };
  const stop = async (node: Node): Promise<void> => {
    const p = node.process;
    if (!p || p.exitCode !== null || p.signalCode !== null) return;
    const over = new Promise<void>((r) => p.once("exit", () => r()));
    p.kill("SIGTERM");
    // One that was cut off while it was told to end may wait for the others for ever.
    const late = setTimeout(() => p.kill("SIGKILL"), 30_000);
    await over;
    clearTimeout(late);
  };

  // The first node begins a cluster and ends again: its data then say at which point of the cluster they stand, and a copy
  // of them joins without being sent anything.
  cpSync(path.join(first, "mariadb"), nodes[0].data, { recursive: true });
  await start(nodes[0], true);
  if (!(await synced(nodes[0], 60_000))) throw new Error(`the first node does not begin a cluster:\n${log.slice(-3000)}`);
  await stop(nodes[0]);
  for (const n of nodes.slice(1)) cpSync(nodes[0].data, n.data, { recursive: true });
  // The copying program gives up its rights before it looks: these throw-away folders are open to it.
  for (const f of [path.dirname(folder), folder]) chmodSync(f, 0o755);
  for (const n of nodes) chmodSync(n.data, 0o777);
  await start(nodes[0], true);
  if (!(await synced(nodes[0], 60_000))) throw new Error(`the first node does not begin again:\n${log.slice(-3000)}`);
  for (const n of nodes.slice(1)) {
    await start(n, false);
    if (!(await synced(n, 60_000))) throw new Error(`node ${n.n} does not join:\n${log.slice(-14_000)}`);
  }

  /** Each server tries another node first. */
  const urlFor = (i: number) =>
    `mysql://wide_lane:${password}@${[...nodes.slice(i), ...nodes.slice(0, i)].map((n) => `127.0.0.1:${n.port}`).join(",")}/wide_lane`;
  const servers: Supervised<Server>[] = [];
  const addresses: string[] = [];
  for (let i = 0; i < 2; i++) {
    const port = await freePort();
    servers.push(
      await supervise(
        `server ${i + 1}`,
        () => serve("127.0.0.1", port, { DATABASE_URL: urlFor(i), WIDE_LANE_LOG: "warn" }),
        (t) => {
          log += `${t}\n`;
        },
      ),
    );
    addresses.push(servers[i].now.address);
  }

  const dead = new Set<Node>();
  const strike = async (blow: string): Promise<string> => {
    if (blow === "nothing") return blow;
    if (blow.startsWith("server")) {
      const s = servers[blow.endsWith("1") ? 0 : 1];
      process.kill(s.now.pid, "SIGKILL");
      return `${blow}: process ${s.now.pid}`;
    }
    const node = nodes[Number(blow.at(-1)) - 1];
    const pid = node.process?.pid;
    // A cluster of three does without one at a time.
    if (!pid || dead.size) return `${blow} (left out: a node is dead already)`;
    if (blow.startsWith("cut off")) {
      // Nobody hears of it for so long that the others go on without it.
      process.kill(pid, "SIGSTOP");
      await pause(9000);
      process.kill(pid, "SIGCONT");
      return `${blow} for 9 s`;
    }
    process.kill(pid, "SIGKILL");
    dead.add(node);
    return `${blow}: process ${pid}, for good`;
  };
  return {
    addresses,
    blows: ["cut off node 2", "server 1", "cut off node 1", "kill node 3", "server 2", "nothing"],
    url: () => urlFor(0),
    strike,
    back: async (withinMs) => {
      const ms = await allReady(addresses, withinMs);
      // The servers go on at once; the next blow waits until who was cut off is back, so that two nodes are always there.
      for (const n of nodes)
        if (!dead.has(n) && !(await synced(n, 60_000))) throw new Error(`node ${n.n} does not come back:\n${log.slice(-5000)}`);
      return ms;
    },
    log: () => log,
    end: async () => {
      await Promise.all(servers.map((s) => s.stop()));
      for (const n of [...nodes].reverse()) if (!dead.has(n)) await stop(n);
      rmSync(run, { recursive: true, force: true });
    },
  };
}
