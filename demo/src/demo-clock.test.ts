import { mkdtempSync, readdirSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { describe, expect, it, onTestFinished } from "vitest";
import { DemoClock } from "./demo-clock.ts";
import { FIRST_MS } from "./story.ts";

const MIN = 60_000;

/** A clock over a folder of its own, and the real time that the test lets pass. */
function clockIn(folder = newFolder()) {
  let realMs = 1_000_000;
  const make = () =>
    new DemoClock({
      file: join(folder, "clock.json"),
      firstMs: FIRST_MS,
      firstPace: "real",
      real: () => realMs,
      startAgain: () => undefined,
    });
  return { clock: make(), again: make, folder, pass: (ms: number) => (realMs += ms) };
}
function newFolder(): string {
  const folder = mkdtempSync(join(tmpdir(), "sprunel-clock-"));
  onTestFinished(() => rmSync(folder, { recursive: true, force: true }));
  return folder;
}

describe("the demonstration's clock", () => {
  it("begins at ten past six on a Tuesday in June at Quillbrook", () => {
    const { clock } = clockIn();
    const words = new Intl.DateTimeFormat("en-GB", { timeZone: "Europe/Paris", dateStyle: "full", timeStyle: "short" });
    expect(words.format(clock.now())).toBe("Tuesday, 16 June 2026 at 06:10");
  });

  it("goes as real time does, stands when paused, and runs a minute in a second", () => {
    const { clock, pass } = clockIn();
    pass(5 * MIN);
    expect(clock.now()).toBe(FIRST_MS + 5 * MIN);
    clock.setPace("paused");
    pass(60 * MIN);
    expect(clock.now()).toBe(FIRST_MS + 5 * MIN);
    clock.setPace("minute-a-second");
    pass(10_000);
    expect(clock.now()).toBe(FIRST_MS + 15 * MIN);
  });

  it("goes on from where it was when the program is started again, at the same pace", () => {
    const { clock, again, pass, folder } = clockIn();
    clock.setPace("minute-a-second");
    pass(3000);
    clock.save();
    pass(8 * 3_600_000);
    const next = again();
    expect([next.now(), next.pace]).toEqual([FIRST_MS + 3 * MIN, "minute-a-second"]);
    expect(readdirSync(folder)).toEqual(["clock.json"]);
  });

  it("never goes back, though the real clock is set back", () => {
    const { clock, pass } = clockIn();
    pass(2 * MIN);
    clock.save();
    pass(-60 * MIN);
    expect(clock.now()).toBe(FIRST_MS + 2 * MIN);
  });

  it("refuses a file that is no time, and says what to do", () => {
    const { again, folder } = clockIn();
    writeFileSync(join(folder, "clock.json"), '{"atMs":"soon"}');
    expect(again).toThrow(/Remove its folder, and it begins anew/);
  });
});
