import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { countedOn } from "./use-clock.ts";

const TOLD_MS = Date.parse("2026-06-16T06:10:00Z");
const ASKED_AT = Date.parse("2031-01-01T00:00:00Z");

describe("the program's time", () => {
  beforeEach(() => void vi.useFakeTimers({ now: ASKED_AT + 30 * 60_000 }));
  afterEach(() => void vi.useRealTimers());

  it.each([
    ["goes on by itself while the server is away", null, 30],
    ["goes on in a demonstration in real time", "real", 30],
    ["runs where a second is a minute", "minute-a-second", 30 * 60],
    ["stands where it is paused", "paused", 0],
    ["stands while nobody knows how it goes", undefined, 0],
  ] as const)("%s", (_what, pace, minutes) => {
    expect(countedOn(TOLD_MS, ASKED_AT, pace)).toBe(TOLD_MS + minutes * 60_000);
  });

  it("never runs back, whatever the browser's clock does", () => {
    vi.setSystemTime(ASKED_AT - 3_600_000);
    expect(countedOn(TOLD_MS, ASKED_AT, null)).toBe(TOLD_MS);
  });
});
