import { DomainError } from "../working/domain-error.ts";

/** Local clock times as `HH:MM` or `HH:MM:SS`, counted in seconds from midnight. 24:00 is the end of the day. */

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
