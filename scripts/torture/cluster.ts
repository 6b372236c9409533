// What is tortured: two servers on a cluster of three nodes, of which one is killed and one is cut off for a while.

import { type ChildProcess, spawn, spawnSync } from "node:child_process";
import { cpSync, existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import mysql from "mysql2/promise";
import { freePort } from "../database";
import { type Server, serve } from "../serve";
import { type Supervised, supervise } from "../supervise";
import { allReady, type House } from "./house";

const PROVIDER = "/usr/lib/galera/libgalera_smm.so";
const pause = (ms: number) => new Promise<void>((r) => setTimeout(r, ms));

interface Node {
  n: number;
  data: string;
  port: number;
  group: number;
  ist: number;
  process?: ChildProcess;
}

/** Whether a cluster can be made on this machine. */
export const clusterPossible = (): boolean => existsSync(PROVIDER);

export async function openCluster(folder: string): Promise<House> {
  if (!clusterPossible()) throw new Error(`${PROVIDER} is missing: apt-get install galera-4`);
  const first = path.join(folder, "shop");
  const password = readFileSync(path.join(first, "password"), "utf8");
  const nodes: Node[] = [];
  for (let n = 0; n < 3; n++)
    nodes.push({ n, data: path.join(folder, `node-${n}`), port: await freePort(), group: await freePort(), ist: await freePort() });
  let log = "";
  const run = mkdtempSync(path.join(os.tmpdir(), "wlc-"));
  const note = (d: Buffer) => {
    log = (log + d).slice(-100_000);
  };

  const start = async (node: Node, begins: boolean): Promise<void> => {
    const tmp = path.join(run, `t${node.n}`);
    mkdirSync(tmp, { recursive: true });
    const common = ["--no-defaults", `--user=${os.userInfo().username}`, `--datadir=${node.data}`, `--tmpdir=${tmp}`];
    const from = begins ? [] : recovered(common);
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
        "--wsrep-slave-threads=2",
        ...(begins ? ["--wsrep-new-cluster"] : []),
        ...from,
      ],
      { stdio: ["ignore", "pipe", "pipe"] },
    );
    node.process.stdout?.on("data", note);
    node.process.stderr?.on("data", note);
  };

  const synced = async (node: Node, withinMs: number): Promise<boolean> => {
    for (const end = Date.now() + withinMs; Date.now() < end; await pause(200)) {
      const c = await mysql
        .createConnection({ host: "127.0.0.1", port: node.port, user: "wide_lane", password, connectTimeout: 1000 })
        .catch(() => undefined);
      if (!c) continue;
      const [[r]] = await c.query<mysql.RowDataPacket[]>("SHOW STATUS LIKE 'wsrep_local_state_comment'").catch(() => [[]] as never);
      await c.end().catch(() => undefined);
      if (r?.Value === "Synced") return true;
    }
    return false;
  };
  const stop = async (node: Node): Promise<void> => {
    const p = node.process;
    if (!p || p.exitCode !== null || p.signalCode !== null) return;
    const over = new Promise<void>((r) => p.once("exit", () => r()));
    p.kill("SIGTERM");
    await over;
  };

  // The first node begins a cluster and ends again: its data then say at which point of the cluster they stand, and a copy
  // of them joins without being sent anything.
  cpSync(path.join(first, "mariadb"), nodes[0].data, { recursive: true });
  await start(nodes[0], true);
  if (!(await synced(nodes[0], 60_000))) throw new Error(`the first node does not begin a cluster:\n${log.slice(-3000)}`);
  await stop(nodes[0]);
  for (const n of nodes.slice(1)) cpSync(nodes[0].data, n.data, { recursive: true });
  await start(nodes[0], true);
  if (!(await synced(nodes[0], 60_000))) throw new Error(`the first node does not begin again:\n${log.slice(-3000)}`);
  for (const n of nodes.slice(1)) {
    await start(n, false);
    if (!(await synced(n, 60_000))) throw new Error(`node ${n.n} does not join:\n${log.slice(-4000)}`);
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

  const strike = async (blow: string): Promise<string> => {
    if (blow === "nothing") return blow;
    if (blow.startsWith("server")) {
      const s = servers[blow.endsWith("1") ? 0 : 1];
      process.kill(s.now.pid, "SIGKILL");
      return `${blow}: process ${s.now.pid}`;
    }
    const node = nodes[Number(blow.at(-1)) - 1];
    const pid = node.process?.pid;
    if (!pid) return `${blow}: not there`;
    if (blow.startsWith("cut off")) {
      // Nobody hears of it for so long that the others go on without it.
      process.kill(pid, "SIGSTOP");
      await pause(9000);
      process.kill(pid, "SIGCONT");
      return `${blow} for 9 s`;
    }
    process.kill(pid, "SIGKILL");
    await pause(5000);
    await start(node, false);
    return `${blow}: process ${pid}, started again after 5 s`;
  };
  return {
    addresses,
    blows: ["kill node 1", "server 1", "cut off node 2", "kill node 3", "server 2", "cut off node 1", "nothing"],
    url: () => urlFor(0),
    strike,
    back: async (withinMs) => {
      const ms = await allReady(addresses, withinMs);
      // The servers go on at once; the next blow waits until the cluster is whole again, so that two nodes are always there.
      for (const n of nodes) if (!(await synced(n, 60_000))) throw new Error(`node ${n.n} does not come back:\n${log.slice(-5000)}`);
      return ms;
    },
    log: () => log,
    end: async () => {
      await Promise.all(servers.map((s) => s.stop()));
      for (const n of [...nodes].reverse()) await stop(n);
      rmSync(run, { recursive: true, force: true });
    },
  };
}

/** Where a node that was killed stands in the cluster, as its own log of changes says. */
function recovered(common: readonly string[]): string[] {
  const r = spawnSync(
    "mariadbd",
    [...common, "--wsrep-recover", "--wsrep-on=ON", `--wsrep-provider=${PROVIDER}`, "--log-error-verbosity=3"],
    { encoding: "utf8", timeout: 60_000 },
  );
  const at = /Recovered position:\s*([0-9a-f-]{36}:-?\d+)/.exec(`${r.stdout}${r.stderr}`)?.[1];
  return at ? [`--wsrep-start-position=${at}`] : [];
}
