import type { Migration } from "./migration.ts";

/** Instants are ms since 1970 UTC (`_ms`), dates of the crop `YYYY-MM-DD`, quantities in canonical units. */
export const firstLight: Migration = {
  name: "001-first-light",
  async up(db) {
    await db.schema.createTable("site", (table) => {
      table.increments("id");
      table.integer("version").notNullable();
      table.text("name").notNullable();
      table.double("latitude_deg").notNullable();
      table.double("longitude_deg").notNullable();
      table.double("elevation_m").notNullable();
      table.text("time_zone").notNullable();
      table.text("unit_system").notNullable();
      table.text("currency").notNullable();
    });
    await db.schema.createTable("house", (table) => {
      table.increments("id");
      table.integer("site_id").notNullable().references("site.id");
      table.text("name").notNullable();
      table.double("transmission_pct").notNullable();
      table.unique(["site_id", "name"]);
    });
    await db.schema.createTable("zone", (table) => {
      table.increments("id");
      table.integer("version").notNullable();
      table.integer("site_id").notNullable().references("site.id");
      table.integer("house_id").notNullable().references("house.id");
      table.text("name").notNullable();
      table.text("definition").notNullable();
      table.text("unconfirmed").notNullable();
      table.text("planting");
      table.unique(["site_id", "name"]);
    });
    // A station stands outside (no house) or in a house.
    await db.schema.createTable("station", (table) => {
      table.increments("id");
      table.integer("site_id").notNullable().references("site.id");
      table.integer("house_id").references("house.id");
    });
    await db.schema.createTable("weather_import", (table) => {
      table.increments("id");
      table.integer("station_id").notNullable().references("station.id");
      table.text("file_name").notNullable();
      table.text("header").notNullable();
      table.text("choices").notNullable();
      table.integer("imported_at_ms").notNullable();
    });
    await db.raw(`CREATE TABLE weather_reading (
      station_id INTEGER NOT NULL REFERENCES station (id),
      kind TEXT NOT NULL,
      hour_ms INTEGER NOT NULL,
      source TEXT NOT NULL,
      value REAL NOT NULL,
      doubtful INTEGER NOT NULL DEFAULT 0,
      import_id INTEGER REFERENCES weather_import (id),
      PRIMARY KEY (station_id, hour_ms, kind, source)
    ) WITHOUT ROWID`);
    await db.schema.createTable("weather_conflict", (table) => {
      table.increments("id");
      table.integer("import_id").notNullable().references("weather_import.id");
      table.text("kind").notNullable();
      table.integer("hour_ms").notNullable();
      table.double("value").notNullable();
    });
    await db.raw(`CREATE TABLE zone_reading (
      zone_id INTEGER NOT NULL REFERENCES zone (id),
      kind TEXT NOT NULL,
      at_ms INTEGER NOT NULL,
      source TEXT NOT NULL,
      value REAL NOT NULL,
      PRIMARY KEY (zone_id, kind, at_ms, source)
    ) WITHOUT ROWID`);
    await db.raw(`CREATE TABLE watering (
      zone_id INTEGER NOT NULL REFERENCES zone (id),
      start_ms INTEGER NOT NULL,
      minutes REAL NOT NULL,
      litres REAL NOT NULL,
      source TEXT NOT NULL,
      PRIMARY KEY (zone_id, start_ms)
    ) WITHOUT ROWID`);
  },
};
