import { pino } from "pino";
import { describe, expect, it, vi } from "vitest";
import { Background } from "./background.ts";

const quiet = () => new Background(pino({ level: "silent" }), () => Date.parse("2026-06-20T08:00:00Z"));

describe("work beside requests", () => {
  it("that fails is told with its words, ends nothing, and is told no more once it works", async () => {
    const background = quiet();
    let full = true;
    const work = async (): Promise<void> => {
      await Promise.resolve();
      if (full) throw Object.assign(new Error("disk I/O"), { code: "ENOSPC" });
    };
    await background.once("the weather station", work);
    expect(background.told).toMatchObject([
      { what: "the weather station", words: expect.stringMatching(/^The disk is full/) as string },
    ]);
    full = false;
    await background.once("the weather station", work);
    expect(background.told).toEqual([]);
  });

  it("is done again at its next turn, never two turns at a time", async () => {
    vi.useFakeTimers();
    const background = quiet();
    let [begun, atOnce, most] = [0, 0, 0];
    background.every("the nursery", 1000, async () => {
      begun++;
      most = Math.max(most, ++atOnce);
      await new Promise((resolve) => setTimeout(resolve, 2500));
      atOnce--;
      if (begun === 1) throw new Error("once");
    });
    await vi.advanceTimersByTimeAsync(10_000);
    vi.useRealTimers();
    expect(begun).toBeGreaterThan(2);
    expect(most).toBe(1);
    expect(background.told).toEqual([]);
  });

  it("is waited for when all is stopped, and told to hurry", async () => {
    const background = quiet();
    let ended = false;
    background.beside("a long copy", async (signal) => {
      await new Promise((resolve) => signal.addEventListener("abort", resolve));
      ended = true;
    });
    await background.stop();
    expect(ended).toBe(true);
  });
});
