import type { Zone } from "@sprunel/contract/site";
import { standingOn } from "@sprunel/core/crop";
import { recipe, tankLeftL, zoneQuestion } from "@sprunel/core/feed/recipe";
import { feedStore, wateringStore, withSolver, type Prepared } from "@sprunel/server";
import { uuid } from "./keys.ts";
import type { DemoZone } from "./story.ts";

/** The feed of a zone in a stage: what the program's own recipe makes of the shelf. */
export interface Feed {
  readonly ecMsCm: number;
  readonly ph: number;
  readonly lines: readonly { readonly productId: string; readonly tankId: string; readonly kgPerTank: number }[];
}

/** A tank is mixed anew before it is emptier than this. */
const LEAST_LEFT = 0.15;
/** In the past the hand mixed at half past six; since the first morning shown only what nobody mixed till two. */
const MIXED_HOUR = 6.5;
const LATE_HOUR = 14;
const DILUTION = 100;
const KEYS = 3;

/** What is mixed for whom, and when the tanks run low. */
export class Feeds {
  private readonly byStage = new Map<string, Feed>();
  private readonly lastMs: Map<number, number>;

  private constructor(
    private readonly server: Prepared,
    lastMs: Map<number, number>,
  ) {
    this.lastMs = lastMs;
  }

  static async of(server: Prepared): Promise<Feeds> {
    const mixes = await feedStore(server.scope).newestMixes(Number.MAX_SAFE_INTEGER);
    // The newest first: what is set last is the oldest, so each zone's first one counts.
    return new Feeds(server, new Map([...mixes].reverse().map(({ zoneId, mixedAtMs }) => [zoneId, mixedAtMs])));
  }

  /** The feed of a zone on a date; null where none is mixed. */
  async on(zone: Zone, { tankL }: DemoZone, date: string): Promise<Feed | null> {
    const standing = standingOn((await this.server.scope.zone(zone.id)).grown, date);
    if (tankL === null || !standing) return null;
    const key = `${zone.id} ${standing.crop.id} ${standing.state.period.stage.id}`;
    const known = this.byStage.get(key);
    if (known !== undefined) return known;
    const feed = await this.solved(zone.id, date);
    // Before the first lab report there is no recipe; there may be one later in the stage.
    if (feed) this.byStage.set(key, feed);
    return feed;
  }

  private async solved(zoneId: number, date: string): Promise<Feed | null> {
    const facts = await this.server.rooms.feed.feed.zoneFeed(zoneId, date);
    const target = facts.own ?? facts.library;
    const question = target && zoneQuestion(facts, { ions: target.ions, ph: target.ph }, facts.settings.wishes);
    if (!question) return null;
    const { lines, delivered } = await withSolver((solve) => recipe(question, solve));
    return {
      ecMsCm: delivered.ecMsCm,
      ph: delivered.ph,
      lines: lines.map(({ productId, tankId, kgPerTank }) => ({ productId, tankId, kgPerTank })),
    };
  }

  /** Fills the tanks up where they would not last, and notes it. */
  async mix(
    zone: Zone,
    { tankL }: DemoZone,
    { lines }: Feed,
    {
      dayStart,
      daysAgo,
      nowMs,
      backShare,
    }: {
      readonly dayStart: number;
      readonly daysAgo: number;
      readonly nowMs: number;
      /** of a flood, what runs back into the tank */
      readonly backShare: number;
    },
  ): Promise<void> {
    if (tankL === null) return;
    const atMs = dayStart + (daysAgo > 0 ? MIXED_HOUR : LATE_HOUR) * 3_600_000;
    if (atMs > nowMs) return;
    const { scope } = this.server;
    const fromMs = this.lastMs.get(zone.id);
    if (fromMs !== undefined) {
      const [givenL] = await wateringStore(scope).totalsSince([{ zoneId: zone.id, fromMs }], atMs);
      const leftL = tankLeftL({ mixedL: tankL, dilution: DILUTION, givenL: (givenL ?? 0) * (1 - backShare) });
      if (leftL > LEAST_LEFT * tankL) return;
    }
    const mix = {
      mixedAt: new Date(atMs).toISOString(),
      key: uuid(KEYS, zone.id, Math.floor(dayStart / 86_400_000)),
      lines: lines.map(({ productId, tankId, kgPerTank }) => ({
        productId,
        tankId,
        kg: Number(kgPerTank.toFixed(3)),
        lot: null,
      })),
      levels: [...new Set(lines.map(({ tankId }) => tankId))].map((tankId) => ({ tankId, litres: tankL })),
    };
    this.lastMs.set(zone.id, atMs);
    await scope.transaction(
      async (inner) => {
        const store = feedStore(inner);
        // The shelf is told as it stands on the first morning shown: only what is mixed since then is drawn off it.
        if (!(await store.addMix(zone.id, mix)) || daysAgo > 0) return;
        const { id: siteId } = await inner.site.current();
        for (const { productId, kgPerTank } of lines) await store.drawDown(siteId, productId, kgPerTank);
      },
      { atMs },
    );
  }
}
