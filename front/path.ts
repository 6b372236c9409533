// The path of a request in its parts, as every part of the server reads it; what could be read in two ways is refused.

export interface Target {
  path: string[];
  search: string;
}

const LONGEST = 4096;

/** Undefined: it is no path of ours, or is written in a way that somebody else might read otherwise. */
export function targetOf(url: string | undefined): Target | undefined {
  if (!url || url.length > LONGEST || !url.startsWith("/") || url.includes("\\") || url.includes("\0")) return undefined;
  const cut = url.indexOf("?");
  const raw = cut < 0 ? url : url.slice(0, cut);
  const search = cut < 0 ? "" : url.slice(cut);
  if (raw.includes("//") || raw.includes("#")) return undefined;
  const path: string[] = [];
  for (const part of raw === "/" ? [] : raw.slice(1).split("/")) {
    let clean: string;
    try {
      clean = decodeURIComponent(part);
    } catch {
      return undefined;
    }
    if (clean === "" || clean === "." || clean === ".." || clean.length > 200 || /[/\\\p{Cc}]/u.test(clean)) return undefined;
    path.push(clean);
  }
  // A query that can't be read as one breaks whoever reads it later.
  try {
    decodeURIComponent(search.replace(/\+/g, " "));
  } catch {
    return undefined;
  }
  return { path, search };
}
