import type { Explanation, Figure } from "@sprunel/contract";
import { addDays, insideLightSum, morningDepletion, type Explained } from "@sprunel/core";
import { litresOf, type PlannedDay, type ZonePlanner } from "./zone-plan.ts";

/** How every figure of a planned day arose. */
export function workingsOf(
  planned: PlannedDay,
  planner: ZonePlanner,
  date: string,
): Partial<Record<Figure, Explanation>> {
  const { day, demand, depletionMm } = planned;
  const workings: Partial<Record<Figure, Explanation>> = {};
  for (const [figure, lines] of Object.entries(day.lines))
    workings[figure as Figure] = explanation({ steps: day.working.slice(0, lines), inputs: day.inputs });
  const [solar, transmission] = demand.inputs;
  if (solar && transmission)
    workings.lightSum = explanation(insideLightSum(demand.solarOutsideMjM2, solar, transmission));
  const yesterday = addDays(date, -1);
  const before = planner.plan(yesterday);
  if (depletionMm !== undefined && typeof before !== "string" && before.depletionMm !== undefined) {
    const logged = planner.logged(yesterday);
    const litres = logged.length > 0 ? litresOf(logged) : before.day.water.litres;
    workings.depletion = explanation(
      morningDepletion(
        before.depletionMm,
        before.demand.demandMm,
        litres / planner.areaM2,
        logged.length > 0,
        depletionMm,
      ),
    );
  }
  return workings;
}

export function explanation({ steps, inputs }: Pick<Explained, "steps" | "inputs">): Explanation {
  return { steps: [...steps], inputs: inputs.map((input) => ({ ...input, origins: [...input.origins] })) };
}
