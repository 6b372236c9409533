// The views of the desk, with the key that leads to each behind g.

export const VIEWS = [
  { name: "Yard", href: "/", key: "y" },
  { name: "Lanes", href: "/lanes", key: "l" },
  { name: "Builds", href: "/builds", key: "b" },
  { name: "Set-out", href: "/set-out", key: "s" },
  { name: "Stores", href: "/stores", key: "t" },
  { name: "Proof", href: "/proof", key: "p" },
  { name: "Workshop", href: "/workshop", key: "w" },
] as const;
