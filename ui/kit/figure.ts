// A typed figure, with a point or a comma; undefined when nothing is typed.
export const figure = (t: string): number | undefined => (t.trim() === "" ? undefined : Number(t.replace(",", ".")));
