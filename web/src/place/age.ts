const HOUR_MS = 3_600_000;

/** How long ago, in the words of a grower: "12 min ago", "5 h ago", "3 days ago". */
export function ageWords(instant: string, now: string): string {
  const ms = Math.max(0, Date.parse(now) - Date.parse(instant));
  if (ms < HOUR_MS) return `${Math.round(ms / 60_000)} min ago`;
  if (ms < 36 * HOUR_MS) return `${Math.round(ms / HOUR_MS)} h ago`;
  return `${Math.round(ms / (24 * HOUR_MS))} days ago`;
}
