"use client";
// Whether the phone has a network.

import { useSyncExternalStore } from "react";

const listen = (tell: () => void) => {
  window.addEventListener("online", tell);
  window.addEventListener("offline", tell);
  return () => {
    window.removeEventListener("online", tell);
    window.removeEventListener("offline", tell);
  };
};

export const useOnline = (): boolean =>
  useSyncExternalStore(
    listen,
    () => navigator.onLine,
    () => true,
  );
