"use client";
// The photos of something kept of a build, and one more.

import { useRef, useState } from "react";
import { toast } from "sonner";
import { Button } from "../../kit/button";
import { upload } from "../../kit/send";
import { useAct } from "../../kit/use-act";

export function RecordPhotos({
  id,
  title,
  photos,
  shows,
  choices,
  touch = false,
}: {
  id: string;
  title: string;
  photos: readonly string[];
  /** What each was said to show, and what the next one can be said to. */
  shows?: readonly (string | null)[];
  choices?: readonly string[];
  /** On the card: big enough for a finger. */
  touch?: boolean;
}) {
  const [what, setWhat] = useState("");
  const file = useRef<HTMLInputElement>(null);
  const act = useAct();
  const [share, setShare] = useState<number>();
  const add = async (f: File | undefined) => {
    if (!f) return;
    setShare(0);
    await act.run(
      () => upload(`records/${id}/photo${what ? `?shows=${encodeURIComponent(what)}` : ""}`, f, setShare),
      "The photo is stored",
      undefined,
      (e) => {
        toast.error(e.message, { duration: 10_000, action: { label: "Try again", onClick: () => void add(f) } });
        return true;
      },
    );
    setShare(undefined);
  };
  return (
    <>
      {photos.map((sha, i) => (
        <a key={sha} href={`/api/photos/${sha}`} target="_blank" rel="noreferrer">
          {/* biome-ignore lint/performance/noImgElement: served by hash, already small */}
          <img
            src={`/api/photos/${sha}?small`}
            alt={`${title}, ${shows?.[i] ?? i + 1}`}
            title={shows?.[i] ?? undefined}
            className="h-10 w-14 rounded border object-cover"
          />
        </a>
      ))}
      <input
        ref={file}
        type="file"
        accept="image/*"
        className="sr-only"
        tabIndex={-1}
        aria-label={`Photo of ${title}`}
        onChange={(e) => {
          void add(e.target.files?.[0]);
          e.target.value = "";
        }}
      />
      {choices && (
        <select
          aria-label={`${title}, next picture shows`}
          value={what}
          onChange={(e) => setWhat(e.target.value)}
          className="h-8 rounded-md border bg-card px-1.5 text-[0.75rem]"
        >
          <option value="">shows …</option>
          {choices.map((c) => (
            <option key={c} value={c}>
              {c}
              {shows?.includes(c) ? ", yes" : ""}
            </option>
          ))}
        </select>
      )}
      <Button
        size={touch ? "touch" : "desk"}
        {...(share === undefined ? { "aria-label": `Photo: ${title}` } : {})}
        disabled={act.busy}
        onClick={() => file.current?.click()}
      >
        {share === undefined ? "Photo" : `${Math.round(share * 100)} %`}
      </Button>
    </>
  );
}
