import type { Crop, Stage } from "./crop.ts";
import type { StageSign } from "./stage-course.ts";
import { cutBackOf, kcOfLeaf, lastCutBack, type Stood } from "./stand.ts";

/** A stage as a season goes through it: those of a flush come again. */
export interface SeasonStage {
  /** the stage's own, with the number of its flush from the second on */
  readonly id: string;
  readonly name: string;
  readonly stage: Stage;
  /** leaf, Kc and roots as it begins */
  readonly kcStart: number;
  readonly leafAreaStart: number;
  readonly rootDepthStartM: number;
}

/** Leaves grow again from bare wood before a stage of the crop begins: no part of the library's stages. */
const REGROWTH = "regrowth";

type Sown = Stood & { readonly crop: Crop };

/** First day of the season of a planting in which a date lies: its planting, of a perennial its anniversary or its last cut-back. */
export function yearBegan(planting: Sown, date: string): string {
  const { crop, plantedOn } = planting;
  if (!crop.perennial) return plantedOn;
  const anniversary = anniversaryBefore(plantedOn, date);
  const cut = lastCutBack(planting, date);
  return cut !== null && cut > anniversary ? cut : anniversary;
}

/** The signs of the season that began on a date: a perennial has each of its stages again every season. */
export function signsOfSeason(
  planting: Sown & { readonly signs: readonly StageSign[] },
  startOn: string,
): readonly StageSign[] {
  const { crop, signs } = planting;
  return crop.perennial ? signs.filter(({ on }) => yearBegan(planting, on) === startOn) : signs;
}

/** The stages of the season that began on a date, in order: regrowth after a cut-back, and each flush by itself. */
export function seasonStages(planting: Sown, startOn: string): readonly SeasonStage[] {
  const { crop } = planting;
  const cut = crop.perennial ? cutBackOf(planting, startOn) : null;
  const stages: SeasonStage[] = [];
  let kc = cut ? kcOfLeaf(crop.kcStart, crop.leafAreaStart, cut.leafAreaLeft) : crop.kcStart;
  let leafArea = cut ? cut.leafAreaLeft : crop.leafAreaStart;
  let rootDepthM = crop.rootDepthStartM;
  const add = (stage: Stage, flush: number): void => {
    stages.push({
      id: flush > 1 ? `${stage.id}#${flush}` : stage.id,
      name: flush > 1 ? `${stage.name} ${flush}` : stage.name,
      stage,
      kcStart: kc,
      leafAreaStart: leafArea,
      rootDepthStartM: rootDepthM,
    });
    [kc, leafArea, rootDepthM] = [stage.kcEnd, stage.leafAreaEnd, stage.rootDepthEndM];
  };
  const [first] = crop.stages;
  if (cut && first && cut.regrowthDays > 0) {
    rootDepthM = crop.stages.at(-1)?.rootDepthEndM ?? rootDepthM;
    const { picking: _picking, ...like } = first;
    add(
      {
        ...like,
        id: REGROWTH,
        name: "Regrowth",
        days: cut.regrowthDays,
        driver: { kind: "days", days: cut.regrowthDays },
        kcEnd: crop.kcStart,
        leafAreaEnd: crop.leafAreaStart,
        rootDepthEndM: rootDepthM,
        drierPct: 0,
      },
      1,
    );
  }
  const { flushes } = crop;
  const place = (id: string | undefined): number => crop.stages.findIndex((stage) => stage.id === id);
  const [from, to] = [place(flushes?.from), place(flushes?.to)];
  crop.stages.forEach((stage, at) => {
    add(stage, 1);
    if (flushes && from !== -1 && at === to)
      for (let flush = 2; flush <= flushes.times; flush++)
        crop.stages.slice(from, to + 1).forEach((again) => add(again, flush));
  });
  return stages;
}

/** The crop's own stage that one of a season is, by its id. */
export function ownStageId(seasonId: string): string {
  return seasonId.split("#")[0] ?? seasonId;
}

/** The anniversary of planting with which a perennial's year began. */
function anniversaryBefore(plantedOn: string, date: string): string {
  const inYear = (year: number): string => `${year}${plantedOn.slice(4)}`;
  const year = Number(date.slice(0, 4));
  const began = date >= inYear(year) ? inYear(year) : inYear(year - 1);
  // A planting of 29 February has its anniversary on 1 March.
  const valid =
    began.endsWith("-02-29") && new Date(`${began}T00:00:00Z`).getUTCDate() !== 29
      ? `${began.slice(0, 4)}-03-01`
      : began;
  return valid > plantedOn ? valid : plantedOn;
}

/** Which year of its life a perennial is in: 1 in the first after planting, more by the years that its plants had then. */
export function yearOf(planting: Sown & { readonly ageYears?: number | undefined }, date: string): number {
  const began = anniversaryBefore(planting.plantedOn, date);
  return Number(began.slice(0, 4)) - Number(planting.plantedOn.slice(0, 4)) + 1 + (planting.ageYears ?? 0);
}
