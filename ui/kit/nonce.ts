"use client";
// Style that a package puts in while the page runs (the scroll lock behind a dialog) carries the page's own nonce.

import { setNonce } from "get-nonce";
import { useEffect } from "react";

export function Nonce(): null {
  useEffect(() => {
    const nonce = document.querySelector<HTMLScriptElement>("script[nonce]")?.nonce;
    if (nonce) setNonce(nonce);
  }, []);
  return null;
}
