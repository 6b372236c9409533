// The small pieces under every component: what is sent, what comes back, and how times read.

import { afterEach, describe, expect, it, vi } from "vitest";
import { zoneOf } from "@/core/time/zone";
import { weekWords } from "../workshop/hours";
import { cx } from "./cx";
import { faultOf } from "./field";
import { askedLately, awaited, noteFresh, refresh, refreshMoved } from "./fresh";
import { sendLines } from "./lines";
import { SendError, send } from "./send";
import { stageOf } from "./stage";
import { clock, day, local, near, time } from "./time";

const toasts = vi.hoisted(() => ({ loading: vi.fn(), dismiss: vi.fn() }));
vi.mock("sonner", () => ({ toast: toasts }));

const ZONE = "Europe/Lisbon";
const at = (t: string) => zoneOf(ZONE).parse(t);
const answer = (status: number, body: unknown) => vi.fn(async () => new Response(JSON.stringify(body), { status }));

afterEach(() => vi.unstubAllGlobals());

describe("send", () => {
  it("sends JSON to the API and gives the answer", async () => {
    const fetch = answer(200, { id: "x" });
    vi.stubGlobal("fetch", fetch);
    expect(await send("POST", "bays", { name: "Tall" })).toEqual({ id: "x" });
    expect(fetch).toHaveBeenCalledWith("/api/bays", expect.objectContaining({ method: "POST", body: '{"name":"Tall"}' }));
  });
  it("does not lose a figure that is none", async () => {
    const fetch = answer(200, {});
    vi.stubGlobal("fetch", fetch);
    await send("POST", "records", { kg: Number("12 kg"), mm: 4 });
    expect(fetch).toHaveBeenCalledWith("/api/records", expect.objectContaining({ body: '{"kg":"not a figure","mm":4}' }));
  });
  it("turns a refusal into one error with words, fields and both values", async () => {
    vi.stubGlobal("fetch", answer(422, { error: "due: has to be later", faults: [{ path: "due", message: "has to be later" }] }));
    await expect(send("POST", "builds")).rejects.toMatchObject({
      status: 422,
      message: "due: has to be later",
      faults: [{ path: "due", message: "has to be later" }],
    });
    vi.stubGlobal("fetch", answer(409, { error: "changed", stale: true, mine: { a: 1 }, theirs: { a: 2 }, version: 5 }));
    await expect(send("PATCH", "builds/x")).rejects.toMatchObject({ stale: { mine: { a: 1 }, theirs: { a: 2 }, version: 5 } });
  });
  it("sends an act again under the same id while no answer comes, and never claims that nothing was changed", async () => {
    vi.useFakeTimers();
    const ids: string[] = [];
    const lost = vi.fn(async (_url: string, init: RequestInit) => {
      ids.push((init.headers as Record<string, string>)["x-act-id"]);
      if (ids.length < 4) throw new TypeError("failed");
      return new Response('{"id":"a"}', { status: 200 });
    });
    vi.stubGlobal("fetch", lost);
    const sent = send("POST", "suppliers", { name: "x" });
    await vi.runAllTimersAsync();
    await expect(sent).resolves.toEqual({ id: "a" });
    expect([ids.length, new Set(ids).size]).toEqual([4, 1]);
    expect(toasts.loading).toHaveBeenCalledWith("No answer yet. Trying again …", expect.anything());
    expect(toasts.dismiss).toHaveBeenCalled();
    vi.stubGlobal(
      "fetch",
      vi.fn(async () => {
        throw new TypeError("failed");
      }),
    );
    const given = expect(send("POST", "plan")).rejects.toThrow(/isn't known whether this was saved/);
    await vi.runAllTimersAsync();
    await given;
    vi.useRealTimers();
  });
  it("waits for a server that is busy or being started, and keeps quiet words for an answer without any", async () => {
    vi.useFakeTimers();
    let n = 0;
    vi.stubGlobal(
      "fetch",
      vi.fn(async () => new Response(n++ < 2 ? "<html>" : '{"ok":1}', { status: n < 3 ? 503 : 200 })),
    );
    const sent = send("POST", "plan");
    await vi.runAllTimersAsync();
    await expect(sent).resolves.toEqual({ ok: 1 });
    vi.useRealTimers();
    vi.stubGlobal(
      "fetch",
      vi.fn(async () => new Response("<html>", { status: 500 })),
    );
    await expect(send("POST", "plan")).rejects.toMatchObject({ status: 500, message: "That did not work." });
  });
});

describe("sendLines", () => {
  const streamed = (chunks: string[], status = 200) =>
    vi.fn(
      async () =>
        new Response(
          new ReadableStream({
            start(c) {
              for (const x of chunks) c.enqueue(new TextEncoder().encode(x));
              c.close();
            },
          }),
          { status },
        ),
    );
  it("puts lines together however they were cut", async () => {
    vi.stubGlobal("fetch", streamed(['{"n":1}\n{"n"', ":2}\n", '{"done":{}}\n']));
    const lines: unknown[] = [];
    await sendLines("plan/search", {}, (l) => lines.push(l), new AbortController().signal);
    expect(lines).toEqual([{ n: 1 }, { n: 2 }, { done: {} }]);
  });
  it("throws what failed on the way, after what came before", async () => {
    vi.stubGlobal("fetch", streamed(['{"n":1}\n{"failed":{"status":409,"error":"stale"}}\n']));
    const lines: unknown[] = [];
    await expect(sendLines("plan/gain", {}, (l) => lines.push(l), new AbortController().signal)).rejects.toMatchObject({
      status: 409,
      message: "stale",
    });
    expect(lines).toEqual([{ n: 1 }]);
  });
  it("throws a refusal", async () => {
    vi.stubGlobal("fetch", answer(403, { error: "Only the lead may do that." }));
    await expect(sendLines("plan/gain", {}, () => undefined, new AbortController().signal)).rejects.toBeInstanceOf(SendError);
  });
});

describe("fresh data", () => {
  const router = { refresh: vi.fn() };
  afterEach(() => vi.useRealTimers());
  it("are awaited from when they are asked for until they are there, or taken for lost after twenty seconds", () => {
    vi.useFakeTimers();
    noteFresh();
    expect(awaited()).toBe(false);
    vi.advanceTimersByTime(10);
    refresh(router);
    expect(awaited()).toBe(true);
    vi.advanceTimersByTime(7000);
    expect(awaited()).toBe(true);
    noteFresh();
    expect(awaited()).toBe(false);
    vi.advanceTimersByTime(10);
    refresh(router);
    expect(askedLately()).toBe(true);
    vi.advanceTimersByTime(10_000);
    expect([awaited(), askedLately()]).toEqual([true, false]);
    vi.advanceTimersByTime(10_001);
    expect(awaited()).toBe(false);
  });
});

describe("fresh data asked for while some are on their way", () => {
  afterEach(() => vi.useRealTimers());
  it("are asked for once more when those are there, however often it was asked", () => {
    vi.useFakeTimers();
    noteFresh();
    const router = { refresh: vi.fn() };
    refresh(router);
    refresh(router);
    refresh(router);
    expect(router.refresh).toHaveBeenCalledTimes(1);
    noteFresh();
    expect(router.refresh).toHaveBeenCalledTimes(2);
    expect(awaited()).toBe(true);
    noteFresh();
    expect(router.refresh).toHaveBeenCalledTimes(2);
    expect(awaited()).toBe(false);
  });
  it("are asked for by themselves once those on their way are taken for lost", () => {
    vi.useFakeTimers();
    noteFresh();
    const router = { refresh: vi.fn() };
    refresh(router);
    vi.advanceTimersByTime(5000);
    refresh(router);
    vi.advanceTimersByTime(14_999);
    expect(router.refresh).toHaveBeenCalledTimes(1);
    vi.advanceTimersByTime(2);
    expect(router.refresh).toHaveBeenCalledTimes(2);
    noteFresh();
    vi.advanceTimersByTime(60_000);
    expect(router.refresh).toHaveBeenCalledTimes(2);
  });
  it("are asked for again soon where the address changed meanwhile: what was on its way may never be shown", () => {
    vi.useFakeTimers();
    noteFresh();
    const router = { refresh: vi.fn() };
    refresh(router);
    refreshMoved(router);
    vi.advanceTimersByTime(1499);
    expect(router.refresh).toHaveBeenCalledTimes(1);
    vi.advanceTimersByTime(1);
    expect(router.refresh).toHaveBeenCalledTimes(2);
    noteFresh();
    // Those that came in time need no second asking by the clock.
    refresh(router);
    refreshMoved(router);
    noteFresh();
    expect(router.refresh).toHaveBeenCalledTimes(4);
    noteFresh();
    vi.advanceTimersByTime(5000);
    expect(router.refresh).toHaveBeenCalledTimes(4);
    refreshMoved(router);
    expect(router.refresh).toHaveBeenCalledTimes(5);
    noteFresh();
  });
  it("are asked for at once when those on their way are lost", () => {
    vi.useFakeTimers();
    const router = { refresh: vi.fn() };
    noteFresh();
    refresh(router);
    vi.advanceTimersByTime(20_001);
    refresh(router);
    expect(router.refresh).toHaveBeenCalledTimes(2);
    noteFresh();
    expect(router.refresh).toHaveBeenCalledTimes(2);
  });
});

describe("times", () => {
  const now = at("2027-03-09T10:42");
  it("read short when near and whole when far", () => {
    expect(near(ZONE, at("2027-03-09T14:20"), now)).toBe("14:20");
    expect(near(ZONE, at("2027-03-11T08:00"), now)).toBe("Thu 08:00");
    expect(near(ZONE, at("2027-03-30T08:00"), now)).toBe("Tue 30 Mar 08:00");
    expect(near(ZONE, at("2027-03-05T08:00"), now)).toBe("Fri 5 Mar 08:00");
  });
  it("are those of the workshop's zone", () => {
    expect([clock(ZONE, now), day(ZONE, now), time(ZONE, now), local(ZONE, now)]).toEqual([
      "10:42",
      "Tue 9 Mar",
      "Tue 9 Mar 10:42",
      "2027-03-09T10:42",
    ]);
    expect(clock("America/New_York", now)).toBe("05:42");
  });
});

describe("words and looks", () => {
  it("puts equal days of a week together", () => {
    const w = (weekday: number, opens: string, closes: string) => ({ weekday, opens, closes });
    expect(weekWords([0, 1, 2, 3].flatMap((d) => [w(d, "08:00", "12:00"), w(d, "13:00", "17:00")]).concat(w(4, "08:00", "12:00")))).toBe(
      "Mon to Thu 08:00 to 12:00, 13:00 to 17:00 · Fri 08:00 to 12:00",
    );
    expect(weekWords([w(0, "08:00", "12:00"), w(2, "08:00", "12:00")])).toBe("Mon 08:00 to 12:00 · Wed 08:00 to 12:00");
    expect(weekWords([])).toBe("never open");
  });
  it("finds the fault of a field, or of something inside it", () => {
    const faults = [
      { path: "options.windows", message: "must be <= 4" },
      { path: "windows[2].closes", message: "has to be later" },
    ];
    expect(faultOf(faults, "options")).toBe("must be <= 4");
    expect(faultOf(faults, "windows")).toBe("has to be later");
    expect(faultOf(faults, "name")).toBeUndefined();
  });
  it("knows all seven stages, and keeps its head with an eighth", () => {
    expect(["strip", "openings", "insulation", "framing", "panels", "furniture", "services"].map((s) => stageOf(s).code)).toEqual([
      "ST",
      "OP",
      "IN",
      "FR",
      "PA",
      "FU",
      "SV",
    ]);
    expect(stageOf("paintwork")).toMatchObject({ code: "??", name: "paintwork" });
  });
  it("gives every stage text that can be read on its colour (4.5 to 1)", () => {
    const light = (hex: string) => {
      const [r, g, b] = [1, 3, 5]
        .map((i) => Number.parseInt(hex.slice(i, i + 2), 16) / 255)
        .map((c) => (c <= 0.03928 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4));
      return 0.2126 * r + 0.7152 * g + 0.0722 * b;
    };
    for (const s of ["strip", "openings", "insulation", "framing", "panels", "furniture", "services"].map(stageOf)) {
      const [a, b] = [light(s.colour), light(s.ink)].sort((x, y) => y - x);
      expect((a + 0.05) / (b + 0.05), s.code).toBeGreaterThanOrEqual(4.5);
    }
  });
  it("joins class names and drops what is false", () => expect(cx("a", false, undefined, "b")).toBe("a b"));
});
