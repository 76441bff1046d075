import { Checks } from "../working/checks.ts";
import { GRAVITY_MS2, waterDensityKgM3, waterViscosityM2S } from "../water/water-properties.ts";
import { fill, Worksheet, type WorkingStep } from "../working/working.ts";
import { lateral, type LateralInput } from "./lateral.ts";
import { alongPipe, type OutletPoint } from "./outlet-pipe.ts";
import { frictionSlope } from "./pipe-friction.ts";

interface SubMainInput {
  /** one of equal laterals; its inlet pressure is that at the head of the sub-main */
  readonly lateral: LateralInput;
  /** 2 to 5000, the first one spacing from the head, the last at the end */
  readonly laterals: number;
  /** m, 0.1 to 2000 */
  readonly lengthM: number;
  /** mm, 2 to 500 */
  readonly insideDiameterMm: number;
  /** positive uphill from the head, −50 to 50 */
  readonly slopePct?: number | undefined;
}

export interface SubMain {
  /** L/h of all laterals */
  readonly flowLh: number;
  /** pressure at the inlet of the last lateral */
  readonly endKpa: number;
  /** 100 · (greatest − least) / greatest flow of a lateral */
  readonly flowVariationPct: number;
  /** over the whole zone, the weakest dripper of the weakest lateral against the mean */
  readonly emissionUniformityPct: number;
  /** one point for each lateral */
  readonly profile: readonly OutletPoint[];
  readonly working: readonly WorkingStep[];
}

/** How far pressure is lowered to see how a lateral's flow follows it. */
const STEP = 0.9;

/**
 * Pressure and flow of every lateral along the sub-main that feeds them: each lateral is an outlet whose flow follows
 * pressure by a power law, found by solving it at two pressures.
 *
 * @throws {DomainError} for values that cannot be, and for a pressure that cannot lift water to the end
 * @see Keller & Bliesner (1990), chapter 23, for manifolds; Keller & Karmeli (1974) for emission uniformity
 */
export function subMain(input: SubMainInput): SubMain {
  const { laterals, lengthM, insideDiameterMm, slopePct = 0 } = input;
  const { inletKpa, temperatureC = 20 } = input.lateral;
  new Checks()
    .range("laterals", "The number of laterals", laterals, 2, 5000)
    .range("lengthM", "The sub-main's length", lengthM, 0.1, 2000, "m")
    .range("insideDiameterMm", "The sub-main's inside diameter", insideDiameterMm, 2, 500, "mm")
    .range("slopePct", "The sub-main's slope", slopePct, -50, 50, "%")
    .done();
  const sheet = new Worksheet();
  const full = lateral(input.lateral).inletFlowLh;
  const lowered = lateral({ ...input.lateral, inletKpa: inletKpa * STEP }).inletFlowLh;
  const exponent = sheet.note(
    "Exponent of a lateral",
    "ln(q₁ / q₂) / ln(p₁ / p₂)",
    fill`${full} L/h at ${inletKpa} kPa, ${lowered} L/h at ${inletKpa * STEP} kPa`,
    Math.min(1, Math.max(0, Math.log(full / lowered) / Math.log(1 / STEP))),
    "",
    "the lateral solved at two pressures",
  );
  const spacingM = lengthM / laterals;
  const profile = alongPipe(
    {
      count: laterals,
      outlet: { flowLh: full, atKpa: inletKpa, exponent },
      spacingM,
      lossLengthM: spacingM,
      diameterM: insideDiameterMm / 1000,
      viscosityM2S: waterViscosityM2S(temperatureC),
      friction: frictionSlope(insideDiameterMm / 1000, waterViscosityM2S(temperatureC)),
      kPaPerM: (waterDensityKgM3(temperatureC) * GRAVITY_MS2) / 1000,
      riseM: (spacingM * slopePct) / 100,
    },
    inletKpa,
  );
  const flows = profile.map(({ lh }) => lh);
  const [least, most] = [Math.min(...flows), Math.max(...flows)];
  const flowLh = sheet.note(
    "Flow of all laterals",
    "Σ over the laterals",
    fill`${laterals} laterals from ${least} to ${most} L/h`,
    flows.reduce((sum, lh) => sum + lh, 0),
    "L/h",
    "mass balance",
  );
  const weakest = lateral({ ...input.lateral, inletKpa: Math.min(...profile.map(({ kPa }) => kPa)) });
  const weakestDripper = Math.min(...weakest.profile.map(({ lh }) => lh));
  const drippers = weakest.profile.length * laterals;
  const cv = input.lateral.emitter.cv ?? 0;
  return {
    flowLh,
    endKpa: profile.at(-1)?.kPa ?? NaN,
    flowVariationPct: (100 * (most - least)) / most,
    emissionUniformityPct: sheet.note(
      "Emission uniformity of the zone",
      "100 · (1 − 1.27 · CV) · least / mean dripper",
      fill`100 × (1 − 1.27 × ${cv}) × ${weakestDripper} ÷ ${flowLh / drippers}`,
      (100 * (1 - 1.27 * cv) * weakestDripper) / (flowLh / drippers),
      "%",
      "Keller & Karmeli (1974)",
    ),
    profile,
    working: sheet.steps,
  };
}

/**
 * Pressure lost in a plain pipe of one flow throughout.
 *
 * @returns kPa; Darcy–Weisbach at 20 °C
 */
export function pipeLossKpa(flowLh: number, lengthM: number, insideDiameterMm: number): number {
  const headM = frictionSlope(insideDiameterMm / 1000, waterViscosityM2S(20))(flowLh / 3.6e6) * lengthM;
  return (headM * waterDensityKgM3(20) * GRAVITY_MS2) / 1000;
}
