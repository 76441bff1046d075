import { balanceOf, type Balance, type DayOfBalance } from "../course/balance.ts";
import { PICKING_THERMAL } from "../course/crop-slots.ts";
import type { GivenMm } from "../course/day-hours.ts";
import { fullState } from "../course/day-walk.ts";
import { follow, goThrough, type CourseDay } from "../course/follow.ts";
import type { Standing } from "../crop/planting.ts";
import { addDays, localDate } from "../time/local-time.ts";
import type { Demand } from "./demand-input.ts";
import type { ZoneFacts } from "./zone-facts.ts";
import type { Plan } from "./zone-planner.ts";
import type { PlannedZone, PlanRecords } from "./zone-records.ts";

/** What the root zone goes by beside what was stored: each day's demand and plan rest on the root zone of its morning in turn. */
interface Planned {
  demand(date: string, standing: Standing): Demand | null;
  plan(date: string): Plan;
}

/** One zone's root zone through the days, hour by hour. */
export class RootCourse {
  constructor(
    private readonly zone: PlannedZone,
    private readonly facts: ZoneFacts,
    private readonly records: PlanRecords,
    /** root zones at midnight that are known, by the date that begins then */
    private readonly mornings: Map<string, Float64Array>,
    private readonly planned: Planned,
  ) {}

  /** Water of a day: as logged; by its plan where nothing is logged or, on a day that is not over, after what is. */
  private given(date: string): GivenMm[] {
    const fed = this.facts.fed(date);
    const run = (startMs: number, litres: number): GivenMm => ({
      startMs,
      mm: litres / this.zone.definition.areaM2,
      ...fed,
    });
    const logged = this.facts.logged(date);
    const ran = logged.map(({ startMs, litres }) => run(startMs, litres));
    if (logged.length > 0 && date < this.records.today) return ran;
    const planned = this.planned.plan(date);
    if (typeof planned === "string") return ran;
    const lastMs = logged.at(-1)?.startMs ?? -Infinity;
    const ahead = planned.day.water.events.flatMap(({ litres }, at) => {
      const startMs = planned.startsMs[at] ?? 0;
      return startMs > lastMs ? [run(startMs, litres)] : [];
    });
    return [...ran, ...ahead];
  }

  /** All that befalls the zone on a date; null where its weather is not known. */
  private courseDay(date: string): CourseDay | null {
    const standing = this.facts.standing(date);
    const demand = standing && this.planned.demand(date, standing);
    if (!demand) return null;
    return {
      zone: this.facts.definition(date),
      crop: standing.crop,
      cropState: standing.state,
      demandMm: demand.demandMm,
      hourlyMm: demand.hourlyMm,
      rain: this.facts.rain(date),
      uptake: this.facts.uptake(date, standing, demand.demandMm),
      nitrogen: this.facts.nitrogen(date, standing),
      given: this.given(date),
      reads: this.facts.reads(date),
    };
  }

  /** The root zone at a moment of a date, by what ran until then; as its day began on one that is over or still to come. */
  at(date: string, atMs: number): Float64Array {
    const morning = this.morning(date);
    if (date !== localDate(atMs, this.records.place.timeZone)) return morning;
    const day = this.courseDay(date);
    return day ? goThrough(day, morning, atMs).state : morning;
  }

  /** The books of the days from one date to another, as far as this planting stands and the day has gone. */
  balance(from: string, to: string, nowMs: number): Balance {
    const planted = this.facts.followedFrom(to);
    const days: DayOfBalance[] = [];
    if (planted !== null)
      for (let date = from > planted ? from : planted; date <= to; date = addDays(date, 1)) {
        const isToday = date === localDate(nowMs, this.records.place.timeZone);
        const day = this.courseDay(date);
        if (day) days.push(goThrough(day, this.morning(date), isToday ? nowMs : Infinity));
      }
    return balanceOf(days);
  }

  /** Warmth of the picking by the evening of a date, °C·d; null where the planting is not followed that far. */
  pickingCd(date: string): number | null {
    const standing = this.facts.standing(date);
    const evening = addDays(date, 1);
    if (!standing || standing.planting !== this.facts.standing(evening)?.planting) return null;
    // What led the zone before has had the warmth that the root zone's state knows of.
    const picked = standing.planting.periodsFrom(standing.since).find(({ stage }) => stage.picking);
    if (picked && picked.startsOn <= date && this.facts.standing(picked.startsOn)?.planting !== standing.planting)
      return null;
    return this.morning(evening)[PICKING_THERMAL] ?? null;
  }

  /** The crop that leads the zone on the day after a date, and what the date did to it. */
  private dayAfter(date: string, first: Standing) {
    const [today, next] = [this.facts.standing(date) ?? first, this.facts.standing(addDays(date, 1))];
    const takesOver = next !== null && next.planting !== today.planting;
    return {
      crop: (next ?? today).crop,
      tomorrow: next?.state ?? null,
      change: this.facts.cropChange(date, today),
      takesOver,
    };
  }

  /**
   * The root zone at the midnight with which a date begins, followed hour by hour from planting on. A day without a log counts
   * as run by its plan; one without weather is left out.
   */
  morning(date: string): Float64Array {
    const from = this.facts.followedFrom(date);
    const first = from === null ? null : this.facts.standing(from);
    if (from === null || !first) throw new Error(`nothing stands in ${this.zone.name} on ${date}`);
    const atPlanting = (): Float64Array =>
      fullState(this.facts.definition(from), first.crop, first.state, this.facts.fed(from) ?? undefined);
    if (date <= from) return atPlanting();
    const known = this.mornings.get(date);
    if (known) return known;
    // Forward from the last known midnight: stepping back day by day would nest a call for every day of the season.
    let at = from;
    for (let day = addDays(date, -1); day > from; day = addDays(day, -1))
      if (this.mornings.has(day)) {
        at = day;
        break;
      }
    return follow(
      {
        dayOf: (day) => this.courseDay(day),
        nextOf: (day) => this.dayAfter(day, first),
      },
      this.mornings,
      at,
      date,
      this.mornings.get(at) ?? atPlanting(),
    );
  }
}
