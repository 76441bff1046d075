import type { NewReading, NewRound, Reading, RootStation, Strike } from "@sprunel/contract/rootzone";
import { READING_KINDS, type ReadingKind } from "@sprunel/core/rootzone";
import { badInput, conflict, notFound } from "../http/problems.ts";
import type { Scope } from "../scope/scope.ts";
import { readingStore, type StoredReading, type ZoneReading } from "./reading-store.ts";

export type ReadingService = ReturnType<typeof readingService>;

const NOTHING_READ = Object.fromEntries(READING_KINDS.map((kind) => [kind, null])) as Record<ReadingKind, null>;
/** A reading may be typed in a little ahead of the server's clock, never on another day to come. */
export const MOST_AHEAD_MS = 10 * 60_000;

type PastOfZone = RootStation["zones"][number]["past"];

/** So many values tell what is usual in a zone. */
const PAST_VALUES = 12;

/** What was read at one moment, a value each. */
export function valuesOf(zoneId: number, reading: NewReading): (ZoneReading & { readonly source: string })[] {
  const atMs = Date.parse(reading.at);
  return READING_KINDS.flatMap((kind) =>
    reading[kind] === undefined ? [] : [{ zoneId, kind, atMs, value: reading[kind], source: "person" }],
  );
}

/** Readings at the root zone: added, never changed, struck out with a reason. */
export function readingService(scope: Scope) {
  /** @throws 409 where another value stands at the same moment: neither is lost in silence */
  const write = async (inner: Scope, readings: readonly StoredReading[]): Promise<void> => {
    const [first] = await readingStore(inner).inTheWay(readings);
    if (first) {
      const { name } = await inner.zone(first.zoneId);
      const at = new Date(first.atMs).toISOString();
      throw conflict(
        first.struck
          ? `What was read in ${name} at ${at} was struck out. Say the minute at which it was read anew; nothing was stored.`
          : `In ${name} another value was noted at ${at} already: ${first.value}. Strike it out and say another minute, or leave it; nothing was stored.`,
      );
    }
    await readingStore(inner).add(readings);
  };
  const stillToCome = (at: string, path: string): { path: string; message: string }[] =>
    Date.parse(at) > scope.clock() + MOST_AHEAD_MS
      ? [{ path, message: `A reading cannot be from ${at}, which is still to come.` }]
      : [];
  return {
    async add(zoneId: number, reading: NewReading): Promise<void> {
      await scope.zone(zoneId);
      const faults = stillToCome(reading.at, "at");
      if (faults.length > 0) throw badInput(faults);
      await scope.transaction((inner) => write(inner, valuesOf(zoneId, reading)));
    },

    /** What was read on a walk: all of it, or nothing and every fault by its place. */
    async addRound({ readings }: NewRound): Promise<void> {
      const known = new Set((await scope.zones()).map(({ id }) => id));
      const faults = readings.flatMap(({ zoneId, at }, place) => [
        ...(known.has(zoneId) ? [] : [{ path: `readings.${place}.zoneId`, message: `Zone ${zoneId} does not exist.` }]),
        ...stillToCome(at, `readings.${place}.at`),
      ]);
      if (faults.length > 0) throw badInput(faults);
      await scope.transaction((inner) =>
        write(
          inner,
          readings.flatMap(({ zoneId, ...reading }) => valuesOf(zoneId, reading)),
        ),
      );
    },

    /** The newest values that count, by zone and kind, the newest first. */
    async last(zoneIds: readonly number[]): Promise<ReadonlyMap<number, PastOfZone>> {
      const past = new Map<number, PastOfZone>(zoneIds.map((id) => [id, {}]));
      const newest = await readingStore(scope).newest(zoneIds, PAST_VALUES);
      for (const { zoneId, kind, atMs, value } of newest)
        ((past.get(zoneId) ?? {})[kind] ??= []).push({ at: new Date(atMs).toISOString(), value });
      return past;
    },

    async strike(zoneId: number, { at, reason }: Strike): Promise<void> {
      await scope.zone(zoneId);
      const atMs = Date.parse(at);
      const struck = await scope.transaction((inner) =>
        readingStore(inner).strike(zoneId, atMs, reason, scope.clock()),
      );
      if (!struck) throw notFound(`A reading at ${at}`);
    },

    /** Every reading of a zone, a row each, struck ones with the reason. */
    async table(zoneId: number): Promise<Record<string, string | number | null>[]> {
      await scope.zone(zoneId);
      return (await readingStore(scope).history(zoneId, 0)).map(({ atMs, kind, value, struck }) => ({
        read_at_utc: new Date(atMs).toISOString(),
        kind,
        value,
        struck_out: struck,
      }));
    },

    /** What was read from one moment to before another, a row for each moment, newest last. */
    async between(zoneId: number, fromMs: number, toMs: number): Promise<Reading[]> {
      const readings = new Map<number, Reading>();
      for (const { atMs, kind, value, struck } of await readingStore(scope).history(zoneId, fromMs)) {
        if (atMs >= toMs) continue;
        const before = readings.get(atMs) ?? { ...NOTHING_READ, at: new Date(atMs).toISOString(), struck };
        readings.set(atMs, { ...before, [kind]: value });
      }
      return [...readings.values()];
    },
  };
}
