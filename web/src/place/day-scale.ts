import type { Board } from "@sprunel/contract/today";
import { clockAt } from "./clock-at.ts";

const HOUR_MS = 3_600_000;
/** Clocks of the earth differ by whole quarters of an hour. */
const QUARTER_MS = HOUR_MS / 4;

/** A day on a line: from an hour before sunrise to an hour after sunset, widened to the pulses, in whole hours. */
export interface DayScale {
  readonly fromMs: number;
  readonly toMs: number;
}

/** @returns null where neither the sun nor any pulse is known */
export function dayScale({
  sun,
  zones,
}: {
  readonly sun: Board["sun"];
  readonly zones: readonly {
    readonly pulses: readonly { readonly startUtc: string; readonly endUtc: string }[];
  }[];
}): DayScale | null {
  const pulses = zones.flatMap((zone) => zone.pulses);
  const starts = pulses.map(({ startUtc }) => Date.parse(startUtc));
  const ends = pulses.map(({ endUtc }) => Date.parse(endUtc));
  if (sun) {
    starts.push(Date.parse(sun.riseUtc) - HOUR_MS);
    ends.push(Date.parse(sun.setUtc) + HOUR_MS);
  }
  if (starts.length === 0) return null;
  return {
    fromMs: Math.floor(Math.min(...starts) / HOUR_MS) * HOUR_MS,
    toMs: Math.ceil(Math.max(...ends) / HOUR_MS) * HOUR_MS,
  };
}

/** The full hours of the place's clock that stand under it: every second, or every third where there is little room. */
export function hourTicks({ fromMs, toMs }: DayScale, timeZone: string, width: number): number[] {
  const step = width < 700 ? 3 : 2;
  const quarters = Math.floor((toMs - fromMs) / QUARTER_MS) + 1;
  return Array.from({ length: quarters }, (_, at) => fromMs + at * QUARTER_MS).filter((ms) => {
    const [hours, minutes] = clockAt(ms, timeZone).split(":").map(Number);
    return minutes === 0 && (hours ?? NaN) % step === 0;
  });
}

/** Whether the present lies on the line. */
export function showsNow({ date, today, now }: Board, { fromMs, toMs }: DayScale): boolean {
  const nowMs = Date.parse(now);
  return date === today && nowMs >= fromMs && nowMs <= toMs;
}
