import type { Reading, NewReading, RootHistory, Strike } from "@sprunel/contract/rootzone";
import { addDays, localDate, startOfLocalDay } from "@sprunel/core/time";
import type { Knex } from "knex";
import { badInput, notFound } from "../http/problems.ts";
import type { PlanService } from "../plan/plan-service.ts";
import type { SetUpService } from "../site/set-up-service.ts";
import { zoneStore } from "../site/zone-store.ts";
import { READING_KINDS, readingStore, type ReadingKind } from "./reading-store.ts";

export type ReadingService = ReturnType<typeof readingService>;

const NOTHING_READ = Object.fromEntries(READING_KINDS.map((kind) => [kind, null])) as Record<ReadingKind, null>;
const HISTORY_DAYS = 28;
/** A reading may be typed in a little ahead of the server's clock, never on another day to come. */
export const MOST_AHEAD_MS = 10 * 60_000;

/** Readings at the root zone: added, never changed, struck out with a reason. */
export function readingService(
  db: Knex,
  setUp: SetUpService,
  plans: PlanService,
  clock: () => number,
  changed: () => void,
) {
  const needZone = async (zoneId: number): Promise<void> => {
    if (!(await zoneStore(db).find(zoneId))) throw notFound(`Zone ${zoneId}`);
  };
  return {
    async add(zoneId: number, reading: NewReading): Promise<void> {
      await needZone(zoneId);
      const atMs = Date.parse(reading.at);
      if (atMs > clock() + MOST_AHEAD_MS)
        throw badInput([{ path: "at", message: `A reading cannot be from ${reading.at}, which is still to come.` }]);
      const readings = READING_KINDS.flatMap((kind) =>
        reading[kind] === undefined ? [] : [{ zoneId, kind, atMs, value: reading[kind] }],
      );
      await db.transaction((trx) => readingStore(trx).add(readings, "person"));
      changed();
    },

    async strike(zoneId: number, { at, reason }: Strike): Promise<void> {
      await needZone(zoneId);
      if (!(await readingStore(db).strike(zoneId, Date.parse(at), reason, clock())))
        throw notFound(`A reading at ${at}`);
      changed();
    },

    /** Every reading of a zone, a row each, struck ones with the reason. */
    async table(zoneId: number): Promise<Record<string, string | number | null>[]> {
      await needZone(zoneId);
      return (await readingStore(db).history(zoneId, 0)).map(({ atMs, kind, value, struck }) => ({
        read_at_utc: new Date(atMs).toISOString(),
        kind,
        value,
        struck_out: struck,
      }));
    },

    async history(zoneId: number, asked: string | undefined): Promise<RootHistory> {
      await needZone(zoneId);
      const site = await setUp.site();
      const to = asked ?? localDate(clock(), site.timeZone);
      const from = addDays(to, 1 - HISTORY_DAYS);
      const readings = new Map<number, Reading>();
      const toMs = startOfLocalDay(addDays(to, 1), site.timeZone);
      for (const { atMs, kind, value, struck } of await readingStore(db).history(
        zoneId,
        startOfLocalDay(from, site.timeZone),
      )) {
        if (atMs >= toMs) continue;
        const before = readings.get(atMs) ?? { ...NOTHING_READ, at: new Date(atMs).toISOString(), struck };
        readings.set(atMs, { ...before, [kind]: value });
      }
      const { roots } = await plans.zoneDay(zoneId, to);
      return {
        zoneId,
        from,
        to,
        now: roots,
        readings: [...readings.values()],
        mornings: await plans.mornings(zoneId, from, to),
      };
    },
  };
}
