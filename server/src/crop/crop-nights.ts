import type { ZoneCrop } from "@sprunel/contract/crop";
import type { Site } from "@sprunel/contract/site";
import {
  duskAndDawn,
  driverOf,
  programmesOn,
  programmeSpan,
  seasonStages,
  unbrokenDarkH,
  type Standing,
} from "@sprunel/core/crop";
import { addDays } from "@sprunel/core/time";
import { iso } from "../scope/site-file-part.ts";

type Nights = NonNullable<ZoneCrop["nights"]>;

/** So many nights back are shown. */
const PAST_NIGHTS = 42;
const HOUR_MS = 3_600_000;

/** The night of a date and those before it; null for a crop that does not go by them and has no programme. */
export function cropNights(site: Site, { planting, crop, state, since }: Standing, date: string): Nights | null {
  const { nights = [], missedNights = [] } = planting;
  const goesByLight = crop.stages.some(({ driver }) => driver?.kind === "cycles");
  if (!goesByLight && nights.length === 0) return null;
  const driver = driverOf(crop, state.period.stage);
  const cycles = driver.kind === "cycles" ? driver : null;
  const season = seasonStages(planting, since);
  const later = season[season.findIndex(({ id }) => id === state.period.id) + 1];
  const { duskMs, dawnMs } = duskAndDawn(site, date);
  const spans = programmesOn(planting, date).map((programme) => ({
    programme,
    span: programmeSpan(programme, date, site.timeZone),
  }));
  const lamps = spans.filter(({ programme }) => programme.kind === "lamps");
  const isCounted = (darkH: number): boolean =>
    cycles !== null && (cycles.of === "short" ? 24 - darkH < cycles.criticalH : 24 - darkH > cycles.criticalH);
  const from = addDays(date, -PAST_NIGHTS) > planting.plantedOn ? addDays(date, -PAST_NIGHTS) : planting.plantedOn;
  const past: Nights["past"] = [];
  for (let night = from; night < date; night = addDays(night, 1)) {
    const darkH = unbrokenDarkH(site, night, planting);
    const inStage = night >= state.period.startsOn;
    past.push({ date: night, darkH, counted: inStage && isCounted(darkH), missed: missedNights.includes(night) });
  }
  return {
    programmes: nights.map((programme) => ({ ...programme, wattsM2: programme.wattsM2 ?? null })),
    missed: [...missedNights],
    counts: cycles && { of: cycles.of, criticalH: cycles.criticalH, done: state.done, needed: state.period.of },
    nextSwitch: later ? { on: state.period.endsOn, stage: later.name } : null,
    tonight: {
      duskUtc: duskMs === null ? null : iso(duskMs),
      dawnUtc: dawnMs === null ? null : iso(dawnMs),
      darkH: unbrokenDarkH(site, date, planting),
      ownDarkH: unbrokenDarkH(site, date, {}),
      spans: spans.map(({ programme: { kind }, span: [fromMs, toMs] }) => ({
        kind,
        fromUtc: iso(fromMs),
        toUtc: iso(toMs),
      })),
      kwhM2:
        lamps.length > 0 && lamps.every(({ programme }) => (programme.wattsM2 ?? null) !== null)
          ? lamps.reduce(
              (sum, { programme, span: [fromMs, toMs] }) =>
                sum + ((programme.wattsM2 ?? 0) * (toMs - fromMs)) / HOUR_MS / 1000,
              0,
            )
          : null,
    },
    past,
  };
}
