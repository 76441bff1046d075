import { fill, Worksheet, type WorkingStep } from "../working.ts";
import { planPulses, type Pulse } from "./pulses.ts";
import { substrateCorrection } from "./substrate-correction.ts";
import { checkZoneWaterInput, type SoilNeeds, type SubstrateNeeds, type ZoneWaterInput } from "./zone-water-input.ts";

export interface ZoneWater {
  readonly demandMm: number;
  /** what the root zone is to keep */
  readonly netMm: number;
  readonly grossMm: number;
  readonly litres: number;
  /** what runs out below: drain of a substrate, deep percolation in soil */
  readonly drainL: number;
  readonly leachingPct: number;
  readonly minutesTotal: number;
  readonly events: readonly Pulse[];
  readonly warnings: readonly string[];
  readonly working: readonly WorkingStep[];
}

interface Need {
  readonly netMm: number;
  readonly grossMm: number;
  readonly leachingPct: number;
  readonly pulses: number;
}

/** Leaching up to this share is covered by the unevenness of the lines. Keller & Bliesner (1990), chapter 20. */
const LEACHING_COVERED = 0.1;

/**
 * A zone's water for one day, from demand to minutes: net need → gross litres → minutes → pulses inside the window.
 *
 * Water given is always what the root zone keeps plus what runs out: litres = net · area + drain.
 *
 * @throws {DomainError} for values that cannot be, each with its path
 * @see FAO-56, chapter 8, for depletion; Keller & Bliesner (1990) for gross from net
 */
export function zoneWater(input: ZoneWaterInput): ZoneWater {
  const window = checkZoneWaterInput(input);
  const sheet = new Worksheet();
  const demandMm = dayDemand(input, sheet);
  const need =
    input.substrate && input.system === "substrate"
      ? substrateNeed(input, input.substrate, demandMm, sheet)
      : soilNeed(input, demandMm, sheet);
  const { areaM2, zoneFlowLh, minGapMin } = input;
  const wantedL = sheet.note(
    "Litres for the zone",
    "gross · area",
    fill`${need.grossMm} L/m² × ${areaM2} m²`,
    need.grossMm * areaM2,
    "L",
    "1 mm on 1 m² is 1 L",
  );
  const plan = planPulses({
    litres: wantedL,
    zoneFlowLh,
    wanted: need.pulses,
    minGapMin,
    window,
    demand: input.demandCurve,
  });
  const litres = wantedL - plan.unmetL;
  if (plan.unmetL > 0)
    sheet.warn(
      `The window from ${input.window.start} to ${input.window.end} is too short: ${Math.round(plan.unmetL)} L of ${Math.round(wantedL)} L stay undone. Widen it, or raise the zone's flow.`,
    );
  else if (plan.pulses.length < need.pulses)
    sheet.warn(
      `Only ${plan.pulses.length} of ${need.pulses} pulses fit with ${minGapMin} min between them; each is larger.`,
    );
  const minutesTotal = sheet.note(
    "Running time",
    "litres / flow · 60",
    fill`${litres} L ÷ ${zoneFlowLh} L/h × 60`,
    (litres / zoneFlowLh) * 60,
    "min",
    "zone flow",
  );
  const pulse = plan.pulses[0];
  if (pulse)
    sheet.note(
      "One pulse",
      "running time / pulses",
      fill`${minutesTotal} min ÷ ${plan.pulses.length}`,
      pulse.minutes,
      "min",
      "equal pulses",
    );
  return {
    demandMm,
    netMm: need.netMm,
    grossMm: need.grossMm,
    litres,
    drainL: Math.max(0, litres - need.netMm * areaM2),
    leachingPct: need.leachingPct,
    minutesTotal,
    events: plan.pulses,
    warnings: sheet.warnings,
    working: sheet.steps,
  };
}

function dayDemand({ demandMm, et0Mm, kc }: ZoneWaterInput, sheet: Worksheet): number {
  if (demandMm !== undefined) return sheet.note("Demand", "as given", fill`${demandMm}`, demandMm, "L/m²", "given");
  if (et0Mm === undefined || kc === undefined) throw new Error("the demand is checked before");
  return sheet.note("Demand", "Kc · ET₀", fill`${kc} × ${et0Mm}`, kc * et0Mm, "L/m²", "FAO-56, eq. 58");
}

function substrateNeed(
  { areaM2, plants, uniformityPct }: ZoneWaterInput,
  substrate: SubstrateNeeds,
  demandMm: number,
  sheet: Worksheet,
): Need {
  const { factor, drainShare } = substrateCorrection(substrate, sheet);
  const netMm =
    factor === 1
      ? demandMm
      : sheet.note(
          "Corrected demand",
          "demand · f",
          fill`${demandMm} × ${factor}`,
          demandMm * factor,
          "L/m²",
          "yesterday's drain",
        );
  const uneven = 1 - uniformityPct / 100;
  // The drain reaches every dripper: it also covers the dry ones, so only the larger of the two losses counts.
  if (uneven > drainShare)
    sheet.warn(
      `The drippers are so uneven (${uniformityPct} %) that the drain target does not cover the driest quarter; more is given.`,
    );
  const lost = Math.max(drainShare, uneven);
  const grossMm = sheet.note(
    "Gross water",
    "net / (1 − the larger of drain target and unevenness)",
    fill`${netMm} ÷ (1 − max(${drainShare}, ${uneven}))`,
    netMm / (1 - lost),
    "L/m²",
    "water balance of the substrate; unevenness is covered by the drain (Keller & Bliesner 1990, by analogy)",
  );
  const perPlantL = sheet.note(
    "Gross water per plant",
    "gross · area / plants",
    fill`${grossMm} × ${areaM2} ÷ ${plants}`,
    (grossMm * areaM2) / plants,
    "L",
    "plant stand",
  );
  const pulseL = (substrate.waterHeldLPlant * substrate.pulseSharePct) / 100;
  const pulses = sheet.note(
    "Pulses",
    "gross per plant / (water held · pulse share), rounded up",
    fill`${perPlantL} ÷ (${substrate.waterHeldLPlant} × ${substrate.pulseSharePct} ÷ 100)`,
    Math.ceil(perPlantL / pulseL - 1e-9),
    "",
    "small pulses keep water and air in a substrate; share as chosen for it",
  );
  return { netMm, grossMm, leachingPct: lost * 100, pulses };
}

function soilNeed({ soil, uniformityPct }: ZoneWaterInput, demandMm: number, sheet: Worksheet): Need {
  if (!soil) throw new Error("the soil is checked before");
  const availableMm = sheet.note(
    "Available water in the wetted soil",
    "total available · wetted share",
    fill`${soil.totalAvailableMm} × ${soil.wettedPct} ÷ 100`,
    (soil.totalAvailableMm * soil.wettedPct) / 100,
    "mm",
    "FAO-56, eq. 82; Keller & Bliesner (1990) for the wetted share",
  );
  const rainMm = soil.rainMm ?? 0;
  const tonightMm = sheet.note(
    "Depletion by tonight, unwatered",
    "depletion + demand − rain, at least 0",
    fill`${soil.depletionMm} + ${demandMm} − ${rainMm}`,
    Math.max(0, soil.depletionMm + demandMm - rainMm),
    "mm",
    "FAO-56, eq. 85",
  );
  if (tonightMm > availableMm)
    sheet.warn("The wetted soil will be dry to the wilting point by tonight: water now, and check the sensor.");
  const triggerMm = sheet.note(
    "Trigger",
    "trigger share · available",
    fill`${soil.triggerPct} ÷ 100 × ${availableMm}`,
    (soil.triggerPct / 100) * availableMm,
    "mm",
    "FAO-56, eq. 83",
  );
  const leaveMm = (1 - soil.refillPct / 100) * availableMm;
  const netMm =
    tonightMm < triggerMm
      ? sheet.note(
          "Net water",
          "none before the trigger is reached",
          fill`${tonightMm} < ${triggerMm}`,
          0,
          "L/m²",
          "FAO-56, chapter 8",
        )
      : sheet.note(
          "Net water",
          "depletion − (1 − refill) · available",
          fill`${tonightMm} − ${leaveMm}`,
          Math.max(0, tonightMm - leaveMm),
          "L/m²",
          "FAO-56, chapter 8",
        );
  const { lossShare, leaching } = soilLosses(soil, uniformityPct / 100, sheet);
  const grossMm = sheet.note(
    "Gross water",
    "net / (1 − losses)",
    fill`${netMm} ÷ (1 − ${lossShare})`,
    netMm / (1 - lossShare),
    "L/m²",
    "Keller & Bliesner (1990), chapter 20",
  );
  return { netMm, grossMm, leachingPct: leaching * 100, pulses: netMm > 0 ? 1 : 0 };
}

function soilLosses(soil: SoilNeeds, uniformity: number, sheet: Worksheet): { lossShare: number; leaching: number } {
  const leaching = sheet.note(
    "Leaching requirement",
    "LR = ECw / (2 · ECe at zero yield)",
    fill`${soil.ecWaterMsCm} ÷ (2 × ${soil.ecZeroYieldMsCm})`,
    soil.ecWaterMsCm / (2 * soil.ecZeroYieldMsCm),
    "",
    "Keller & Bliesner (1990), for drip watered often; FAO-29",
  );
  const covered = leaching <= LEACHING_COVERED;
  const kept = covered ? Math.min(uniformity, 1 - leaching) : uniformity * (1 - leaching);
  const lossShare = sheet.note(
    "Losses",
    covered ? "the larger of unevenness and leaching, as LR ≤ 0.1" : "1 − EU · (1 − LR)",
    covered ? fill`max(1 − ${uniformity}, ${leaching})` : fill`1 − ${uniformity} × (1 − ${leaching})`,
    1 - kept,
    "",
    "Keller & Bliesner (1990), chapter 20",
  );
  return { lossShare, leaching };
}
