import { addDays, daysBetween } from "@sprunel/core/time";
import dayjs from "dayjs";

/** Days on a line, from one date to before another. */
export interface Calendar {
  readonly from: string;
  readonly to: string;
}

/** Where a date lies on the line, %; outside it at its ends. */
export function placeOf(date: string, { from, to }: Calendar): number {
  return Math.min(100, Math.max(0, (100 * daysBetween(from, date)) / daysBetween(from, to)));
}

/** So many of each kind of name fit beside each other on a tablet. */
const NAMES = [
  { unit: "month", format: "MMMM", most: 9 },
  { unit: "month", format: "MMM", most: 18 },
  { unit: "year", format: "YYYY", most: Infinity },
] as const;

/** What is named on the line: the first of each month, or of each year where the months would lie on each other. */
export function namesOn(calendar: Calendar): { date: string; name: string }[] {
  for (const { unit, format, most } of NAMES) {
    const dates = firstsOf(unit, calendar);
    if (dates.length <= most) return dates.map((date) => ({ date, name: dayjs(date).format(format) }));
  }
  return [];
}

function firstsOf(unit: "month" | "year", { from, to }: Calendar): string[] {
  const firsts: string[] = [];
  for (let on = dayjs(from).startOf(unit); on.format("YYYY-MM-DD") < to; on = on.add(1, unit))
    if (on.format("YYYY-MM-DD") >= from) firsts.push(on.format("YYYY-MM-DD"));
  return firsts;
}

/** What a lane must know of a planting. */
interface InLane {
  readonly plantedOn: string;
  readonly clearedOn: string | null;
  readonly stages: readonly { readonly to: string }[];
}

/** Plantings in as few lanes as let none lie over another: those after each other share one, those beside each other do not. */
export function lanesOf<T extends InLane>(plantings: readonly T[]): readonly (readonly T[])[] {
  const endOf = ({ clearedOn, stages, plantedOn }: T): string => clearedOn ?? stages.at(-1)?.to ?? plantedOn;
  const lanes: T[][] = [];
  for (const planting of [...plantings].sort((a, b) => a.plantedOn.localeCompare(b.plantedOn))) {
    const free = lanes.find((lane) => lane.every((other) => endOf(other) <= planting.plantedOn));
    if (free) free.push(planting);
    else lanes.push([planting]);
  }
  return lanes;
}

/** So much before and after a date is on the calendar of all plantings. */
export function calendarAround(date: string): Calendar {
  return { from: addDays(date, -56), to: addDays(date, 126) };
}
