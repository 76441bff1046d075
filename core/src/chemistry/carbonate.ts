import { activityCoefficient } from "./activity.ts";

interface CarbonateConstants {
  /** first and second dissociation, water's ion product, Henry's constant in mol/(L·atm), all as activities */
  readonly k1: number;
  readonly k2: number;
  readonly kw: number;
  readonly kh: number;
}

/** CO₂ of the open air, atm. NOAA global mean of 2023, 420 ppm. */
const AIR_CO2_ATM = 420e-6;

/**
 * Constants of the carbonate system by temperature.
 *
 * @param temperatureC °C, 0 to 50
 * @see Plummer & Busenberg (1982), Geochimica et Cosmochimica Acta 46:1011–1040; Kw after Nordstrom et al. (1990)
 */
export function carbonateConstants(temperatureC: number): CarbonateConstants {
  const t = temperatureC + 273.15;
  const lg = Math.log10(t);
  return {
    k1: 10 ** (-356.3094 - 0.06091964 * t + 21834.37 / t + 126.8339 * lg - 1684915 / t ** 2),
    k2: 10 ** (-107.8871 - 0.03252849 * t + 5151.79 / t + 38.92561 * lg - 563713.9 / t ** 2),
    kh: 10 ** (108.3865 + 0.01985076 * t - 6919.53 / t - 40.45154 * lg + 669365 / t ** 2),
    kw: 10 ** (-283.971 - 0.05069842 * t + 13323 / t + 102.24447 * lg - 1119669 / t ** 2),
  };
}

/** pK of phosphoric acid at 25 °C. Martell & Smith (1976), Critical Stability Constants. */
const PHOSPHORIC_PK = [2.148, 7.198, 12.35] as const;

/** Shares of phosphate's four forms at a pH (as activity of H⁺). */
export function phosphateShares(
  ph: number,
  ionicStrength: number,
): { h3po4: number; h2po4: number; hpo4: number; po4: number } {
  const [g1, g2, g3] = [
    activityCoefficient(1, ionicStrength),
    activityCoefficient(2, ionicStrength),
    activityCoefficient(3, ionicStrength),
  ];
  const h2 = 10 ** (ph - PHOSPHORIC_PK[0]) / g1;
  const h1 = (h2 * 10 ** (ph - PHOSPHORIC_PK[1]) * g1) / g2;
  const h0 = (h1 * 10 ** (ph - PHOSPHORIC_PK[2]) * g2) / g3;
  const all = 1 + h2 + h1 + h0;
  return { h3po4: 1 / all, h2po4: h2 / all, hpo4: h1 / all, po4: h0 / all };
}

/** A water with its dissolved inorganic carbon: in a closed line it stays, in the open it follows the air. */
export interface CarbonateWater {
  readonly temperatureC: number;
  /** mol/L */
  readonly ionicStrength: number;
  /** dissolved inorganic carbon, mmol/L; null for water in balance with the air */
  readonly dicMmolL: number | null;
}

/** Alkalinity that carbonate and water itself give at a pH, mmol/L. Rises with pH. */
export function carbonateAlkalinityMmolL(
  ph: number,
  { temperatureC, ionicStrength, dicMmolL }: CarbonateWater,
): number {
  const { k1, k2, kw, kh } = carbonateConstants(temperatureC);
  const g1 = activityCoefficient(1, ionicStrength);
  const g2 = activityCoefficient(2, ionicStrength);
  const hydrogen = 10 ** -ph;
  const hco3PerCo2 = k1 / (hydrogen * g1);
  const co3PerCo2 = (k1 * k2) / (hydrogen ** 2 * g2);
  const co2 = dicMmolL === null ? kh * AIR_CO2_ATM : dicMmolL / 1000 / (1 + hco3PerCo2 + co3PerCo2);
  return 1000 * (co2 * (hco3PerCo2 + 2 * co3PerCo2) + kw / (hydrogen * g1) - hydrogen / g1);
}

/** Carbon that makes a water of this alkalinity have this pH; negative where no water can. */
export function dissolvedCarbonMmolL(
  alkalinityMmolL: number,
  ph: number,
  temperatureC: number,
  ionicStrength: number,
): number {
  const { k1, k2, kw } = carbonateConstants(temperatureC);
  const g1 = activityCoefficient(1, ionicStrength);
  const g2 = activityCoefficient(2, ionicStrength);
  const hydrogen = 10 ** -ph;
  const hco3PerCo2 = k1 / (hydrogen * g1);
  const co3PerCo2 = (k1 * k2) / (hydrogen ** 2 * g2);
  const fromCarbonate = alkalinityMmolL - 1000 * (kw / (hydrogen * g1) - hydrogen / g1);
  return (fromCarbonate * (1 + hco3PerCo2 + co3PerCo2)) / (hco3PerCo2 + 2 * co3PerCo2);
}

/** The pH at which a rising function of pH reaches a value, between 1 and 13, by bisection. */
export function phWhere(rising: (ph: number) => number, value: number): number {
  let [low, high] = [1, 13];
  for (let step = 0; step < 60; step++) {
    const middle = (low + high) / 2;
    if (rising(middle) < value) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
