// Every act twenty times at the same moment, from two servers: nobody gets a fault of the server's own, and the house is in order after.

import { afterAll, beforeAll, expect, it } from "vitest";
import { closePool, pool, rows } from "@/db/pool";
import { actions } from "@/server/api";
import { Maker } from "./hostile";
import { brokenInvariants } from "./invariants";
import { addresses, Person } from "./people";

/** Acts that plan take each other's time: a few of them at once show the same. */
const PLANS = /^plan|\/try$|\/morning$|\/split$|\/instead$|\/review$|\/slot$|^library\//;
const leads = addresses.map((a) => new Person(a));
let ids: string[] = [];

beforeAll(async () => {
  for (const p of leads) await p.signIn("mara");
  const list = await rows<{ id: string }>(
    pool(),
    `(SELECT id FROM build) UNION (SELECT id FROM job LIMIT 200) UNION (SELECT id FROM part_line LIMIT 40) UNION (SELECT id FROM record LIMIT 40)
     UNION (SELECT id FROM bay) UNION (SELECT id FROM fitter) UNION (SELECT id FROM supplier) UNION (SELECT id FROM tool) UNION (SELECT id FROM calendar)`,
  );
  ids = list.map((r) => r.id);
});
afterAll(closePool);

it("are answered by a yes or a clear no, and leave the house in order", async () => {
  expect(addresses.length).toBe(2);
  const faults: string[] = [];
  let accepted = 0;
  for (const [n, act] of actions.filter((a) => !/^(users|account)/.test(a.path)).entries()) {
    const maker = new Maker(n + 1, ids);
    const path = act.path.replace(/\*/g, () => encodeURIComponent(maker.pick(ids)));
    const body = JSON.stringify(maker.fitting(act.schema as Record<string, unknown>));
    const many = PLANS.test(act.path) ? 4 : 20;
    const replies = await Promise.all(Array.from({ length: many }, (_, i) => leads[i % 2].ask(act.method, `/api/${path}`, body)));
    for (const r of replies) {
      // Full for the moment (503) is an answer too: it is sent again.
      if (r.status >= 500 && r.status !== 503)
        faults.push(`${r.status} ${act.method} ${path} ${body.slice(0, 150)} -> ${r.text.slice(0, 150)}`);
      if (r.status === 200) accepted++;
    }
  }
  expect(faults).toEqual([]);
  expect(accepted).toBeGreaterThan(20);
  expect(await brokenInvariants(pool())).toEqual([]);
});
