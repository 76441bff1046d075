/**
 * Units as people and laboratories write them, read by what they are made of: a quantity over a quantity, with prefixes and powers.
 */
import { BASES, IN_MILLIONS, PREFIXES, SYMBOLS, WRITTEN, type Dimension, type Symbol } from "./unit-symbols.ts";

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

/** What an amount may be counted in: "mg/L NO3-N", "kg P2O5/ha". */
const BASIS =
  /(?<![A-Za-z0-9])(no3-?n|nh4-?n|no2-?n|po4-?p|so4-?s|caco3|hco3|co3|p2o5|k2o|cao|mgo|na2o|so3|so4|sio2|no3|nh4|no2|po4|h2po4|hpo4|kcl|nacl|fe|mn|zn|cu|mo|na|ca|mg|cl|si|n|p|k|b|s)(?![A-Za-z0-9])/gi;
/** What only says how a figure was come by. */
const BESIDE =
  /\b(as|als|als|comme|como|come|of|per cent|dry ?(matter|weight|soil|mass|basis)?|d\.?m\.?|dw|dm|ts|tm|tr|i\.?\s?tr\.?|i\.?\s?(d\.?\s?)?ts|trockensubstanz|trs|fw|fm|fresh|@|at|bei|à|a|bij) ?(\d+ ?°? ?c?)?\b|(?<=\S)\s(m\.?s\.?|s\.?s\.?|mat[ie]ère sèche|materia seca|sostanza secca)$|\((20|25) ?°? ?c\)|25 ?°c$/gi;

const RUN_TOGETHER =
  /^(k?wh?|[kM]?j|[mun]?mol|u?eq|meq|[kmu]?g|lb|oz|[mud]s|gal|m?l)(c?m-?2(?!\d)|ft-?2|in-?2|kg|100g|l|ha|ac(?:re)?|c?m|hr?|min)(?:-1)?[ .]?(h|hr|d|day|s)?(?:-1)?$/i;

/** "Wm-2", "MJm2h", "mgl", "uScm": programs leave out what divides. */
const setApart = (text: string): string =>
  text.replace(RUN_TOGETHER, (_, over: string, under: string, time: string | undefined = "") =>
    [over, under.replace("-", ""), ...(time === "" ? [] : [time])].join("/"),
  );

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
  if (found.length === 0) found.push(...product(setApart(plain), null));
  // In what it is counted stands before, between or behind; "mg" is not magnesium where no unit is left without it.
  for (const { 0: basis, index } of plain.matchAll(BASIS)) {
    if (basis === "mg" && index === 0) continue;
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
      .replace(/mol\s?\+/gi, "molc")
      // "MJ/m²h"
      .replace(/(?<=m)([23])(?=[a-z])/gi, "$1.")
      // An "A" below pounds or gallons is an acre; nobody measures them by the are.
      .replace(/^((?:lbs?|oz|gals?|tons?|bu|qts?|pts?)\b.*)\/a(?:cre)?\.?$/i, "$1/acre")
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
    return { factor: (PREFIXES[really] ?? times) * symbol.factor, dimension: symbol.dimension };
  }
  return undefined;
}

function own<T>(of: Readonly<Record<string, T>>, key: string): T | undefined {
  return Object.hasOwn(of, key) ? of[key] : undefined;
}

function dimensionName(of: Dimension): string {
  return BASES.flatMap((base) => (of[base] ? [`${base}${of[base] === 1 ? "" : of[base]}`] : [])).join("·");
}
