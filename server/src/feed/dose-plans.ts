import type { DosePlan, DoseProgramme } from "@sprunel/contract/feed";
import { standingOn, standOn, type Standing } from "@sprunel/core/crop";
import {
  doseCalendar,
  litresMixedFor,
  nitrogenDays,
  NONE,
  scheduleOf,
  SCHOOLS,
  type DoseCalendar,
  type DoseCalendarInput,
  type DosedSeason,
  type School,
  uptakeDone,
  WATER_TELLS_FROM,
  digestateCaps,
  plantingNeed,
} from "@sprunel/core/feed/doses";
import { inLeaf } from "@sprunel/core/feed/books";
import { addDays, startOfLocalDay } from "@sprunel/core/time";
import { DomainError } from "@sprunel/core/working";
import { groundOf } from "../harvest/off-planting.ts";
import type { PlanService } from "../plan/plan-service.ts";
import { withSolver } from "../pool/highs-solver.ts";
import type { Scope } from "../scope/scope.ts";
import type { StoredZone } from "../scope/zone-store.ts";
import { compared, dosesOf, nitrogenOf, pathOf, unplanned } from "./dose-answer.ts";
import { ledgerOf } from "./dose-books.ts";
import { factsOf, seasonWater, startOf, waterMgL } from "./dose-facts.ts";
import { deliveryTo } from "./dose-injection.ts";
import type { LightOf } from "./dose-light.ts";
import { feedRecords, type FeedRecords } from "./feed-records.ts";
import { feedStore } from "./feed-store.ts";
import { leafTakenStore } from "./leaf-taken-store.ts";
import { fedOn } from "./zone-target.ts";
import { beforeForce, withoutLight } from "./dose-warnings.ts";
import { digestateOf } from "./nutrient-entries.ts";

const PAST_SHOWN = 6;
const WEEK_DAYS = 7;
/** So far ahead plans have weather. */
const AHEAD_DAYS = 60;
const NO_CALENDAR: DoseCalendar = { doses: [], totalKgHa: NONE, unmet: [], warnings: [], working: [] };

/** Plans of doses as they are read: what a planting needs, what it is given when and of which bags, and where it went. */
export function dosePlans(scope: Scope, plans: PlanService, lightOf: LightOf) {
  const kept = new Map<string, { readonly input: string; readonly calendar: DoseCalendar }>();
  /** The last calendar of each zone and school is kept: it is the same until something of what it is made of changes. */
  async function calendarOf(zoneId: number, school: School, asked: DoseCalendarInput): Promise<DoseCalendar> {
    const [of, input] = [`${zoneId} ${school}`, JSON.stringify(asked)];
    const known = kept.get(of);
    if (known?.input === input) return known.calendar;
    const calendar = await withSolver((solve) => doseCalendar(asked, solve));
    kept.set(of, { input, calendar });
    return calendar;
  }

  /** What a planting's plan and its books rest on, as of the evening of a date. */
  async function basisOf(zone: StoredZone, standing: Standing, date: string, records: FeedRecords) {
    const facts = await factsOf(scope, zone, standing, { date, records, lightOf });
    const areaM2 = groundOf(zone, standing);
    const waterNow = waterMgL(records, zone);
    const water = waterNow && seasonWater(facts.season, areaM2, date, waterNow);
    const digestates = (await digestateOf(scope, zone, records)).filter(({ on }) => on >= standing.since && on <= date);
    const need = plantingNeed(standing, facts.programme, {
      soilTests: facts.soilTests,
      water,
      digestates,
      zone,
      areaM2,
      date,
    });
    const { dilution } = standing.crop;
    const known = await withAhead(zone, facts.season, date);
    const season =
      dilution && need ? { ...known, nitrogenDays: nitrogenDays(known.days, need.uptakeKgHa.N, dilution) } : known;
    return { ...facts, season, date, records, areaM2, waterNow, digestates, need };
  }

  /** With what the zone's plans foresee, as long as what it was given tells nothing of the season. */
  async function withAhead(zone: StoredZone, season: DosedSeason, date: string): Promise<DosedSeason> {
    if (season.litres.size > 0 && uptakeDone(season.days, date) >= WATER_TELLS_FROM) return season;
    const site = await scope.site.current();
    const today = await scope.site.dateOr(undefined);
    const found = (await plans.water(site, [zone], today, AHEAD_DAYS)).get(zone.id) ?? [];
    const ahead = found.flatMap((day, at) => (day ? [[addDays(today, at), day.givenL] as const] : []));
    return { ...season, ahead: new Map(ahead) };
  }

  /** Water and light of a day in the week before a date; only what is known. */
  async function lastWeekOf(zone: StoredZone, season: DosedSeason, date: string) {
    const litres = litresADay(season, date);
    const light = [...(await lightOf(zone, addDays(date, -WEEK_DAYS), addDays(date, -1))).values()];
    return {
      waterLM2: litres === null ? null : litres / season.areaM2,
      lightMolM2: light.length > 0 ? light.reduce((sum, one) => sum + one, 0) / light.length : null,
    };
  }

  /** L of feed that a tank of concentrate makes, as somebody set the zone's tanks; null where nobody did. */
  async function tankFeedL(zoneId: number): Promise<number | null> {
    const [tank] = (await feedStore(scope).settings(zoneId))?.tanks ?? [];
    return tank ? tank.volumeL * tank.dilution : null;
  }

  /** Leaf that was carried away of a planting. */
  async function leafOf(zone: StoredZone, key: string, areaM2: number): Promise<DosePlan["leaf"]> {
    return (await leafTakenStore(scope).all(zone.id))
      .filter(({ planting, struck }) => !struck && planting === key)
      .map(({ id, takenOn, massKg, analysed, ...holds }) => ({
        ...{ id, takenOn, massKg, analysed },
        kgHa: inLeaf({ massKg, ...holds }, areaM2),
      }));
  }

  async function booksOf(zone: StoredZone, standing: Standing, basis: Awaited<ReturnType<typeof basisOf>>) {
    const [leaf, nitrogen] = [
      await leafOf(zone, basis.key, basis.areaM2),
      await nitrogenOn(zone, standing, basis.date),
    ];
    // Books of what was noted cannot have drained what nobody noted.
    const lostNKgHa = nitrogen && !nitrogen.assumed ? nitrogen.lostKgHa : null;
    return ledgerOf(scope, zone, standing, { ...basis, leaf, lostNKgHa });
  }

  /** Nitrogen in the water of the root zone. */
  async function nitrogenOn(zone: StoredZone, standing: Standing, date: string): Promise<DosePlan["nitrogen"]> {
    const { timeZone } = await scope.site.current();
    const since = new Date(startOfLocalDay(standing.since, timeZone)).toISOString();
    const isFed = fedOn(await feedStore(scope).held(), zone, date) !== null;
    const isNoted = isFed && (await feedStore(scope).allMixes(zone.id)).some(({ mixedAt }) => mixedAt >= since);
    return nitrogenOf(await plans.nitrogen(zone.id, date), isFed && !isNoted);
  }

  /** The books of what stood here before, as it was cleared; the newest first. */
  async function pastOf(zone: StoredZone, now: Standing, records: FeedRecords): Promise<DosePlan["past"]> {
    const past: DosePlan["past"] = [];
    for (const { clearedOn, plantedOn } of [...zone.grown].reverse()) {
      if (clearedOn === null || plantedOn >= now.planting.plantedOn || past.length === PAST_SHOWN) continue;
      const last = addDays(clearedOn, -1);
      const standing = standingOn(zone.grown, last);
      if (standing?.planting.plantedOn !== plantedOn) continue;
      const books = await booksOf(zone, standing, await basisOf(zone, standing, last, records));
      if (books) past.push({ cropName: standing.crop.name, from: plantedOn, to: clearedOn, ledger: books });
    }
    return past;
  }

  /**
   * @param whole with schools, path and books beside the calendar
   * @param known the site's products and waters of that date, where they were read for other zones already
   */
  async function planOf(
    zone: StoredZone,
    date: string,
    { whole = true, records: known }: { whole?: boolean; records?: FeedRecords } = {},
  ): Promise<DosePlan> {
    const standing = standingOn(zone.grown, date);
    const records = known ?? (await feedRecords(scope, (await scope.site.current()).id, date));
    const empty = {
      zoneId: zone.id,
      date,
      need: null,
      fault: null,
      doses: [],
      digestates: [],
      digestateCaps: [],
      unmet: [],
      warnings: [],
      schools: [],
      path: [],
      nitrogen: null,
      leaf: [],
      past: [],
    };
    if (!standing)
      return {
        ...empty,
        ...{ missing: "not-planted", planting: null, version: null, ledger: null },
        programme: startOf(records),
      };
    const basis = await basisOf(zone, standing, date, records);
    const { key, version, programme, season, noted, areaM2, digestates, need } = basis;
    const { plants } = standOn(standing.planting, zone.definition, date);
    const share = areaM2 / zone.definition.areaM2;
    const planting: DosePlan["planting"] = {
      beds: zone.layout && zone.layout.beds * share,
      rowM: zone.layout && zone.layout.beds * zone.layout.rows * zone.layout.lengthM * share,
      key,
      cropName: standing.crop.name,
      piece:
        standing.crop.soldAs.kind === "piece"
          ? { one: standing.crop.soldAs.one, many: standing.crop.soldAs.many }
          : null,
      plantedOn: standing.since,
      tankFeedL: await tankFeedL(zone.id),
      areaM2,
      plants: Math.round(plants),
      lastWeek: await lastWeekOf(zone, season, date),
      stages: standing.planting
        .periodsFrom(standing.since)
        .map(({ id, name, startsOn }) => ({ id, name, from: startsOn })),
    };
    const books = whole ? await booksOf(zone, standing, basis) : null;
    const nitrogen = whole ? await nitrogenOn(zone, standing, date) : null;
    const basics = {
      ...{ ...empty, planting, version, programme, need, nitrogen, ledger: books },
      leaf: whole ? await leafOf(zone, key, areaM2) : [],
      past: whole ? await pastOf(zone, standing, records) : [],
      digestates: digestates.map(({ on, name, litres, flushL, kgHa }) => ({
        ...{ on, name, litres, flushL, nutrientsKgHa: kgHa },
      })),
      digestateCaps: need ? digestateCaps(records.sources, digestates, need, areaM2) : [],
    };
    if (!need)
      return { ...basics, missing: "no-aim", doses: noted.map((record) => unplanned(record, records, areaM2)) };
    const today = await scope.site.dateOr(undefined);
    const lastOn = season.days.at(-1)?.on;
    const run = async (asked: DoseProgramme): Promise<DoseCalendar> =>
      calendarOf(zone.id, asked.school, {
        // Where the water says how much nitrogen is given, the others follow it in the ratio in which they are taken up.
        toGiveKgHa: asked.school === "constant" || asked.school === "recipe" ? need.uptakeKgHa : need.toGiveKgHa,
        areaM2,
        plants: Math.max(1, plants),
        schedule: scheduleOf(asked, need.toGiveKgHa, season, today),
        products: asked.productIds.flatMap((id) => {
          const product = records.productOf(id);
          const price = records.shelf.find((item) => item.product.id === id)?.priceKg;
          return product ? [{ ...product, ...(price != null && { priceKg: price }) }] : [];
        }),
        ...(asked.largestNKgHa !== null && { largestNKgHa: asked.largestNKgHa }),
        ...(asked.shortestDays !== null && { shortestDays: asked.shortestDays }),
        ...(lastOn !== undefined && {
          lastOn: asked.lastOn !== null && asked.lastOn < lastOn ? asked.lastOn : lastOn,
        }),
        basalPct: asked.basalPct,
        changes: asked.changes,
      });
    const { calendar, fault } = await followed(run(programme));
    const schools: DosePlan["schools"] = [];
    const delivery = whole
      ? await deliveryTo(scope, zone, programme, {
          ...{ records, crop: standing.crop, rowM: planting.rowM },
          dayL: litresADay(season, today),
        })
      : null;
    if (delivery)
      for (const school of SCHOOLS)
        schools.push(await compared(school, { programme, records, areaM2, season, need, today, delivery, run }));
    const doses = dosesOf(calendar, noted, records, areaM2, {
      today,
      inject: (products) => delivery?.inject(products) ?? null,
      mixed: fault === null ? litresMixedFor(programme, season, today) : null,
      band: (products) => delivery?.band(products) ?? null,
      fromOn: programme.fromOn ?? "",
      kept: version !== null,
    });
    return {
      ...basics,
      missing: null,
      fault,
      doses,
      unmet: [...calendar.unmet],
      warnings: [
        ...calendar.warnings,
        ...beforeForce(calendar, noted, programme.fromOn),
        ...(fault === null ? withoutLight(programme, season) : []),
      ],
      schools,
      path: whole ? pathOf(season, need.toGiveKgHa, doses) : [],
    };
  }

  return planOf;
}

/** What a zone was given in a day of the week before a date; null where nothing was. */
function litresADay({ litres }: DosedSeason, today: string): number | null {
  const from = addDays(today, -WEEK_DAYS);
  const sum = [...litres].filter(([on]) => on >= from && on < today).reduce((so, [, some]) => so + some, 0);
  return sum > 0 ? sum / WEEK_DAYS : null;
}

/** A calendar; or, of a programme that the planting has outgrown, why there is none. */
async function followed(run: Promise<DoseCalendar>): Promise<{ calendar: DoseCalendar; fault: string | null }> {
  try {
    return { calendar: await run, fault: null };
  } catch (error) {
    if (!(error instanceof DomainError)) throw error;
    return { calendar: NO_CALENDAR, fault: error.message };
  }
}
