import type { RootStation } from "@sprunel/contract/rootzone";
import { readingBands } from "@sprunel/core/advice";
import { ecMsCm } from "@sprunel/core/chemistry";
import { feedStore } from "../feed/feed-store.ts";
import { askedIn } from "../feed/zone-target.ts";
import type { ReadingService } from "../rootzone/reading-service.ts";
import type { Scope } from "../scope/scope.ts";

/** What was last read of every zone, beside the bands that its feed of the date sets. */
export async function rootStation(
  scope: Scope,
  readings: ReadingService,
  asked: string | undefined,
): Promise<RootStation> {
  await scope.site.current();
  const date = await scope.site.dateOr(asked);
  const zones = await scope.zones();
  const held = await feedStore(scope).held();
  const past = await readings.last(zones.map(({ id }) => id));
  return {
    zones: zones.map((zone) => {
      const target = askedIn(held, zone, date)?.target;
      return {
        zoneId: zone.id,
        past: past.get(zone.id) ?? {},
        bands: readingBands(target ? { ecMsCm: ecMsCm(target.ions, target.ph), ph: target.ph } : null),
      };
    }),
  };
}
