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

/** Protons that phosphate counted as H₂PO₄⁻ has given off (or taken up) at a pH, mmol/L. */
export function phosphateAlkalinityMmolL(ph: number, phosphateMmolL: number, ionicStrength: number): number {
  const { h3po4, hpo4, po4 } = phosphateShares(ph, ionicStrength);
  return phosphateMmolL * (hpo4 + 2 * po4 - h3po4);
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

/** Ionic strength of feeds and of the water round roots, mol/L: of EC 1 to 2; pH moves by less than 0.05 between 0.01 and 0.04. */
export const FEED_IONIC_STRENGTH = 0.02;

/**
 * How the pH of a water follows from what it holds while it is in balance with an air: made once for a temperature and an air,
 * so that thousands of hours can be asked.
 *
 * @param co2Atm carbon dioxide of that air, atm
 * @returns of alkalinity left with phosphate counted as H₂PO₄⁻ (negative where acid is left over), and phosphate, mmol/L
 * @see Plummer & Busenberg (1982) for carbon, Martell & Smith (1976) for phosphate
 */
export function phInAir(
  temperatureC: number,
  co2Atm: number,
): (alkalinityMmolL: number, phosphateMmolL: number) => number {
  const { k1, k2, kw, kh } = carbonateConstants(temperatureC);
  const strength = FEED_IONIC_STRENGTH;
  const [g1, g2, g3] = [
    activityCoefficient(1, strength),
    activityCoefficient(2, strength),
    activityCoefficient(3, strength),
  ];
  const [pk1, pk2, pk3] = PHOSPHORIC_PK.map((pk) => 10 ** -pk) as [number, number, number];
  const co2 = 1000 * kh * co2Atm;
  return (alkalinityMmolL, phosphateMmolL) =>
    phWhere((ph) => {
      const h = 10 ** -ph;
      const h2po4 = pk1 / (h * g1);
      const hpo4 = (h2po4 * pk2 * g1) / (h * g2);
      const po4 = (hpo4 * pk3 * g2) / (h * g3);
      const phosphate = (phosphateMmolL * (hpo4 + 2 * po4 - 1)) / (1 + h2po4 + hpo4 + po4);
      const carbonate = (co2 * k1 * (1 / g1 + (2 * k2) / (h * g2))) / h;
      return carbonate + (1000 * (kw / h - h)) / g1 + phosphate;
    }, alkalinityMmolL);
}

/** The pH at which a rising function of pH reaches a value, between 1 and 13, by bisection to 1e-9. */
export function phWhere(rising: (ph: number) => number, value: number): number {
  let [low, high] = [1, 13];
  for (let step = 0; step < 34; step++) {
    const middle = (low + high) / 2;
    if (rising(middle) < value) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
