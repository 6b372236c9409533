// Signing out and the choice of light or dark, both kept in cookies.

export async function signOut(): Promise<void> {
  // What the phone keeps of cards goes with the sign-out.
  await globalThis.caches?.delete("wide-lane-cards");
  await fetch("/api/session", { method: "DELETE" });
  window.location.href = "/sign-in";
}

/** Switches between light and dark; the server draws the next page the same way. */
export function setTheme(): void {
  const now = document.documentElement.dataset.theme ?? (matchMedia("(prefers-color-scheme: dark)").matches ? "dark" : "light");
  const next = now === "dark" ? "light" : "dark";
  document.documentElement.dataset.theme = next;
  // biome-ignore lint/suspicious/noDocumentCookie: the Cookie Store API is not in every browser yet
  document.cookie = `wide_lane_theme=${next};path=/;max-age=31536000;samesite=strict`;
}
