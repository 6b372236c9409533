// What the client is told in writing when a van is handed over: not ours, sealed in as it was, not for the road.

import { marksIn, sayMark } from "../bare-body/marks";
import { leisureSeats } from "../client/brief";
import { entriesOf } from "../records/kinds/of";
import type { BuildRow } from "../state/model";
import { notOurs } from "./other-trades";

/** Lines of the handover pack that come from the build's papers; empty where there is nothing to be told. Source: ST-n4, ST-n26, PL-n2. */
export function goesWithIt(build: Pick<BuildRow, "records">): string[] {
  const owner = entriesOf(build.records, "owner")[0]?.data;
  const leisure = owner ? leisureSeats(owner) : 0;
  return [
    ...notOurs(build.records).map((t) => `Not ours: ${t}`),
    ...marksIn(build.records)
      .filter((m) => m.data.what === "rust" && m.data.accepted)
      .map((m) => `Sealed in as it was: ${m.title}, ${sayMark(m.data)}`),
    ...(leisure ? [`${leisure} leisure ${leisure === 1 ? "seat" : "seats"}: nobody sits there while driving`] : []),
  ];
}
