import { siteSchema, type NewSite, type Site } from "@sprunel/contract/site";
import type { Writer } from "./scope.ts";

interface SiteRow {
  id: number;
  version: number;
  name: string;
  latitude_deg: number;
  longitude_deg: number;
  elevation_m: number;
  time_zone: string;
  unit_system: string;
  currency: string;
  date_form: string;
  pump_lh: number | null;
  kwh_price: number | null;
  actor: string;
}

/** The row of the site in its database: each site has a database of its own. */
const SITE_ID = 1;

/** All SQL about the site. */
export function siteStore({ db, actor, into }: Writer) {
  return {
    async find(): Promise<Site | null> {
      const row = await db<SiteRow>("site").where({ id: SITE_ID }).first();
      return row ? fromRow(row) : null;
    },
    /** @throws where a site stands already */
    async add(site: NewSite): Promise<number> {
      await into<SiteRow>({ table: "site" }).insert({ id: SITE_ID, ...toRow(site), version: 1, actor });
      await into({ table: "station" }).insert({ site_id: SITE_ID, house_id: null });
      return SITE_ID;
    },
    /** @returns false when the record is no longer at this version */
    async update(id: number, version: number, site: NewSite): Promise<boolean> {
      return (
        (await into<SiteRow>({ table: "site" })
          .where({ id, version })
          .update({ ...toRow(site), version: version + 1, actor })) === 1
      );
    },
  };
}

function toRow(site: NewSite): Omit<SiteRow, "id" | "version" | "actor"> {
  return {
    name: site.name,
    latitude_deg: site.latitudeDeg,
    longitude_deg: site.longitudeDeg,
    elevation_m: site.elevationM,
    time_zone: site.timeZone,
    unit_system: site.unitSystem,
    currency: site.currency,
    date_form: site.dateForm,
    pump_lh: site.pumpLh,
    kwh_price: site.kwhPrice,
  };
}

function fromRow(row: SiteRow): Site {
  return siteSchema.parse({
    id: row.id,
    version: row.version,
    name: row.name,
    latitudeDeg: row.latitude_deg,
    longitudeDeg: row.longitude_deg,
    elevationM: row.elevation_m,
    timeZone: row.time_zone,
    unitSystem: row.unit_system,
    currency: row.currency,
    dateForm: row.date_form,
    pumpLh: row.pump_lh,
    kwhPrice: row.kwh_price,
  });
}
