// The tool that cuts the skin, by the house's order.

import { describe, expect, it } from "vitest";
import { paperWords } from "../records/papers";
import { job, NO_MACHINE, NOW, testShop } from "../testing/shop";
import { cutterFor, cutterWords } from "./cutting-tool";
import { kitLines } from "./kit";

const tool = (name: string, state: "sound" | "blunt") => ({
  id: name,
  name,
  pieces: 1,
  state,
  held: false,
  note: "",
  version: 1,
  ...NO_MACHINE,
});
const shopWith = (tools: ReturnType<typeof tool>[], figures: object = {}) => {
  const shop = testShop();
  shop.tools = tools;
  Object.assign(shop.workshop, { figures });
  return shop;
};

describe("the cutting tool", () => {
  it("is the first in the house's order that is sound, with its reason and what was passed over", () => {
    const shop = shopWith([tool("jigsaw", "sound"), tool("nibbler", "sound")]);
    const fan = job(shop, "OP-04");
    expect(cutterFor(shop, fan)).toMatchObject({ name: "jigsaw", instead: [] });
    shop.tools[0].state = "blunt";
    expect(cutterFor(shop, fan)).toMatchObject({ name: "nibbler", instead: ["the jigsaw is blunt"] });
    expect(cutterWords(shop, fan)[0]).toMatch(/^Cut with the nibbler: no heat and no sparks.*\(the jigsaw is blunt\)$/);
    expect(kitLines(shop, shop.builds[0], fan, NOW).map((l) => l.what)).toContain("nibbler");
    expect(paperWords(shop, shop.builds[0], fan).some((w) => w.startsWith("Cut with the nibbler"))).toBe(true);
  });
  it("follows the house's own order, leaves out what it does not use, and tools that nobody has", () => {
    const both = [tool("jigsaw", "sound"), tool("nibbler", "sound"), tool("grinder", "sound")];
    const of = (figures: object, tools = both) => {
      const shop = shopWith(tools, figures);
      return cutterFor(shop, job(shop, "OP-04"))?.name;
    };
    expect(of({ cutJigsaw: 2, cutNibbler: 1 })).toBe("nibbler");
    expect(of({ cutJigsaw: 0, cutNibbler: 0, cutReciprocating: 0 })).toBeUndefined();
    expect(of({ cutJigsaw: 0, cutNibbler: 0, cutReciprocating: 0, cutGrinder: 1 })).toBe("grinder");
    expect(of({ cutJigsaw: 2, cutNibbler: 1 }, [])).toBe("jigsaw");
  });
  it("is told of cuts through the body alone", () => {
    const shop = shopWith([tool("jigsaw", "sound")]);
    expect(cutterFor(shop, job(shop, "ST-04"))).toBeUndefined();
    expect(cutterFor(shop, { ...job(shop, "OP-04"), tools: [] })).toBeUndefined();
    expect(cutterWords(shop, { ...job(shop, "OP-04"), state: "done" })).toEqual([]);
  });
});
