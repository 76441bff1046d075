import { DomainError } from "../working/domain-error.ts";

/*
 * Times of a local day are seconds from its midnight; 86 400 is its end. People write and read them as `HH:MM` or `HH:MM:SS`, and
 * 24:00 for the end: that is turned into seconds where it comes in, and back where it goes out.
 */

/** A stretch of a local day, seconds from its midnight. */
export interface Span {
  readonly startS: number;
  readonly endS: number;
}

/** The same as people write it. */
export interface ClockSpan {
  /** `HH:MM` or `HH:MM:SS` */
  readonly start: string;
  readonly end: string;
}

/** @throws {DomainError} for anything that is no time of day */
export function clockSeconds(text: string, path: string): number {
  const parts = /^(\d{2}):(\d{2})(?::(\d{2}))?$/.exec(text);
  const [hours, minutes, seconds] = [Number(parts?.[1]), Number(parts?.[2]), Number(parts?.[3] ?? 0)];
  const total = hours * 3600 + minutes * 60 + seconds;
  if (!parts || minutes > 59 || seconds > 59 || total > 86_400)
    throw new DomainError({
      code: "not-possible",
      path,
      message: `"${text}" is not a time of day; write it as 07:30, from 00:00 to 24:00.`,
    });
  return total;
}

/** To the nearest second, as `HH:MM:SS`. */
export function clockText(seconds: number): string {
  const whole = Math.round(seconds);
  const two = (value: number): string => String(value).padStart(2, "0");
  return `${two(Math.floor(whole / 3600))}:${two(Math.floor(whole / 60) % 60)}:${two(whole % 60)}`;
}

/** To the nearest second, as `HH:MM`: what lies within the minute is left out. */
export function minuteText(seconds: number): string {
  return clockText(seconds).slice(0, 5);
}

/**
 * A stretch of the clock in seconds.
 *
 * @param path where it stands in what was sent
 * @throws {DomainError} for anything that is no time of day
 */
export function spanOf({ start, end }: ClockSpan, path: string): Span {
  return { startS: clockSeconds(start, `${path}.start`), endS: clockSeconds(end, `${path}.end`) };
}
