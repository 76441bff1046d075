import type { StageTime } from "@sprunel/contract/crop";
import { daysBetween } from "@sprunel/core/time";
import type { Dates } from "../units/dates.tsx";
import { useUnits } from "../units/use-units.tsx";

/** How a stage stands on a date: what is over quiet, the one of the date strong, what is to come pale. */
export function kindOf({ from, to }: StageTime, date: string): "over" | "now" | "ahead" {
  if (to <= date) return "over";
  return from <= date ? "now" : "ahead";
}

/** Days by which a stage to come may begin sooner or later; null where it has begun, or nothing of it hangs on warmth. */
export function spreadDays({ from, early, late }: StageTime): number | null {
  if (early === null || late === null) return null;
  const days = Math.max(daysBetween(early, from), daysBetween(from, late));
  return days > 0 ? days : null;
}

/** "25 Jun ± 3 d" */
export function startWords(stage: StageTime, dates: Dates, form: "day" | "weekday"): string {
  const spread = spreadDays(stage);
  return `${dates.show(stage.from, form)}${spread === null ? "" : ` ± ${spread} d`}`;
}

/** What drives a stage, counted so far: "187 of 240 °C·d", "17 of 42 short days". */
export function useProgress(): (stage: StageTime) => string {
  const { show } = useUnits();
  return ({ done, of, unit }) => {
    if (unit !== "°C·d") return `${Math.round(done)} of ${Math.round(of)} ${unit}`;
    const [sofar, all] = [show("temperatureSum", done), show("temperatureSum", of)];
    return `${sofar.text} of ${all.text} ${all.unit}`;
  };
}
