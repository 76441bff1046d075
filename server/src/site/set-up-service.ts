import type { NewSite, NewZone, Planting, SetUp, Site, Zone } from "@sprunel/contract/site";
import { CROPS } from "@sprunel/core/crop";
import type { Knex } from "knex";
import { badInput, notFound, staleEdit, taken } from "../http/problems.ts";
import { sourceStore } from "../water/source-store.ts";
import { siteStore } from "./site-store.ts";
import { zoneStore, type StoredZone } from "./zone-store.ts";

export type SetUpService = ReturnType<typeof setUpService>;

/** Decisions about what stands where: one site, zones with names of their own, no edit over a newer one. */
export function setUpService(db: Knex, changed: () => void, placed: () => Promise<void> = () => Promise.resolve()) {
  const currentSite = async (): Promise<Site> => {
    const site = await siteStore(db).find();
    if (!site) throw notFound("A site");
    return site;
  };
  const currentZone = async (id: number): Promise<StoredZone> => {
    const zone = await zoneStore(db).find(id);
    if (!zone) throw notFound(`Zone ${id}`);
    return zone;
  };
  const checkWaters = async (siteId: number, { waters }: NewZone): Promise<void> => {
    const known = new Set((await sourceStore(db).list(siteId)).map(({ id }) => id));
    waters.forEach(({ sourceId }, at) => {
      if (!known.has(sourceId))
        throw badInput([{ path: `waters.${at}.sourceId`, message: `There is no source of water ${sourceId} here.` }]);
    });
  };
  return {
    async overview(): Promise<SetUp> {
      const [site, zones] = [await siteStore(db).find(), await zoneStore(db).list()];
      const crops = CROPS.map(({ id, name, stages }) => ({
        id,
        name,
        stages: stages.map((stage) => ({ id: stage.id, name: stage.name, days: stage.days })),
      }));
      const sources = site ? await sourceStore(db).list(site.id) : [];
      return {
        site,
        zones: zones.map(withoutHouseId),
        crops,
        sources: sources.map(({ id, name }) => ({ id, name })),
      };
    },

    // The database has one connection: inside a transaction everything goes through it, or waits for ever.
    async addSite(site: NewSite): Promise<Site> {
      await db.transaction(async (trx) => {
        if (await siteStore(trx).find())
          throw badInput([{ path: "", message: "This data folder already holds a site; change that one instead." }]);
        await siteStore(trx).add(site);
      });
      await placed();
      changed();
      return currentSite();
    },

    site: currentSite,

    async updateSite(id: number, version: number, site: NewSite): Promise<Site> {
      const saved = await siteStore(db).update(id, version, site);
      const now = await currentSite();
      if (now.id !== id) throw notFound(`Site ${id}`);
      if (!saved) throw staleEdit(`The site ${now.name}`, now);
      changed();
      return now;
    },

    async addZone(zone: NewZone): Promise<Zone> {
      checkZone(zone);
      const site = await currentSite();
      await checkWaters(site.id, zone);
      const id = await db.transaction(async (trx) => {
        await refuseTakenName(trx, zone.name, 0);
        return zoneStore(trx).add(site.id, zone);
      });
      changed();
      return withoutHouseId(await currentZone(id));
    },

    async updateZone(id: number, version: number, zone: NewZone): Promise<Zone> {
      checkZone(zone);
      const site = await currentSite();
      await checkWaters(site.id, zone);
      const before = withoutHouseId(await currentZone(id));
      if (before.version !== version) throw staleEdit(`The zone ${before.name}`, before);
      await db.transaction(async (trx) => {
        await refuseTakenName(trx, zone.name, id);
        if (!(await zoneStore(trx).update(id, site.id, version, zone)))
          throw staleEdit(`The zone ${before.name}`, before);
      });
      changed();
      return withoutHouseId(await currentZone(id));
    },
  };
}

async function refuseTakenName(db: Knex, name: string, exceptId: number): Promise<void> {
  if (await zoneStore(db).nameTaken(name, exceptId))
    throw taken("name", `Another zone is already called ${name}; choose another name.`);
}

function checkZone({ plantings }: NewZone): void {
  plantings.forEach((planting, at) => {
    checkPlanting(planting, `plantings.${at}`);
    const before = plantings[at - 1];
    if (before && (before.clearedOn === null || before.clearedOn > planting.plantedOn))
      throw badInput([
        {
          path: `plantings.${at}.plantedOn`,
          message: `The zone is not free on ${planting.plantedOn}: the planting of ${before.plantedOn} ${before.clearedOn === null ? "is not cleared" : `stands until ${before.clearedOn}`}.`,
        },
      ]);
  });
}

function checkPlanting(planting: Planting, path: string): void {
  if (planting.clearedOn !== null && planting.clearedOn < planting.plantedOn)
    throw badInput([
      {
        path: `${path}.clearedOn`,
        message: `A planting cannot be cleared on ${planting.clearedOn}, before it was planted on ${planting.plantedOn}.`,
      },
    ]);
  const crop = CROPS.find((candidate) => candidate.id === planting.cropId);
  if (!crop)
    throw badInput([
      {
        path: `${path}.cropId`,
        message: `${planting.cropId} is not in the crop library; it holds ${CROPS.map((known) => known.id).join(", ")}.`,
      },
    ]);
  planting.signs.forEach((sign, at) => {
    if (!crop.stages.some((stage) => stage.id === sign.stageId))
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

function withoutHouseId({ houseId: _houseId, ...zone }: StoredZone): Zone {
  return zone;
}
