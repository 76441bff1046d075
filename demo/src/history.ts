import type { ZoneDayAnswer } from "@sprunel/contract/plan";
import type { Zone } from "@sprunel/contract/site";
import { standingOn } from "@sprunel/core/crop";
import { pickingTime, yieldPath } from "@sprunel/core/harvest";
import { stepSubstrate, type SubstrateState } from "@sprunel/core/rootzone";
import { addDays, daysBetween, localDate, startOfLocalDay } from "@sprunel/core/time";
import { normal } from "@sprunel/field";
import {
  pickStore,
  readingStore,
  wateringStore,
  type Prepared,
  type Scope,
  type Watering,
  type StoredReading,
} from "@sprunel/server";
import { HISTORY_DAYS, SEED, zones, type DemoZone } from "./quillbrook.ts";

/** What a pen or a tray says. */
type Noted = Omit<StoredReading, "source">;

/** The substrate is read at half past four, when the day's last drain has run. */
const READING_HOUR = 16.5;
const TANK_HOUR = 7.25;
const UNDECIDED_DAYS = 3;

/**
 * Lives every day of a zone up to now: asks the program for its plan, gives the water that really arrives, and notes what
 * a grower would then measure. What is stored already stays as it is, so that it can be called again at any time.
 */
export async function live({ scope, rooms }: Prepared, nowMs: number): Promise<void> {
  const site = await scope.site.find();
  if (!site) return;
  const stored = await scope.zones();
  const today = localDate(nowMs, site.timeZone);
  for (const demoZone of zones) {
    const zone = stored.find((candidate) => candidate.name === demoZone.zone.name);
    const [first, told] = [zone?.plantings[0], demoZone.plantings[0]];
    // A zone that was renamed or whose first planting was changed has left the story.
    if (!zone || !first || !told || first.cropId !== told.cropId) continue;
    const firstShown = addDays(first.plantedOn, told.plantedDaysAgo);
    const begin = addDays(firstShown, -HISTORY_DAYS);
    const last = await lastNoted(scope, zone.id);
    const from = last.atMs === null ? begin : localDate(last.atMs, site.timeZone);
    const truth = new ZoneTruth(demoZone, zone.id, zone.definition.plants, last.drainEcMsCm);
    for (let date = from; date <= today; date = addDays(date, 1)) {
      const day = await dayAsDecided(rooms, zone.id, date, today);
      if (!day.plan) continue;
      const dayStart = startOfLocalDay(date, site.timeZone);
      const given = await givenOn(
        scope,
        zone.id,
        dayStart,
        truth.deliver(day, date, daysBetween(date, firstShown)),
        nowMs,
      );
      const readings = truth.liveDay(day, dayStart, given, daysBetween(date, firstShown));
      await pick(scope, demoZone, zone, date, daysBetween(date, firstShown));
      await readingStore(scope).add(
        readings.flatMap((reading) => (reading.atMs <= nowMs ? [{ ...reading, source: "notebook" }] : [])),
      );
      scope.cache.zoneChanged(zone.id, date);
    }
  }
}

/** The morning's plan, after the grower has accepted what it proposes; the last mornings are left to whoever opens the demo. */
async function dayAsDecided(
  { plan: { plans }, today: { decisions } }: Prepared["rooms"],
  zoneId: number,
  date: string,
  today: string,
): Promise<ZoneDayAnswer> {
  const day = await plans.zoneDay(zoneId, date);
  const open = day.findings.filter((entry) => entry.proposal && !entry.decision);
  if (open.length === 0 || date > addDays(today, -UNDECIDED_DAYS)) return day;
  for (const { finding, about } of open)
    await decisions.decide(
      zoneId,
      { verdict: "accepted", cause: finding.cause, about, date },
      Date.parse(`${date}T06:00:00Z`),
    );
  return plans.zoneDay(zoneId, date);
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

/** What is weighed on a day of picking: the path's next step, as much of it as the story has. */
async function pick(
  scope: Scope,
  { harvest }: DemoZone,
  { id, plantings, definition }: Zone,
  date: string,
  daysAgo: number,
): Promise<void> {
  const standing = standingOn(plantings, date);
  const time = standing && pickingTime(standing.crop, standing.planting);
  if (!time || !standing.state.period.stage.picking || daysAgo === 0) return;
  const day = daysBetween(time.from, date) + 1;
  if (day % harvest.everyDays !== 0) return;
  const at = (on: string): number => yieldPath(time, harvest.targetPerM2, on, standing.crop.soldAs).perM2;
  const dayNumber = Math.floor(Date.parse(date) / 86_400_000);
  const { soldAs } = standing.crop;
  const amount =
    definition.areaM2 *
    (at(date) - at(addDays(date, -harvest.everyDays))) *
    harvest.share(daysAgo) *
    (1 + 0.07 * normal(SEED, 400 + id, dayNumber));
  const count = Math.round(soldAs.kind === "mass" ? amount / harvest.kgPerFruit : amount);
  if (count <= 0) return;
  const hex = (value: number, digits: number): string => value.toString(16).padStart(digits, "0");
  await pickStore(scope).add(id, {
    key: `5b1e0000-0000-4000-8000-${hex(id, 4)}${hex(dayNumber, 8)}`,
    pickedOn: date,
    massKg: soldAs.kind === "mass" ? Number(amount.toFixed(1)) : null,
    count,
    grade: "class 1",
    brixPct: null,
  });
}

/** What the log says already, or else what now comes true of the plan. */
async function givenOn(
  scope: Scope,
  zoneId: number,
  dayStart: number,
  delivered: readonly Watering[],
  nowMs: number,
): Promise<readonly Watering[]> {
  const store = wateringStore(scope);
  const logged = (await store.between(dayStart, dayStart + 24 * 3_600_000)).filter(
    (watering) => watering.zoneId === zoneId,
  );
  const lastMs = logged.at(-1)?.startMs ?? -Infinity;
  const fresh = delivered.filter(
    (watering) => watering.startMs > lastMs && watering.startMs + watering.minutes * 60_000 <= nowMs,
  );
  await store.add(fresh.map((watering) => ({ ...watering, source: "controller" })));
  return [...logged, ...fresh];
}

/** The real zone behind the plan. */
class ZoneTruth {
  private state: SubstrateState;
  private readonly capacityL: number;

  constructor(
    private readonly demo: DemoZone,
    private readonly zoneId: number,
    private readonly plants: number,
    lastDrainEcMsCm: number | null,
  ) {
    const { definition } = demo.zone;
    this.capacityL = definition.system === "substrate" ? definition.waterHeldLPlant : 0;
    this.state = {
      waterL: this.capacityL,
      saltEcL: this.capacityL * (lastDrainEcMsCm ?? demo.truth.feedEcMsCm * 1.25),
    };
  }

  /** The plan's pulses as they really run. */
  deliver(day: ZoneDayAnswer, date: string, daysAgo: number): Watering[] {
    const { truth } = this.demo;
    if (truth.shut(daysAgo)) return [];
    const meter = 1 + 0.01 * normal(SEED, 200 + this.zoneId, Date.parse(date) / 86_400_000);
    return day.pulses.map((pulse) => ({
      zoneId: this.zoneId,
      startMs: Date.parse(pulse.startUtc),
      minutes: (Date.parse(pulse.endUtc) - Date.parse(pulse.startUtc)) / 60_000,
      litres: pulse.state === "logged" ? pulse.litres : pulse.litres * truth.delivered(daysAgo) * meter,
    }));
  }

  /** The pen in the tank, every third morning. */
  private tankReadings(
    { ecMsCm, ph }: { readonly ecMsCm: number; readonly ph: number },
    dayStart: number,
    daysAgo: number,
  ): Noted[] {
    if (daysAgo % 3 !== 0) return [];
    const noise = (channel: number): number => normal(SEED, channel + this.zoneId, Math.floor(dayStart / 86_400_000));
    const at = { zoneId: this.zoneId, atMs: dayStart + TANK_HOUR * 3_600_000 };
    return [
      { ...at, kind: "tankEcMsCm", value: Number((ecMsCm + 0.015 * noise(501)).toFixed(2)) },
      { ...at, kind: "tankPh", value: Number((ph + 0.05 * noise(502)).toFixed(1)) },
    ];
  }

  /** Steps the day by the hour and reads the drain tray. */
  liveDay(day: ZoneDayAnswer, dayStart: number, given: readonly Watering[], daysAgo: number): Noted[] {
    const { truth } = this.demo;
    if (truth.tank) return this.tankReadings(truth.tank(daysAgo), dayStart, daysAgo);
    if (this.demo.zone.definition.system !== "substrate") return [];
    const limits = { capacityL: this.capacityL, easilyAvailableL: this.capacityL * 0.6 };
    const perPlant = this.demo.zone.definition.areaM2 / this.plants;
    const dosed = truth.dosed?.(daysAgo) ?? 1;
    const dripEcMsCm = truth.feedEcMsCm * dosed;
    let [givenL, drainL, drainSalt] = [0, 0, 0];
    for (const hour of day.hours) {
      const startMs = Date.parse(hour.startUtc);
      const pulses = given.filter((watering) => watering.startMs >= startMs && watering.startMs < startMs + 3_600_000);
      const demandL = (hour.demandMm ?? 0) * perPlant * truth.demandFactor;
      // Inside an hour water and thirst take turns: pulses come one by one, each after its share of the hour's uptake.
      for (let part = 0; part < Math.max(1, pulses.length); part++) {
        const litres = (pulses[part]?.litres ?? 0) / this.plants;
        const share = demandL / Math.max(1, pulses.length);
        const { state, fluxes } = stepSubstrate(
          this.state,
          { givenL: litres, givenEcMsCm: dripEcMsCm, demandL: share, uptakeEcMsCm: truth.uptakeEcMsCm },
          limits,
        );
        this.state = state;
        givenL += litres;
        drainL += fluxes.drainL;
        drainSalt += fluxes.drainSaltEcL;
      }
    }
    if (givenL === 0 || drainL === 0) return [];
    const atMs = dayStart + READING_HOUR * 3_600_000;
    const noise = (channel: number): number =>
      normal(SEED, channel + this.zoneId * 10, Math.floor(dayStart / 86_400_000));
    const reading = (kind: Noted["kind"], value: number, digits: number): Noted => ({
      zoneId: this.zoneId,
      kind,
      atMs,
      value: Number(value.toFixed(digits)),
    });
    return [
      reading("drainPct", Math.max(0, (100 * drainL) / givenL + 0.8 * noise(301)), 0),
      reading("drainEcMsCm", drainSalt / drainL + 0.04 * noise(302), 2),
      reading("feedEcMsCm", truth.feedEcMsCm + 0.03 * noise(303), 2),
      reading("dripEcMsCm", dripEcMsCm + 0.02 * noise(305), 2),
      // With less of the concentrate less acid comes.
      reading("dripPh", 5.8 + 1.2 * (1 - dosed) + 0.05 * noise(306), 1),
      reading("drainPh", truth.drainPh(daysAgo) + 0.08 * noise(304), 1),
    ];
  }
}
