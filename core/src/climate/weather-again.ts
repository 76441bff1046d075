import type { Place } from "../site/zone.ts";
import { startOfLocalDay } from "../time/local-time.ts";
import { dailyExtraterrestrialMjM2, dayOfYear } from "./solar-geometry.ts";
import type { HouseAir, WeatherHour } from "./weather-hours.ts";

/** A day's weather outside, and the air of each house. */
export interface WeatherOfDay {
  readonly date: string;
  readonly hours: readonly WeatherHour[];
  /** by house id */
  readonly air: ReadonlyMap<number, readonly HouseAir[]>;
}

/**
 * A day that was, as the weather of a day that no forecast reaches: hour by hour the same, its light as much more or less as
 * the sun then gives above the air. Where the clock changes, hours are counted from midnight.
 *
 * @see FAO-56, eq. 21, for the light above the air
 */
export function weatherAgain(
  was: WeatherOfDay,
  date: string,
  { latitudeDeg, timeZone }: Pick<Place, "latitudeDeg" | "timeZone">,
): WeatherOfDay {
  const byMs = startOfLocalDay(date, timeZone) - startOfLocalDay(was.date, timeZone);
  const sun = (on: string): number => dailyExtraterrestrialMjM2(latitudeDeg, dayOfYear(on));
  const sunWas = sun(was.date);
  const brighter = sunWas > 0 ? sun(date) / sunWas : 0;
  return {
    date,
    hours: was.hours.map(({ startMs, values }) => ({
      startMs: startMs + byMs,
      values: Object.fromEntries(
        Object.entries(values).map(([kind, { value }]) => [
          kind,
          { value: kind === "radiation" ? value * brighter : value, origin: "again" as const },
        ]),
      ),
    })),
    air: new Map(
      [...was.air].map(([house, hours]) => [
        house,
        hours.map((hour) => ({ ...hour, startMs: hour.startMs + byMs, origin: "again" as const })),
      ]),
    ),
  };
}
