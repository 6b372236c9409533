// Actions on templates and jigs: kept by number, and read off before anything is marked by them.

import { v7 } from "uuid";
import { sayTemplate, templateMismatch } from "@/core/workshop/starts/templates";
import { columnsOf, insertTemplate, type TemplateFields, takeInHand, templateNumbered } from "@/db/house/templates";
import { loadShop } from "@/db/shop";
import { action, body, type Change, change, is } from "../action";
import { editRow } from "../edits";
import { badField, Refusal } from "../refusal";

const text = { type: "string", maxLength: 300 } as const;
const fields = {
  number: { type: "string", minLength: 1, maxLength: 20, pattern: "\\S" },
  vanId: is.id,
  kind: { type: "string", enum: ["template", "jig", "pressing", "outline"] },
  what: is.name,
  side: { type: "string", enum: ["roof", "left", "right", "rear", "floor"] },
  bay: { type: "string", maxLength: 40 },
  mark: { type: "string", enum: ["up", "front", "outside"] },
  serves: { type: "string", maxLength: 10 },
  offsets: text,
  note: text,
};

async function checked(x: Change, b: TemplateFields, id?: string): Promise<TemplateFields> {
  const t = { ...b, number: b.number.trim(), what: b.what.trim(), bay: b.bay.trim(), offsets: b.offsets.trim(), note: b.note.trim() };
  const shop = await loadShop(x.c);
  if (!shop.vans.some((v) => v.id === t.vanId)) throw badField("vanId", "is no van we know");
  if (t.kind === "outline" && !t.serves) throw badField("serves", "is missing: say which job is cut by it");
  const other = await templateNumbered(x.c, t.number);
  if (other && other !== id) throw badField("number", "is on another one already");
  return t;
}

export const templateActions = [
  action<TemplateFields>({ method: "POST", path: "templates", role: "any" }, body(fields), (b, { user }) =>
    change(user, async (x) => {
      const t = await checked(x, b);
      const id = v7();
      await insertTemplate(x.c, id, t);
      await x.event({ kind: "template.added", entity: "template", entityId: id, text: `${t.kind} ${t.number}, ${t.what}, added` });
      return { id };
    }),
  ),
  action<TemplateFields & { retired: boolean; version: number }>(
    { method: "PATCH", path: "templates/*", role: "any" },
    body({ ...fields, retired: is.bool, version: is.version }),
    ({ version, retired, ...b }, { user, ids }) =>
      change(user, async (x) => {
        const t = await checked(x, b, ids[0]);
        const set = Object.entries({ ...columnsOf(t), retired }).map(([column, value]) => [column, { column, value }] as const);
        await editRow(x.c, "template", `Template ${t.number}`, ids[0], version, Object.fromEntries(set));
        await x.event({
          kind: "template.changed",
          entity: "template",
          entityId: ids[0],
          text: `${t.kind} ${t.number} ${retired ? "retired" : "changed"}`,
        });
      }),
  ),
  action<{ number: string }>(
    { method: "POST", path: "jobs/*/template", role: "any" },
    body({ number: fields.number }),
    (b, { user, ids }) =>
      change(user, async (x) => {
        const shop = await loadShop(x.c);
        const build = shop.builds.find((o) => o.jobs.some((j) => j.id === ids[0]));
        const job = build?.jobs.find((j) => j.id === ids[0]);
        if (!build || !job) throw new Refusal(404, "There is no such job.");
        const number = b.number.trim();
        const t = shop.templates.find((o) => o.number.toLowerCase() === number.toLowerCase());
        if (!t) throw badField("number", `is unknown: no template has the number ${number}`);
        const no = templateMismatch(shop, build, job, t);
        if (no.length) throw badField("number", `is not for this job: ${no.join("; ")}. Stop, and take another`);
        await takeInHand(x.c, job.id, t.id, user.id, x.now);
        await x.event({
          kind: "template.in-hand",
          entity: "job",
          entityId: job.id,
          buildId: build.id,
          text: `${job.name}: template ${sayTemplate(t)} in hand`,
        });
      }),
  ),
];
