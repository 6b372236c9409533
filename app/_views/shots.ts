// A job's proof shots as sheet and card show them.

import { shotState } from "@/core/workshop/proof/proof";
import type { JobRow } from "@/core/workshop/state/model";
import type { ShotView } from "@/ui/builds/view";

/** `names` by user id; a photo of somebody not in it has no name with it. */
export const shotViews = (j: Pick<JobRow, "shots">, names: ReadonlyMap<string, string>): ShotView[] =>
  j.shots.map((s) => ({
    id: s.id,
    text: s.text,
    required: s.beforeCloseUp,
    state: shotState(s),
    reason: s.photos.at(-1)?.reason || null,
    photos: s.photos.map((x) => ({ sha: x.sha256, by: names.get(x.takenBy) ?? "", at: x.takenAt })),
  }));
