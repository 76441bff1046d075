import { PACES, type Pace } from "@sprunel/contract/basics";
import type { SteeredClock } from "@sprunel/server";
import { existsSync, readFileSync, renameSync, writeFileSync } from "node:fs";

interface Saved {
  readonly atMs: number;
  readonly pace: Pace;
}

const FASTNESS: Readonly<Record<Pace, number>> = { paused: 0, real: 1, "minute-a-second": 60 };

interface Options {
  /** where the time is kept from one run to the next */
  readonly file: string;
  readonly firstMs: number;
  readonly firstPace: Pace;
  /** real time, in milliseconds */
  readonly real?: () => number;
  startAgain(): void;
}

/**
 * The demonstration's own time: it begins on its first morning, goes at the pace that is chosen, stands while the program is
 * stopped, and goes on from there.
 */
export class DemoClock implements SteeredClock {
  private atMs: number;
  private sinceMs: number;
  private chosen: Pace;
  private readonly real: () => number;

  constructor(private readonly options: Options) {
    this.real = options.real ?? Date.now;
    const saved = existsSync(options.file) ? readSaved(options.file) : null;
    this.atMs = saved?.atMs ?? options.firstMs;
    this.chosen = saved?.pace ?? options.firstPace;
    this.sinceMs = this.real();
  }

  now(): number {
    // A real clock that is set back must not take the nursery's time with it.
    const gone = Math.max(0, this.real() - this.sinceMs);
    return this.atMs + gone * FASTNESS[this.chosen];
  }

  get pace(): Pace {
    return this.chosen;
  }

  setPace(pace: Pace): void {
    this.settle();
    this.chosen = pace;
    this.save();
  }

  startAgain(): void {
    this.options.startAgain();
  }

  /** Kept before anything is made up to now, so that no stop leaves records from the future. */
  save(): number {
    this.settle();
    const { file } = this.options;
    writeFileSync(`${file}.new`, JSON.stringify({ atMs: this.atMs, pace: this.chosen }));
    renameSync(`${file}.new`, file);
    return this.atMs;
  }

  private settle(): void {
    this.atMs = Math.floor(this.now());
    this.sinceMs = this.real();
  }
}

function readSaved(file: string): Saved {
  try {
    const { atMs, pace } = JSON.parse(readFileSync(file, "utf8")) as Saved;
    if (!Number.isFinite(atMs) || !PACES.includes(pace)) throw new Error("no time");
    return { atMs, pace };
  } catch {
    throw new Error(`${file} does not hold the demonstration's time. Remove its folder, and it begins anew.`);
  }
}
