import { cropChoiceOf, type NewSite, type NewZone, type SetUp, type Site, type Zone } from "@sprunel/contract/site";
import { refuseUnreadySoil } from "../crop/soil-step-service.ts";
import { checkPlantings } from "../crop/check-plantings.ts";
import { cropsOf } from "../crop/library-service.ts";
import { badInput, keptRecords, notFound, staleEdit, taken } from "../http/problems.ts";
import { sourceStore } from "../water/source-store.ts";
import type { TablesOfZone } from "../scope/module.ts";
import type { Scope } from "../scope/scope.ts";
import { siteStore } from "../scope/site-store.ts";
import { asZone, zoneStore } from "../scope/zone-store.ts";

export type SetUpService = ReturnType<typeof setUpService>;

/** Decisions about what stands where: one site, zones with names of their own, no edit over a newer one. */
export function setUpService(scope: Scope, placed: () => Promise<void>, tables: Required<TablesOfZone>) {
  const checkWaters = async (siteId: number, { waters }: NewZone): Promise<void> => {
    const known = new Set((await sourceStore(scope).list(siteId)).map(({ id }) => id));
    waters.forEach(({ sourceId }, at) => {
      if (!known.has(sourceId))
        throw badInput([{ path: `waters.${at}.sourceId`, message: `There is no source of water ${sourceId} here.` }]);
    });
  };
  return {
    async overview(): Promise<SetUp> {
      const [site, zones] = [await scope.site.find(), await zoneStore(scope).all()];
      const crops = [...(await cropsOf(scope)).values()].map(cropChoiceOf);
      const sources = site ? await sourceStore(scope).list(site.id) : [];
      return {
        site,
        zones: zones.map(asZone),
        crops,
        sources: sources.map(({ id, name }) => ({ id, name })),
      };
    },

    async addSite(site: NewSite): Promise<Site> {
      await scope.transaction(async (inner) => {
        if (await inner.site.find())
          throw badInput([{ path: "", message: "This data folder already holds a site; change that one instead." }]);
        await siteStore(inner).add(site);
      });
      await placed();
      return scope.site.current();
    },

    async updateSite(id: number, version: number, site: NewSite): Promise<Site> {
      const saved = await scope.transaction((inner) => siteStore(inner).update(id, version, site));
      const now = await scope.site.current();
      if (now.id !== id) throw notFound(`Site ${id}`);
      if (!saved) throw staleEdit(`The site ${now.name}`, now);
      return now;
    },

    async addZone(zone: NewZone): Promise<Zone> {
      checkPlantings(zone, await cropsOf(scope));
      const site = await scope.site.current();
      await checkWaters(site.id, zone);
      const id = await scope.transaction(async (inner) => {
        await refuseTakenName(inner, zone.name, 0);
        return zoneStore(inner).add(site.id, zone);
      });
      return asZone(await scope.zone(id));
    },

    async updateZone(id: number, version: number, zone: NewZone): Promise<Zone> {
      checkPlantings(zone, await cropsOf(scope));
      const site = await scope.site.current();
      await checkWaters(site.id, zone);
      const before = asZone(await scope.zone(id));
      if (before.version !== version) throw staleEdit(`The zone ${before.name}`, before);
      for (const [at, { plantedOn }] of zone.plantings.entries())
        if (!before.plantings.some((one) => one.plantedOn === plantedOn))
          await refuseUnreadySoil(scope, id, plantedOn, `plantings.${at}.plantedOn`);
      await scope.transaction(async (inner) => {
        await refuseTakenName(inner, zone.name, id);
        if (!(await zoneStore(inner).update(id, site.id, version, zone)))
          throw staleEdit(`The zone ${before.name}`, before);
      });
      return asZone(await scope.zone(id));
    },

    /** Zones like another, with what is set for it; what was noted there stays there. */
    async copyZone(id: number, names: readonly string[]): Promise<SetUp> {
      const {
        id: _id,
        version: _version,
        houseId: _houseId,
        archived: _archived,
        grown: _grown,
        ...like
      } = await scope.zone(id);
      const site = await scope.site.current();
      await scope.transaction(async (inner) => {
        for (const [at, name] of names.entries()) {
          await refuseTakenName(inner, name, 0, `names.${at}`);
          const added = await zoneStore(inner).add(site.id, { ...like, name });
          await zoneStore(inner).copyRows(id, added, tables.set);
        }
      });
      return this.overview();
    },

    async archiveZone(id: number, archived: boolean): Promise<SetUp> {
      await scope.zone(id);
      await scope.transaction((inner) => zoneStore(inner).archive(id, archived));
      return this.overview();
    },

    /** @throws 409 where something was noted: that is put aside instead, never erased */
    async deleteZone(id: number): Promise<SetUp> {
      const { name } = await scope.zone(id);
      await scope.transaction(async (inner) => {
        const records = await zoneStore(inner).rowsOf(id, tables.noted);
        if (records > 0) throw keptRecords(name, records);
        await zoneStore(inner).remove(id, [...tables.set, ...tables.gone]);
      });
      return this.overview();
    },
  };
}

/** The name of a zone that is put aside is still its own. */
async function refuseTakenName(scope: Scope, name: string, exceptId: number, path = "name"): Promise<void> {
  if (await zoneStore(scope).nameTaken(name, exceptId))
    throw taken(path, `Another zone is already called ${name}; choose another name.`);
}
