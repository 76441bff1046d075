import { addDays } from "../time/local-time.ts";
import type { Grown } from "./grown.ts";

/** How the water of a levelled basin is kept. */
export type PondRule =
  /** flooded to so many cm, and again when half of it is gone */
  | { readonly kind: "pond"; readonly cm: number }
  /** left to fall until the water in the tube stands at the zone's mark */
  | { readonly kind: "tube" }
  /** given no more */
  | { readonly kind: "drain" };

/** A day counted from where a stage begins or ends. */
export interface StageDay {
  readonly stage: string;
  readonly at: "start" | "end";
  /** after it; before it where negative */
  readonly days: number;
}

/** Something that is done to a field or basin at a time of the crop's own. */
export interface Practice {
  readonly id: string;
  /** what is done, in words */
  readonly name: string;
  readonly from: StageDay;
  /** its last day; left out where it is of one day */
  readonly until?: StageDay;
  /** how a basin's water is kept from then on, until another says otherwise */
  readonly pond?: PondRule;
  /** what is seen when its time has come, whatever the days say */
  readonly sign?: string;
  readonly source: string;
  readonly assumed?: true;
}

/** A practice with its dates in a planting. */
export interface DatedPractice {
  readonly practice: Practice;
  readonly on: string;
  /** last day; null where it is of one day */
  readonly until: string | null;
}

/** What is done to a planting in the season that began on a date, in order of time. */
export function practicesOf({ crop, periodsFrom }: Grown, startOn: string): readonly DatedPractice[] {
  const { practices = [] } = crop;
  if (practices.length === 0) return [];
  const periods = periodsFrom(startOn);
  const dateOf = ({ stage, at, days }: StageDay): string | null => {
    const period = periods.find(({ id }) => id === stage);
    if (!period) return null;
    return addDays(at === "start" ? period.startsOn : addDays(period.endsOn, -1), days);
  };
  return practices
    .flatMap((practice): DatedPractice[] => {
      const on = dateOf(practice.from);
      return on === null ? [] : [{ practice, on, until: practice.until ? dateOf(practice.until) : null }];
    })
    .sort((one, other) => one.on.localeCompare(other.on));
}

/** How a basin's water is kept on a date, by what was last begun; null where the crop says nothing of it. */
export function pondOn(grown: Grown, startOn: string, date: string): PondRule | null {
  if (!grown.crop.practices) return null;
  const begun = practicesOf(grown, startOn).filter(({ practice, on }) => practice.pond && on <= date);
  return begun.at(-1)?.practice.pond ?? null;
}
