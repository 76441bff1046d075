import { startOfLocalDay } from "@sprunel/core/time";
import { diskFault } from "../database/disk-fault.ts";
import type { Scope } from "../scope/scope.ts";
import { COURSE_TABLES } from "./rests-on.ts";

interface CheckpointRow {
  zone_id: number;
  at_ms: number;
  date: string;
  engine: string;
  state: Buffer | ArrayBuffer;
}
type Mornings = Map<string, Float64Array>;

/** What is cached of a zone's midnights, and what they are worked out with. */
export interface ZoneMornings {
  readonly mornings: Mornings;
  readonly engine: string;
}

const ROWS_AT_ONCE = 400;

/** Of the mornings of a zone as they are cached: dates that stand in the database. */
const kept = new WeakMap<Mornings, Set<string>>();
/** Spans that were looked up for them, and how many of them were looked through. */
const asked = new WeakMap<Mornings, Set<string>>();
const seen = new WeakMap<Mornings, number>();

/**
 * Root zones at past midnights, kept so that nobody walks a season twice. Every transaction drops those that rest on what it
 * writes ({@link dropCheckpoints}); here they are only read and written.
 */
export function checkpointStore(scope: Scope) {
  const { db } = scope;
  const keptOf = (mornings: Mornings): Set<string> => {
    const dates = kept.get(mornings) ?? new Set<string>();
    kept.set(mornings, dates);
    return dates;
  };

  return {
    /** Puts midnights from one date to another into the memories of zones that do not have them. */
    async recall(zones: ReadonlyMap<number, ZoneMornings>, from: string, to: string): Promise<void> {
      const span = `${from} ${to}`;
      const lacking = [...zones].filter(([, { mornings }]) => {
        const spans = asked.get(mornings) ?? new Set<string>();
        asked.set(mornings, spans);
        if (spans.has(span)) return false;
        spans.add(span);
        return !mornings.has(from) || !mornings.has(to);
      });
      if (lacking.length === 0) return;
      const rows = await db<CheckpointRow>("zone_checkpoint")
        .whereIn(
          "zone_id",
          lacking.map(([id]) => id),
        )
        .whereBetween("date", [from, to])
        .select("zone_id", "date", "engine", "state");
      for (const { zone_id, date, engine, state } of rows) {
        const zone = zones.get(zone_id);
        if (zone?.engine !== engine || zone.mornings.has(date)) continue;
        const { mornings } = zone;
        mornings.set(date, numbersOf(state));
        keptOf(mornings).add(date);
      }
    },

    /**
     * Keeps midnights up to a date that were worked out while what they rest on stood at `version`. What cannot be kept is
     * worked out again another time.
     */
    async keep(
      zones: ReadonlyMap<number, ZoneMornings>,
      { upTo, timeZone, version }: { readonly upTo: string; readonly timeZone: string; readonly version: number },
    ): Promise<void> {
      const rows = [...zones].flatMap(([zoneId, { mornings, engine }]) => {
        if (seen.get(mornings) === mornings.size) return [];
        seen.set(mornings, mornings.size);
        const known = keptOf(mornings);
        return [...mornings].flatMap(([date, state]): CheckpointRow[] => {
          if (date > upTo || known.has(date)) return [];
          known.add(date);
          return [{ zone_id: zoneId, at_ms: startOfLocalDay(date, timeZone), date, engine, state: bytesOf(state) }];
        });
      });
      if (rows.length === 0) return;
      try {
        await db.transaction(async (trx) => {
          // Whoever else writes has ended or has not begun: there is one connection.
          if (scope.cache.versionOf(COURSE_TABLES) !== version) throw new ChangedMeanwhile();
          for (let at = 0; at < rows.length; at += ROWS_AT_ONCE)
            await trx<CheckpointRow>("zone_checkpoint")
              .insert(rows.slice(at, at + ROWS_AT_ONCE))
              .onConflict(["zone_id", "at_ms"])
              .merge();
        });
      } catch (error) {
        for (const [, { mornings }] of zones) {
          kept.delete(mornings);
          seen.delete(mornings);
        }
        // Whoever only reads does not fail because nothing can be kept for the next time.
        if (!(error instanceof ChangedMeanwhile) && !diskFault(error)) throw error;
      }
    },
  };
}

class ChangedMeanwhile extends Error {}

function bytesOf(state: Float64Array): Buffer {
  return Buffer.from(state.buffer, state.byteOffset, state.byteLength);
}

/** A copy: the bytes of a row need not lie where numbers may. */
function numbersOf(bytes: Buffer | ArrayBuffer): Float64Array {
  const view = bytes instanceof ArrayBuffer ? new Uint8Array(bytes) : bytes;
  return new Float64Array(Uint8Array.from(view).buffer);
}
