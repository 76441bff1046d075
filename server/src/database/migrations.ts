import type { Knex } from "knex";

interface Migration {
  readonly name: string;
  up(db: Knex): Promise<void>;
}

/** Instants are ms since 1970 UTC (`_ms`), dates of the crop `YYYY-MM-DD`, quantities in canonical units. */
const firstLight: Migration = {
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

const firstFeed: Migration = {
  name: "002-first-feed",
  async up(db) {
    await db.schema.createTable("water_report", (table) => {
      table.increments("id");
      table.integer("site_id").notNullable().references("site.id");
      table.text("source_name").notNullable();
      table.text("taken_on").notNullable();
      table.text("ions").notNullable();
      table.double("ph").notNullable();
      table.double("ec_ms_cm");
    });
    await db.schema.createTable("shelf_item", (table) => {
      table.integer("site_id").notNullable().references("site.id");
      table.text("product_id").notNullable();
      table.double("price_kg");
      table.double("stock_kg").notNullable();
      table.primary(["site_id", "product_id"]);
    });
    await db.schema.createTable("feed_target", (table) => {
      table.integer("zone_id").primary().references("zone.id");
      table.integer("version").notNullable();
      table.text("target").notNullable();
    });
    await db.schema.createTable("mix", (table) => {
      table.increments("id");
      table.text("key").notNullable().unique();
      table.integer("zone_id").notNullable().references("zone.id");
      table.integer("mixed_at_ms").notNullable();
      table.text("lines").notNullable();
    });
  },
};

const strikes: Migration = {
  name: "003-strikes",
  async up(db) {
    // A reading is never erased: what does not count is named here.
    await db.schema.createTable("reading_strike", (table) => {
      table.integer("zone_id").notNullable().references("zone.id");
      table.integer("at_ms").notNullable();
      table.text("reason").notNullable();
      table.integer("struck_at_ms").notNullable();
      table.primary(["zone_id", "at_ms"]);
    });
  },
};

const plantings: Migration = {
  name: "004-plantings",
  async up(db) {
    // A zone has one planting after the other: what stood there before keeps its history.
    await db.schema.alterTable("zone", (table) => {
      table.text("plantings").notNullable().defaultTo("[]");
    });
    const rows = await db<{ id: number; planting: string | null; plantings: string }>("zone").whereNotNull("planting");
    for (const { id, planting } of rows) {
      const standing = { ...(JSON.parse(planting ?? "{}") as object), clearedOn: null };
      await db("zone")
        .where({ id })
        .update({ plantings: JSON.stringify([standing]) });
    }
    await db.schema.alterTable("zone", (table) => {
      table.dropColumn("planting");
    });
  },
};

const decisions: Migration = {
  name: "005-decisions",
  async up(db) {
    await db.schema.createTable("decision", (table) => {
      table.increments("id");
      table.integer("zone_id").notNullable().references("zone.id");
      table.text("cause").notNullable();
      // What the finding rested on: the instant of a reading, or a date.
      table.text("about").notNullable();
      table.text("verdict").notNullable();
      table.text("from_date").notNullable();
      table.text("correction");
      table.text("reason");
      table.integer("decided_at_ms").notNullable();
    });
  },
};

const picks: Migration = {
  name: "006-picks",
  async up(db) {
    await db.schema.createTable("pick", (table) => {
      table.increments("id");
      table.text("key").notNullable().unique();
      table.integer("zone_id").notNullable().references("zone.id");
      table.text("picked_on").notNullable();
      table.double("mass_kg").notNullable();
      table.integer("count");
      table.text("grade");
      table.double("brix_pct");
      table.text("struck_reason");
      table.integer("struck_at_ms");
      table.index(["zone_id", "picked_on"]);
    });
  },
};

const sources: Migration = {
  name: "007-sources",
  async up(db) {
    await db.schema.createTable("source", (table) => {
      table.increments("id");
      table.integer("site_id").notNullable().references("site.id");
      table.integer("version").notNullable();
      table.text("name").notNullable();
      table.text("definition").notNullable();
      table.unique(["site_id", "name"]);
    });
    await db.schema.alterTable("zone", (table) => {
      table.text("waters").notNullable().defaultTo("[]");
    });
    // Reports named their water in words so far; each name becomes a source of unknown limits.
    const undescribed = { kind: "well", maxFlowLh: null, priceM3: null, licenceM3Year: null, storage: null };
    const named = await db<{ site_id: number; source_name: string }>("water_report").distinct("site_id", "source_name");
    for (const { site_id, source_name } of named)
      await db("source").insert({
        site_id,
        version: 1,
        name: source_name,
        definition: JSON.stringify(undescribed),
      });
    await db.schema.alterTable("water_report", (table) => {
      table.integer("source_id").references("source.id");
    });
    await db.raw(
      "UPDATE water_report SET source_id = (SELECT id FROM source WHERE source.site_id = water_report.site_id AND source.name = water_report.source_name)",
    );
    await db.schema.alterTable("water_report", (table) => {
      table.dropColumn("source_name");
    });
  },
};

const lines: Migration = {
  name: "008-lines",
  async up(db) {
    await db.schema.createTable("zone_lines", (table) => {
      table.integer("zone_id").primary().references("zone.id");
      table.integer("version").notNullable();
      table.text("lines").notNullable();
    });
    await db.schema.createTable("catch_test", (table) => {
      table.increments("id");
      table.text("key").notNullable().unique();
      table.integer("zone_id").notNullable().references("zone.id");
      table.text("tested_on").notNullable();
      table.double("minutes").notNullable();
      table.text("catches").notNullable();
      table.text("struck_reason");
    });
  },
};

const layouts: Migration = {
  name: "009-layouts",
  async up(db) {
    await db.schema.alterTable("zone", (table) => {
      table.text("layout");
    });
  },
};

const feedSettings: Migration = {
  name: "010-feed-settings",
  async up(db) {
    await db.schema.createTable("feed_settings", (table) => {
      table.integer("zone_id").primary().references("zone.id");
      table.integer("version").notNullable();
      table.text("settings").notNullable();
    });
  },
};

const ownProducts: Migration = {
  name: "011-own-products",
  async up(db) {
    await db.schema.createTable("own_product", (table) => {
      table.increments("id");
      table.integer("site_id").notNullable().references("site.id");
      table.text("product").notNullable();
    });
  },
};

const zoneReports: Migration = {
  name: "012-zone-reports",
  async up(db) {
    await db.schema.createTable("zone_report", (table) => {
      table.increments("id");
      table.integer("zone_id").notNullable().references("zone.id");
      table.text("taken_on").notNullable();
      table.text("report").notNullable();
      table.text("struck_reason");
      table.index(["zone_id", "taken_on"]);
    });
  },
};

const doses: Migration = {
  name: "013-source-doses",
  async up(db) {
    await db.schema.createTable("source_dose", (table) => {
      table.increments("id");
      table.text("key").notNullable().unique();
      table.integer("zone_id").notNullable().references("zone.id");
      table.integer("source_id").notNullable().references("source.id");
      table.text("given_on").notNullable();
      table.double("litres").notNullable();
      table.double("flush_l").notNullable();
      table.text("struck_reason");
      table.index(["zone_id", "given_on"]);
    });
  },
};

/** Zones from before have bare soil and the start value of a bund, not confirmed. */
const mulchAndBunds: Migration = {
  name: "014-mulch-and-bunds",
  async up(db) {
    const added = [
      ["$.mulchSavesPct", 0, ["soil-drip", "buried-drip"]],
      ["$.bundCm", 20, ["basin"]],
    ] as const;
    for (const [path, value, systems] of added)
      await db("zone")
        .whereIn(db.raw("json_extract(definition, '$.system')") as never, [...systems])
        .update({
          definition: db.raw("json_set(definition, ?, ?)", [path, value]),
          unconfirmed: db.raw("json_insert(unconfirmed, '$[#]', ?)", [path.slice(2)]),
        });
  },
};

const keptRecipes: Migration = {
  name: "015-kept-recipes",
  async up(db) {
    await db.schema.createTable("kept_recipe", (table) => {
      table.increments("id");
      table.text("key").notNullable().unique();
      table.integer("site_id").notNullable().references("site.id");
      table.text("name").notNullable();
      table.integer("version").notNullable();
      table.bigInteger("kept_at_ms").notNullable();
      table.text("made_in").notNullable();
      table.text("asked").notNullable();
      table.text("result").notNullable();
      table.unique(["site_id", "name", "version"]);
    });
  },
};

const all: readonly Migration[] = [
  firstLight,
  firstFeed,
  strikes,
  plantings,
  decisions,
  picks,
  sources,
  lines,
  layouts,
  feedSettings,
  ownProducts,
  zoneReports,
  doses,
  mulchAndBunds,
  keptRecipes,
];

/** Migrations live in code, so that a built server carries them. */
export const migrations: Knex.MigrationSource<Migration> = {
  getMigrations: () => Promise.resolve([...all]),
  getMigrationName: (migration) => migration.name,
  getMigration: (migration) =>
    Promise.resolve({
      up: (db: Knex) => migration.up(db),
      down: () => Promise.reject(new Error("migrations only go forward")),
    }),
};
