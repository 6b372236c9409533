// Actions on part lines: ordered, promised, arrived, checked or wrong; and asking the suppliers.

import { sayDay } from "@/core/plan/words";
import type { CutOut, PartState } from "@/core/workshop/state/model";
import { availableFrom } from "@/core/workshop/stores/parts";
import { toSql } from "@/db/pool";
import { loadShop } from "@/db/shop";
import { askSuppliers } from "@/standins/suppliers";
import { action, body, change, instant, is } from "../action";
import { editRow } from "../edits";
import { badField, Refusal } from "../refusal";

interface PartEdit {
  version: number;
  state: PartState;
  promised?: string;
  shelf?: string;
  note?: string;
  supplierId?: string;
  /** The hole that it asks for, as measured; null takes it out again. */
  cutOut?: CutOut | null;
  /** Days to see samples of it and to choose, before it can be ordered. */
  sampleDays?: number;
}

const WORDS: Record<PartState, string> = {
  needed: "to be ordered",
  ordered: "ordered",
  promised: "promised",
  arrived: "arrived",
  checked: "checked, complete",
  wrong: "came wrong",
};

const showTime = (zone: { show(t: number): string }) => (v: unknown) =>
  v === null ? null : zone.show(Date.parse(`${String(v).replace(" ", "T")}Z`) / 60_000);

export const partActions = [
  action<PartEdit>(
    { method: "PATCH", path: "parts/*", role: "lead" },
    body(
      { version: is.version, state: { type: "string", enum: Object.keys(WORDS) } },
      {
        promised: is.local,
        shelf: { type: "string", maxLength: 60 },
        note: { type: "string", maxLength: 500 },
        supplierId: is.id,
        sampleDays: { type: "integer", minimum: 0, maximum: 120 },
        cutOut: {
          type: "object",
          nullable: true,
          additionalProperties: false,
          required: ["w", "h", "r"],
          properties: {
            w: { type: "number", minimum: 20, maximum: 2500 },
            h: { type: "number", minimum: 20, maximum: 2500 },
            r: { type: "number", minimum: 0, maximum: 600 },
          },
        },
      },
    ),
    (b, { user, ids }) =>
      change(user, async (x) => {
        const shop = await loadShop(x.c);
        const build = shop.builds.find((o) => o.jobs.some((j) => j.parts.some((p) => p.id === ids[0])));
        const part = build?.jobs.flatMap((j) => j.parts).find((p) => p.id === ids[0]);
        if (!build || !part) throw new Refusal(404, "There is no such part line.");
        // A promise that is kept stands again when an arrival is taken back.
        if (b.state === "promised" && !b.promised && part.promisedAt === null)
          throw badField("promised", "say which day the supplier promises");
        if (b.cutOut && 2 * b.cutOut.r > Math.min(b.cutOut.w, b.cutOut.h))
          throw badField("cutOut.r", "is more than half of the smaller side");
        if (b.state === "wrong" && !b.note?.trim()) throw badField("note", "say what is wrong with it");
        const promised = b.promised === undefined ? part.promisedAt : instant(x, b.promised, "promised");
        const supplier = shop.suppliers.find((s) => s.id === (b.supplierId ?? part.supplierId));
        if (b.supplierId && b.supplierId !== part.supplierId && (!supplier || supplier.retired))
          throw badField("supplierId", "is no supplier of the workshop");
        const goodsIn = shop.workshop.goodsInMinutes;
        const before = availableFrom(part, supplier, x.now, goodsIn);
        const after = availableFrom({ ...part, state: b.state, promisedAt: promised }, supplier, x.now, goodsIn);
        const show = showTime(x.zone);
        await editRow(x.c, "part_line", part.name, part.id, b.version, {
          state: { column: "state", value: b.state },
          promised: {
            column: "promised_at",
            value: promised === null ? null : toSql(promised),
            mine: promised === null ? null : x.zone.show(promised),
            show,
          },
          firstPromised: { column: "first_promised_at", value: sqlOrNull(part.firstPromisedAt ?? promised), show },
          arrived: {
            column: "arrived_at",
            value: sqlOrNull(["arrived", "checked", "wrong"].includes(b.state) ? (part.arrivedAt ?? x.now) : null),
            show,
          },
          checked: { column: "checked_at", value: sqlOrNull(b.state === "checked" ? x.now : null), show },
          shelf: { column: "shelf", value: b.shelf ?? part.shelf },
          note: { column: "note", value: b.note ?? part.note },
          supplierId: { column: "supplier_id", value: b.supplierId ?? part.supplierId },
          ...(b.sampleDays === undefined ? {} : { sampleDays: { column: "sample_days", value: b.sampleDays } }),
          ...(b.cutOut === undefined ? {} : { cutOut: { column: "cut_out", value: b.cutOut === null ? null : JSON.stringify(b.cutOut) } }),
        });
        const day = b.state === "promised" ? ` for ${sayDay(x.zone, promised!)}` : "";
        const text = `${build.name}: ${part.name} ${WORDS[b.state]}${day}`;
        await x.event({
          kind: `part.${b.state}`,
          entity: "part",
          entityId: part.id,
          buildId: build.id,
          text,
          data: { promised: b.promised ?? null },
        });
        if (Math.abs(after.from - before.from) > 1) await x.stale(text);
        return { slipMinutes: after.from - before.from };
      }),
  ),
  action({ method: "POST", path: "parts/ask", role: "lead" }, body({}), (_b, { user }) =>
    change(user, async (x) => {
      const shop = await loadShop(x.c);
      const answers = askSuppliers(shop, x.now, x.zone);
      for (const a of answers) {
        await editRow(x.c, "part_line", a.part.name, a.part.id, a.part.version, {
          state: { column: "state", value: "promised" },
          promised: { column: "promised_at", value: toSql(a.promisedAt) },
          firstPromised: { column: "first_promised_at", value: toSql(a.part.firstPromisedAt ?? a.promisedAt) },
        });
        await x.event({ kind: "part.promised", entity: "part", entityId: a.part.id, buildId: a.buildId, text: a.text });
      }
      if (answers.length) await x.stale(answers[0].text);
      return { answers: answers.map((a) => a.text) };
    }),
  ),
];

const sqlOrNull = (t: number | null): string | null => (t === null ? null : toSql(t));
