import type { CropDefinition, PlantingTime, ZoneCrop } from "@sprunel/contract/crop";
import { ecMsCm } from "@sprunel/core/chemistry";
import {
  partShare,
  plantingKey,
  raisingPlan,
  standOn,
  steadilyOff,
  yearBegan,
  type Grown,
  type Standing,
} from "@sprunel/core/crop";
import { stageTarget } from "@sprunel/core/feed/recipe";
import { systemOf } from "@sprunel/core/systems";
import { daysBetween } from "@sprunel/core/time";
import type { StoredZone } from "../scope/zone-store.ts";

/** How much warmer or colder than expected the air may stay, °C: so much do months of one kind differ. Assumed. */
const SPREAD_C = 2;

/** A planting's stages in the year of a date, cut where it was cleared; when those to come may begin at the earliest and latest. */
export function timesOf(
  { id: zoneId, name, definition }: StoredZone,
  planting: Grown,
  date: string,
  today: string,
): PlantingTime {
  const { plantedOn, clearedOn, crop } = planting;
  const ends = clearedOn ?? "9999-12-31";
  const startOn = yearBegan(planting, date);
  const starts = (byC: number) =>
    new Map(planting.periodsIf(startOn, { fromOn: today, byC }).map(({ id, startsOn }) => [id, startsOn] as const));
  const [early, late] = [starts(SPREAD_C), starts(-SPREAD_C)];
  return {
    zoneId,
    zoneName: name,
    key: plantingKey(planting),
    part: planting.part ?? null,
    plants: standOn(planting, definition, date).plants,
    cropId: crop.id,
    cropName: crop.name,
    perennial: crop.perennial ?? false,
    plantedOn,
    clearedOn,
    stages: planting
      .periodsFrom(startOn)
      .filter(({ startsOn }) => startsOn < ends)
      .map(({ id, name: stageName, stage, startsOn, endsOn, seen, of, unit, sums }) => ({
        id,
        name: stageName,
        from: startsOn,
        to: endsOn < ends ? endsOn : ends,
        seen,
        picking: stage.picking ?? false,
        done: sums[Math.min(daysBetween(startsOn, date), daysBetween(startsOn, endsOn) - 1)] ?? 0,
        of,
        unit,
        early: startsOn > today ? (early.get(id) ?? null) : null,
        late: startsOn > today ? (late.get(id) ?? null) : null,
      })),
  };
}

/** The planting that comes after a date, and what is done for it before. */
export function nextOf({ grown, definition }: StoredZone, date: string): ZoneCrop["next"] {
  const next = grown.find(({ plantedOn }) => plantedOn > date);
  if (!next) return null;
  const { crop, plantedOn, raising } = next;
  const { plants } = standOn(next, definition, plantedOn);
  const areaM2 = definition.areaM2 * partShare(next.part);
  const plan = raising && raisingPlan(raising, plantedOn, plants, areaM2);
  return {
    cropId: crop.id,
    cropName: crop.name,
    plantedOn,
    part: next.part ?? null,
    plants,
    raising,
    plan: plan && {
      startFrom: plan.startFrom,
      trays: plan.trays,
      seedKgHa: plan.seedKgHa,
      stockPlants: plan.stockPlants,
      steps: plan.steps.map((step) => ({ ...step, ramp: [...step.ramp] })),
    },
  };
}

/** What the signs of all plantings of a crop say of its stages. */
export function fitsOf({ crop }: Grown, zones: readonly StoredZone[]): ZoneCrop["fits"] {
  const plantings = zones.flatMap(({ grown }) => grown.filter((one) => one.crop === crop));
  return steadilyOff(plantings).map(({ stageId, of, unit, counted, mean }) => {
    const at = crop.stages.findIndex(({ id }) => id === stageId);
    const [stage, next] = crop.stages.slice(at);
    return { stageId, stage: stage?.name ?? stageId, next: next?.name ?? "", of, unit, counted: [...counted], mean };
  });
}

/** A stage that takes so much more or less of what drives it. */
export function scaledStage(stage: CropDefinition["stages"][number], by: number): CropDefinition["stages"][number] {
  const { driver } = stage;
  const days = Math.max(1, Math.round(stage.days * by));
  switch (driver?.kind) {
    case "thermal":
      return { ...stage, days, driver: { ...driver, degreeDays: driver.degreeDays * by } };
    case "cycles":
      return { ...stage, days, driver: { ...driver, count: Math.max(1, Math.round(driver.count * by)) } };
    case "days":
      return { ...stage, days, driver: { ...driver, days } };
    default:
      return { ...stage, days };
  }
}

/** The day a planting is over: cleared, or its last stage through. */
export function endOf({ stages, clearedOn, plantedOn }: PlantingTime): string {
  return clearedOn ?? stages.at(-1)?.to ?? plantedOn;
}

/** What the stage a planting is in asks for on a day, each figure with its source. */
export function asksOf({ definition }: StoredZone, { crop, state }: Standing): ZoneCrop["now"] {
  const { stage } = state.period;
  const target = stageTarget(stage);
  const said = ({ source, assumed = false }: { readonly source: string; readonly assumed?: boolean }) => ({
    source,
    assumed,
  });
  const { stages, kc, leafArea, rootDepth, drainTarget } = crop.sources;
  return {
    stageId: state.period.id,
    day: state.day,
    days: state.days,
    kc: state.kc,
    leafAreaIndex: state.leafAreaIndex,
    rootDepthM: state.rootDepthM,
    drainTargetPct: systemOf(definition).drains ? stage.drainTargetPct : null,
    drierPct: state.drierPct,
    feed: target && {
      name: target.name,
      ecMsCm: ecMsCm(target.ions, target.ph),
      ph: target.ph,
      ...said(target),
    },
    sources: {
      stages: said(stages),
      kc: said(kc),
      leafArea: said(leafArea),
      rootDepth: said(rootDepth),
      drainTarget: said(drainTarget),
    },
  };
}
