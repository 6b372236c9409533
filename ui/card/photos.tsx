"use client";
// The photos that a job asks for: take or choose one, see how far it is, see what the lead said.

import { Camera, Check, RotateCcw } from "lucide-react";
import { useRouter } from "next/navigation";
import { type Ref, useImperativeHandle, useRef, useState } from "react";
import { toast } from "sonner";
import { cx } from "../kit/cx";
import { refresh } from "../kit/fresh";
import { upload } from "../kit/send";
import type { CardJob } from "./view";

export interface PhotosHandle {
  /** Opens the camera for the first photo that is still wanted. */
  next(): void;
}

export function Photos({ job, ref }: { job: CardJob; ref: Ref<PhotosHandle> }) {
  const router = useRouter();
  const input = useRef<HTMLInputElement>(null);
  const shot = useRef<string>("");
  // Photos sent from here count at once, before the page has them: a quick second tap asks for the next.
  const sent = useRef(new Set<string>());
  const [sending, setSending] = useState<{ shot: string; share: number }>();
  const ask = (id: string) => {
    shot.current = id;
    input.current?.click();
  };
  useImperativeHandle(ref, () => ({
    next: () => {
      const wanted = job.shots.find((s) => (s.state === "missing" || s.state === "again") && !sent.current.has(s.id)) ?? job.shots[0];
      if (wanted) ask(wanted.id);
    },
  }));
  const take = async (file: File | undefined) => {
    if (!file) return;
    const id = shot.current;
    sent.current.add(id);
    setSending({ shot: id, share: 0 });
    try {
      const { again } = await upload(`shots/${encodeURIComponent(id)}/photo`, file, (share) => setSending({ shot: id, share }));
      const why = Array.isArray(again) ? again.join(", ") : "";
      if (why) toast.warning(`Stored, but look again: ${why}. Take it once more, or leave it to the lead.`, { duration: 10_000 });
      else toast.success("The photo is stored");
      refresh(router);
    } catch (e) {
      sent.current.delete(id);
      toast.error((e as Error).message, { duration: 10_000, action: { label: "Try again", onClick: () => void take(file) } });
    }
    setSending(undefined);
  };
  if (!job.shots.length) return null;
  return (
    <section className="mt-4" aria-label="Photos">
      <h3 className="text-[1.0625rem]">Photos</h3>
      <input
        ref={input}
        type="file"
        accept="image/*"
        className="sr-only"
        tabIndex={-1}
        aria-label="Photo from camera or file"
        onChange={(e) => {
          void take(e.target.files?.[0]);
          e.target.value = "";
        }}
      />
      <ul className="mt-1 overflow-hidden rounded-md border bg-card">
        {job.shots.map((s) => {
          const last = s.photos.at(-1);
          return (
            <li key={s.id} className="border-b last:border-0">
              <button
                type="button"
                onClick={() => ask(s.id)}
                disabled={!!sending || s.state === "approved"}
                className="flex min-h-14 w-full items-center gap-3 px-3 py-2 text-left disabled:cursor-default"
              >
                {last ? (
                  // biome-ignore lint/performance/noImgElement: served small by our own route
                  <img src={`/api/photos/${last.sha}?small`} alt="" className="h-11 w-14 shrink-0 rounded object-cover" />
                ) : (
                  <span className="grid h-11 w-14 shrink-0 place-items-center rounded border border-dashed">
                    <Camera size={20} />
                  </span>
                )}
                <span className="min-w-0 flex-1">
                  <span className={cx(s.state !== "approved" && "font-bold")}>{s.text}</span>
                  <span
                    className={cx(
                      "block text-[0.875rem]",
                      s.state === "again" ? "text-signal-text" : s.state === "approved" ? "text-green-text" : "text-muted",
                    )}
                  >
                    {sending?.shot === s.id
                      ? `sending, ${Math.round(sending.share * 100)} %`
                      : s.state === "missing"
                        ? s.required
                          ? "to be taken before close-up"
                          : "if you can"
                        : s.state === "waiting"
                          ? "stored, waits for the lead"
                          : s.state === "again"
                            ? `again: ${s.reason}`
                            : "approved"}
                  </span>
                  {sending?.shot === s.id && (
                    <span
                      className="mt-1 block h-1.5 overflow-hidden rounded bg-sunk"
                      role="progressbar"
                      aria-valuenow={Math.round(sending.share * 100)}
                      aria-valuemin={0}
                      aria-valuemax={100}
                      aria-label="Sending the photo"
                    >
                      <span className="block h-full bg-pine" style={{ width: `${sending.share * 100}%` }} />
                    </span>
                  )}
                </span>
                {s.state === "approved" ? (
                  <Check className="text-green-text" size={20} />
                ) : s.state === "again" ? (
                  <RotateCcw className="text-signal-text" size={20} />
                ) : null}
              </button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
