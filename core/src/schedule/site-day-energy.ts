import type { Span } from "../time/clock.ts";
import type { Main } from "./main.ts";
import type { SiteDay, SitePulse } from "./site-day-input.ts";

/** What pumps draw over pulses. A pump runs, at all of its power, while any of its valves is open. Assumed: one without speed control. */
export function energyOf(
  { limits, tariff }: Main,
  pulses: readonly Pick<SitePulse, "zoneId" | "startS" | "lengthS">[],
): SiteDay["energy"] {
  return limits.flatMap(({ name, kw, zoneIds }) => {
    if (kw === null) return [];
    const spans = open(
      pulses.filter(({ zoneId }) => zoneIds === null || (zoneId !== null && zoneIds.includes(zoneId))),
    );
    const hours = spans.reduce((sum, { startS, endS }) => sum + (endS - startS) / 3600, 0);
    const cost = tariff.reduce((sum, { pricePerKwh, ...span }) => {
      return spans.reduce((so, { startS, endS }) => {
        const shared = Math.min(endS, span.endS) - Math.max(startS, span.startS);
        return so + (Math.max(0, shared) / 3600) * kw * pricePerKwh;
      }, sum);
    }, 0);
    return [{ name, kwh: hours * kw, cost: tariff.length > 0 ? cost : null }];
  });
}

/** Times in which at least one pulse runs. */
function open(pulses: readonly Pick<SitePulse, "startS" | "lengthS">[]): Span[] {
  const spans: Span[] = [];
  for (const { startS, lengthS } of [...pulses].sort((a, b) => a.startS - b.startS)) {
    const last = spans.at(-1);
    if (last && startS <= last.endS) spans[spans.length - 1] = { ...last, endS: Math.max(last.endS, startS + lengthS) };
    else spans.push({ startS, endS: startS + lengthS });
  }
  return spans;
}
