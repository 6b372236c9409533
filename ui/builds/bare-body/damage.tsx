"use client";
// Damage dated: the last view without it, and who worked on the van from then on.

import { cx } from "../../kit/cx";
import { time } from "../../kit/time";
import { RecordList } from "../records/list";
import type { BuildView } from "../view";

export function Damage({ view }: { view: BuildView }) {
  const { dated, round } = view.papers;
  return (
    <div className="mt-6 flex flex-col gap-6">
      <RecordList view={view} kind="round" preset={{ title: view.where.replace(/^in /, ""), data: { when: "bay" } }}>
        {round && <p className="mb-2 text-amber-text">{round}.</p>}
      </RecordList>
      {dated.length > 0 && (
        <section aria-label="Damage dated">
          <h2 className="mb-1 text-[0.9375rem]">Damage, and when it can have come about</h2>
          <ul className="overflow-hidden rounded-md border bg-card">
            {dated.map((d) => (
              <li
                key={d.mark.id}
                className={cx("border-b border-l-[5px] px-3 py-2 last:border-b-0", d.unexplained ? "border-l-signal" : "border-l-green")}
              >
                <b>{d.mark.title}</b>
                {d.mark.data.sort && `, ${d.mark.data.sort}`}{" "}
                <span className="text-muted">
                  first seen {time(view.zone, d.seen)};{" "}
                  {d.before ? `its side without it: ${d.before.where}, ${time(view.zone, d.before.at)}` : "its side was never taken before"}
                </span>
                <p className={cx("text-[0.75rem]", d.unexplained ? "text-signal-text" : "text-muted")}>
                  {d.mark.data.outcome ??
                    (d.between.length
                      ? `Not explained. Between the two: ${d.between.map((w) => `${w.name} (${w.who})`).join(", ")}.`
                      : "Not explained. Nobody worked on the van between the two.")}
                  {d.mark.data.owner && ` ${d.mark.data.owner} looks into it.`}
                </p>
                <div className="mt-1 flex gap-2 empty:hidden">
                  {[
                    ...(d.before?.photos ?? []).map((sha) => [sha, "before"] as const),
                    ...d.mark.photos.map((sha) => [sha, "as seen"] as const),
                  ].map(([sha, words]) => (
                    <a
                      key={`${words}${sha}`}
                      href={`/api/photos/${sha}`}
                      target="_blank"
                      rel="noreferrer"
                      className="text-[0.75rem] text-muted"
                    >
                      {/* biome-ignore lint/performance/noImgElement: served by hash, already small */}
                      <img
                        src={`/api/photos/${sha}?small`}
                        alt={`${d.mark.title}, ${words}`}
                        className="h-16 w-24 rounded border object-cover"
                      />
                      {words}
                    </a>
                  ))}
                </div>
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}
