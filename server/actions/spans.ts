// Who is away, which bay is closed, which is heated: from when to when.

import { v7 } from "uuid";
import { addSpanRow, dropRow, lockSpan, moveSpan, ownerOf, type SpanTable, spanOwner } from "@/db/house/spans";
import { fromSql, toSql } from "@/db/pool";
import { action, body, change, instant, is } from "../action";
import { badField, Refusal, Stale } from "../refusal";

const reason = { type: "string", maxLength: 200 };

interface Times {
  from: string;
  to: string;
  reason: string;
}

function addition(path: string, table: SpanTable, word: string) {
  const field = ownerOf(table) === "fitter" ? "fitterId" : "bayId";
  return action<Times & Record<string, string>>(
    { method: "POST", path, role: "lead" },
    body({ [field]: is.id, from: is.local, to: is.local, reason }),
    (b, { user }) =>
      change(user, async (x) => {
        const from = instant(x, b.from, "from");
        const to = instant(x, b.to, "to");
        if (to <= from) throw badField("to", "has to be later than it begins");
        const owner = await spanOwner(x.c, table, b[field]);
        if (!owner) throw badField(field, "is not known");
        if (table === "bay_heat" && owner.heatTempC === null)
          throw badField(field, "may not be heated: say in Bays to what, and who allows it");
        const id = v7();
        await addSpanRow(x.c, table, { id, owner: b[field], starts: toSql(from), ends: toSql(to), reason: b.reason.trim() });
        const text = `${owner.name} ${word} ${b.from.replace("T", " ")} to ${b.to.replace("T", " ")}`;
        await x.event({ kind: `${table}.added`, entity: ownerOf(table), entityId: b[field], text });
        await x.stale(text);
        return { id };
      }),
  );
}

/** Moves one; refused when it no longer stands as the editor saw it. */
function spanEdit(path: string, table: SpanTable, what: string) {
  return action<Times & { wasFrom: string; wasTo: string }>(
    { method: "PATCH", path: `${path}/*`, role: "lead" },
    body({ from: is.local, to: is.local, reason, wasFrom: is.local, wasTo: is.local }),
    (b, { user, ids }) =>
      change(user, async (x) => {
        const [from, to] = [instant(x, b.from, "from"), instant(x, b.to, "to")];
        if (to <= from) throw badField("to", "has to be later than it begins");
        const row = await lockSpan(x.c, table, ids[0]);
        if (!row) throw new Refusal(404, "It is gone already.");
        const now = { from: x.zone.show(fromSql(row.starts)), to: x.zone.show(fromSql(row.ends)) };
        if (now.from !== b.wasFrom || now.to !== b.wasTo) throw new Stale(what, { from: b.from, to: b.to }, now, 1);
        await moveSpan(x.c, table, ids[0], toSql(from), toSql(to), b.reason.trim());
        const text = `${what} is now ${b.from.replace("T", " ")} to ${b.to.replace("T", " ")}`;
        await x.event({ kind: `${table}.changed`, entity: table, entityId: ids[0], text });
        await x.stale(text);
      }),
  );
}

function removal(path: string, table: SpanTable | "calendar_day", what: string) {
  return action({ method: "DELETE", path: `${path}/*`, role: "lead" }, body({}), (_b, { user, ids }) =>
    change(user, async (x) => {
      if (!(await dropRow(x.c, table, ids[0]))) throw new Refusal(404, "It is gone already.");
      await x.event({ kind: `${table}.removed`, entity: table, entityId: ids[0], text: `${what} taken out` });
      await x.stale(`${what} taken out`);
    }),
  );
}

export const spanActions = [
  addition("absences", "absence", "away"),
  addition("closures", "bay_closure", "closed"),
  addition("heats", "bay_heat", "heated"),
  spanEdit("absences", "absence", "The time away"),
  spanEdit("closures", "bay_closure", "The closure"),
  spanEdit("heats", "bay_heat", "The heating"),
  removal("absences", "absence", "an absence"),
  removal("closures", "bay_closure", "a closure"),
  removal("heats", "bay_heat", "heating"),
  removal("calendar-days", "calendar_day", "a special day"),
];
