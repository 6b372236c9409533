import { describe, expect, it } from "vitest";
import type { TemplateRow } from "../state/model";
import { job, NOW, testShop, testTemplate } from "../testing/shop";
import { obstacles } from "./ready";
import { sayTemplate, templateMismatch, templateMissing, templatesOf, templateWords } from "./templates";

const shopWith = (...templates: TemplateRow[]) => ({ ...testShop(), templates });

describe("a template", () => {
  const shop = shopWith();
  const build = shop.builds[0];
  const window = job(shop, "OP-06a");
  const ask = (more: Partial<TemplateRow>) => templateMismatch(shop, build, window, testTemplate(more));

  it("is for one type of van, one side and one unit, and says which when it is another", () => {
    expect(ask({})).toEqual([]);
    expect(ask({ vanId: "drover-l2h2" })).toEqual(["it is for a Drover L2H2, this is a Drover L3H2"]);
    expect(ask({ side: "right" })).toEqual(["it is for the right side, this is the left side"]);
    expect(ask({ what: "roof fan" })).toEqual(["it is for roof fan, this is Bonded side window"]);
    expect(ask({ retired: true })).toEqual(["it is retired"]);
    expect(ask({ kind: "outline" })).toEqual(["it is a traced outline, not for cutting the skin"]);
    expect(ask({ side: "roof", what: "skylight" })).toHaveLength(2);
  });
  it("is called by its number, its rib bay and its mark", () => {
    expect(sayTemplate(testTemplate({ kind: "jig", bay: "3", mark: "front", offsets: "40 behind the hook" }))).toBe(
      "7, jig, bay 3, mark front, 40 behind the hook",
    );
  });
});

describe("the job that is marked by one", () => {
  it("waits until its number was read off, and only where there is one for it", () => {
    const shop = shopWith(testTemplate(), testTemplate({ id: "t8", number: "8", side: "right" }));
    const build = shop.builds[0];
    const window = job(shop, "OP-06a");
    expect(templatesOf(shop, build, window).map((t) => t.number)).toEqual(["7"]);
    expect(templateMissing(shop, build, window)).toBe("template 7 is not in hand: read its number off");
    expect(obstacles(shop, window, NOW).map((o) => o.text)).toContain("template 7 is not in hand: read its number off");
    expect(templateWords(shop, build, window)).toEqual(["Template to mark by: 7, template, mark up"]);
    window.template = { templateId: "t7", by: "u-ines", at: NOW };
    expect(templateMissing(shop, build, window)).toBeUndefined();
    expect(templateWords(shop, build, window)).toEqual(["Template in hand: 7, template, mark up"]);
    // Nothing on the roof has one, and what is not cut asks for none.
    expect(templateMissing(shop, build, job(shop, "OP-04"))).toBeUndefined();
    expect(templatesOf(shop, build, job(shop, "IN-05"))).toEqual([]);
  });
  it("is told of an outline that was traced from another van of the type", () => {
    const shop = shopWith(testTemplate({ kind: "outline", what: "load floor", serves: "IN-05", side: "floor", note: "from Night bakery" }));
    const build = shop.builds[0];
    const words = ["Outline on file for this type of van: 7, load floor, from Night bakery"];
    expect(templateWords(shop, build, job(shop, "IN-05"))).toEqual(words);
    expect(templateWords(shop, build, { ...job(shop, "IN-05"), state: "done" })).toEqual([]);
    expect(templateWords(shop, { ...build, vanId: "drover-l2h2" }, job(shop, "IN-05"))).toEqual([]);
  });
});
