"use client";
// A dialog on Radix: title, what it is about, content. Escape and a click outside close it.

import { X } from "lucide-react";
import { Dialog as D } from "radix-ui";
import { useEffect, useRef } from "react";
import { cx } from "./cx";

export function Dialog({
  open,
  onOpenChange,
  title,
  about,
  children,
  wide,
}: {
  open: boolean;
  onOpenChange(open: boolean): void;
  title: string;
  about?: string;
  children: React.ReactNode;
  wide?: boolean;
}) {
  // What opened it has the focus again when it closes: it is opened by our own buttons and keys.
  const opener = useRef<Element | null>(null);
  // A button that waits for the server before its dialog opens has lost the focus by then: it had it last.
  const last = useRef<EventTarget | null>(null);
  const shown = useRef(open);
  shown.current = open;
  useEffect(() => {
    const note = (e: FocusEvent) => {
      if (!shown.current) last.current = e.target;
    };
    document.addEventListener("focusin", note);
    return () => document.removeEventListener("focusin", note);
  }, []);
  return (
    <D.Root open={open} onOpenChange={onOpenChange}>
      <D.Portal>
        <D.Overlay className="fixed inset-0 z-40 bg-black/45" />
        <D.Content
          onOpenAutoFocus={() => {
            const now = document.activeElement;
            opener.current = now && now !== document.body ? now : last.current instanceof Element ? last.current : null;
          }}
          onCloseAutoFocus={(e) => {
            e.preventDefault();
            // Something else that opened meanwhile keeps the focus.
            const now = document.activeElement;
            const taken = now && now !== document.body && !(e.currentTarget as Element | null)?.contains(now);
            const o = taken ? null : opener.current;
            if (o instanceof HTMLElement || o instanceof SVGElement) if (o.isConnected) o.focus({ preventScroll: true });
          }}
          className={cx(
            "fixed top-1/2 left-1/2 z-50 flex max-h-[88vh] w-[calc(100vw-32px)] -translate-x-1/2 -translate-y-1/2 flex-col rounded-lg border bg-card shadow-xl",
            wide ? "max-w-3xl" : "max-w-lg",
          )}
          {...(about ? {} : { "aria-describedby": undefined })}
        >
          <div className="flex items-start justify-between gap-4 border-b px-5 py-3.5">
            <div>
              <D.Title className="text-[1.0625rem]">{title}</D.Title>
              {about && <D.Description className="mt-0.5 text-muted">{about}</D.Description>}
            </div>
            <D.Close className="-m-1 rounded-md p-1.5 hover:bg-sunk" aria-label="Close">
              <X size={17} />
            </D.Close>
          </div>
          <div className="overflow-y-auto px-5 py-4">{children}</div>
        </D.Content>
      </D.Portal>
    </D.Root>
  );
}
