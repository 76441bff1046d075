import type { ZoneDayAnswer } from "@sprunel/contract/plan";
import type { Site, Zone } from "@sprunel/contract/site";
import { plantingOn } from "@sprunel/core/crop";
import { systemOf } from "@sprunel/core/systems";
import { addDays, daysBetween, localDate, startOfLocalDay } from "@sprunel/core/time";
import type { Watering } from "@sprunel/core/irrigation";
import { readingStore, wateringStore, type Prepared, type Scope } from "@sprunel/server";
import { Feeds } from "./feeds.ts";
import { uuid } from "./keys.ts";
import { pickOf } from "./picks.ts";
import { zones } from "./quillbrook.ts";
import { FIRST_DATE, HISTORY_DAYS, type DemoZone } from "./story.ts";
import { ZoneTruth } from "./zone-truth.ts";

const DECIDED = 5;
const UNDECIDED_DAYS = 3;
/** Until roots have grown out of their block a drain says little, and nobody corrects the plan by it. */
const YOUNG_DAYS = 10;
const DAY_MS = 24 * 3_600_000;

/** A zone of the story in the data folder, and how it is told. */
interface Told {
  readonly demoZone: DemoZone;
  readonly zone: Zone;
  readonly truth: ZoneTruth;
}

/**
 * Lives every day of every zone up to now: asks the program for its plan, gives the water that really arrives, mixes, picks,
 * and notes what a grower would then measure. What is stored already stays as it is, so that it can be called at any time.
 *
 * @param hear is told of each zone whose days are made from the first one on
 */
export async function live(server: Prepared, nowMs: number, hear?: (words: string) => void): Promise<void> {
  const { scope } = server;
  const site = await scope.site.find();
  if (!site) return;
  const stored = await scope.zones();
  const today = localDate(nowMs, site.timeZone);
  const feeds = await Feeds.of(server);
  for (const demoZone of zones) {
    const zone = stored.find((candidate) => candidate.name === demoZone.zone.name);
    const [first, told] = [zone?.plantings[0], demoZone.plantings[0]];
    // A zone that was renamed or whose first planting was changed has left the story.
    if (!zone || !first || !told || first.cropId !== told.cropId) continue;
    const last = await lastNoted(scope, zone.id);
    const from = last.atMs === null ? addDays(FIRST_DATE, -HISTORY_DAYS) : localDate(last.atMs, site.timeZone);
    // Of the years before only what was picked is known.
    if (last.atMs === null)
      for (let date = first.plantedOn; date < from; date = addDays(date, 1))
        await pickOf(scope, demoZone, zone, date, {
          daysAgo: daysBetween(date, FIRST_DATE),
          nowMs,
          dayStart: startOfLocalDay(date, site.timeZone),
        });
    const truth = new ZoneTruth(demoZone, zone, last.drainEcMsCm);
    for (let date = from; date <= today; date = addDays(date, 1))
      await liveDay(server, { demoZone, zone, truth }, { site, feeds, date, today, nowMs });
    if (last.atMs === null) hear?.(`Made ninety days of ${zone.name}.`);
  }
}

interface Day {
  readonly site: Site;
  readonly feeds: Feeds;
  readonly date: string;
  readonly today: string;
  readonly nowMs: number;
}

async function liveDay(
  { scope, rooms }: Prepared,
  { demoZone, zone, truth }: Told,
  { site, feeds, date, today, nowMs }: Day,
): Promise<void> {
  const daysAgo = daysBetween(date, FIRST_DATE);
  const day = await dayAsDecided(rooms, zone, date, today);
  if (!day.plan) return;
  const dayStart = startOfLocalDay(date, site.timeZone);
  const feed = await feeds.on(zone, demoZone, date);
  const given = await givenOn(scope, zone.id, dayStart, truth.deliver(day, daysAgo), nowMs);
  if (feed) await feeds.mix(zone, demoZone, feed, { dayStart, daysAgo, nowMs, backShare: backShare(zone, day.plan) });
  const readings = truth.readings(day, { dayStart, given, daysAgo, feed });
  await pickOf(scope, demoZone, zone, date, { daysAgo, nowMs, dayStart });
  const noted = readings.flatMap((reading) => (reading.atMs <= nowMs ? [{ ...reading, source: "notebook" }] : []));
  if (noted.length > 0)
    await scope.transaction((inner) => readingStore(inner).add(noted), {
      atMs: Math.max(...noted.map(({ atMs }) => atMs)),
    });
}

/** Of a bench's flood, what runs back into its tank. */
function backShare({ definition }: Zone, { drainL, litres }: NonNullable<ZoneDayAnswer["plan"]>): number {
  return systemOf(definition).returns && litres > 0 ? drainL / litres : 0;
}

/** The morning's plan, after the grower has accepted what it proposes; the last mornings are left to whoever opens the demo. */
async function dayAsDecided(
  { plan: { plans }, today: { decisions } }: Prepared["rooms"],
  zone: Zone,
  date: string,
  today: string,
): Promise<ZoneDayAnswer> {
  const day = await plans.zoneDay(zone.id, date);
  const open = day.findings.filter((entry) => entry.proposal && !entry.decision);
  const planted = plantingOn(zone.plantings, date)?.plantedOn ?? date;
  const isYoung = date < addDays(planted, YOUNG_DAYS);
  if (open.length === 0 || isYoung || date > addDays(today, -UNDECIDED_DAYS) || date >= FIRST_DATE) return day;
  for (const { finding, about } of open)
    await decisions.decide(
      zone.id,
      {
        key: uuid(DECIDED, zone.id, Math.floor(Date.parse(date) / 86_400_000)),
        verdict: "accepted",
        cause: finding.cause,
        about,
        date,
      },
      Date.parse(`${date}T06:00:00Z`),
    );
  return plans.zoneDay(zone.id, date);
}

/** Where an earlier run of the story left off; the last drain tells how salty the substrate is. */
async function lastNoted(scope: Scope, zoneId: number): Promise<{ atMs: number | null; drainEcMsCm: number | null }> {
  const watering = await scope
    .db("watering")
    .where({ zone_id: zoneId })
    .max<{ last: number | null }[]>("start_ms as last")
    .first();
  const drain = await scope
    .db<{ zone_id: number; kind: string; at_ms: number; value: number }>("zone_reading")
    .where({ zone_id: zoneId, kind: "drainEcMsCm" })
    .orderBy("at_ms", "desc")
    .first("value");
  return { atMs: watering?.last ?? null, drainEcMsCm: drain?.value ?? null };
}

/** What the log says already, or else what now comes true of the plan. */
async function givenOn(
  scope: Scope,
  zoneId: number,
  dayStart: number,
  delivered: readonly Watering[],
  nowMs: number,
): Promise<readonly Watering[]> {
  const logged = await wateringStore(scope).between(dayStart, dayStart + DAY_MS, [zoneId]);
  const lastMs = logged.at(-1)?.startMs ?? -Infinity;
  const fresh = delivered.filter(
    (watering) => watering.startMs > lastMs && watering.startMs + watering.minutes * 60_000 <= nowMs,
  );
  const stored = fresh.map((watering) => ({ ...watering, source: "controller" }));
  const last = stored.at(-1);
  if (last)
    await scope.transaction((inner) => wateringStore(inner).add(stored), {
      atMs: last.startMs + last.minutes * 60_000,
    });
  return [...logged, ...fresh];
}
