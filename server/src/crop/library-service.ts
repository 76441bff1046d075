import {
  CROP_FILE_FORMAT,
  definitionOf,
  type CropDefinition,
  type CropFile,
  type CropLibrary,
  type LibraryCrop,
} from "@sprunel/contract/crop";
import { CROPS, ownStageId, type Crop } from "@sprunel/core/crop";
import { stageTarget } from "@sprunel/core/feed/recipe";
import { badInput, notFound, staleEdit, taken } from "../http/problems.ts";
import { cached } from "../scope/cache.ts";
import type { Scope, Writer } from "../scope/scope.ts";
import { zoneStore } from "../scope/zone-store.ts";
import { ownCropStore, type OwnCrop } from "./own-crop-store.ts";

/** Every crop that a planting may name: the library's, and one's own. */
export const cropsOf = cached(["own_crop"], async (scope): Promise<ReadonlyMap<string, Crop>> => {
  const own = await ownCropStore(scope).all();
  return new Map([...CROPS, ...own.map(asCrop)].map((crop) => [crop.id, crop]));
});

const asCrops = new WeakMap<OwnCrop, Crop>();

/** The same object for the same record: what is worked out of a crop is remembered by it. */
function asCrop(own: OwnCrop): Crop {
  const crop = asCrops.get(own) ?? ({ id: own.id, ...own.crop } as Crop);
  asCrops.set(own, crop);
  return crop;
}

export type LibraryService = ReturnType<typeof libraryService>;

/** What the library knows of crops, and what a person has written of their own. */
export function libraryService(scope: Scope) {
  async function zonesOf(writer: Writer): Promise<ReadonlyMap<string, readonly { id: number; name: string }[]>> {
    const found = new Map<string, { id: number; name: string }[]>();
    for (const { id, name, plantings } of await zoneStore(writer).all())
      for (const cropId of new Set(plantings.map((planting) => planting.cropId)))
        found.set(cropId, [...(found.get(cropId) ?? []), { id, name }]);
    return found;
  }

  async function refuseName(inner: Scope, name: string, exceptId: string): Promise<void> {
    for (const crop of (await cropsOf(inner)).values())
      if (crop.id !== exceptId && crop.name.toLowerCase() === name.toLowerCase())
        throw taken("crop.name", `Another crop is already called ${name}; choose another name.`);
  }

  async function add(basedOn: string | null, crop: CropDefinition): Promise<LibraryCrop> {
    const id = await scope.transaction(async (inner) => {
      await refuseName(inner, crop.name, "");
      const known = await cropsOf(inner);
      const slug = slugOf(crop.name);
      let id = `own-${slug}`;
      for (let at = 2; known.has(id); at++) id = `own-${slug}-${at}`;
      await ownCropStore(inner).add(id, basedOn, crop);
      return id;
    });
    return service.crop(id);
  }

  const service = {
    async library(): Promise<CropLibrary> {
      const zones = await zonesOf(scope);
      const own = new Set((await ownCropStore(scope).all()).map(({ id }) => id));
      return {
        crops: [...(await cropsOf(scope)).values()].map((crop) => ({
          id: crop.id,
          name: crop.name,
          group: crop.group,
          own: own.has(crop.id),
          days: crop.stages.reduce((sum, { days }) => sum + days, 0),
          zones: zones.get(crop.id)?.length ?? 0,
          ...countsOf(crop),
        })),
      };
    },

    async crop(id: string): Promise<LibraryCrop> {
      const crops = await cropsOf(scope);
      const crop = crops.get(id);
      if (!crop) throw notFound(`The crop ${id}`);
      const own = await ownCropStore(scope).find(id);
      const base = own?.basedOn ? crops.get(own.basedOn) : undefined;
      return {
        id,
        crop: definitionOf(crop),
        version: own?.version ?? null,
        basedOn: base ? { id: base.id, crop: definitionOf(base) } : null,
        zones: [...((await zonesOf(scope)).get(id) ?? [])],
        feeds: crop.stages.map((stage) => stageTarget(stage)?.name ?? null),
      };
    },

    async addFrom(basedOn: string, name: string): Promise<LibraryCrop> {
      const base = (await cropsOf(scope)).get(basedOn);
      if (!base) throw badInput([{ path: "basedOn", message: `There is no crop ${basedOn} to begin from.` }]);
      return add(basedOn, { ...definitionOf(base), name });
    },

    async change(id: string, version: number, crop: CropDefinition): Promise<LibraryCrop> {
      const before = await ownCropStore(scope).find(id);
      if (!before) throw notFound(`A crop of your own ${id}`);
      await scope.transaction(async (inner) => {
        await refuseName(inner, crop.name, id);
        await refuseLostStages(inner, id, crop);
        const growing = ((await zonesOf(inner)).get(id) ?? []).map((zone) => zone.id);
        if (!(await ownCropStore(inner).update(id, version, crop, growing)))
          throw staleEdit(`The crop ${before.crop.name}`, await ownCropStore(inner).find(id));
      });
      return service.crop(id);
    },

    /** A crop with figures as they were counted here: one's own is changed, of the library's a copy is begun. @returns its id */
    async fitted(id: string, crop: CropDefinition): Promise<string> {
      const own = await ownCropStore(scope).find(id);
      if (own) {
        await service.change(id, own.version, crop);
        return id;
      }
      const names = new Set([...(await cropsOf(scope)).values()].map(({ name }) => name.toLowerCase()));
      let name = `${crop.name}, as here`;
      for (let at = 2; names.has(name.toLowerCase()); at++) name = `${crop.name}, as here ${at}`;
      return (await add(id, { ...crop, name })).id;
    },

    async remove(id: string): Promise<CropLibrary> {
      await scope.transaction(async (inner) => {
        if (!(await ownCropStore(inner).find(id))) throw notFound(`A crop of your own ${id}`);
        const [first] = (await zonesOf(inner)).get(id) ?? [];
        if (first)
          throw taken("id", `It stands, or has stood, in ${first.name}: a crop that records speak of is kept.`);
        await ownCropStore(inner).remove(id);
      });
      return service.library();
    },

    async file(id: string): Promise<CropFile> {
      const { crop, basedOn } = await service.crop(id);
      return { format: CROP_FILE_FORMAT, version: 1, basedOn: basedOn?.id ?? id, crop };
    },

    async import({ basedOn, crop }: CropFile): Promise<LibraryCrop> {
      const known = basedOn !== null && (await cropsOf(scope)).has(basedOn);
      return add(known ? basedOn : null, crop);
    },
  };
  return service;
}

/** Signs name stages: one that was seen in some planting stays. */
async function refuseLostStages(inner: Scope, id: string, { stages }: CropDefinition): Promise<void> {
  for (const { name, plantings } of await zoneStore(inner).all())
    for (const { cropId, signs } of plantings)
      if (cropId === id)
        for (const { stageId } of signs)
          if (!stages.some((stage) => stage.id === ownStageId(stageId)))
            throw badInput([
              {
                path: "crop.stages",
                message: `The stage ${stageId} was seen in ${name} and cannot go; take the sign back first.`,
              },
            ]);
}

/** How many of a crop's figures are assumed. */
function countsOf({ sources, removal, bands, ...crop }: Crop): { assumed: number; figures: number } {
  const { baseC, usualC, depletionFraction, ecThresholdMsCm, ecZeroYieldMsCm } = crop;
  const said = [
    ...Object.values(sources),
    ...[baseC, usualC, depletionFraction, ecThresholdMsCm, ecZeroYieldMsCm, removal, bands],
  ];
  return { figures: said.length, assumed: said.filter(({ assumed }) => assumed).length };
}

function slugOf(name: string): string {
  const slug = name
    .normalize("NFKD")
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, "-")
    .replaceAll(/^-|-$/g, "")
    .slice(0, 40);
  return slug === "" ? "crop" : slug;
}
