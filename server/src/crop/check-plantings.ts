import type { NewZone, Planting } from "@sprunel/contract/site";
import { overlap, ownStageId, standFault, type Crop, type Part } from "@sprunel/core/crop";
import { fieldsOf } from "@sprunel/core/systems";
import { badInput } from "../http/problems.ts";

type Planted = Pick<NewZone, "plantings" | "definition">;

/** What cannot be of a zone's plantings: told with its place, before anything is stored. */
export function checkPlantings({ plantings, definition }: Planted, crops: ReadonlyMap<string, Crop>): void {
  plantings.forEach((planting, at) => {
    const path = `plantings.${at}`;
    const crop = cropOf(planting, path, crops);
    checkDates(planting, path, crop);
    checkStand(planting, path, crop, definition);
    checkRoom(plantings, at);
  });
}

/** No two stand in the same rows at once; in order of time, as records are kept. */
function checkRoom(plantings: readonly Planting[], at: number): void {
  const planting = plantings[at];
  if (!planting) return;
  const path = `plantings.${at}.plantedOn`;
  const before = plantings.slice(0, at);
  const standing = before.findLast(
    ({ clearedOn, part }) => (clearedOn === null || clearedOn > planting.plantedOn) && overlap(part, planting.part),
  );
  if (standing)
    throw badInput([
      {
        path,
        message: `${standing.part || planting.part ? rowsOf(standing.part) : "The zone"} ${standing.part ? "are" : "is"} not free on ${planting.plantedOn}: the planting of ${standing.plantedOn} ${standing.clearedOn === null ? "is not cleared" : `stands until ${standing.clearedOn}`}.`,
      },
    ]);
  const last = before.at(-1);
  if (last && last.plantedOn > planting.plantedOn)
    throw badInput([
      { path, message: `Plantings come in order of time: ${planting.plantedOn} is before ${last.plantedOn}.` },
    ]);
}

function rowsOf(part: Part | null): string {
  return part ? `Rows ${part.from} to ${part.to} of ${part.of}` : "The whole zone";
}

function checkStand(planting: Planting, path: string, crop: Crop, definition: NewZone["definition"]): void {
  const inPots = fieldsOf(definition.system).some(({ key }) => key === "waterHeldLPlant");
  const fault = standFault(planting, definition, { perennial: crop.perennial ?? false, inPots });
  if (fault)
    throw badInput([
      {
        path: fault.step === null ? `${path}.${fault.field}` : `${path}.steps.${fault.step}.${fault.field}`,
        message: fault.message,
      },
    ]);
}

function cropOf({ cropId }: Planting, path: string, crops: ReadonlyMap<string, Crop>): Crop {
  const crop = crops.get(cropId);
  if (crop) return crop;
  throw badInput([
    {
      path: `${path}.cropId`,
      message: `${cropId} is not in the crop library; it holds ${[...crops.keys()].join(", ")}.`,
    },
  ]);
}

function checkDates(planting: Planting, path: string, crop: Crop): void {
  if (planting.clearedOn !== null && planting.clearedOn < planting.plantedOn)
    throw badInput([
      {
        path: `${path}.clearedOn`,
        message: `A planting cannot be cleared on ${planting.clearedOn}, before it was planted on ${planting.plantedOn}.`,
      },
    ]);
  planting.missedNights.forEach((date, at) => {
    if (!planting.nights.some(({ fromOn, untilOn }) => fromOn <= date && (untilOn === null || date <= untilOn)))
      throw badInput([
        {
          path: `${path}.missedNights.${at}`,
          message: `No cloth and no lamps were planned for the night of ${date}: it cannot have been missed.`,
        },
      ]);
  });
  planting.signs.forEach((sign, at) => {
    if (!crop.stages.some(({ id }) => id === ownStageId(sign.stageId)))
      throw badInput([{ path: `${path}.signs.${at}.stageId`, message: `${crop.name} has no stage ${sign.stageId}.` }]);
    if (sign.on < planting.plantedOn)
      throw badInput([
        {
          path: `${path}.signs.${at}.on`,
          message: `A stage cannot begin on ${sign.on}, before planting on ${planting.plantedOn}.`,
        },
      ]);
  });
}
