/**
 * Units as people and laboratories write them, read by what they are made of: a quantity over a quantity, with prefixes and powers.
 */

/** Exponents of what a unit is made of. Conductance, equivalents of charge and things counted stand for themselves. */
const BASES = ["m", "kg", "s", "K", "mol", "eq", "S", "piece"] as const;
type Dimension = Readonly<Partial<Record<(typeof BASES)[number], number>>>;

export interface UnitText {
  /** one of it in m, kg, s, K, mol, eq, S */
  readonly factor: number;
  /** of a scale of temperature: in K = shown × factor + offset */
  readonly offset: number;
  /** the same for all units that can be turned into each other: "kg·m-3" */
  readonly dimension: string;
  /** in what the amount is counted, as written in the unit: N of "mg N/L"; null where it does not say */
  readonly basis: string | null;
}

interface Symbol {
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
const SYMBOLS: Readonly<Record<string, Symbol>> = {
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
const WRITTEN: ReadonlyMap<string, readonly string[]> = bySpelling({
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

const PREFIXES: Readonly<Record<string, number>> = {
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
const IN_MILLIONS = new Set(["J", "Pa", "W", "Wh"]);

/** What an amount may be counted in: "mg/L NO3-N", "kg P2O5/ha". */
const BASIS =
  /(?<![A-Za-z0-9])(no3-?n|nh4-?n|no2-?n|po4-?p|so4-?s|caco3|hco3|co3|p2o5|k2o|cao|mgo|na2o|so3|so4|sio2|no3|nh4|no2|po4|h2po4|hpo4|kcl|nacl|fe|mn|zn|cu|mo|na|ca|mg|cl|si|n|p|k|b|s)(?![A-Za-z0-9])/gi;
/** What only says how a figure was come by. */
const BESIDE =
  /\b(as|als|als|comme|como|come|of|per cent|dry ?(matter|weight|soil|mass|basis)?|d\.?m\.?|dw|dm|ts|tm|tr|i\.?\s?tr\.?|i\.?\s?(d\.?\s?)?ts|trockensubstanz|trs|fw|fm|fresh|@|at|bei|à|a|bij) ?(\d+ ?°? ?c?)?\b|\((20|25) ?°? ?c\)|25 ?°c$/gi;

/**
 * All that a text may mean as a unit: the likeliest first, as "F" may be a temperature and "°f" a hardness.
 *
 * @example unitsIn("mg/100 g")[0] // factor 1e-5, dimension ""
 * @returns none where it cannot be read as one
 */
export function unitsIn(text: string): readonly UnitText[] {
  const plain = plainUnit(text);
  // "11 mg/kg" is an amount.
  if (plain === "" || /^\d+(?:[.,]\d+)?(?!\s*\/)/.test(plain)) return [];
  const bare = plainUnit(plain.replace(BESIDE, " "));
  const found = [...product(plain, null), ...(bare === plain ? [] : product(bare, null))];
  // In what it is counted stands before, between or behind; "mg" is not magnesium where no unit is left without it.
  for (const { 0: basis, index } of plain.matchAll(BASIS)) {
    const rest = plainUnit(`${plain.slice(0, index)} ${plain.slice(index + basis.length)}`.replace(BESIDE, " "));
    if (rest !== "") found.push(...product(rest.replace(/ \//g, "/"), basisName(basis)));
  }
  return found;
}

/** Without what keyboards, spreadsheets and laboratories do to signs. */
function plainUnit(text: string): string {
  return (
    text
      .replace(/[₀-₉]/g, (digit) => String("₀₁₂₃₄₅₆₇₈₉".indexOf(digit)))
      .normalize("NFKC")
      .replace(/[μµ]/g, "u")
      .replace(/\bmicro ?/gi, "u")
      .replace(/[−–‐]/g, "-")
      .replace(/[·•∙⋅×*]/g, ".")
      .replace(/⁄|÷/g, "/")
      .replace(/\s+(per|pro|par|por|je|a|à|al|auf)\s+/gi, "/")
      .replace(/\s*\/\s*/g, "/")
      .replace(/\^/g, "")
      .replace(/\bsq\.? ?(m|ft|cm|in|yd)\b/gi, "$12")
      .replace(/\bcu\.? ?(m|ft|cm|in|yd)\b/gi, "$13")
      .replace(/\bqm\b/gi, "m2")
      .replace(/\bcbm\b/gi, "m3")
      .replace(/\b(mg|g|ug)%/gi, "$1/100 g")
      .replace(/(?<!\/)\((?!\+|c\)|us\)|uk\)|imp\))([^()]*)\)/gi, " $1 ")
      .replace(/^[\s.,;:[{(]+(?!.*\)[^)]*$)|[\s.,;:\]}*]+$/g, (edge) => (edge.includes("(") ? edge : ""))
      .replace(/^\(([^()]*)\)$/, "$1")
      // At what temperature a conductivity is told: all are told at 25 °C, or so near it that nobody could say otherwise.
      .replace(/(?<=\S)[\s@(,;]+(at|bei|bij|à|a)?\s*(20|25)\s*[°º]?\s*C\)?$/i, "")
      .replace(/\s+/g, " ")
      .trim()
  );
}

function basisName(text: string): string {
  const upper = text
    .toUpperCase()
    .replace(/^(NO3|NH4|NO2)-?N$/, "N")
    .replace(/^PO4-?P$/, "P")
    .replace(/^SO4-?S$/, "S");
  const named = [
    ..."CaCO3 HCO3 CO3 P2O5 K2O CaO MgO Na2O SO3 SO4 SiO2 NO3 NH4 NO2 PO4 H2PO4 HPO4 KCl NaCl".split(" "),
    ..."Fe Mn Zn Cu Mo Na Ca Mg Cl Si N P K B S".split(" "),
  ];
  return named.find((name) => name.toUpperCase() === upper) ?? text;
}

type Made = Omit<UnitText, "dimension" | "basis"> & { readonly of: Dimension };

/** "W/m2 h-1", "mg/100 g", "L/(m2.d)". */
function product(text: string, basis: string | null): readonly UnitText[] {
  if (text === "") return [];
  const alone = symbolsOf(text).map(({ factor, dimension, offset = 0 }) => ({ factor, of: dimension, offset }));
  const made = alone.length > 0 ? alone : quotient(text);
  const told = made.map(({ factor, of, offset }) => ({ factor, offset, dimension: dimensionName(of), basis }));
  return told.filter(
    (one, at) => told.findIndex(({ factor, dimension }) => factor === one.factor && dimension === one.dimension) === at,
  );
}

function quotient(text: string): readonly Made[] {
  const opened = /^(.*)\/\(([^()]+)\)(.*)$/.exec(text);
  const flat = opened ? `${opened[1]}/${(opened[2] ?? "").split(/[ .]+/).join("/")}${opened[3]}` : text;
  const [over, ...under] = flat.split("/");
  let ways: readonly Made[] =
    over?.trim() === "1" || over === "" ? [{ factor: 1, of: {}, offset: 0 }] : factors(over ?? "");
  for (const part of under) {
    const below = factors(part);
    ways = ways.flatMap((way) => below.map((one) => joined(way, one, -1)));
  }
  return ways.slice(0, MOST_WAYS);
}
const MOST_WAYS = 24;

/** "100 g", "m2 h-1", "kg.m-3": all multiplied. */
function factors(text: string): readonly Made[] {
  let ways: readonly Made[] = [{ factor: 1, of: {}, offset: 0 }];
  // "100g" is a number and a unit; "H2O" is one word.
  const parts = text
    .replace(/(?<![^\s.])(\d+(?:[.,]\d+)?)(?=[a-z°%])/gi, "$1 ")
    .split(/\s+|(?<!\d)\.|\.(?!\d)/)
    .filter((part) => part !== "");
  // A number counts what comes behind it.
  if (parts.length === 0 || /^[\d.,]+$/.test(parts.at(-1) ?? "")) return [];
  for (const part of parts) {
    if (/^\d+([.,]\d+)?$/.test(part)) {
      ways = ways.map((way) => ({ ...way, factor: way.factor * Number(part.replace(",", ".")) }));
      continue;
    }
    const [, name = "", power = "1"] = /^(.*?)([-+]?\d)?$/.exec(part) ?? [];
    const exponent = Number(power);
    const meant = symbolsOf(name);
    ways = ways.flatMap((way) =>
      meant.map(({ factor, dimension }) =>
        joined(
          way,
          { factor: factor ** Math.abs(exponent), of: raised(dimension, Math.abs(exponent)), offset: 0 },
          exponent < 0 ? -1 : 1,
        ),
      ),
    );
  }
  return ways;
}

function joined(one: Made, other: Made, sign: 1 | -1): Made {
  const of = Object.fromEntries(
    BASES.map((base) => [base, (one.of[base] ?? 0) + sign * (other.of[base] ?? 0)]).filter(([, power]) => power !== 0),
  ) as Dimension;
  return { factor: one.factor * other.factor ** sign, of, offset: 0 };
}

function raised(of: Dimension, power: number): Dimension {
  return Object.fromEntries(Object.entries(of).map(([base, exponent]) => [base, exponent * power]));
}

/** A symbol as it is written; in another case only where the case tells nothing else. */
function symbolsOf(text: string): readonly Symbol[] {
  const written = text.trim();
  const found: Symbol[] = [];
  const add = (symbol: Symbol | undefined): void => void (symbol && !found.includes(symbol) && found.push(symbol));
  add(own(SYMBOLS, written));
  add(prefixedSymbol(written, false));
  for (const name of WRITTEN.get(written.toLowerCase().replace(/\s/g, "")) ?? [])
    add(own(SYMBOLS, name) ?? prefixedSymbol(name, false));
  const folded = Object.keys(SYMBOLS).filter((key) => key.toLowerCase() === written.toLowerCase());
  for (const key of folded) add(SYMBOLS[key]);
  add(prefixedSymbol(written, true));
  return found;
}

function prefixedSymbol(text: string, anyCase: boolean): Symbol | undefined {
  for (const [prefix, times] of Object.entries(PREFIXES)) {
    const first = text[0] ?? "";
    if (first !== prefix && !(anyCase && first.toLowerCase() === prefix.toLowerCase())) continue;
    const rest = text.slice(1);
    const mayStand = (name: string): boolean => SYMBOLS[name]?.prefixed ?? false;
    const spelt =
      Object.keys(SYMBOLS).find(
        (name) => mayStand(name) && (name === rest || (anyCase && name.toLowerCase() === rest.toLowerCase())),
      ) ?? WRITTEN.get(rest.toLowerCase())?.find(mayStand);
    const symbol = spelt === undefined ? undefined : SYMBOLS[spelt];
    if (!symbol || spelt === undefined) continue;
    // "MG/L" is milligrams; "mj/m2" is megajoules: nobody measures the other.
    const inMillions = IN_MILLIONS.has(spelt);
    const really = prefix === "M" && !inMillions ? "m" : prefix === "m" && spelt === "J" ? "M" : prefix;
    return unit((PREFIXES[really] ?? times) * symbol.factor, symbol.dimension);
  }
  return undefined;
}

function own<T>(of: Readonly<Record<string, T>>, key: string): T | undefined {
  return Object.hasOwn(of, key) ? of[key] : undefined;
}

function dimensionName(of: Dimension): string {
  return BASES.flatMap((base) => (of[base] ? [`${base}${of[base] === 1 ? "" : of[base]}`] : [])).join("·");
}
