"use client";
// Keys of the frame: / finds, ? helps, g and a letter goes to a view. Silent while somebody types.

import { useRouter } from "next/navigation";
import { useEffect, useRef } from "react";
import type { View } from "./views";

/** Whether a key press goes to a field or an open dialog. */
export const inField = (e: KeyboardEvent): boolean => {
  const t = e.target as HTMLElement;
  return ["INPUT", "TEXTAREA", "SELECT"].includes(t.tagName) || t.isContentEditable || !!document.querySelector('[role="dialog"]');
};

/** The same, or a key with a modifier, which is not one of our single keys. */
export const typing = (e: KeyboardEvent): boolean => e.ctrlKey || e.metaKey || e.altKey || inField(e);

export function useKeys(views: readonly View[], on: { find?(): void; help(): void }): void {
  const router = useRouter();
  const armed = useRef(0);
  const latest = useRef(on);
  latest.current = on;
  const known = useRef(views);
  known.current = views;
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      if (typing(e)) return;
      if (e.key === "/" && latest.current.find) {
        e.preventDefault();
        latest.current.find();
      } else if (e.key === "?") latest.current.help();
      else if (e.key === "g") armed.current = Date.now();
      else if (Date.now() - armed.current < 1500) {
        armed.current = 0;
        const view = known.current.find((v) => v.key === e.key);
        if (view) {
          e.preventDefault();
          e.stopImmediatePropagation();
          router.push(view.href);
        }
      }
    };
    window.addEventListener("keydown", press, { capture: true });
    return () => window.removeEventListener("keydown", press, { capture: true });
  }, [router]);
}
