// How one job of the library differs from the supplied one, field by field.

import type { JobDiff } from "@/core/library/check-library";

export function Fields({ fields }: { fields: JobDiff["fields"] }) {
  return (
    <ul className="mt-1 flex flex-col gap-1">
      {fields.map((f, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a field may stand several times, in order
        <li key={i} className="grid grid-cols-[90px_1fr_1fr] gap-2">
          <span className="text-muted">{f.field}</span>
          <del className="text-signal-text decoration-1">{f.shipped}</del>
          <ins className="text-green-text no-underline">{f.own}</ins>
        </li>
      ))}
    </ul>
  );
}
