import { lightSumMolM2 } from "../climate/air.ts";
import { ownDemandMm, panEtMm, radiationSumMm } from "../demand/plain-methods.ts";
import { fill, showNumber, Worksheet } from "../working/working.ts";
import { hourOrigins, type WorkingInput } from "../working/origin.ts";
import { bigLeafDemand, canopyDemand } from "./canopy-demand.ts";
import { coefficientDemand, coveredEt, coveredKc, dualKcOf, openEt, openKc } from "./coefficient-demand.ts";
import { usualMethod, type DemandChoice, type ZoneDemandMethod } from "./demand-choice.ts";
import type { CoreDemand, Demand, DemandInput } from "./demand-input.ts";

/**
 * Crop demand of one day, by the way that was chosen for the zone or the usual one of its system.
 *
 * @returns null when the day's weather is not known well enough: some hour has no sunlight, or none of the air is known
 */
export function dayDemand(input: DemandInput): Demand | null {
  const solar = input.hours.map((hour) => hour.values.radiation).filter((value) => value !== undefined);
  if (solar.length < input.hours.length) return null;
  const sheet = new Worksheet(input.told);
  const outside = solar.reduce((sum, { value }) => sum + value, 0);
  const insideShare = input.transmissionPct / 100;
  const inputs: WorkingInput[] = [
    {
      name: "Solar radiation outside",
      value: outside,
      unit: "MJ/m²",
      origins: hourOrigins(solar.map((value) => value.origin)),
    },
    { name: "Light through the cover", value: input.transmissionPct, unit: "%", origins: [input.transmissionOrigin] },
  ];
  const choice = input.choice ?? { method: usualMethod(input.system, input.transmissionPct) };
  const core = METHODS[choice.method]({ input, choice, outside, insideShare, sheet, inputs });
  if (!core) return null;
  return {
    ...standingOf(fitted(core, choice.fittedFactor ?? 1, sheet), input.standing ?? 1, sheet),
    solarOutsideMjM2: outside,
    lightSumMolM2: lightSumMolM2(outside * insideShare),
    warnings: sheet.warnings,
    working: sheet.steps,
    inputs,
  };
}

/**
 * What plantings beside each other drink together, each over the zone's ground.
 *
 * @param parts at least one
 */
export function joinDemands(parts: readonly { readonly name: string; readonly demand: Demand }[]): Demand {
  const [first] = parts;
  if (!first) throw new Error("no demand to join");
  if (parts.length === 1) return first.demand;
  const demands = parts.map(({ demand }) => demand);
  const sheet = new Worksheet();
  for (const { name, demand } of parts)
    sheet.add(demand.working.map((line) => ({ ...line, label: `${name}: ${line.label}` })));
  const demandMm = sheet.note(
    "Demand",
    "Σ of the plantings beside each other",
    () => demands.map((one) => showNumber(one.demandMm)).join(" + "),
    demands.reduce((sum, one) => sum + one.demandMm, 0),
    "L/m²",
    "each on its own ground, over that of the zone",
  );
  return {
    ...first.demand,
    demandMm,
    hourlyMm: first.demand.hourlyMm.map(({ startMs }, hour) => ({
      startMs,
      mm: demands.reduce((sum, one) => sum + (one.hourlyMm[hour]?.mm ?? 0), 0),
    })),
    warnings: [...new Set(demands.flatMap(({ warnings }) => warnings))],
    working: sheet.steps,
    inputs: parts.flatMap(({ name, demand }) =>
      demand.inputs.map((input) => ({ ...input, name: `${name}: ${input.name}` })),
    ),
  };
}

/** What is left drinks as all did; the places of heads that were cut, pots that were sold and rows that are bare drink nothing. */
function standingOf(core: CoreDemand, standing: number, sheet: Worksheet): CoreDemand {
  if (standing >= 1) return core;
  const demandMm = sheet.note(
    "Demand of what stands",
    "demand · share of the ground that is planted · share of its plants that stands",
    fill`${core.demandMm} × ${standing}`,
    core.demandMm * standing,
    "L/m²",
    "rows and spacing as set, pieces taken since planting as noted",
  );
  return { ...core, demandMm, hourlyMm: core.hourlyMm.map(({ startMs, mm }) => ({ startMs, mm: mm * standing })) };
}

interface Asked {
  readonly input: DemandInput;
  readonly choice: DemandChoice;
  /** MJ/m² */
  readonly outside: number;
  readonly insideShare: number;
  readonly sheet: Worksheet;
  readonly inputs: WorkingInput[];
}

const METHODS: Readonly<Record<ZoneDemandMethod, (asked: Asked) => CoreDemand | null>> = {
  baille: ({ input, insideShare, sheet, inputs }) => canopyDemand(input, insideShare, sheet, inputs),
  "big-leaf": ({ input, insideShare, sheet, inputs }) => bigLeafDemand(input, insideShare, sheet, inputs),
  "house-penman-monteith": ({ input, outside, sheet, inputs }) =>
    coefficientDemand(input, coveredKc(input), coveredEt(input, outside, inputs), outside, sheet, inputs),
  "fao56-single": ({ input, outside, sheet, inputs }) =>
    coefficientDemand(
      input,
      openKc(input),
      openEt(input.place, input.date, input.hours, inputs, input.told),
      outside,
      sheet,
      inputs,
    ),
  "fao56-dual": ({ input, outside, sheet, inputs }) => {
    const et = openEt(input.place, input.date, input.hours, inputs, input.told);
    const kc = dualKcOf(input, et, sheet);
    return kc && coefficientDemand(input, kc, et, outside, sheet, inputs);
  },
  "radiation-sum": ({ input, choice: { mlPerJCm2 = NaN }, outside, sheet }) =>
    byLight(input, outside, radiationSumMm(mlPerJCm2, outside, sheet)),
  pan: ({ input, choice: { panMm = NaN, panCoefficient = NaN }, outside, sheet, inputs }) => {
    const value = panEtMm(panMm, panCoefficient, sheet);
    return coefficientDemand(input, openKc(input), { value, working: [], warnings: [] }, outside, sheet, inputs);
  },
  own: ({ input, choice: { ownMm = NaN }, outside, sheet }) => byLight(input, outside, ownDemandMm(ownMm, sheet)),
};

function byLight({ hours }: DemandInput, outside: number, demandMm: number): CoreDemand {
  return {
    demandMm,
    hourlyMm: hours.map(({ startMs, values }) => ({
      startMs,
      mm: outside > 0 ? (demandMm * (values.radiation?.value ?? 0)) / outside : demandMm / hours.length,
    })),
  };
}

/** Like the plan of every other system, by the zone's own meter. */
function fitted(core: CoreDemand, factor: number, sheet: Worksheet): CoreDemand {
  if (factor === 1) return core;
  const demandMm = sheet.note(
    "Fitted to the zone",
    "demand · fitted factor",
    fill`${core.demandMm} × ${factor}`,
    core.demandMm * factor,
    "L/m²",
    "the zone's own meter",
  );
  return { ...core, demandMm, hourlyMm: core.hourlyMm.map(({ startMs, mm }) => ({ startMs, mm: mm * factor })) };
}
