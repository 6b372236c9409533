// Fills the library editor.

import { diffLibraries } from "@/core/library/check-library";
import { library } from "@/core/library/library";
import { lackingRoles, ROLES } from "@/core/library/roles";
import type { State } from "@/server/planning/planning";
import { allVersions, libraryInUse } from "@/server/state/library";
import type { LibraryView } from "@/ui/library/view";

export async function libraryView({ shop, now }: State): Promise<LibraryView> {
  const current = await libraryInUse(now);
  return {
    zone: shop.workshop.zone,
    number: current.number,
    jobs: current.jobs,
    diff: diffLibraries(library, current.jobs),
    lacking: lackingRoles(current.jobs).map((r) => ROLES[r]),
    versions: await allVersions(),
    suppliers: shop.suppliers.filter((s) => !s.retired).map((s) => s.id),
    builds: shop.builds.map((b) => ({ id: b.id, name: b.name, version: b.libraryVersion })),
  };
}
