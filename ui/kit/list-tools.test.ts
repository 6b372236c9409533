// Lists searched and ordered.

import { describe, expect, it } from "vitest";
import { byNumber, byText, listed } from "./list-tools";

const items = [
  { name: "Roof fan", kg: 4, of: "Field vet" },
  { name: "Window, left", kg: null, of: "Night bakery" },
  { name: "window, right", kg: 2, of: "Field vet" },
];
type Item = (typeof items)[number];
const of = {
  text: (i: Item) => `${i.name} ${i.of}`,
  orders: { "as it came": undefined, name: byText((i: Item) => i.name), weight: byNumber((i: Item) => i.kg) },
};
const names = (find: string, order = "as it came") => listed(items, of, find, order).map((i) => i.name);

describe("a list", () => {
  it("shows what has each word of the search, in any place and case", () => {
    expect(names("")).toHaveLength(3);
    expect(names("WINDOW vet")).toEqual(["window, right"]);
    expect(names("window  left")).toEqual(["Window, left"]);
    expect(names("door")).toEqual([]);
  });
  it("is ordered by name or figure, what has no figure last, and left as it came where no order is chosen", () => {
    expect(names("", "name")).toEqual(["Roof fan", "Window, left", "window, right"]);
    expect(names("", "weight")).toEqual(["window, right", "Roof fan", "Window, left"]);
    expect(names("", "no such order")).toEqual(items.map((i) => i.name));
    expect(items[0].name).toBe("Roof fan");
  });
});
