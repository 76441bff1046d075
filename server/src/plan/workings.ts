import type { Explanation } from "@sprunel/contract/basics";
import type { Figure } from "@sprunel/contract/plan";
import type { Roots } from "@sprunel/contract/rootzone";
import type { Site } from "@sprunel/contract/site";
import type { WeatherHour } from "@sprunel/core/climate";
import { litresGiven } from "@sprunel/core/irrigation";
import {
  airSpan,
  asRead,
  insideLightSum,
  morningDepletion,
  outsideEt,
  solarSum,
  stageDay,
  type PlannedDay,
  type ZonePlanner,
} from "@sprunel/core/plan";
import { addDays } from "@sprunel/core/time";
import { explanation } from "../http/explanation.ts";

/** How every figure of a planned day arose. */
export function workingsOf(
  planned: PlannedDay,
  planner: ZonePlanner,
  date: string,
): Partial<Record<Figure, Explanation>> {
  const { day, demand } = planned;
  const workings: Partial<Record<Figure, Explanation>> = {};
  for (const [figure, steps] of Object.entries(day.workings))
    workings[figure as Figure] = explanation({ steps, inputs: day.inputs });
  const advice = planner.drainAdvice(date)?.advice;
  if (advice) workings.correction = explanation({ steps: advice.working, inputs: day.inputs });
  workings.stage = explanation(stageDay(planned.standing, date));
  const [solar, transmission] = demand.inputs;
  if (solar && transmission)
    workings.lightSum = explanation(insideLightSum(demand.solarOutsideMjM2, solar, transmission));
  const yesterday = addDays(date, -1);
  const before = planner.plan(yesterday);
  if (typeof before !== "string") {
    const logged = planner.logged(yesterday);
    const litres = logged.length > 0 ? litresGiven(logged) : before.day.water.litres;
    workings.depletion = explanation(
      morningDepletion(
        before.day.store.missingMm,
        before.demand.demandMm,
        litres / planner.areaM2,
        logged.length > 0,
        day.store.missingMm,
      ),
    );
  }
  return workings;
}

/** Figures of a day's weather outside, planned or not. */
export function weatherWorkings(
  site: Site,
  date: string,
  hours: readonly WeatherHour[],
): Partial<Record<Figure, Explanation>> {
  const figures = { et0Outside: outsideEt(site, date, hours), solar: solarSum(hours), airOutside: airSpan(hours) };
  return Object.fromEntries(
    Object.entries(figures).flatMap(([figure, found]) => (found ? [[figure, explanation(found)]] : [])),
  );
}

/** What was read at the drain, by whom and when. */
export function drainWorkings(roots: Roots | null): Partial<Record<Figure, Explanation>> {
  if (roots?.kind !== "drained" || !roots.drain) return {};
  const { at, sharePct, feedEcMsCm } = roots.drain;
  return {
    drain: explanation(asRead("Drain share", sharePct, "% of the water given", at, "drain tray under the drippers")),
    ...(feedEcMsCm !== null && {
      feedEc: explanation(asRead("Feed EC", feedEcMsCm, "mS/cm", at, "pen in the drip jug")),
    }),
  };
}
