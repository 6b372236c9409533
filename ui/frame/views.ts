// The views of the desk, with the key that leads to each behind g, and who may open them.

export interface View {
  name: string;
  href: string;
  key: string;
}

export const VIEWS: readonly View[] = [
  { name: "Yard", href: "/", key: "y" },
  { name: "Lanes", href: "/lanes", key: "l" },
  { name: "Builds", href: "/builds", key: "b" },
  { name: "Set-out", href: "/set-out", key: "s" },
  { name: "Stores", href: "/stores", key: "t" },
  { name: "Proof", href: "/proof", key: "p" },
  { name: "Workshop", href: "/workshop", key: "w" },
];

const FITTERS: ReadonlySet<string> = new Set(["/lanes", "/set-out", "/stores"]);

/** Fitters have their card, and what they may look at. */
export const viewsFor = (role: "lead" | "fitter"): readonly View[] =>
  role === "lead" ? VIEWS : [{ name: "My card", href: "/card", key: "c" }, ...VIEWS.filter((v) => FITTERS.has(v.href))];
