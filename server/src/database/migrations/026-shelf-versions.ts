import type { Migration } from "./migration.ts";

/** What stands on the shelf has a version, so that a price does not undo a mix, and need not be counted. */
export const shelfVersions: Migration = {
  name: "026-shelf-versions",
  async up(db) {
    await db.raw(`CREATE TABLE shelf_item_new (
      site_id INTEGER NOT NULL REFERENCES site (id),
      product_id TEXT NOT NULL,
      price_kg REAL,
      stock_kg REAL,
      version INTEGER NOT NULL DEFAULT 1,
      actor TEXT NOT NULL DEFAULT 'owner',
      PRIMARY KEY (site_id, product_id)
    )`);
    await db.raw(`INSERT INTO shelf_item_new (site_id, product_id, price_kg, stock_kg, actor)
      SELECT site_id, product_id, price_kg, stock_kg, actor FROM shelf_item`);
    await db.raw("DROP TABLE shelf_item");
    await db.raw("ALTER TABLE shelf_item_new RENAME TO shelf_item");
  },
};
