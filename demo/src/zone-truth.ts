import type { ZoneDayAnswer } from "@sprunel/contract/plan";
import type { Zone } from "@sprunel/contract/site";
import { plantingOn } from "@sprunel/core/crop";
import { stateOf } from "@sprunel/core/course";
import {
  DEMAND_MM,
  DRAIN_MM,
  DRAIN_SALT,
  figuresOf,
  FLUX_SLOTS,
  GIVEN_EC,
  GIVEN_MM,
  HOUR_SLOTS,
  SALT,
  stepStore,
  UPTAKE_EC,
  WATER,
} from "@sprunel/core/rootzone";
import { systemOf } from "@sprunel/core/systems";
import { daysBetween } from "@sprunel/core/time";
import { normal } from "@sprunel/field";
import type { Watering } from "@sprunel/core/irrigation";
import type { StoredReading } from "@sprunel/server";
import type { Feed } from "./feeds.ts";
import { SEED, type DemoZone } from "./story.ts";

/** What a pen, a tray, a rule or a gauge says. */
type Noted = Omit<StoredReading, "source">;

interface DayLived {
  readonly dayStart: number;
  readonly given: readonly Watering[];
  readonly daysAgo: number;
  readonly feed: Feed | null;
}

/** The substrate is read at half past four, when the day's last drain has run; all else on the morning's walk. */
const TRAY_HOUR = 16.5;
const WALK_HOUR = 5.75;
const DAY_MS = 86_400_000;
/** What the night leaves of the water held. */
const MORNING_SHARE = 0.985;
/** What stands in a substrate roots through all of it. */
const ROOTS = { depthM: 0, depletionFraction: 1, drierPct: 0 };
/** Plants that have not rooted through take up less than their leaves ask for. */
const YOUNG = { days: 28, share: 0.85 };
/** Water alone, where no recipe is mixed. */
const PLAIN_WATER_EC = 0.6;
/** Campbell (1974): tension is that at field capacity · (water / water at field capacity)^−b; a loam. */
const FIELD_CAPACITY_KPA = 10;
const CAMPBELL_B = 5;
/** Half of a loam's water at field capacity is available to roots. */
const AVAILABLE_OF_HELD = 0.5;

/** The real zone behind the plan. */
export class ZoneTruth {
  private state: Float64Array | null = null;
  /** when what stands in it now was planted, into substrate watered through */
  private plantedOn: string | null = null;

  constructor(
    private readonly demo: DemoZone,
    private readonly zone: Zone,
    private readonly lastDrainEcMsCm: number | null,
  ) {}

  /** The plan's pulses as they really run. */
  deliver(day: ZoneDayAnswer, daysAgo: number): Watering[] {
    const { truth } = this.demo;
    if (truth.shut(daysAgo)) return [];
    return day.pulses.map((pulse) => ({
      zoneId: this.zone.id,
      startMs: Date.parse(pulse.startUtc),
      minutes: (Date.parse(pulse.endUtc) - Date.parse(pulse.startUtc)) / 60_000,
      litres:
        pulse.state === "logged"
          ? pulse.litres
          : pulse.litres * truth.delivered(daysAgo) * (1 + 0.01 * this.noise(200, Date.parse(day.date))),
    }));
  }

  /** What a grower notes of the day. */
  readings(day: ZoneDayAnswer, lived: DayLived): Noted[] {
    const { daysAgo } = lived;
    const system = systemOf(this.zone.definition);
    if (!day.roots) return [];
    if (system.drains) return this.tray(day, lived);
    if (system.inSolution) return daysAgo % 3 === 0 ? [...this.pen(lived), ...this.rule(day, lived)] : [];
    if (system.returns) return daysAgo % 4 === 1 ? this.pen(lived) : [];
    if (daysAgo % 2 !== 0) return [];
    return this.shown(day) === null ? this.gauge(day, lived) : this.rule(day, lived);
  }

  /** Where the water's surface stands, where one is to be seen. */
  private shown({ roots }: ZoneDayAnswer): number | null {
    return roots?.kind === "stored" ? roots.levelCm : null;
  }

  private noise(channel: number, atMs: number): number {
    return normal(SEED, channel + this.zone.id, Math.floor(atMs / DAY_MS));
  }

  private note(dayStart: number, hour: number, kind: Noted["kind"], value: number, digits: number): Noted {
    return {
      zoneId: this.zone.id,
      kind,
      atMs: dayStart + hour * 3_600_000,
      value: Number(value.toFixed(digits)),
    };
  }

  /** The pen in a solution that goes round, or in the flood water. */
  private pen({ dayStart, daysAgo, feed }: DayLived): Noted[] {
    const ec = (feed?.ecMsCm ?? PLAIN_WATER_EC) + this.demo.truth.builtUpMsCm(daysAgo);
    const ph = (feed?.ph ?? 7) + 0.2 * Math.sin(daysAgo / 5);
    return [
      this.note(dayStart, WALK_HOUR, "tankEcMsCm", ec + 0.015 * this.noise(501, dayStart), 2),
      this.note(dayStart, WALK_HOUR, "tankPh", ph + 0.05 * this.noise(502, dayStart), 1),
      ...(systemOf(this.zone.definition).returns
        ? [this.note(dayStart, WALK_HOUR, "drainEcMsCm", ec * 1.08 + 0.02 * this.noise(503, dayStart), 2)]
        : []),
    ];
  }

  /** The rule in the tank, or in the tube of the basin. */
  private rule(day: ZoneDayAnswer, { dayStart }: DayLived): Noted[] {
    const levelCm = this.shown(day);
    if (levelCm === null) return [];
    return [this.note(dayStart, WALK_HOUR, "levelCm", levelCm + 0.15 * this.noise(504, dayStart), 1)];
  }

  /** The tensiometer among the roots, and a jug under a dripper. */
  private gauge({ roots }: ZoneDayAnswer, { dayStart, feed }: DayLived): Noted[] {
    if (roots?.kind !== "stored") return [];
    const share = Math.min(1, Math.max(0, roots.depletionMm / Math.max(1, roots.availableMm)));
    const tensionKpa = FIELD_CAPACITY_KPA * (1 - AVAILABLE_OF_HELD * share) ** -CAMPBELL_B;
    const ec = feed?.ecMsCm ?? PLAIN_WATER_EC;
    return [
      this.note(dayStart, WALK_HOUR, "tensionKpa", tensionKpa * (1 + 0.05 * this.noise(505, dayStart)), 0),
      this.note(dayStart, WALK_HOUR, "dripEcMsCm", ec + 0.02 * this.noise(506, dayStart), 2),
      this.note(dayStart, WALK_HOUR, "dripPh", (feed?.ph ?? 7.2) + 0.05 * this.noise(507, dayStart), 1),
    ];
  }

  /** Steps the day by the hour and reads the drain tray. */
  private tray(day: ZoneDayAnswer, { dayStart, given, daysAgo, feed }: DayLived): Noted[] {
    const { truth } = this.demo;
    const { definition } = this.zone;
    const feedEcMsCm = feed?.ecMsCm ?? PLAIN_WATER_EC;
    const dosed = truth.dosed(daysAgo);
    const dripEcMsCm = feedEcMsCm * dosed;
    // The tray catches the drain of all its drippers, so that none of it is lost to unevenness beside it.
    const store = { ...systemOf(definition).store(definition, ROOTS), efficientShare: 1 };
    const plantedOn = plantingOn(this.zone.plantings, day.date)?.plantedOn ?? null;
    if (this.state === null || plantedOn !== this.plantedOn) {
      // Where an earlier run of the story left off, the last drain tells how salty it is.
      const ecMsCm = (this.plantedOn === null ? this.lastDrainEcMsCm : null) ?? feedEcMsCm * 1.25;
      this.state = stateOf(store, store.fullMm * (1 - MORNING_SHARE), ecMsCm);
      this.plantedOn = plantedOn;
    }
    const age = plantedOn === null ? YOUNG.days : daysBetween(plantedOn, day.date);
    const rooted = Math.min(1, YOUNG.share + ((1 - YOUNG.share) * age) / YOUNG.days);
    const figures = figuresOf(store);
    const hourly = new Float64Array(HOUR_SLOTS);
    const flux = new Float64Array(FLUX_SLOTS);
    hourly[GIVEN_EC] = dripEcMsCm;
    hourly[UPTAKE_EC] = feedEcMsCm * truth.uptakeShare;
    const { state } = this;
    let [givenMm, drainMm, drainSalt] = [0, 0, 0];
    for (const hour of day.hours) {
      const startMs = Date.parse(hour.startUtc);
      const pulses = given.filter((watering) => watering.startMs >= startMs && watering.startMs < startMs + 3_600_000);
      const demandMm = (hour.demandMm ?? 0) * truth.demandFactor * rooted;
      // Inside an hour water and thirst take turns: pulses come one by one, each after its share of the hour's uptake.
      const parts = Math.max(1, pulses.length);
      const step = (thirstMm: number, pulseMm: number): void => {
        hourly[DEMAND_MM] = thirstMm;
        hourly[GIVEN_MM] = pulseMm;
        stepStore(figures, state, hourly, 0, flux, 0);
        givenMm += pulseMm;
        drainMm += flux[DRAIN_MM] ?? 0;
        drainSalt += flux[DRAIN_SALT] ?? 0;
      };
      for (let part = 0; part < parts; part++) {
        step(demandMm / parts, 0);
        step(0, (pulses[part]?.litres ?? 0) / definition.areaM2);
      }
    }
    if (givenMm === 0) return [];
    // Where nothing drained, a little is squeezed out of the substrate for the pen.
    const drainEcMsCm = drainMm > 0 ? drainSalt / drainMm : (state[SALT] ?? 0) / (state[WATER] ?? 1);
    const note = (kind: Noted["kind"], value: number, digits: number): Noted =>
      this.note(dayStart, TRAY_HOUR, kind, value, digits);
    return [
      note("drainPct", Math.max(0, (100 * drainMm) / givenMm + 0.8 * this.noise(310, dayStart)), 0),
      note("drainEcMsCm", drainEcMsCm + 0.04 * this.noise(320, dayStart), 2),
      note("feedEcMsCm", feedEcMsCm + 0.03 * this.noise(330, dayStart), 2),
      note("dripEcMsCm", dripEcMsCm + 0.02 * this.noise(340, dayStart), 2),
      // With less of the concentrate less acid comes.
      note("dripPh", (feed?.ph ?? 7) + 1.2 * (1 - dosed) + 0.05 * this.noise(350, dayStart), 1),
      note("drainPh", truth.drainPh(daysAgo) + 0.08 * this.noise(360, dayStart), 1),
    ];
  }
}
