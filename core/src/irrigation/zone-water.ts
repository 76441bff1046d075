import { fill, Worksheet } from "../working/working.ts";
import { deliver, type Need, type ZoneWater } from "./deliver.ts";
import { substrateCorrection } from "./substrate-correction.ts";
import { checkZoneWaterInput, type SoilNeeds, type SubstrateNeeds, type ZoneWaterInput } from "./zone-water-input.ts";

/** More often than every five minutes no valve is opened; each pulse is larger then. */
const MOST_PULSES = 288;
/** Leaching up to this share is covered by the unevenness of the lines. Keller & Bliesner (1990), chapter 20. */
const LEACHING_COVERED = 0.1;
/** From here on it comes on top in full; between the two the one passes into the other, so that no water jumps. Assumed. */
const LEACHING_ADDED = 0.12;

/**
 * A zone's water for one day, from demand to minutes: net need → gross litres → minutes → pulses inside the window.
 *
 * Water given is always what the root zone keeps plus what runs out: litres = net · area + drain.
 *
 * @throws {DomainError} for values that cannot be, each with its path
 * @see FAO-56, chapter 8, for depletion; Keller & Bliesner (1990) for gross from net
 */
export function zoneWater(input: ZoneWaterInput, sheet = new Worksheet()): ZoneWater {
  checkZoneWaterInput(input);
  const demandMm = dayDemand(input, sheet);
  const need =
    input.substrate && input.system === "substrate"
      ? substrateNeed(input, input.substrate, demandMm, sheet)
      : soilNeed(input, demandMm, sheet);
  return deliver(input, { ...need, demandMm }, input.window, sheet);
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
): Omit<Need, "demandMm"> {
  const { factor, drainShare } = substrate.correction
    ? {
        factor: substrate.correction.demandFactor,
        drainShare: (substrate.correction.drainSharePct ?? substrate.drainTargetPct) / 100,
      }
    : substrateCorrection(substrate, sheet);
  const netMm =
    factor === 1
      ? demandMm
      : sheet.note(
          "Corrected demand",
          "demand · f",
          fill`${demandMm} × ${factor}`,
          demandMm * factor,
          "L/m²",
          substrate.correction ? "correction that was accepted" : "yesterday's drain",
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
    "gross",
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
  const wanted = Math.ceil(perPlantL / pulseL - 1e-9);
  if (wanted > MOST_PULSES)
    sheet.warn(`${wanted} pulses of this size would be asked for; ${MOST_PULSES} are given, each larger.`);
  const pulses = sheet.note(
    "Pulses",
    "gross per plant / (water held · pulse share), rounded up, at most 288",
    fill`${perPlantL} ÷ (${substrate.waterHeldLPlant} × ${substrate.pulseSharePct} ÷ 100)`,
    Math.min(MOST_PULSES, wanted),
    "",
    "small pulses keep water and air in a substrate; share as chosen for it",
  );
  return { netMm, grossMm, leachingPct: lost * 100, pulses, overWords: "drain: what the plants do not keep" };
}

function soilNeed({ soil, uniformityPct }: ZoneWaterInput, demandMm: number, sheet: Worksheet): Omit<Need, "demandMm"> {
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
    "gross",
  );
  return {
    netMm,
    grossMm,
    leachingPct: leaching * 100,
    pulses: netMm > 0 ? 1 : 0,
    overWords: "unevenness and leaching",
  };
}

/** What of the water given does not stay in a dripped soil: by unevenness and by leaching. */
export function soilLosses(
  soil: Pick<SoilNeeds, "ecWaterMsCm" | "ecZeroYieldMsCm">,
  uniformity: number,
  sheet: Worksheet,
): { lossShare: number; leaching: number } {
  const leaching = sheet.note(
    "Leaching requirement",
    "LR = ECw / (2 · ECe at zero yield)",
    fill`${soil.ecWaterMsCm} ÷ (2 × ${soil.ecZeroYieldMsCm})`,
    soil.ecWaterMsCm / (2 * soil.ecZeroYieldMsCm),
    "",
    "Keller & Bliesner (1990), for drip watered often; FAO-29",
  );
  const covered = leaching <= LEACHING_COVERED;
  const added = Math.min(1, Math.max(0, (leaching - LEACHING_COVERED) / (LEACHING_ADDED - LEACHING_COVERED)));
  const kept = (1 - added) * Math.min(uniformity, 1 - leaching) + added * uniformity * (1 - leaching);
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
