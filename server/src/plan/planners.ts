import { engineOf } from "@sprunel/core/course";
import { followedFrom } from "@sprunel/core/crop";
import { ZonePlanner, type PlanCache, type PlanRecords } from "@sprunel/core/plan";
import { addDays, localDate } from "@sprunel/core/time";
import type { Site } from "@sprunel/contract/site";
import { decisionStore } from "../advice/decision-store.ts";
import type { WeatherService } from "../climate/weather-service.ts";
import { pickStore } from "../harvest/pick-store.ts";
import { readingStore } from "../rootzone/reading-store.ts";
import { port } from "../scope/ports.ts";
import { cachedByZone } from "../scope/cache.ts";
import type { Scope } from "../scope/scope.ts";
import type { StoredZone } from "../scope/zone-store.ts";
import { checkpointStore } from "./checkpoint-store.ts";
import { dayLogs } from "./day-logs.ts";
import { COURSE_TABLES } from "./rests-on.ts";

/** Readings that a day's plan and its judgement look back on. */
const READING_DAYS = 7;
/** Beyond this no weather is known, not even that of the last weeks again, and no root zone is followed there. */
const FOLLOWED_AHEAD_DAYS = 60;

/** Everything stored that the plans of zones stand on. */
export type Records = PlanRecords<StoredZone>;

/** Plans of some zones, and a way to keep what was worked out for the next time. */
export interface Planners {
  readonly records: Records;
  plannerOf(zone: StoredZone): ZonePlanner;
  keep(): Promise<void>;
}

type PlanOfWeather = PlanCache["plans"] extends Map<string, infer One> ? One : never;

const morningsIn = cachedByZone<Float64Array>(COURSE_TABLES);
const plansIn = cachedByZone<PlanOfWeather>(COURSE_TABLES);

/** What zones are fed; who keeps their targets knows it. */
export const FED = port<() => Promise<Pick<Records, "fedOn" | "nitrogenOn">>>("what zones are fed");

/** Gathers what plans stand on, and keeps what was worked out of it. */
export function planning(scope: Scope, weather: WeatherService) {
  const { clock } = scope;
  const [mornings, plans] = [morningsIn(scope), plansIn(scope)];
  const logs = dayLogs(scope);
  const checkpoints = checkpointStore(scope);

  /**
   * The first date whose weather and log a plan of a date needs: a root zone is followed from planting, or from the last morning
   * that is known; every plan looks back on a few days.
   */
  function firstDateNeeded(zones: readonly StoredZone[], date: string): string {
    const lastFollowed = new Date(clock() + FOLLOWED_AHEAD_DAYS * 86_400_000).toISOString().slice(0, 10);
    const earliest = zones.map(({ id, grown }) => {
      if (date > lastFollowed) return date;
      // Before planting and after the last stage there is no root zone to follow.
      const from = followedFrom(grown, date);
      if (from === null) return date;
      return mornings.of(id).has(addDays(date, -READING_DAYS)) ? date : from;
    });
    return [...earliest, addDays(date, -READING_DAYS)].sort()[0] ?? date;
  }

  async function recordsFor(site: Site, zones: readonly StoredZone[], date: string, earliest = date): Promise<Records> {
    // Between the two another planting may begin: what stands on the earliest was planted before.
    const from = [earliest, date].map((on) => firstDateNeeded(zones, on)).sort()[0] ?? date;
    // A correction of today shows on tomorrow's plan.
    const days = await weather.days(site, from, addDays(date, 1));
    return {
      place: site,
      weather: new Map(days.map((day) => [day.date, day])),
      logOf: await logs(
        site,
        zones.map(({ id }) => id),
        from,
        addDays(date, 1),
      ),
      ...(await scope.ports.one(FED)()),
      takenOn: await takenOn(zones, from, date),
      drainWasRead: await readingStore(scope).everRead("drainPct"),
      decisions: await decisionStore(scope).upTo(addDays(date, 1)),
      today: localDate(clock(), site.timeZone),
    };
  }

  /** Pieces taken, by zone and date. */
  async function takenOn(zones: readonly StoredZone[], from: string, to: string): Promise<Records["takenOn"]> {
    const picks = await pickStore(scope).since(new Map(zones.map(({ id }) => [id, from])), to);
    const taken = new Map<string, number>();
    for (const [zoneId, ofZone] of picks)
      for (const { pickedOn, count } of ofZone) {
        const key = `${zoneId} ${pickedOn}`;
        taken.set(key, (taken.get(key) ?? 0) + (count ?? 0));
      }
    return (zoneId, date) => taken.get(`${zoneId} ${date}`) ?? 0;
  }

  async function planners(
    site: Site,
    zones: readonly StoredZone[],
    date: string,
    { earliest, told = false }: { readonly earliest?: string; readonly told?: boolean } = {},
  ): Promise<Planners> {
    const today = localDate(clock(), site.timeZone);
    scope.cache.dayIs(today);
    const version = scope.cache.versionOf(COURSE_TABLES);
    // Taken before anything is read: what changes meanwhile must not be kept as it was.
    const memories = new Map(
      zones.map(({ id, grown }) => [
        id,
        { mornings: mornings.of(id), plans: plans.of(id), engine: engineOf(grown.map(({ crop }) => crop)) },
      ]),
    );
    await checkpoints.recall(memories, addDays(earliest ?? date, -READING_DAYS), date);
    const records = await recordsFor(site, zones, date, earliest);
    return {
      records,
      plannerOf(zone) {
        const known = memories.get(zone.id);
        if (!known) throw new Error(`Zone ${zone.id} was not among those asked for`);
        return new ZonePlanner(zone, records, known, told);
      },
      keep: () => checkpoints.keep(memories, { upTo: today, timeZone: site.timeZone, version }),
    };
  }

  return {
    /** Every zone's plans with all that they stand on, for who shows a day of them together. */
    planners,
    /** What was logged of zones, from one date to before another. */
    logs,
  };
}
