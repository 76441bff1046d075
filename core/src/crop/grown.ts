import { addDays } from "../time/local-time.ts";
import type { Crop, Stage } from "./crop.ts";
import type { Nights } from "./night.ts";
import type { Planting } from "./planting.ts";
import { seasonStages, signsOfSeason, type SeasonStage } from "./season.ts";
import { stageCourse, type DrivenStage, type StageSign } from "./stage-course.ts";
import type { CropDay, StageDriver } from "./stage-driver.ts";

/** A stage of a planting with its dates, by what moves it. */
export interface StagePeriod extends SeasonStage {
  readonly startsOn: string;
  /** first day of what follows */
  readonly endsOn: string;
  readonly seen: boolean;
  /** what its driver needs, and in which unit */
  readonly of: number;
  readonly unit: string;
  /** what had been counted by the end of each of its days */
  readonly sums: readonly number[];
}

/** What a crop lives through on any date, as measured, foreseen or expected. */
export interface CropClimate {
  /** lowest and highest of the air; null where it is not known */
  air(date: string): { readonly tMinC: number; readonly tMaxC: number } | null;
  /** hours of day that a planting's nights leave it */
  dayLengthH(date: string, nights: Nights): number | null;
}

/** A planting with its crop, whose stages move by the days that it lives through. */
export interface Grown extends Planting {
  readonly crop: Crop;
  /** the stages from planting on, or from the first day of a perennial's year on */
  periodsFrom(startOn: string): readonly StagePeriod[];
  /** the same if it were so much warmer from a date on, °C */
  periodsIf(startOn: string, warmer: { readonly fromOn: string; readonly byC: number }): readonly StagePeriod[];
}

/** No stages go on for longer: two years beside those of a long crop. */
const LONGEST_DAYS = 1500;

/** What ends a stage: its own driver, or the warmth that its days have in the climate in which their number holds. */
export function driverOf({ baseC, usualC, warmthBy }: Crop, { driver, days }: Stage): StageDriver {
  if (driver) return driver;
  const degreeDays = days * (usualC.value - baseC.value);
  return { kind: "thermal", degreeDays, baseC: baseC.value, method: warmthBy };
}

/** A planting that grows through a climate; through its crop's usual one where none is given. */
export function grow<P extends Planting>(planting: P, crop: Crop, climate: CropClimate | null = null): P & Grown {
  // Asked again and again while nothing changes: what was followed once is kept.
  const known = new Map<string, readonly StagePeriod[]>();
  const kept = (key: string, follow: () => readonly StagePeriod[]): readonly StagePeriod[] => {
    const found = known.get(key) ?? follow();
    known.set(key, found);
    return found;
  };
  return {
    ...planting,
    crop,
    periodsFrom: (startOn) => kept(startOn, () => periodsOf(crop, startOn, planting, climate)),
    periodsIf: (startOn, { fromOn, byC }) =>
      kept(`${startOn} ${fromOn} ${byC}`, () =>
        periodsOf(crop, startOn, planting, {
          air(date) {
            const { tMinC, tMaxC } = climate?.air(date) ?? { tMinC: crop.usualC.value, tMaxC: crop.usualC.value };
            return date < fromOn ? { tMinC, tMaxC } : { tMinC: tMinC + byC, tMaxC: tMaxC + byC };
          },
          dayLengthH: (date, nights) => climate?.dayLengthH(date, nights) ?? null,
        }),
      ),
  };
}

/** A crop from a planting date on, in its usual climate. */
export function grownByDays(crop: Crop, plantedOn: string, signs: readonly StageSign[] = []): Grown {
  return grow({ cropId: crop.id, plantedOn, clearedOn: null, signs }, crop);
}

function periodsOf(
  crop: Crop,
  startOn: string,
  planting: Planting,
  climate: CropClimate | null,
): readonly StagePeriod[] {
  const grown = { ...planting, crop };
  const signs = signsOfSeason(grown, startOn);
  const season = seasonStages(grown, startOn);
  const stages = season.map(({ id, stage }): DrivenStage => ({ id, driver: driverOf(crop, stage) }));
  const { stages: courses } = stageCourse({ startOn, stages, signs, days: daysFrom(startOn, crop, planting, climate) });
  return courses.flatMap(({ startsOn, endsOn, seen, of, unit, sums }, at): StagePeriod[] => {
    const stage = season[at];
    if (!stage || startsOn === null) return [];
    const last = endsOn ?? addDays(startsOn, Math.max(stage.stage.days, sums.length) - 1);
    return [{ ...stage, startsOn, endsOn: addDays(last, 1), seen, of, unit, sums }];
  });
}

/** Day after day; what is not known of one is as in the crop's usual climate, where every counted day counts. */
function* daysFrom(
  startOn: string,
  { usualC, stages }: Crop,
  nights: Nights,
  climate: CropClimate | null,
): Generator<CropDay> {
  const counted = stages.map(({ driver }) => driver).find((driver) => driver?.kind === "cycles");
  const usual = { tMinC: usualC.value, tMaxC: usualC.value };
  let date = startOn;
  for (let day = 0; day < LONGEST_DAYS; day++) {
    const air = climate?.air(date) ?? usual;
    yield { date, ...air, ...(counted && { dayLengthH: climate?.dayLengthH(date, nights) ?? countsAt(counted) }) };
    date = addDays(date, 1);
  }
}

/** A day length that the driver counts. */
function countsAt({ of, criticalH }: Extract<StageDriver, { kind: "cycles" }>): number {
  return of === "short" ? criticalH - 1 : criticalH + 1;
}
