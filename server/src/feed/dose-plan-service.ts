import type { DosePlan, DoseProgramme, NewDoseRecord, PlannedDose, WeekOfDoses } from "@sprunel/contract/feed";
import type { Site } from "@sprunel/contract/site";
import { plantingKey, standingOn, standOn, type Standing } from "@sprunel/core/crop";
import {
  contentOf,
  doseCalendar,
  ledger,
  NONE,
  ofWater,
  plus,
  SCHOOLS,
  scheduleOf,
  uptakeDone,
  USUAL_EFFICIENCY,
  usualProgramme,
  type DoseCalendar,
  type DosedSeason,
  type MainAmounts,
  type School,
} from "@sprunel/core/feed";
import { pickedAmount } from "@sprunel/core/harvest";
import { addDays, localDate, startOfLocalDay } from "@sprunel/core/time";
import { DomainError } from "@sprunel/core/working";
import type { Dated } from "../crop/calendar.ts";
import { pickStore } from "../harvest/pick-store.ts";
import { groundOf } from "../harvest/off-planting.ts";
import { badInput, notFound, staleEdit } from "../http/problems.ts";
import { wateringStore } from "../irrigation/watering-store.ts";
import { withSolver } from "../pool/highs-solver.ts";
import { zoneReportStore } from "../rootzone/zone-report-store.ts";
import type { Scope } from "../scope/scope.ts";
import type { StoredZone } from "../scope/zone-store.ts";
import { needOf, type SeasonWater } from "./dose-need.ts";
import { dosePlanStore, type DoseRecord } from "./dose-plan-store.ts";
import { seasonOf } from "./dose-season.ts";
import { feedRecords, waterOf, type FeedRecords } from "./feed-records.ts";
import { feedStore } from "./feed-store.ts";

/** Without any of it on the shelf doses are made up of these. */
const USUAL_PRODUCTS = [
  "calcium-nitrate",
  "potassium-nitrate",
  "monopotassium-phosphate",
  "urea",
  "potassium-sulphate",
];
const N_G_MOL = 14.007;
const K_G_MOL = 39.098;
/** Before so much of the season's uptake is over its water tells nothing of the whole. Assumed. */
const TELLS_FROM = 0.15;
/** What was left undone so long ago is no longer asked about each week. */
const OVERDUE_DAYS = 14;
const WEEK_DAYS = 7;
/** kg/m² as t/ha; a programme that aims at more than so many times the planting's own aim is a slip. */
const T_HA = 10;
const MOST_TIMES = 3;
/** Points of the path that is drawn. */
const PATH_POINTS = 40;

export type DosePlanService = ReturnType<typeof dosePlanService>;

/** What a planting needs, what it is given when and of which bags, and where it went. */
export function dosePlanService(scope: Scope) {
  /** Of a planting that stands: everything that its doses are worked out from. */
  async function factsOf(site: Site, zone: StoredZone, standing: Standing, date: string, records: FeedRecords) {
    const { since, planting } = standing;
    const key = plantingKey(planting);
    const kept = await dosePlanStore(scope).programme(zone.id, key);
    const fromMs = startOfLocalDay(since, site.timeZone);
    const litres = new Map<string, number>();
    for (const { startMs, litres: given } of await wateringStore(scope).between(fromMs, scope.clock(), [zone.id])) {
      const on = localDate(startMs, site.timeZone);
      litres.set(on, (litres.get(on) ?? 0) + given);
    }
    const season = seasonOf(standing, litres);
    const reports = await zoneReportStore(scope).page(zone.id);
    return {
      key,
      version: kept?.version ?? null,
      programme: kept?.programme ?? startOf(records),
      season,
      soil: reports.find(({ kind, struck, takenOn }) => kind === "soil" && struck === null && takenOn <= date),
      noted: await dosePlanStore(scope).records(zone.id, key),
    };
  }

  function startOf({ shelf }: FeedRecords): DoseProgramme {
    const onShelf = shelf
      .map(({ product }) => product)
      .filter((product) => {
        const { N, P, K } = contentOf(product);
        return product.form === "solid" && N + P + K > 0;
      })
      .map(({ id }) => id);
    const bringsN = shelf.some(({ product }) => onShelf.includes(product.id) && contentOf(product).N > 0);
    return {
      ...usualProgramme("ration"),
      dressings: [],
      fromOn: null,
      yieldTHa: null,
      efficiencyPct: USUAL_EFFICIENCY.ration,
      organic: [],
      residuesKgHa: null,
      fixationKgHa: null,
      productIds: bringsN ? onShelf : USUAL_PRODUCTS,
    };
  }

  /** @param whole with schools, path and books beside the calendar */
  async function planOf(zone: StoredZone, date: string, whole = true): Promise<DosePlan> {
    const site = await scope.site.current();
    const standing = standingOn(zone.grown, date);
    const records = await feedRecords(scope, site.id, date);
    const empty = { zoneId: zone.id, date, need: null, doses: [], unmet: [], warnings: [], schools: [], path: [] };
    if (!standing)
      return {
        ...empty,
        ...{ missing: "not-planted", planting: null, version: null, ledger: null },
        programme: startOf(records),
      };
    const { key, version, programme, season, soil, noted } = await factsOf(site, zone, standing, date, records);
    const areaM2 = groundOf(zone, standing);
    const { plants } = standOn(standing.planting, zone.definition, date);
    const waterNow = waterMgL(records, zone);
    const water = waterNow && seasonWater(season, areaM2, date, waterNow);
    const need = needOf(standing, programme, { soil, water, date });
    const planting: DosePlan["planting"] = {
      key,
      cropName: standing.crop.name,
      plantedOn: standing.since,
      areaM2,
      plants: Math.round(plants),
      stages: standing.planting
        .periodsFrom(standing.since)
        .map(({ id, name, startsOn }) => ({ id, name, from: startsOn })),
    };
    const books = whole
      ? await ledgerOf(zone, standing, { noted, records, waterNow, season, areaM2, need, date, site })
      : null;
    const basics = { ...empty, planting, version, programme, need, ledger: books };
    if (!need)
      return { ...basics, missing: "no-aim", doses: noted.map((record) => unplanned(record, records, areaM2)) };
    const run = (asked: DoseProgramme): Promise<DoseCalendar> =>
      withSolver((solve) =>
        doseCalendar(
          {
            // Where the water says how much nitrogen is given, the others follow it in the ratio in which they are taken up.
            toGiveKgHa: asked.school === "constant" ? need.uptakeKgHa : need.toGiveKgHa,
            areaM2,
            plants: Math.max(1, plants),
            schedule: scheduleOf(asked, need.toGiveKgHa, season),
            products: asked.productIds.flatMap((id) => {
              const product = records.productOf(id);
              const price = records.shelf.find((item) => item.product.id === id)?.priceKg;
              return product ? [{ ...product, ...(price != null && { priceKg: price }) }] : [];
            }),
            ...(asked.largestNKgHa !== null && { largestNKgHa: asked.largestNKgHa }),
            ...(asked.shortestDays !== null && { shortestDays: asked.shortestDays }),
            ...(asked.lastOn !== null && { lastOn: asked.lastOn }),
            basalPct: asked.basalPct,
          },
          solve,
        ),
      );
    const calendar = await run(programme);
    const schools: DosePlan["schools"] = [];
    for (const school of whole ? SCHOOLS : []) schools.push(await compared(school, programme, run, records, areaM2));
    return {
      ...basics,
      missing: null,
      doses: dosesOf(calendar, noted, records, areaM2, {
        today: await scope.site.dateOr(undefined),
        fromOn: programme.fromOn ?? "",
        kept: version !== null,
      }),
      unmet: [...calendar.unmet],
      warnings: [...calendar.warnings],
      schools,
      path: whole ? pathOf(season, need.toGiveKgHa, calendar) : [],
    };
  }

  async function ledgerOf(
    zone: StoredZone,
    { crop, since }: Standing,
    {
      noted,
      records,
      waterNow,
      season,
      areaM2,
      need,
      date,
      site,
    }: {
      noted: readonly DoseRecord[];
      records: FeedRecords;
      waterNow: MainAmounts | null;
      season: DosedSeason;
      areaM2: number;
      need: DosePlan["need"];
      date: string;
      site: Site;
    },
  ): Promise<DosePlan["ledger"]> {
    const given = plus(
      ...noted
        .filter(({ state, doneOn }) => state === "given" && doneOn <= date)
        .map(({ products }) => nutrientsIn(products, records, areaM2)),
    );
    const startUtc = new Date(startOfLocalDay(since, site.timeZone)).toISOString();
    const litres = [...season.litres].filter(([on]) => on <= date).reduce((sum, [, some]) => sum + some, 0);
    const picks = (await pickStore(scope).since(new Map([[zone.id, since]]), date)).get(zone.id) ?? [];
    const kg =
      crop.soldAs.kind === "mass" ? picks.reduce((sum, pick) => sum + (pickedAmount(pick, crop.soldAs) ?? 0), 0) : null;
    const tHa = kg === null ? null : (kg / areaM2) * 10;
    const { nKgT, pKgT, kKgT } = crop.removal;
    const done = uptakeDone(season.days, date);
    const credited = (need?.credits ?? []).filter(({ from }) => !from.toLowerCase().includes("water"));
    const fed = plus(
      ...(await feedStore(scope).allMixes(zone.id))
        .filter(({ mixedAt }) => mixedAt >= startUtc && localDate(Date.parse(mixedAt), site.timeZone) <= date)
        .map(({ lines }) => nutrientsIn(lines, records, areaM2)),
    );
    const { working: _working, ...books } = ledger({
      given,
      fed,
      water: waterNow ? ofWater(litres, areaM2, waterNow) : NONE,
      // What soil and manure set free comes over the season, as the crop takes it up.
      credited: scaled(plus(...credited), done),
      removed: tHa === null ? null : { N: tHa * nKgT, P: tHa * pKgT, K: tHa * kKgT },
    });
    return books;
  }

  return {
    async dosePlan(zoneId: number, asked: string | undefined): Promise<DosePlan> {
      return planOf(await scope.zone(zoneId), await scope.site.dateOr(asked));
    },

    async saveProgramme(zoneId: number, version: number | null, programme: DoseProgramme): Promise<DosePlan> {
      const zone = await scope.zone(zoneId);
      const today = await scope.site.dateOr(undefined);
      const standing = standingOn(zone.grown, today);
      if (!standing) throw badInput([{ path: "", message: `Nothing stands in ${zone.name} today; plant it first.` }]);
      const { id: siteId } = await scope.site.current();
      const records = await feedRecords(scope, siteId, today);
      programme.productIds.forEach((id, at) => {
        if (!records.productOf(id))
          throw badInput([{ path: `programme.productIds.${at}`, message: `There is no product ${id} here.` }]);
      });
      const key = plantingKey(standing.planting);
      const own = standing.planting.targetPerM2 ?? null;
      if (standing.crop.soldAs.kind === "mass" && own !== null && (programme.yieldTHa ?? 0) > MOST_TIMES * own * T_HA)
        throw badInput([
          {
            path: "programme.yieldTHa",
            message: `The yield aimed at, ${programme.yieldTHa ?? 0} t/ha, is more than ${MOST_TIMES} times the planting's own aim of ${own * T_HA} t/ha; give up to ${MOST_TIMES * own * T_HA} t/ha, or change that aim.`,
          },
        ]);
      try {
        // Stages and dates that this planting does not have are told before anything is kept.
        scheduleOf(programme, NONE, seasonOf(standing, new Map()));
      } catch (error) {
        if (!(error instanceof DomainError)) throw error;
        throw badInput(error.faults.map(({ path, message }) => ({ path: `programme.${path}`, message })));
      }
      await scope.transaction(async (inner) => {
        const now = await dosePlanStore(inner).programme(zoneId, key);
        if ((now?.version ?? null) !== version)
          throw staleEdit(`The doses of ${zone.name}`, now ?? { version: null, programme });
        await dosePlanStore(inner).save(zoneId, key, (version ?? 0) + 1, programme);
      });
      return planOf(zone, today);
    },

    async record(zoneId: number, record: NewDoseRecord): Promise<DosePlan> {
      const zone = await scope.zone(zoneId);
      const today = await scope.site.dateOr(undefined);
      if (record.doneOn > today)
        throw badInput([
          { path: "doneOn", message: `A dose cannot have been given on ${record.doneOn}; today is ${today}.` },
        ]);
      const standing = standingOn(zone.grown, record.doneOn);
      if (!standing)
        throw badInput([{ path: "doneOn", message: `Nothing stood in ${zone.name} on ${record.doneOn}.` }]);
      const { id: siteId } = await scope.site.current();
      await scope.transaction(async (inner) => {
        const isNew = await dosePlanStore(inner).add(zoneId, plantingKey(standing.planting), record);
        if (isNew && record.state === "given")
          for (const { productId, kg } of record.products) await feedStore(inner).drawDown(siteId, productId, kg);
      });
      return planOf(zone, today);
    },

    async takeBack(zoneId: number, id: number): Promise<DosePlan> {
      const zone = await scope.zone(zoneId);
      const { id: siteId } = await scope.site.current();
      await scope.transaction(async (inner) => {
        const record = await dosePlanStore(inner).strike(zoneId, id);
        if (!record) throw notFound(`A note of a dose ${id}`);
        if (record.state === "given")
          for (const { productId, kg } of record.products) await feedStore(inner).drawDown(siteId, productId, -kg);
      });
      return planOf(zone, await scope.site.dateOr(undefined));
    },

    /** Doses that are still to be given, of all zones that have a programme, as calendars show them. */
    async dated(): Promise<Dated[]> {
      const today = await scope.site.dateOr(undefined);
      const dated: Dated[] = [];
      for (const zone of await scope.zones()) {
        const standing = standingOn(zone.grown, today);
        if (!standing || !(await dosePlanStore(scope).programme(zone.id, plantingKey(standing.planting)))) continue;
        const { doses } = await planOf(zone, today, false);
        for (const { on, state, products, basal } of doses)
          if (state === "planned" || state === "due")
            dated.push({
              id: `dose-${zone.id}-${standing.since}-${on}${basal ? "-basal" : ""}`,
              zone: zone.name,
              zoneId: zone.id,
              what: `${standing.crop.name}: dose`,
              on,
              span: null,
              note: products.map(({ name, kg }) => `${kg.toFixed(2)} kg ${name}`).join(", "),
            });
      }
      return dated;
    },

    /** What is to be done in the week from a date on, and what was left undone; only where a programme is kept. */
    async week(asked: string | undefined): Promise<WeekOfDoses> {
      await scope.site.current();
      const date = await scope.site.dateOr(asked);
      const zones: WeekOfDoses["zones"] = [];
      for (const zone of await scope.zones()) {
        const standing = standingOn(zone.grown, date);
        if (!standing || !(await dosePlanStore(scope).programme(zone.id, plantingKey(standing.planting)))) continue;
        const { doses } = await planOf(zone, date, false);
        const due = doses.filter(
          ({ on, state }) =>
            (on >= date && on < addDays(date, WEEK_DAYS)) ||
            (state === "due" && on < date && on >= addDays(date, -OVERDUE_DAYS)),
        );
        zones.push({ zoneId: zone.id, zoneName: zone.name, cropName: standing.crop.name, doses: due });
      }
      return { date, zones };
    },
  };
}

/** N, P and K in a litre of a zone's water, mg; null where a report is missing. */
function waterMgL(records: FeedRecords, zone: StoredZone): MainAmounts | null {
  const { water } = waterOf(records, zone);
  return water && { N: (water.ions.NO3 ?? 0) * N_G_MOL, P: 0, K: (water.ions.K ?? 0) * K_G_MOL };
}

/** What the water of the whole season brings, by what was given so far; null while that tells nothing. */
function seasonWater(
  { days, litres }: DosedSeason,
  areaM2: number,
  date: string,
  { N, K }: MainAmounts,
): SeasonWater | null {
  const done = uptakeDone(days, date);
  const sum = [...litres].filter(([on]) => on <= date).reduce((so, [, some]) => so + some, 0);
  if (done < TELLS_FROM || sum === 0) return null;
  return { mm: sum / areaM2 / done, no3NMgL: N, kMgL: K, expected: done < 1 };
}

function scaled({ N, P, K }: MainAmounts, by: number): MainAmounts {
  return { N: N * by, P: P * by, K: K * by };
}

/** What products bring to so much ground, kg/ha. */
function nutrientsIn(
  products: readonly { readonly productId: string; readonly kg: number }[],
  { productOf }: FeedRecords,
  areaM2: number,
): MainAmounts {
  return plus(
    ...products.map(({ productId, kg }) => {
      const product = productOf(productId);
      return product ? scaled(contentOf(product), kg / (areaM2 / 10_000)) : NONE;
    }),
  );
}

/** The calendar with what became of each dose; what was noted stands as it was given, whatever is planned now. */
function dosesOf(
  { doses }: DoseCalendar,
  noted: readonly DoseRecord[],
  records: FeedRecords,
  areaM2: number,
  { today, fromOn, kept }: { readonly today: string; readonly fromOn: string; readonly kept: boolean },
): PlannedDose[] {
  const left = new Set(noted);
  const planned = doses.flatMap(({ on, basal = false, nutrientsKgHa, products }): PlannedDose[] => {
    const record = [...left].find((one) => one.plannedOn === on && one.basal === basal);
    if (record) {
      left.delete(record);
      return [unplanned(record, records, areaM2)];
    }
    if (on < fromOn) return [];
    const dose: PlannedDose = {
      on,
      basal,
      // Nobody has to give what nobody has decided on.
      state: kept && on <= today ? "due" : "planned",
      nutrientsKgHa,
      products: products.map((product) => ({
        ...product,
        name: records.productOf(product.productId)?.name ?? product.productId,
      })),
      record: null,
    };
    return [dose];
  });
  return [...planned, ...[...left].map((record) => unplanned(record, records, areaM2))].sort((a, b) =>
    a.on.localeCompare(b.on),
  );
}

function unplanned(record: DoseRecord, records: FeedRecords, areaM2: number): PlannedDose {
  const { plannedOn, basal, state, products, id, doneOn, reason } = record;
  return {
    on: plannedOn,
    basal,
    state,
    nutrientsKgHa: state === "given" ? nutrientsIn(products, records, areaM2) : NONE,
    products: products.map(({ productId, kg }) => ({
      productId,
      name: records.productOf(productId)?.name ?? productId,
      kg,
      gPlant: 0,
    })),
    record: { id, doneOn, reason },
  };
}

/** The same aims by another school. */
async function compared(
  school: School,
  programme: DoseProgramme,
  run: (asked: DoseProgramme) => Promise<DoseCalendar>,
  { shelf }: FeedRecords,
  areaM2: number,
): Promise<DosePlan["schools"][number]> {
  const asked = school === programme.school ? programme : { ...programme, ...usualProgramme(school), dressings: [] };
  const nothing = { school, totalKgHa: NONE, operations: 0, costM2: null, largestNKgHa: 0 };
  try {
    const { doses, totalKgHa } = await run(asked);
    const kg = new Map<string, number>();
    for (const { products } of doses)
      for (const { productId, kg: some } of products) kg.set(productId, (kg.get(productId) ?? 0) + some);
    const prices = new Map(shelf.map(({ product, priceKg }) => [product.id, priceKg]));
    const costs = [...kg].map(([id, some]) => {
      const price = prices.get(id) ?? null;
      return price === null ? null : price * some;
    });
    return {
      school,
      totalKgHa,
      operations: doses.length,
      costM2: costs.every((cost) => cost !== null) ? costs.reduce((sum, cost) => sum + cost, 0) / areaM2 : null,
      largestNKgHa: Math.max(0, ...doses.map(({ nutrientsKgHa }) => nutrientsKgHa.N)),
      note: school === "constant" ? "of the litres given so far" : null,
    };
  } catch (error) {
    if (!(error instanceof DomainError)) throw error;
    return { ...nothing, note: error.message };
  }
}

/** Need and what is planned by the evening of some dates, evenly over the season. */
function pathOf(season: DosedSeason, toGive: MainAmounts, { doses }: DoseCalendar): DosePlan["path"] {
  const { days } = season;
  const step = Math.max(1, Math.ceil(days.length / PATH_POINTS));
  return days
    .filter((_, at) => at % step === 0 || at === days.length - 1)
    .map(({ on }) => ({
      on,
      need: scaled(toGive, uptakeDone(days, on)),
      planned: plus(...doses.filter((dose) => dose.on <= on).map(({ nutrientsKgHa }) => nutrientsKgHa)),
    }));
}
