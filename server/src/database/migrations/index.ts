import type { Knex } from "knex";
import { firstLight } from "./001-first-light.ts";
import { firstFeed } from "./002-first-feed.ts";
import { strikes } from "./003-strikes.ts";
import { plantings } from "./004-plantings.ts";
import { decisions } from "./005-decisions.ts";
import { picks } from "./006-picks.ts";
import { sources } from "./007-sources.ts";
import { lines } from "./008-lines.ts";
import { layouts } from "./009-layouts.ts";
import { feedSettings } from "./010-feed-settings.ts";
import { ownProducts } from "./011-own-products.ts";
import { zoneReports } from "./012-zone-reports.ts";
import { doses } from "./013-source-doses.ts";
import { mulchAndBunds } from "./014-mulch-and-bunds.ts";
import { keptRecipes } from "./015-kept-recipes.ts";
import { actors } from "./016-actors.ts";
import { tankLevels } from "./017-tank-levels.ts";
import { sitePump } from "./018-site-pump.ts";
import { struckWaterings } from "./019-struck-waterings.ts";
import { yieldAsSold } from "./020-yield-as-sold.ts";
import { dateForm } from "./021-date-form.ts";
import { pickClock } from "./022-pick-clock.ts";
import { targetOfPlanting } from "./023-target-of-planting.ts";
import { archivedZones } from "./024-archived-zones.ts";
import { decisionsTakenBack } from "./025-decisions-taken-back.ts";
import { shelfVersions } from "./026-shelf-versions.ts";
import { checkpoints } from "./028-checkpoints.ts";
import { covers } from "./029-covers.ts";
import { takenPlants } from "./030-taken-plants.ts";
import { fedZones } from "./031-fed-zones.ts";
import { ownCrops } from "./033-own-crops.ts";
import { siteKwhPrice } from "./034-site-kwh-price.ts";
import { doseProgrammes } from "./035-dose-programmes.ts";
import { keptProgrammes } from "./036-kept-programmes.ts";
import { nutrientRules } from "./037-nutrient-rules.ts";
import { nitrogenInRoots } from "./038-nitrogen-in-roots.ts";
import { dayPlans } from "./041-day-plans.ts";
import { imports } from "./042-imports.ts";
import { reportNotes } from "./043-report-notes.ts";
import { checkpointsByWriters } from "./044-checkpoints-by-writers.ts";
import { changes } from "./045-changes.ts";
import { leafTaken } from "./040-leaf-taken.ts";
import { soilSteps } from "./039-soil-steps.ts";
import { waysToDemand } from "./032-ways-to-demand.ts";
import { solidsInWater } from "./027-solids-in-water.ts";
import type { Migration } from "./migration.ts";

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
  actors,
  tankLevels,
  sitePump,
  struckWaterings,
  yieldAsSold,
  dateForm,
  pickClock,
  targetOfPlanting,
  archivedZones,
  decisionsTakenBack,
  shelfVersions,
  solidsInWater,
  checkpoints,
  covers,
  takenPlants,
  fedZones,
  waysToDemand,
  ownCrops,
  siteKwhPrice,
  doseProgrammes,
  keptProgrammes,
  nutrientRules,
  nitrogenInRoots,
  soilSteps,
  leafTaken,
  dayPlans,
  imports,
  reportNotes,
  checkpointsByWriters,
  changes,
];

export const MIGRATION_NAMES: readonly string[] = all.map(({ name }) => name);

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
