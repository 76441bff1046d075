import { clockOf, clockText } from "@sprunel/core/time";

/** The clock at the site at an instant, as 07:30. */
export function clockAt(instant: string | number, timeZone: string): string {
  const ms = typeof instant === "number" ? instant : Date.parse(instant);
  return clockText(Math.floor(clockOf(ms, timeZone).clockS / 60) * 60).slice(0, 5);
}
