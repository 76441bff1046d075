import type { Prepared } from "@sprunel/server";
import { layouts, lines, catchTests } from "./layouts.ts";
import { reports, zoneReports } from "./laboratory.ts";
import { dosed, doses, sharedBy, shelf, site, sources, targets, zones, type Dosed } from "./quillbrook.ts";
import { uuid } from "./keys.ts";
import { ago, plantingsOf } from "./story.ts";

/** One story, one dose, one test: told twice it is still one. */
const DOSE_KEY = "5b1e0000-0000-4000-8002-00000000000";
const TEST_KEY = "5b1e0000-0000-4000-8001-000000000001";
const FLUSH_L = 2600;
const TESTED_DAYS_AGO = 12;
const DOSED = 7;
const DILUTION = 100;
const USUAL_TANK_L = 200;

/**
 * Quillbrook as its grower described it: site, waters, shelf, and each zone with its lines, tanks and reports.
 *
 * @param hear is told of each zone that is there
 */
export async function setUpQuillbrook({ rooms }: Prepared, hear: (words: string) => void): Promise<void> {
  const { site: places, water, feed } = rooms;
  await places.setUp.addSite(site);
  for (const source of sources) await water.water.addSource(source);
  for (const { daysAgo, ...report } of reports) await water.water.addReport({ ...report, takenOn: ago(daysAgo) });
  for (const [productId, priceKg, stockKg] of shelf)
    await feed.feed.putOnShelf(productId, { priceKg, stockKg, version: null });
  const stored = (await water.water.station(undefined)).sources.map(({ source }) => source);
  const idOf = (name: string): number => stored.find((source) => source.name === name)?.id ?? 0;
  for (const told of zones) {
    const { name } = told.zone;
    const { id } = await places.setUp.addZone({
      ...told.zone,
      layout: layouts[name] ?? null,
      demand: null,
      waters: Object.entries(told.waters).map(([source, sharePct]) => ({ sourceId: idOf(source), sharePct })),
      plantings: plantingsOf(told),
    });
    await addRecords(rooms, id, name, idOf);
    await feed.feed.saveSettings(id, null, {
      tanks: ["A", "B"].map((tank) => ({ id: tank, volumeL: told.tankL ?? USUAL_TANK_L, dilution: DILUTION })),
      coarseG: 10,
      fineG: 0.1,
      wishes: { nh4ShareMostPct: null, limits: {}, locks: {} },
      mixed: told.tankL !== null,
    });
    const target = targets[name];
    if (target) await feed.feed.saveTarget(id, null, target);
    const fedSince = dosed[name];
    if (fedSince) await feedInDoses(rooms, id, fedSince);
    hear(`Described ${name}.`);
  }
  const { zones: named } = await rooms.day.main.answer();
  const idsOf = (names: readonly string[]): number[] =>
    names.flatMap((name) => named.find((zone) => zone.name === name)?.id ?? []);
  await rooms.day.main.save(null, sharedBy(idsOf));
}

/** A programme since some weeks, its doses noted as they were given, one that it was too wet for, and the last not yet. */
async function feedInDoses({ feed: { doses } }: Prepared["rooms"], id: number, fed: Dosed): Promise<void> {
  const { daysAgo, skippedAt, ...change } = fed;
  const { programme } = await doses.dosePlan(id, undefined);
  const plan = await doses.saveProgramme(id, null, { ...programme, ...change, fromOn: ago(daysAgo) });
  const over = plan.doses.filter(({ on }) => on < ago(1));
  for (const [at, { on, basal, products }] of over.entries()) {
    const isSkipped = at === skippedAt;
    await doses.record(id, {
      key: uuid(DOSED, id, at),
      plannedOn: on,
      basal,
      doneOn: on,
      state: isSkipped ? "skipped" : "given",
      products: isSkipped ? [] : products.map(({ productId, kg }) => ({ productId, kg: Number(kg.toFixed(2)) })),
      reason: isSkipped ? "too wet to get in" : null,
    });
  }
}

async function addRecords(
  { rootzone, water, irrigation }: Prepared["rooms"],
  id: number,
  name: string,
  sourceId: (name: string) => number,
): Promise<void> {
  for (const { daysAgo, ...report } of zoneReports[name] ?? [])
    await rootzone.reports.add(id, { ...report, takenOn: ago(daysAgo) });
  for (const [at, { source, daysAgo, litres }] of (doses[name] ?? []).entries())
    await water.doses.add(id, {
      key: `${DOSE_KEY}${at}`,
      sourceId: sourceId(source),
      givenOn: ago(daysAgo),
      litres,
      flushL: FLUSH_L,
    });
  const [own, test] = [lines[name], catchTests[name]];
  if (own) await irrigation.lines.saveLines(id, null, own);
  if (test) await irrigation.lines.addTest(id, { ...test, key: TEST_KEY, testedOn: ago(TESTED_DAYS_AGO) });
}
