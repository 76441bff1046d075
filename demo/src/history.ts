import type { ZoneDayAnswer } from "@sprunel/contract";
import { addDays, daysBetween, localDate, startOfLocalDay, stepSubstrate, type SubstrateState } from "@sprunel/core";
import { normal } from "@sprunel/field";
import { readingStore, wateringStore, type RunningServer, type Watering, type ZoneReading } from "@sprunel/server";
import { HISTORY_DAYS, SEED, zones, type DemoZone } from "./quillbrook.ts";

type Stores = Pick<RunningServer, "db" | "services">;

/** The substrate is read at half past four, when the day's last drain has run. */
const READING_HOUR = 16.5;

/**
 * Lives every day of a zone up to now: asks the program for its plan, gives the water that really arrives, and notes what
 * a grower would then measure. What is stored already stays as it is, so that it can be called again at any time.
 */
export async function live({ db, services }: Stores, nowMs: number): Promise<void> {
  const { site, zones: stored } = await services.setUp.overview();
  if (!site) return;
  const today = localDate(nowMs, site.timeZone);
  for (const demoZone of zones) {
    const zone = stored.find((candidate) => candidate.name === demoZone.zone.name);
    // A zone that was renamed or replanted has left the story.
    if (!zone?.planting || zone.planting.cropId !== demoZone.cropId) continue;
    const firstShown = addDays(zone.planting.plantedOn, demoZone.plantedDaysAgo);
    const begin = addDays(firstShown, -Math.min(HISTORY_DAYS, demoZone.plantedDaysAgo));
    const last = await lastNoted(db, zone.id);
    const first = last.atMs === null ? begin : localDate(last.atMs, site.timeZone);
    const truth = new ZoneTruth(demoZone, zone.id, zone.definition.plants, last.drainEcMsCm);
    for (let date = first; date <= today; date = addDays(date, 1)) {
      const day = await services.plans.zoneDay(zone.id, date);
      if (!day.plan) continue;
      const dayStart = startOfLocalDay(date, site.timeZone);
      const given = await givenOn(
        db,
        zone.id,
        dayStart,
        truth.deliver(day, date, daysBetween(date, firstShown)),
        nowMs,
      );
      const readings = truth.liveDay(day, dayStart, given);
      await readingStore(db).add(
        readings.filter((reading) => reading.atMs <= nowMs),
        "notebook",
      );
    }
  }
  services.changed();
}

/** Where an earlier run of the story left off; the last drain tells how salty the substrate is. */
async function lastNoted(
  db: Stores["db"],
  zoneId: number,
): Promise<{ atMs: number | null; drainEcMsCm: number | null }> {
  const watering = await db("watering")
    .where({ zone_id: zoneId })
    .max<{ last: number | null }[]>("start_ms as last")
    .first();
  const drain = await db<{ zone_id: number; kind: string; at_ms: number; value: number }>("zone_reading")
    .where({ zone_id: zoneId, kind: "drainEcMsCm" })
    .orderBy("at_ms", "desc")
    .first("value");
  return { atMs: watering?.last ?? null, drainEcMsCm: drain?.value ?? null };
}

/** What the log says already, or else what now comes true of the plan. */
async function givenOn(
  db: Stores["db"],
  zoneId: number,
  dayStart: number,
  delivered: readonly Watering[],
  nowMs: number,
): Promise<readonly Watering[]> {
  const store = wateringStore(db);
  const logged = (await store.between(dayStart, dayStart + 24 * 3_600_000)).filter(
    (watering) => watering.zoneId === zoneId,
  );
  const lastMs = logged.at(-1)?.startMs ?? -Infinity;
  const fresh = delivered.filter(
    (watering) => watering.startMs > lastMs && watering.startMs + watering.minutes * 60_000 <= nowMs,
  );
  await store.add(fresh, "controller");
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

  /** Steps the day by the hour and reads the drain tray. */
  liveDay(day: ZoneDayAnswer, dayStart: number, given: readonly Watering[]): ZoneReading[] {
    if (this.demo.zone.definition.system !== "substrate") return [];
    const { truth } = this.demo;
    const limits = { capacityL: this.capacityL, easilyAvailableL: this.capacityL * 0.6 };
    const perPlant = this.demo.zone.definition.areaM2 / this.plants;
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
          { givenL: litres, givenEcMsCm: truth.feedEcMsCm, demandL: share, uptakeEcMsCm: truth.uptakeEcMsCm },
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
    const reading = (kind: ZoneReading["kind"], value: number, digits: number): ZoneReading => ({
      zoneId: this.zoneId,
      kind,
      atMs,
      value: Number(value.toFixed(digits)),
    });
    return [
      reading("drainPct", Math.max(0, (100 * drainL) / givenL + 0.8 * noise(301)), 0),
      reading("drainEcMsCm", drainSalt / drainL + 0.04 * noise(302), 2),
      reading("feedEcMsCm", truth.feedEcMsCm + 0.03 * noise(303), 2),
      reading("drainPh", truth.drainPh + 0.08 * noise(304), 1),
    ];
  }
}
