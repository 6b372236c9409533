// Metal behind a cut: without a source that it may go, the cut waits for the lead.

import { entriesOf } from "../records/kinds/of";
import type { BuildRow, FramePartRow, JobRow, Shop } from "../state/model";
import { cutsBody } from "./cuts";

/** What a cut has to wait for: metal in its side that nobody has said may go, or that stays. */
export function framePartsBefore(
  build: Pick<BuildRow, "records">,
  job: Pick<JobRow, "zones" | "place" | "irreversible" | "stage">,
): string[] {
  if (!cutsBody(job)) return [];
  return entriesOf(build.records, "member")
    .filter((r) => job.zones.includes(r.data.side) && r.data.mayGo !== "yes")
    .map((r) =>
      r.data.mayGo === "no"
        ? `${r.title} lies in the outline and stays: move the opening`
        : `${r.title} lies in the outline, and no body guide or ticket holder has said that it may go: stop, for the lead`,
    );
}

/** What its fitter has to know, and that cut metal is coated before it is shut in. */
export function framePartWords(
  build: Pick<BuildRow, "records">,
  job: Pick<JobRow, "zones" | "place" | "irreversible" | "state" | "stage">,
): string[] {
  if (!cutsBody(job) || job.state === "done") return [];
  return entriesOf(build.records, "member")
    .filter((r) => job.zones.includes(r.data.side) && r.data.mayGo === "yes")
    .map((r) =>
      [
        `${r.title}: ${r.data.how ?? "may go"} (${r.data.source}, ${r.data.says})`,
        r.data.duty && `its duty: ${r.data.duty}`,
        !r.data.coated && "coat its edges, photo before and after",
      ]
        .filter(Boolean)
        .join("; "),
    );
}

/** Metal whose cut edges nobody has coated yet: insulation of that side waits. */
export const bareFrameParts = (build: Pick<BuildRow, "records">, job: Pick<JobRow, "stage" | "zones">): string[] =>
  job.stage !== "insulation"
    ? []
    : entriesOf(build.records, "member")
        .filter((r) => r.data.mayGo === "yes" && !r.data.coated && job.zones.includes(r.data.side))
        .map((r) => `the edges of ${r.title} are not coated`);

/** Metal that was met on other vans of this type and is not in this build's list yet: to be looked for. */
export function knownFrameParts(shop: Pick<Shop, "members">, build: Pick<BuildRow, "id" | "vanId" | "records">): FramePartRow[] {
  const here = new Set(entriesOf(build.records, "member").map((r) => `${r.data.side} ${r.title.toLowerCase()}`));
  const seen = new Set<string>();
  return shop.members.filter((m) => {
    const key = `${m.side} ${m.title.toLowerCase()}`;
    if (m.vanId !== build.vanId || m.buildId === build.id || here.has(key) || seen.has(key)) return false;
    seen.add(key);
    return true;
  });
}
