import type { ZoneDecision } from "../advice/decision.ts";
import { adviseDrain, type DrainAdvice, type MeteredDay } from "../advice/drain-advice.ts";
import type { WeatherOfDay } from "../climate/weather-again.ts";
import { standingShare } from "../course/crop-slots.ts";
import type { Crop } from "../crop/crop.ts";
import type { Standing } from "../crop/planting.ts";
import type { CropState } from "../crop/stage-on.ts";
import { NO_CORRECTION, type Correction } from "../irrigation/zone-water-input.ts";
import type { Place, ZoneField } from "../site/zone.ts";
import { addDays, instantOf } from "../time/local-time.ts";
import type { DemandChoice } from "./demand-choice.ts";
import type { Demand } from "./demand-input.ts";
import { joinDemands } from "./demand.ts";
import { plantingDemand } from "./planting-demand.ts";
import { RootCourse } from "./root-course.ts";
import { planZoneDay, type AcceptedCorrection, type ZoneDay } from "./zone-day.ts";
import { ZoneFacts } from "./zone-facts.ts";
import { litresGiven, type Watering } from "../irrigation/watering.ts";
import type { DayReadings, PlannedZone, PlanRecords } from "./zone-records.ts";

/** What was worked out of a zone and stays as it is until something stored of it, or the weather, changes. */
export interface PlanCache {
  /** root zones at midnight, by the date that begins then */
  readonly mornings: Map<string, Float64Array>;
  /** plans without their workings, by date; each holds for the weather that it was made of */
  readonly plans: Map<string, { readonly weather: WeatherOfDay | undefined; readonly plan: Plan }>;
}

export type Plan = PlannedDay | "not-planted" | "no-weather";

/** A reading serves on its own day and the two after it. */
export const DRAIN_READING_DAYS = 2;
/** Uptake is measured over the day of the reading and the two before it. */
const METERED_AGES = [2, 1, 0] as const;

export interface PlannedDay {
  readonly standing: Standing;
  readonly crop: Crop;
  readonly cropState: CropState;
  readonly demand: Demand;
  readonly day: ZoneDay;
  /** instants at which the events of the day begin, in their order */
  readonly startsMs: readonly number[];
}

/** One zone's plans by date, each from the records of the days before. Made anew when anything stored changes. */
export class ZonePlanner {
  private readonly decisions: readonly ZoneDecision[];
  private readonly facts: ZoneFacts;
  /** its root zone through the days */
  readonly roots: RootCourse;

  constructor(
    private readonly zone: PlannedZone,
    private readonly records: PlanRecords,
    private readonly cache: PlanCache,
    /** whether anybody reads how the figures arose */
    private readonly explain = false,
  ) {
    this.facts = new ZoneFacts(zone, records);
    this.roots = new RootCourse(zone, this.facts, records, cache.mornings, {
      demand: (date, standing) => this.demand(date, standing),
      plan: (date) => this.plan(date),
    });
    this.decisions = records.decisions.filter((decision) => decision.zoneId === zone.id);
  }

  /** A day's plan is asked for by its own board, by the day after it and by the root zone between them. */
  private readonly plans = new Map<string, Plan>();
  private readonly demands = new Map<string, Demand | null>();

  /** @returns why there is none, where the zone is not planted or the weather not known */
  plan(date: string): Plan {
    const plan = this.plans.get(date) ?? this.recalled(date) ?? this.planned(date);
    this.plans.set(date, plan);
    if (!this.explain) this.cache.plans.set(date, { weather: this.records.weather.get(date), plan });
    return plan;
  }

  /** A plan that was made before, of the same weather; one that is to be explained is made anew. */
  private recalled(date: string): Plan | undefined {
    const known = this.explain ? undefined : this.cache.plans.get(date);
    return known && known.weather === this.records.weather.get(date) ? known.plan : undefined;
  }

  private planned(date: string): Plan {
    const definition = this.facts.definition(date);
    const standing = this.standing(date);
    if (!standing) return "not-planted";
    const { crop } = standing;
    const onGround = this.facts.stands(date).find((one) => one.standing.planting === standing.planting);
    const cropState = onGround?.standing.state ?? standing.state;
    const demand = this.demand(date, standing);
    if (!demand) return "no-weather";
    const day = planZoneDay({
      zone: definition,
      unconfirmed: this.zone.unconfirmed as ZoneField[],
      place: this.records.place,
      date,
      crop,
      cropState,
      demand,
      correction: this.correction(date, standing),
      state: this.roots.morning(date),
      rain: this.facts.rain(date),
      reads: this.facts.reads(date),
      told: this.explain,
    });
    const { timeZone } = this.records.place;
    const startsMs = day.water.events.map(({ startS }) => instantOf(date, startS, timeZone));
    return { standing, crop, cropState, demand, day, startsMs };
  }

  get areaM2(): number {
    return this.zone.definition.areaM2;
  }

  logged(date: string): readonly Watering[] {
    return this.facts.logged(date);
  }

  reading(date: string): DayReadings {
    return this.facts.reading(date);
  }

  /** The newest day with some reading, of a date or so many days before it; what was read before planting is of another crop. */
  lastRead(
    date: string,
    daysBack: number,
    has: (reading: DayReadings) => unknown,
  ): { readonly on: string; readonly reading: DayReadings } | null {
    const first = this.facts.followedFrom(date) ?? "";
    for (let age = 0; age <= daysBack; age++) {
      const on = addDays(date, -age);
      if (on < first) return null;
      const reading = this.reading(on);
      if (has(reading)) return { on, reading };
    }
    return null;
  }

  weatherOn(date: string): WeatherOfDay | undefined {
    return this.records.weather.get(date);
  }

  get place(): Place {
    return this.records.place;
  }

  /** The place's date now. */
  get today(): string {
    return this.records.today;
  }

  /** Whether anybody has begun to read this zone's drain: of a new one nothing is missed yet. */
  get drainWasRead(): boolean {
    return this.records.drainWasRead.has(this.zone.id);
  }

  private standing(date: string): Standing | null {
    return this.facts.standing(date);
  }

  private demand(date: string, standing: Standing): Demand | null {
    const known = this.demands.get(date);
    if (known !== undefined) return known;
    // A plan that is cache rests on its demand, of the same weather.
    const plan = this.recalled(date);
    const demand = plan && typeof plan !== "string" ? plan.demand : this.foreseen(date, standing);
    this.demands.set(date, demand);
    return demand;
  }

  /** A day's demand as another way would find it; null where nothing stands or the weather does not tell. */
  demandBy(date: string, choice: DemandChoice): Demand | null {
    const standing = this.standing(date);
    return standing && this.foreseen(date, standing, choice);
  }

  /** What the plants of a day that is over took up, by what was given and what ran out, L/m²; null where that was not read. */
  meteredMm(date: string): number | null {
    const standing = this.standing(date);
    const metered = standing && this.meteredDay(date, standing);
    return metered && metered.givenMm * (1 - metered.drainPct / 100);
  }

  /** Of all that stands: each planting on its own ground. */
  private foreseen(date: string, leading: Standing, choice: DemandChoice | null = this.zone.demand): Demand | null {
    const weather = this.records.weather.get(date);
    if (!weather) return null;
    const parts = this.facts.stands(date).map(({ standing, stand }) => {
      const isLeading = standing.planting === leading.planting;
      const left = isLeading ? standingShare(this.roots.morning(date)) : this.facts.left(date, standing);
      const { crop, part } = standing.planting;
      const name = part ? `${crop.name}, rows ${part.from} to ${part.to}` : crop.name;
      const { place } = this.records;
      const asked = { place, weather, standing, stand, left, choice, explain: this.explain };
      return { name, demand: plantingDemand(this.zone, asked) };
    });
    const known = parts.flatMap(({ name, demand }) => (demand ? [{ name, demand }] : []));
    return known.length > 0 && known.length === parts.length ? joinDemands(known) : null;
  }

  /** The correction in force on a date: the last that was accepted or changed since planting. */
  private correction(date: string, standing: Standing): AcceptedCorrection | undefined {
    const inForce = this.inForce(date, standing);
    return inForce?.correction ? { ...inForce.correction, at: inForce.decidedAt } : undefined;
  }

  /** The decision whose correction is in force on a date. */
  inForce(date: string, { planting }: Standing): ZoneDecision | null {
    const found = this.decisions.findLast(
      ({ correction, fromDate }) => correction && fromDate <= date && fromDate >= planting.plantedOn,
    );
    return found ?? null;
  }

  /** What was last decided about a finding. */
  decision(cause: string, about: string): ZoneDecision | null {
    return this.decisions.findLast((decision) => decision.cause === cause && decision.about === about) ?? null;
  }

  /** The last drain reading on a date or the two days before it, with what it says is off. */
  drainAdvice(date: string): { readonly on: string; readonly at: string; readonly advice: DrainAdvice | null } | null {
    const read = this.lastRead(date, DRAIN_READING_DAYS, (reading) => reading.drainPct);
    if (!read) return null;
    const { on, reading } = read;
    const { drainPct, drainEcMsCm, feedEcMsCm } = reading;
    const standing = this.standing(on);
    if (!drainPct || !standing) return null;
    const days = METERED_AGES.flatMap((age) => this.meteredDay(addDays(on, -age), standing) ?? []);
    const advice = adviseDrain({
      drainPct: drainPct.value,
      drainEcMsCm: drainEcMsCm?.value ?? null,
      feedEcMsCm: feedEcMsCm?.value ?? null,
      stageTargetPct: standing.state.period.stage.drainTargetPct,
      inForce: this.correction(on, standing) ?? NO_CORRECTION,
      own: this.meteredDay(on, standing) ?? undefined,
      days,
      told: this.explain,
    });
    return { on, at: new Date(drainPct.atMs).toISOString(), advice };
  }

  /** A day of a planting that is over, was metered and read; null for any other. */
  private meteredDay(date: string, { planting }: Standing): MeteredDay | null {
    const standing = this.standing(date);
    if (date >= this.records.today || standing?.planting !== planting) return null;
    const demand = this.demand(date, standing);
    const drain = this.reading(date).drainPct;
    const givenMm = litresGiven(this.logged(date)) / this.areaM2;
    if (!demand || !drain || givenMm === 0 || demand.demandMm === 0) return null;
    return { drainPct: drain.value, givenMm, modelDemandMm: demand.demandMm };
  }

  /** The same zone as if a correction were in force from a date on. */
  withCorrection(correction: Correction, fromDate: string): ZonePlanner {
    const supposed: ZoneDecision = {
      zoneId: this.zone.id,
      cause: "supposed",
      about: fromDate,
      verdict: "accepted",
      decidedAt: `${fromDate}T00:00:00Z`,
      fromDate,
      correction,
      reason: null,
      id: 0,
    };
    // The root zone of the mornings before is the same; its plans are not.
    return new ZonePlanner(
      this.zone,
      { ...this.records, decisions: [...this.decisions, supposed] },
      { mornings: this.cache.mornings, plans: new Map() },
    );
  }

  /** Whether it is known what was in the water of a date: its salt, and its nitrogen. */
  known(date: string): { readonly salt: boolean; readonly nitrogen: boolean } {
    const standing = this.standing(date);
    const isBooked = standing !== null && this.records.nitrogenOn(this.zone, date, standing) !== null;
    return {
      salt: this.facts.fed(date) !== null,
      nitrogen: isBooked || this.records.fedOn(this.zone, date) !== null,
    };
  }
}
