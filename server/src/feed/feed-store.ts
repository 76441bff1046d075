import {
  feedSettingsSchema,
  feedTargetSchema,
  newMixSchema,
  type FeedSettings,
  type KeptTarget,
  type Mix,
  type NewMix,
} from "@sprunel/contract/feed";
import type { Writer } from "../scope/scope.ts";

interface ShelfRow {
  site_id: number;
  product_id: string;
  price_kg: number | null;
  stock_kg: number | null;
  version: number;
  actor: string;
}
interface DosedRow {
  zone_id: number;
  planting: string;
}
interface TargetRow {
  zone_id: number;
  version: number;
  target: string;
  planted_on: string | null;
  stage_id: string | null;
  actor: string;
}
interface SettingsRow {
  zone_id: number;
  version: number;
  settings: string;
  actor: string;
}
interface MixRow {
  id: number;
  key: string;
  zone_id: number;
  mixed_at_ms: number;
  lines: string;
  levels: string | null;
  actor: string;
}

const SHOWN_MIXES = 8;

interface OnShelf {
  readonly productId: string;
  readonly priceKg: number | null;
  /** null where nobody counts it */
  readonly stockKg: number | null;
  readonly version: number;
}

export type FeedStore = ReturnType<typeof feedStore>;

/** All SQL about what is fed: the shelf, own targets, tanks, mixes. */
export function feedStore({ db, actor, into }: Writer) {
  return {
    async shelf(siteId: number): Promise<OnShelf[]> {
      const rows = await db<ShelfRow>("shelf_item").where({ site_id: siteId });
      return rows.map((row) => ({
        productId: row.product_id,
        priceKg: row.price_kg,
        stockKg: row.stock_kg,
        version: row.version,
      }));
    },
    async putOnShelf(
      siteId: number,
      productId: string,
      { priceKg, stockKg }: Pick<OnShelf, "priceKg" | "stockKg">,
    ): Promise<void> {
      await into<ShelfRow>({ table: "shelf_item" })
        .insert({ site_id: siteId, product_id: productId, price_kg: priceKg, stock_kg: stockKg, version: 1, actor })
        .onConflict(["site_id", "product_id"])
        .merge({ price_kg: priceKg, stock_kg: stockKg, version: db.raw("shelf_item.version + 1"), actor });
    },
    async takeOffShelf(siteId: number, productId: string): Promise<void> {
      await into<ShelfRow>({ table: "shelf_item" }).where({ site_id: siteId, product_id: productId }).delete();
    },
    /** Draws the stock down; what the books do not have is drawn to none, as the bag stood there all the same. */
    async drawDown(siteId: number, productId: string, kg: number): Promise<void> {
      await into<ShelfRow>({ table: "shelf_item" })
        .where({ site_id: siteId, product_id: productId })
        .update({ stock_kg: db.raw("max(0, stock_kg - ?)", [kg]), version: db.raw("version + 1") });
    },
    async settings(zoneId: number): Promise<(FeedSettings & { version: number }) | null> {
      const row = await db<SettingsRow>("feed_settings").where({ zone_id: zoneId }).first();
      return row ? { ...feedSettingsSchema.parse(JSON.parse(row.settings)), version: row.version } : null;
    },
    async saveSettings(zoneId: number, version: number, settings: FeedSettings): Promise<void> {
      const row = { zone_id: zoneId, version, settings: JSON.stringify(settings), actor };
      await into<SettingsRow>({ table: "feed_settings", zones: [zoneId] })
        .insert(row)
        .onConflict("zone_id")
        .merge();
    },
    /** The last that was kept, of whichever planting. */
    async target(zoneId: number): Promise<(KeptTarget & { version: number }) | null> {
      const row = await db<TargetRow>("feed_target").where({ zone_id: zoneId }).first();
      return row ? { ...keptTarget(row), version: row.version } : null;
    },
    async saveTarget(zoneId: number, version: number, { plantedOn, stageId, ...target }: KeptTarget): Promise<void> {
      const row = {
        zone_id: zoneId,
        version,
        target: JSON.stringify(target),
        planted_on: plantedOn,
        stage_id: stageId,
        actor,
      };
      await into<TargetRow>({ table: "feed_target", zones: [zoneId] })
        .insert(row)
        .onConflict("zone_id")
        .merge();
    },
    /** Own targets and settings of all zones, by zone id. */
    async held(): Promise<{
      readonly targets: ReadonlyMap<number, KeptTarget>;
      readonly settings: ReadonlyMap<number, FeedSettings>;
      /** zones and plantings that are fed in doses, as "3 2026-05-01" */
      readonly dosed: ReadonlySet<string>;
    }> {
      const [targets, settings] = [await db<TargetRow>("feed_target"), await db<SettingsRow>("feed_settings")];
      return {
        targets: new Map(targets.map((row) => [row.zone_id, keptTarget(row)])),
        settings: new Map(settings.map((row) => [row.zone_id, feedSettingsSchema.parse(JSON.parse(row.settings))])),
        dosed: new Set((await db<DosedRow>("dose_programme")).map((row) => `${row.zone_id} ${row.planting}`)),
      };
    },
    async dropTarget(zoneId: number): Promise<void> {
      await into<TargetRow>({ table: "feed_target", zones: [zoneId] })
        .where({ zone_id: zoneId })
        .delete();
    },
    /** @returns false when this very mix is in the book already */
    async addMix(zoneId: number, { key, mixedAt, lines, levels }: NewMix): Promise<boolean> {
      const known = await db<MixRow>("mix").where({ key }).first("id");
      if (known) return false;
      await into<MixRow>({ table: "mix", zones: [zoneId], from: Date.parse(mixedAt) }).insert({
        key,
        zone_id: zoneId,
        mixed_at_ms: Date.parse(mixedAt),
        lines: JSON.stringify(lines),
        levels: JSON.stringify(levels),
        actor,
      });
      return true;
    },
    /** Every mix of a zone, the oldest first. */
    async allMixes(zoneId: number): Promise<NewMix[]> {
      const rows = await db<MixRow>("mix").where({ zone_id: zoneId }).orderBy("id");
      return rows.map((row) => ({
        key: row.key,
        mixedAt: new Date(row.mixed_at_ms).toISOString(),
        ...weighedIn(row),
      }));
    },
    /** What a screen lists: the newest. */
    async mixes(zoneId: number): Promise<Mix[]> {
      const rows = await db<MixRow>("mix").where({ zone_id: zoneId }).orderBy("mixed_at_ms", "desc").limit(SHOWN_MIXES);
      return rows.map((row) => ({
        id: row.id,
        mixedAt: new Date(row.mixed_at_ms).toISOString(),
        ...weighedIn(row),
      }));
    },
    /** The newest mixes of every zone before a moment, the newest first: enough to find each tank's last one. */
    async newestMixes(
      toMs: number,
    ): Promise<(Omit<NewMix, "key" | "mixedAt"> & { zoneId: number; mixedAtMs: number })[]> {
      const rows = (await db
        .from(
          db<MixRow>("mix")
            .select("*", db.raw("row_number() OVER (PARTITION BY zone_id ORDER BY mixed_at_ms DESC) AS age"))
            .where("mixed_at_ms", "<", toMs)
            .as("aged"),
        )
        .where("age", "<=", SHOWN_MIXES)
        .orderBy("mixed_at_ms", "desc")) as MixRow[];
      return rows.map((row) => ({ zoneId: row.zone_id, mixedAtMs: row.mixed_at_ms, ...weighedIn(row) }));
    },
  };
}

function keptTarget(row: TargetRow): KeptTarget {
  const target = feedTargetSchema.parse(JSON.parse(row.target));
  return { ...target, plantedOn: row.planted_on, stageId: row.stage_id };
}

function weighedIn({ lines, levels }: MixRow): Pick<NewMix, "lines" | "levels"> {
  return {
    lines: newMixSchema.shape.lines.parse(JSON.parse(lines)),
    levels: newMixSchema.shape.levels.parse(JSON.parse(levels ?? "[]")),
  };
}
