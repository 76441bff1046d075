import type { Migration } from "./migration.ts";

/** What current costs at the site, for a kWh in its currency; sites from before have not said. */
export const siteKwhPrice: Migration = {
  name: "034-site-kwh-price",
  async up(db) {
    await db.schema.alterTable("site", (table) => table.double("kwh_price"));
  },
};
