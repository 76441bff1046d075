import { lightSumMolM2 } from "@sprunel/core/climate";
import type { WeatherService } from "../climate/weather-service.ts";
import type { Scope } from "../scope/scope.ts";
import type { StoredZone } from "../scope/zone-store.ts";

/** Light on a zone's crop by date, mol/m², foreseen days too; days of which an hour is not known are left out. */
export type LightOf = (zone: StoredZone, from: string, to: string) => Promise<ReadonlyMap<string, number>>;

export function doseLight(scope: Scope, weather: WeatherService): LightOf {
  return async (zone, from, to) => {
    const days = await weather.days(await scope.site.current(), from, to);
    return new Map(
      days.flatMap(({ date, hours }) => {
        const outside = hours.flatMap(({ values }) => values.radiation?.value ?? []);
        if (hours.length === 0 || outside.length < hours.length) return [];
        const inside = (outside.reduce((sum, one) => sum + one, 0) * zone.house.transmissionPct) / 100;
        return [[date, lightSumMolM2(inside)] as const];
      }),
    );
  };
}
