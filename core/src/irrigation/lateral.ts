import { Checks } from "../working/checks.ts";
import { DomainError } from "../working/domain-error.ts";
import { GRAVITY_MS2, waterDensityKgM3, waterViscosityM2S } from "../water/water-properties.ts";
import { fill, Worksheet, type WorkingStep } from "../working/working.ts";
import type { Emitter } from "./emitter.ts";
import { alongPipe, type OutletPipe, type OutletPoint } from "./outlet-pipe.ts";
import { frictionSlope } from "./pipe-friction.ts";

export interface LateralInput {
  /** m, 0.1 to 2000 */
  readonly lengthM: number;
  /** mm, 2 to 200 */
  readonly insideDiameterMm: number;
  /** m, 0.02 to 50; the first emitter stands one spacing from the inlet */
  readonly emitterSpacingM: number;
  readonly emitter: Emitter;
  /** kPa, 1 to 1000 */
  readonly inletKpa: number;
  /** positive uphill from the inlet, −50 to 50 */
  readonly slopePct?: number | undefined;
  /** 0 to 50 °C; 20 when left out */
  readonly temperatureC?: number | undefined;
  /** equivalent length of each emitter's barb, m, 0 to 2 */
  readonly minorLossM?: number | undefined;
}

export interface Lateral {
  readonly inletFlowLh: number;
  readonly minKpa: number;
  readonly maxKpa: number;
  readonly endKpa: number;
  /** 100 · (greatest − least) / greatest flow */
  readonly flowVariationPct: number;
  readonly emissionUniformityPct: number;
  readonly profile: readonly OutletPoint[];
  readonly warnings: readonly string[];
  readonly working: readonly WorkingStep[];
}

/** °C of the water in lines that lie in a house or the sun; taken where none is given, and said. */
export const USUAL_LINE_TEMPERATURE_C = 20;
const MOST_EMITTERS = 20_000;
/** Flow varies by 10 % on a good lateral; by 20 % it is hardly bearable. Keller & Bliesner (1990); usual practice. */
export const GOOD_VARIATION_PCT = 10;

/**
 * Pressure and flow of every emitter along a lateral, segment by segment.
 *
 * The pressure at the closed end is sought at which the sum of losses, flows and rises upstream gives the inlet pressure.
 *
 * @throws {DomainError} for values that cannot be, and for an inlet pressure that cannot lift water to the end
 * @see Keller & Karmeli (1974) for emission uniformity; Darcy–Weisbach for friction
 */
export function lateral(input: LateralInput): Lateral {
  const count = checkLateral(input);
  const sheet = new Worksheet();
  if (input.temperatureC === undefined)
    sheet.warn(`No water temperature was given: ${USUAL_LINE_TEMPERATURE_C} °C is taken.`);
  const pipe = pipeOf(input, count);
  const profile = alongPipe(pipe, input.inletKpa);
  const flows = profile.map((point) => point.lh);
  const pressures = profile.map((point) => point.kPa);
  const inletFlowLh = flows.reduce((sum, lh) => sum + lh, 0);
  const [minKpa, maxKpa, endKpa] = [Math.min(...pressures), Math.max(...pressures), pressures.at(-1) ?? NaN];
  const [least, most] = [Math.min(...flows), Math.max(...flows)];
  const flowVariationPct = (100 * (most - least)) / most;
  const emissionUniformityPct = explain(input, pipe, profile, inletFlowLh, sheet);
  warnOfRange(input.emitter, minKpa, maxKpa, flowVariationPct, sheet);
  return {
    inletFlowLh,
    minKpa,
    maxKpa,
    endKpa,
    flowVariationPct,
    emissionUniformityPct,
    profile,
    warnings: sheet.warnings,
    working: sheet.steps,
  };
}

/**
 * The longest lateral whose flow varies by no more than so many per cent.
 *
 * @param mostVariationPct 1 to 50
 * @returns m, a whole number of spacings; 0 when even one emitter is out of range
 */
export function longestLateralM(input: Omit<LateralInput, "lengthM">, mostVariationPct: number): number {
  new Checks().range("mostVariationPct", "The variation allowed", mostVariationPct, 1, 50, "%").done();
  const fits = (count: number): boolean => {
    const lengthM = count * input.emitterSpacingM;
    checkLateral({ ...input, lengthM });
    try {
      const flows = alongPipe(pipeOf({ ...input, lengthM }, count), input.inletKpa).map((point) => point.lh);
      const most = Math.max(...flows);
      return (100 * (most - Math.min(...flows))) / most <= mostVariationPct;
    } catch (error) {
      if (error instanceof DomainError) return false;
      throw error;
    }
  };
  const farthest = Math.min(MOST_EMITTERS, Math.floor(2000 / input.emitterSpacingM));
  if (!fits(1)) return 0;
  let [good, bad] = [1, farthest + 1];
  for (let reach = 2; reach <= farthest && bad > farthest; reach *= 2)
    if (fits(reach)) good = reach;
    else bad = reach;
  while (bad - good > 1) {
    const middle = Math.floor((good + bad) / 2);
    if (middle <= farthest && fits(middle)) good = middle;
    else bad = middle;
  }
  return good * input.emitterSpacingM;
}

/**
 * How long the first water takes to fill the lateral, and how long what is injected travels to the last emitter.
 *
 * @returns minutes; travel is the sum over segments of volume by the flow in each
 */
export function lateralTimes(
  { insideDiameterMm, emitterSpacingM }: Pick<LateralInput, "insideDiameterMm" | "emitterSpacingM">,
  { profile, inletFlowLh }: Pick<Lateral, "profile" | "inletFlowLh">,
): { readonly volumeL: number; readonly fillMin: number; readonly travelMin: number } {
  const segmentL = ((Math.PI * (insideDiameterMm / 1000) ** 2) / 4) * emitterSpacingM * 1000;
  const volumeL = segmentL * profile.length;
  let carried = 0;
  let travelH = 0;
  for (const { lh } of [...profile].reverse()) {
    carried += lh;
    travelH += segmentL / carried;
  }
  return { volumeL, fillMin: (60 * volumeL) / inletFlowLh, travelMin: 60 * travelH };
}

function pipeOf(input: LateralInput, count: number): OutletPipe {
  const temperatureC = input.temperatureC ?? USUAL_LINE_TEMPERATURE_C;
  const [diameterM, viscosityM2S] = [input.insideDiameterMm / 1000, waterViscosityM2S(temperatureC)];
  return {
    count,
    outlet: input.emitter,
    spacingM: input.emitterSpacingM,
    lossLengthM: input.emitterSpacingM + (input.minorLossM ?? 0),
    diameterM,
    viscosityM2S,
    friction: frictionSlope(diameterM, viscosityM2S),
    kPaPerM: (waterDensityKgM3(temperatureC) * GRAVITY_MS2) / 1000,
    riseM: (input.emitterSpacingM * (input.slopePct ?? 0)) / 100,
  };
}

/** Notes the sums that a person may redo, and returns the design emission uniformity. */
function explain(
  { inletKpa, emitter, lengthM, insideDiameterMm, emitterSpacingM }: LateralInput,
  pipe: OutletPipe,
  profile: readonly OutletPoint[],
  inletFlowLh: number,
  sheet: Worksheet,
): number {
  const flows = profile.map((point) => point.lh);
  const [least, mean] = [Math.min(...flows), inletFlowLh / profile.length];
  sheet.note(
    "Emitters",
    "length / spacing, rounded down",
    fill`${lengthM} m ÷ ${emitterSpacingM} m`,
    pipe.count,
    "",
    "the first stands one spacing from the inlet, the last at the end",
  );
  const first = profile[0];
  const velocity = inletFlowLh / 3.6e6 / ((Math.PI * pipe.diameterM ** 2) / 4);
  sheet.note(
    "Flow at the inlet",
    "Σ k·pˣ over the emitters",
    fill`${pipe.count} emitters from ${flows.at(-1) ?? 0} to ${flows[0] ?? 0} L/h`,
    inletFlowLh,
    "L/h",
    "q = k·pˣ, Karmeli & Keller (1975)",
  );
  sheet.note(
    "Reynolds number at the inlet",
    "v · D / ν",
    fill`${velocity} × ${pipe.diameterM} ÷ ${pipe.viscosityM2S * 1e6}·10⁻⁶`,
    (velocity * pipe.diameterM) / pipe.viscosityM2S,
    "",
    "laminar to 2000, turbulent from 3000",
  );
  sheet.note(
    "Loss in the first segment",
    "f · L / D · v² / (2 g)",
    fill`${emitterSpacingM} m of ${insideDiameterMm} mm at ${velocity} m/s`,
    pipe.friction(inletFlowLh / 3.6e6) * pipe.lossLengthM * pipe.kPaPerM,
    "kPa",
    "Darcy–Weisbach; 64/Re, Blasius or Swamee–Jain (1976)",
  );
  const endKpa = profile.at(-1)?.kPa ?? NaN;
  const riseKpa = pipe.count * pipe.riseM * pipe.kPaPerM;
  sheet.note(
    "Friction over the whole length",
    "inlet − end − rise",
    fill`${inletKpa} − ${endKpa} − ${riseKpa}`,
    inletKpa - endKpa - riseKpa,
    "kPa",
    `every segment by Darcy–Weisbach at its own flow; first emitter at ${(first?.kPa ?? NaN).toFixed(1)} kPa`,
  );
  if (emitter.cv === undefined)
    sheet.warn("The emitter's coefficient of variation is not given: uniformity counts pressure only.");
  const cv = emitter.cv ?? 0;
  return sheet.note(
    "Emission uniformity",
    "100 · (1 − 1.27 · CV / √n) · least / mean flow, n = 1 emitter a plant",
    fill`100 × (1 − 1.27 × ${cv}) × ${least} ÷ ${mean}`,
    100 * (1 - 1.27 * cv) * (least / mean),
    "%",
    "Keller & Karmeli (1974)",
  );
}

function warnOfRange(
  { minKpa, maxKpa }: Emitter,
  least: number,
  most: number,
  variation: number,
  sheet: Worksheet,
): void {
  if (minKpa !== undefined && least < minKpa)
    sheet.warn(`The weakest emitter has ${least.toFixed(1)} kPa, under its least working pressure of ${minKpa} kPa.`);
  if (maxKpa !== undefined && most > maxKpa)
    sheet.warn(
      `The strongest emitter has ${most.toFixed(1)} kPa, over its greatest working pressure of ${maxKpa} kPa.`,
    );
  if (variation > GOOD_VARIATION_PCT)
    sheet.warn(
      `Flow varies by ${variation.toFixed(1)} %; up to ${GOOD_VARIATION_PCT} % is good. Shorten the lateral, or take a wider pipe.`,
    );
}

/** @returns the number of emitters */
function checkLateral(input: LateralInput): number {
  const { emitter } = input;
  const checks = new Checks()
    .range("lengthM", "The lateral's length", input.lengthM, 0.1, 2000, "m")
    .range("insideDiameterMm", "The inside diameter", input.insideDiameterMm, 2, 200, "mm")
    .range("emitterSpacingM", "The spacing of emitters", input.emitterSpacingM, 0.02, 50, "m")
    .range("inletKpa", "The inlet pressure", input.inletKpa, 1, 1000, "kPa")
    .range("slopePct", "The slope", input.slopePct, -50, 50, "%")
    .range("temperatureC", "The water's temperature", input.temperatureC, 0, 50, "°C")
    .range("minorLossM", "The barb's equivalent length", input.minorLossM, 0, 2, "m")
    .range("emitter.flowLh", "The emitter's flow", emitter.flowLh, 0.000001, 500, "L/h")
    .range("emitter.atKpa", "The pressure of the emitter's flow", emitter.atKpa, 0.1, 1000, "kPa")
    .range("emitter.exponent", "The emitter's exponent", emitter.exponent, 0, 1)
    .range("emitter.cv", "The emitter's coefficient of variation", emitter.cv, 0, 0.5)
    .range("emitter.minKpa", "The least working pressure", emitter.minKpa, 0, 1000, "kPa")
    .range("emitter.maxKpa", "The greatest working pressure", emitter.maxKpa, 0, 1000, "kPa")
    .when(
      emitter.minKpa !== undefined && emitter.maxKpa !== undefined && emitter.minKpa > emitter.maxKpa,
      "order-reversed",
      "emitter.minKpa",
      `The least working pressure (${emitter.minKpa} kPa) is above the greatest (${emitter.maxKpa} kPa).`,
    )
    .when(
      input.lengthM < input.emitterSpacingM,
      "not-possible",
      "emitterSpacingM",
      `A lateral of ${input.lengthM} m has no emitter at a spacing of ${input.emitterSpacingM} m.`,
    );
  const count = Math.floor(input.lengthM / input.emitterSpacingM + 1e-9);
  checks
    .when(
      input.emitterSpacingM > 0 && Number.isFinite(count) && count > MOST_EMITTERS,
      "out-of-range",
      "lengthM",
      `${count} emitters are more than the ${MOST_EMITTERS} that are solved.`,
    )
    .done();
  return count;
}
