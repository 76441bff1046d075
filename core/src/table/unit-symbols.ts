/** Units by how they are written, with what each is made of; prefixes, and other ways to write them. */

/** Exponents of what a unit is made of. Conductance, equivalents of charge and things counted stand for themselves. */
export const BASES = ["m", "kg", "s", "K", "mol", "eq", "S", "piece"] as const;
export type Dimension = Readonly<Partial<Record<(typeof BASES)[number], number>>>;

export interface Symbol {
  readonly factor: number;
  readonly dimension: Dimension;
  /** k, m, µ and the like may stand before it */
  readonly prefixed?: boolean;
  readonly offset?: number;
}

const unit = (factor: number, dimension: Dimension, more: Partial<Symbol> = {}): Symbol => ({
  factor,
  dimension,
  ...more,
});
const metric = { prefixed: true } as const;
const LITRE = { m: 3 };
const PA = { kg: 1, m: -1, s: -2 };
const JOULE = { kg: 1, m: 2, s: -2 };
const FOOT = 0.3048;
const POUND = 0.45359237;
/** US liquid gallon; NIST Handbook 44, appendix C, as the other customary units. */
const GALLON = 3.785411784e-3;
/** The gallon of the United Kingdom; Weights and Measures Act 1985. */
const IMPERIAL_GALLON = 4.54609e-3;
/** Standard gravity times the density of water at 4 °C. */
const METRE_OF_WATER_PA = 9806.65;

/** By how they are written, without regard to case where nothing else is so written. */
export const SYMBOLS: Readonly<Record<string, Symbol>> = {
  m: unit(1, { m: 1 }, metric),
  g: unit(1e-3, { kg: 1 }, metric),
  s: unit(1, { s: 1 }),
  K: unit(1, { K: 1 }),
  mol: unit(1, { mol: 1 }, metric),
  einstein: unit(1, { mol: 1 }, metric),
  eq: unit(1, { eq: 1 }, metric),
  val: unit(1, { eq: 1 }, metric),
  molc: unit(1, { eq: 1 }, metric),
  S: unit(1, { S: 1 }, metric),
  mho: unit(1, { S: 1 }, metric),
  L: unit(1e-3, LITRE, metric),
  J: unit(1, JOULE, metric),
  cal: unit(4.184, JOULE, metric),
  Wh: unit(3600, JOULE, metric),
  W: unit(1, { kg: 1, m: 2, s: -3 }, metric),
  Pa: unit(1, PA, metric),
  bar: unit(1e5, PA, metric),
  t: unit(1000, { kg: 1 }),
  dt: unit(100, { kg: 1 }),
  ha: unit(1e4, { m: 2 }),
  a: unit(100, { m: 2 }),
  h: unit(3600, { s: 1 }),
  min: unit(60, { s: 1 }),
  d: unit(86_400, { s: 1 }),
  wk: unit(604_800, { s: 1 }),
  yr: unit(31_557_600, { s: 1 }),
  "°C": unit(1, { K: 1 }, { offset: 273.15 }),
  "°F": unit(5 / 9, { K: 1 }, { offset: 459.67 * (5 / 9) }),
  "%": unit(0.01, {}),
  "‰": unit(1e-3, {}),
  ppm: unit(1e-6, {}),
  ppb: unit(1e-9, {}),
  pH: unit(1, {}),
  in: unit(FOOT / 12, { m: 1 }),
  ft: unit(FOOT, { m: 1 }),
  yd: unit(3 * FOOT, { m: 1 }),
  mi: unit(5280 * FOOT, { m: 1 }),
  ac: unit(43_560 * FOOT ** 2, { m: 2 }),
  mph: unit((5280 * FOOT) / 3600, { m: 1, s: -1 }),
  kmh: unit(1 / 3.6, { m: 1, s: -1 }),
  mps: unit(1, { m: 1, s: -1 }),
  kn: unit(1852 / 3600, { m: 1, s: -1 }),
  lb: unit(POUND, { kg: 1 }),
  oz: unit(POUND / 16, { kg: 1 }),
  /** of the United States, 100 lb; the British of 112 lb says so */
  cwt: unit(100 * POUND, { kg: 1 }),
  "short ton": unit(2000 * POUND, { kg: 1 }),
  "long ton": unit(2240 * POUND, { kg: 1 }),
  gal: unit(GALLON, LITRE),
  "imp gal": unit(IMPERIAL_GALLON, LITRE),
  qt: unit(GALLON / 4, LITRE),
  pt: unit(GALLON / 8, LITRE),
  "fl oz": unit(GALLON / 128, LITRE),
  cc: unit(1e-6, LITRE),
  psi: unit(6894.757293168, PA),
  atm: unit(101_325, PA),
  inHg: unit(3386.389, PA),
  mmHg: unit(133.322387415, PA),
  mH2O: unit(METRE_OF_WATER_PA, PA),
  cmH2O: unit(METRE_OF_WATER_PA / 100, PA),
  /** centibar, as tensiometers show */
  cb: unit(1000, PA),
  ly: unit(41_840, { kg: 1, s: -2 }),
  /** hardness and alkalinity by what binds: 10 mg of CaO, of CaCO₃, 14.3 mg of CaCO₃ in a litre */
  "°dH": unit(20 / 56.077, { eq: 1, m: -3 }),
  "°fH": unit(20 / 100.086, { eq: 1, m: -3 }),
  "°e": unit(28.5 / 100.086, { eq: 1, m: -3 }),
  piece: unit(1, { piece: 1 }),
};

/** Other ways to write them; plurals, languages and what a keyboard makes of signs. */
export const WRITTEN: ReadonlyMap<string, readonly string[]> = bySpelling({
  "°C": "c degc deg.c celsius °celsius gradc gradcelsius degrescelsius degree_c oc ºc",
  "°F": "f degf deg.f fahrenheit °fahrenheit of ºf",
  K: "kelvin",
  "%": "pct percent prozent procent porcento porciento pourcent percento vol% %rh %rf %hr %ts %ms %dm %m/m %w/w %w/v %v/v rh% vh% %vol weight% mass% w% m% gew% gew.% gew.-% ma% m-% masse-% %mm %w",
  "‰": "promille permil permille",
  ppm: "mg.kg-1ppm vpm parts_per_million",
  L: "l liter litre liters litres litro litros litri ltr lt lts dm3",
  cc: "ccm cm³",
  g: "gr gram grams gramme grammes gramm gramo gramos grammo grammi grama gramas",
  kg: "kilo kilos kilogram kilograms kilogramm kgs",
  t: "tonne tonnes ton_metric tonelada toneladas tonnellate to",
  m: "metre meter metres meters metro metros",
  h: "hr hrs hour hours std stunde stunden heure heures hora horas uur ora ore hod",
  min: "mins minute minutes minuten minuto minutos minuti",
  d: "day days tag tage jour jours dia dias día días dag dagen giorno giorni j",
  s: "sec secs second seconds sek seconde sekunde",
  wk: "week weeks woche wochen semaine semana settimana",
  in: 'inch inches " ″ zoll pulgada pulgadas pouce pouces',
  ft: "feet foot ' ′",
  ac: "acre acres",
  ha: "hectare hectares hektar hectarea hectareas ettaro",
  mi: "mile miles",
  lb: "lbs pound pounds # libra libras",
  oz: "ounce ounces unze",
  "short ton": "ton tons shortton ust ton(us) uston tonsus",
  "long ton": "longton ton(uk)",
  gal: "gallon gallons gals usgal gal(us) usgallon galón galones galon",
  "imp gal": "impgal imperialgallon gal(uk) ukgal gal(imp) imp.gal",
  "fl oz": "floz fl.oz fluidounce fl.oz. fluidounces flozus",
  mph: "mi/h mi/hr milesperhour mph.",
  kmh: "kph km/u kmph km/std kmhr",
  mps: "ms-1 m/sec mtrs/s",
  kn: "kt kts knot knots knoten nudos noeuds",
  ly: "langley langleys",
  mho: "mhos",
  dt: "q quintal quintals dz",
  eq: "e equiv equivalent equivalents äq",
  "°dH": "dh dgh gdh odh ºdh grddh °kh dkh deutschehärte gradh",
  "°fH": "fh °f of ofh ºfh °th f",
  "°e": "°clark clark °eh",
  pH: "ph phunits ph-units ph-einheiten s.u. su",
  inHg: 'inhg in.hg "hg inchesofmercury',
  mmHg: "mmhg torr",
  mH2O: "mwc mca mce mws wc mwk",
  cmH2O: "cmwc cmca",
  cb: "centibar centibars cbar",
  psi: "psi. lbf/in2 psig",
  piece:
    "pcs pc pieces stk stück stuk stuks pièces pieza piezas piezas. ud uds unidad unidades un pezzi pz peças st stems heads plants fruits fruit stem head plant each ea units",
  mol: "moles mole",
  S: "siemens",
  molc: "mol(+) mol(c) molc+ mol(+",
});

function bySpelling(words: Readonly<Record<string, string>>): ReadonlyMap<string, readonly string[]> {
  const found = new Map<string, string[]>();
  for (const [symbol, spellings] of Object.entries(words))
    for (const spelling of spellings.split(" ")) {
      const key = spelling.replaceAll("_", "");
      found.set(key, [...(found.get(key) ?? []), symbol]);
    }
  return found;
}

export const PREFIXES: Readonly<Record<string, number>> = {
  G: 1e9,
  M: 1e6,
  k: 1e3,
  h: 1e2,
  d: 1e-1,
  c: 1e-2,
  m: 1e-3,
  u: 1e-6,
  n: 1e-9,
};
/** Only of these so much is ever measured that M stands for millions. */
export const IN_MILLIONS = new Set(["J", "Pa", "W", "Wh"]);
