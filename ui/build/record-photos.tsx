"use client";
// The photos of something kept of a build, and one more.

import { useRef, useState } from "react";
import { toast } from "sonner";
import { Button } from "../kit/button";
import { upload } from "../kit/send";
import { useAct } from "../kit/use-act";

export function RecordPhotos({ id, title, photos }: { id: string; title: string; photos: readonly string[] }) {
  const file = useRef<HTMLInputElement>(null);
  const act = useAct();
  const [share, setShare] = useState<number>();
  const add = async (f: File | undefined) => {
    if (!f) return;
    setShare(0);
    await act.run(
      () => upload(`records/${id}/photo`, f, setShare),
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
          <img src={`/api/photos/${sha}?small`} alt={`${title}, ${i + 1}`} className="h-10 w-14 rounded border object-cover" />
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
      <Button disabled={act.busy} onClick={() => file.current?.click()}>
        {share === undefined ? "Photo" : `${Math.round(share * 100)} %`}
      </Button>
    </>
  );
}
