// Released by two: when a step waits for its release, who may give it, and what that stops.

import { describe, expect, it } from "vitest";
import { decisions } from "../builds/decisions";
import { done, job, NOW, testShop } from "../testing/shop";
import { obstacles } from "./ready";
import { readyForRelease, releaseFault, wantsRelease } from "./released";

function house(releaseCuts = true) {
  const shop = testShop();
  shop.workshop.releaseCuts = releaseCuts;
  const cut = job(shop, "OP-06a");
  done(
    shop,
    cut.after.map((a) => shop.builds[0].jobs.find((j) => j.id === a.job)!.code),
    NOW - 6000,
  );
  const answers = (answeredAt: number | null, answeredBy: string | null) => {
    cut.questions = cut.questions.map((q) => ({ ...q, answeredAt, answeredBy }));
  };
  answers(null, null);
  const answer = (by: string) => answers(NOW - 10, by);
  const says = () =>
    obstacles(shop, cut, NOW)
      .map((o) => o.text)
      .filter((t) => /release|question/.test(t));
  return { shop, cut, answer, says };
}

describe("a step that can't be undone", () => {
  it("waits for its release once all is answered, where the house says so", () => {
    const { shop, cut, answer, says } = house();
    expect(cut.questions.length).toBeGreaterThan(1);
    expect([wantsRelease(shop, cut), readyForRelease(shop, cut)]).toEqual([true, false]);
    // What is open is asked first; the release comes behind it.
    expect(says().join()).toMatch(/questions before the cut are open/);
    expect(says().join()).not.toMatch(/release/);
    answer("u-ines");
    expect(readyForRelease(shop, cut)).toBe(true);
    expect(says()).toEqual(["the cut waits for the lead's release"]);
    cut.releasedBy = "u-mara";
    expect([wantsRelease(shop, cut), says()]).toEqual([false, []]);
  });
  it("waits for nobody in other houses, nor where it can be undone, nor once it is begun", () => {
    const { shop, cut, answer, says } = house(false);
    answer("u-ines");
    expect(says()).toEqual([]);
    expect(releaseFault(shop, cut, "u-mara")).toMatch(/asks for no release/);
    shop.workshop.releaseCuts = true;
    expect(wantsRelease(shop, { ...cut, irreversible: null })).toBe(false);
    expect(wantsRelease(shop, { ...cut, state: "started" })).toBe(false);
  });
  it("is asked of the lead, with everything that waits for them", () => {
    const { shop, cut, answer } = house();
    const asked = () => decisions(shop, undefined, NOW).filter((d) => d.kind === "release" && d.jobId === cut.id);
    expect(asked()).toEqual([]);
    answer("u-ines");
    expect(asked()).toMatchObject([{ title: `Release: ${cut.name}`, detail: "all of it is answered · on its card", by: null }]);
    cut.releasedBy = "u-mara";
    expect(asked()).toEqual([]);
  });
});

describe("who releases it", () => {
  it("is somebody else than whoever answered all of it", () => {
    const { shop, cut, answer } = house();
    expect(releaseFault(shop, cut, "u-mara")).toMatch(/^\d+ questions are still open before it\.$/);
    answer("u-mara");
    expect(releaseFault(shop, cut, "u-mara")).toBe("You answered all of it yourself: somebody else releases it.");
    expect(releaseFault(shop, cut, "u-deputy")).toBeUndefined();
    // A second name among the answers is a second name.
    cut.questions[0].answeredBy = "u-ines";
    expect(releaseFault(shop, cut, "u-mara")).toBeUndefined();
    expect(releaseFault(shop, { ...cut, state: "started" }, "u-mara")).toMatch(/already started/);
  });
});
