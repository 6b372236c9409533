// What hangs on a bay, a fitter or a sign-in: said before it is retired.

import type { Plan } from "../../plan/model";
import { soleSkills } from "../planning/sole-skills";
import type { Shop } from "../state/model";

const count = (n: number, one: string, many: string) => (n === 1 ? `1 ${one}` : `${n} ${many}`);

/** So many names are said; of the rest, how many there are. */
const NAMED = 4;
const named = (names: readonly string[]): string =>
  names.slice(0, NAMED).join(", ") + (names.length > NAMED ? ` and ${names.length - NAMED} more` : "");

/** Jobs not begun that a plan puts somewhere or gives somebody, with the builds they are of. */
function planned(shop: Pick<Shop, "builds">, plan: Pick<Plan, "jobs"> | undefined, on: (p: Plan["jobs"][number]) => boolean): string[] {
  const ids = new Set((plan?.jobs ?? []).filter(on).map((p) => p.id));
  const builds = shop.builds.flatMap((b) => {
    const n = b.jobs.filter((j) => (j.state === "todo" || j.state === "paused") && ids.has(j.id)).length;
    return n ? [{ name: b.name, n }] : [];
  });
  const all = builds.reduce((n, b) => n + b.n, 0);
  return all ? [`${count(all, "planned job", "planned jobs")} of ${named(builds.map((b) => b.name))}`] : [];
}

/** What is planned in a bay, and what no other bay has. */
export function hangsOnBay(shop: Pick<Shop, "builds" | "bays">, plan: Pick<Plan, "jobs"> | undefined, id: string): string[] {
  const bay = shop.bays.find((b) => b.id === id);
  const others = shop.bays.filter((b) => b.id !== id && !b.retired);
  const only = (bay?.has ?? []).filter((h) => !others.some((b) => b.has.includes(h)));
  return [
    ...planned(shop, plan, (p) => p.place === id),
    ...(only.length ? [`no other bay has ${only.join(", ")}`] : []),
    ...(others.length === 0 ? ["it is the last bay"] : []),
  ];
}

/** What is planned for a fitter, what they alone can do, and who signs in as them. */
export function hangsOnFitter(
  shop: Shop,
  plan: Plan | undefined,
  now: number,
  id: string,
  signIns: readonly { name: string; fitterId: string | null }[],
): string[] {
  const alone = soleSkills(shop, plan, now).filter((o) => o.fitterId === id);
  return [
    ...planned(shop, plan, (p) => p.fitters.includes(id) || (p.helpers ?? []).some((h) => h.fitter === id)),
    ...(alone.length ? [`nobody else has ${named(alone.map((o) => `${o.what} (${count(o.jobs, "job", "jobs")})`))}`] : []),
    ...signIns.filter((u) => u.fitterId === id).map((u) => `${u.name} signs in with this card`),
  ];
}

/** Jobs under way and planned of whoever signs in, and that they are one of few leads. */
export function hangsOnUser(
  shop: Pick<Shop, "builds">,
  plan: Pick<Plan, "jobs"> | undefined,
  user: { role: string; fitterId: string | null },
  leadsLeft: number,
): string[] {
  const { fitterId } = user;
  const running = shop.builds.flatMap((b) =>
    b.jobs.filter((j) => j.state === "started" && fitterId && j.fitters.includes(fitterId)).map((j) => `${j.name}, ${b.name}`),
  );
  return [
    ...(running.length ? [`at work now: ${named(running)}`] : []),
    ...(fitterId ? planned(shop, plan, (p) => p.fitters.includes(fitterId)) : []),
    ...(user.role === "lead"
      ? [leadsLeft === 1 ? "one lead is left, who then can't be replaced" : `${count(leadsLeft, "lead is", "leads are")} left`]
      : []),
  ];
}
