import { GRAVITY_MS2 } from "../water/water-properties.ts";

const LAMINAR_TO = 2000;
const TURBULENT_FROM = 3000;
const BLASIUS_TO = 1e5;
/** Absolute roughness of drawn polyethylene and PVC, m. Keller & Bliesner (1990) call such pipe smooth; usual figure. */
const ROUGHNESS_M = 1.5e-6;

/**
 * Darcy friction factor of smooth plastic pipe: 64/Re, Blasius beyond, Swamee–Jain above Re 100 000; a straight line
 * joins laminar and turbulent flow between Re 2000 and 3000, so that loss rises with flow everywhere.
 *
 * @see Keller & Bliesner (1990), chapter 8; Swamee & Jain (1976)
 */
function darcyFrictionFactor(reynolds: number, diameterM: number): number {
  const blasius = (re: number): number => 0.3164 / re ** 0.25;
  if (reynolds <= LAMINAR_TO) return 64 / reynolds;
  if (reynolds < TURBULENT_FROM) {
    const share = (reynolds - LAMINAR_TO) / (TURBULENT_FROM - LAMINAR_TO);
    return (64 / LAMINAR_TO) * (1 - share) + blasius(TURBULENT_FROM) * share;
  }
  if (reynolds <= BLASIUS_TO) return blasius(reynolds);
  return 0.25 / Math.log10(ROUGHNESS_M / (3.7 * diameterM) + 5.74 / reynolds ** 0.9) ** 2;
}

/**
 * Head lost to friction per metre of a pipe, Darcy–Weisbach, by the flow in it.
 *
 * @returns a function of m³/s that gives metres of water per metre; 0 without flow
 * @example frictionSlope(0.016, 1.004e-6)(1e-4) * 100 // ≈ 2.64 m in 100 m
 */
export function frictionSlope(diameterM: number, viscosityM2S: number): (flowM3S: number) => number {
  const areaM2 = (Math.PI * diameterM ** 2) / 4;
  return (flowM3S) => {
    if (flowM3S <= 0) return 0;
    const velocity = flowM3S / areaM2;
    const factor = darcyFrictionFactor((velocity * diameterM) / viscosityM2S, diameterM);
    return (factor * velocity ** 2) / (diameterM * 2 * GRAVITY_MS2);
  };
}

/** L that a pipe holds, from its inside diameter, mm, and its length, m. */
export function pipeVolumeL({ insideDiameterMm, lengthM }: { insideDiameterMm: number; lengthM: number }): number {
  return (Math.PI / 4) * (insideDiameterMm / 1000) ** 2 * lengthM * 1000;
}
