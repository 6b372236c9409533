"use client";
// Who signed in, changed a password or took data out; which backups were made, and whether they could be restored.

import { CircleAlert, CircleCheck } from "lucide-react";
import { when } from "../kit/when";
import type { WorkshopView } from "./view";

const megabytes = (bytes: number): string =>
  bytes < 1e6 ? `${Math.max(1, Math.round(bytes / 1e3))} KB` : `${(bytes / 1e6).toFixed(1)} MB`;

export function Access({ view }: { view: WorkshopView }) {
  const { audit, safekeeping } = view;
  const last = safekeeping.find((s) => s.kind === "backup" && s.ok);
  const trial = safekeeping.find((s) => s.kind === "trial");
  return (
    <div className="flex flex-col gap-6">
      {view.diskLow && (
        <p role="alert" className="rounded-md border border-signal bg-signal-soft p-3 text-signal-text">
          Only {view.diskLow} of disk space left on the server. Make room soon: below 512 MB no photo is taken any more.
        </p>
      )}
      <section aria-label="Backups">
        <h2 className="mb-1 text-[1rem]">Backups</h2>
        <p className="mb-3 text-muted">
          {last
            ? "The launcher makes one a day while it runs, keeps the newest ones, and restores one into a scratch database each month to see that it works."
            : "No backup yet. ./wide-lane start makes one a day while it runs; ./wide-lane backup FILE makes one now."}
          {trial && ` Last trial: ${trial.ok ? "it could be restored" : "it could not be restored"}, ${when(trial.at)}.`}
        </p>
        {safekeeping.length > 0 && (
          <ul className="overflow-hidden rounded-md border bg-card">
            {safekeeping.map((s) => (
              <li key={s.id} className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b px-4 py-2 last:border-0">
                {s.ok ? (
                  <CircleCheck size={16} className="text-pine" aria-label="went well" />
                ) : (
                  <CircleAlert size={16} className="text-signal-text" aria-label="failed" />
                )}
                <span className="w-36" suppressHydrationWarning>
                  {when(s.at)}
                </span>
                <span className="w-28">{s.kind === "backup" ? "Backup" : "Trial restore"}</span>
                <span className="min-w-0 flex-1 break-words text-muted">
                  {s.ok ? `${megabytes(s.bytes)}, ${s.seconds} s` : s.text}
                  {s.file && ` · ${s.file}`}
                </span>
              </li>
            ))}
          </ul>
        )}
      </section>
      <section aria-label="Access log">
        <h2 className="mb-1 text-[1rem]">Access log</h2>
        <p className="mb-3 text-muted">Sign-ins, passwords, roles, exports and deletions, newest first. Nobody can change it here.</p>
        {audit.length === 0 ? (
          <p className="py-4 text-muted">Nothing yet.</p>
        ) : (
          // biome-ignore lint/a11y/noNoninteractiveTabindex: a list that scrolls has to be reached by the keyboard
          <ul tabIndex={0} aria-label="Access, the newest first" className="max-h-[60vh] overflow-y-auto rounded-md border bg-card">
            {audit.map((a) => (
              <li key={a.id} className="flex flex-wrap gap-x-3 border-b px-4 py-1.5 last:border-0">
                <span className="w-36 text-muted" suppressHydrationWarning>
                  {when(a.at)}
                </span>
                <span className={a.kind === "refused" ? "min-w-0 flex-1 text-signal-text" : "min-w-0 flex-1"}>{a.text}</span>
                <span className="text-muted">{a.address}</span>
              </li>
            ))}
          </ul>
        )}
      </section>
    </div>
  );
}
