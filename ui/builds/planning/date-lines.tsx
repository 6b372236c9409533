// What a change would do to planned finishes, a line for each build.

import type { DateMove } from "@/core/workshop/builds/previews";
import { wall } from "../../kit/time";

export function DateLines({ dates }: { dates: readonly DateMove[] }) {
  return dates.map((d) => (
    <p key={d.build} className={d.late ? "text-signal-text" : ""}>
      {d.build}: planned finish {d.before ? wall(d.before) : "open"}
      {d.before === d.after ? ", unchanged" : `, now ${d.after ? wall(d.after) : "not all of it fits"}`}
      {d.late && ", after the deadline"}
    </p>
  ));
}
