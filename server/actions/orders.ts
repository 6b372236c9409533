// Actions on the orders of the house: which steps of a build are forced, orders kept by name, tried on a build and forgotten.

import { v7 } from "uuid";
import { orderOf, schoolsOf } from "@/core/library/order";
import { measuredVan } from "@/core/workshop/builds/measured";
import { addHouseOrder, dropHouseOrder, houseOrders } from "@/db/house/house-orders";
import { jobsOfVersion } from "@/db/house/library";
import { pool, toSql } from "@/db/pool";
import { loadShop } from "@/db/shop";
import { action, body, type Change, change, is } from "../action";
import { previewOptions } from "../builds/options";
import { badField, Refusal } from "../refusal";

async function buildOf(c: Parameters<typeof loadShop>[0], id: string) {
  const shop = await loadShop(c);
  const build = shop.builds.find((b) => b.id === id);
  if (!build) throw new Refusal(404, "There is no such build.");
  return { shop, build };
}

async function known(x: Change["c"] | ReturnType<typeof pool>, id: string) {
  const order = (await houseOrders(x)).find((o) => o.id === id);
  if (!order) throw new Refusal(404, "That order is not kept any more.");
  return order;
}

export const orderActions = [
  // Every step of a build's order: forced, or a habit and by which school.
  action({ method: "POST", path: "builds/*/order", role: "any" }, body({}), async (_b, { ids }) => {
    const { shop, build } = await buildOf(pool(), ids[0]);
    const van = shop.vans.find((v) => v.id === build.vanId);
    if (!van) throw new Refusal(409, "The van's template is gone, so its order can't be worked out.");
    return { steps: orderOf(build.options, measuredVan(van.geometry, build), await jobsOfVersion(pool(), build.libraryVersion)) };
  }),
  action<{ buildId: string; name: string }>(
    { method: "POST", path: "orders", role: "lead" },
    body({ buildId: is.id, name: is.name }),
    (b, { user }) =>
      change(user, async (x) => {
        const { build } = await buildOf(x.c, b.buildId);
        const name = b.name.trim();
        if ((await houseOrders(x.c)).some((o) => o.name === name)) throw badField("name", "is there already");
        const id = v7();
        await addHouseOrder(x.c, { id, name, choices: schoolsOf(build.options), by: user.id, at: toSql(x.now) });
        await x.event({
          kind: "order.kept",
          entity: "house_order",
          entityId: id,
          buildId: build.id,
          text: `order of ${build.name} kept as ${name}`,
        });
        return { id };
      }),
  ),
  // What a kept order would change in a build: hours, waits, dates. Takes nothing.
  action<{ buildId: string }>({ method: "POST", path: "orders/*/try", role: "lead" }, body({ buildId: is.id }), async (b, { ids }) => {
    const order = await known(pool(), ids[0]);
    const { build } = await buildOf(pool(), b.buildId);
    return previewOptions(build.id, { ...build.options, ...order.choices });
  }),
  action({ method: "DELETE", path: "orders/*", role: "lead" }, body({}), (_b, { user, ids }) =>
    change(user, async (x) => {
      const order = await known(x.c, ids[0]);
      await dropHouseOrder(x.c, order.id);
      await x.event({ kind: "order.dropped", entity: "house_order", entityId: order.id, text: `order ${order.name} forgotten` });
    }),
  ),
];
