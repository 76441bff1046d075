import type { ChangedField, ChangedRecord } from "@sprunel/contract/changes";
import type { Quantity } from "@sprunel/core/units";

/** A value within a record that changed: never an object or a list. */
export interface ChangedLeaf {
  readonly label: string;
  /** what it is measured in, where its name tells */
  readonly measure: Measure | null;
  /** left out: it was not there */
  readonly was?: Leaf;
  readonly is?: Leaf;
}

export type Leaf = string | number | boolean | null;
export type Measure =
  | { readonly quantity: Quantity }
  | { readonly unit: string }
  | { readonly instant: true }
  /** the number that something else goes by */
  | { readonly idOf: string };

/** Names that people do not read as they stand. */
const NAMES: Readonly<Record<string, { readonly label: string; readonly measure?: Measure }>> = {
  at_ms: { label: "at", measure: { instant: true } },
  start_ms: { label: "from", measure: { instant: true } },
  kwh_price: { label: "price of a kWh" },
  litres: { label: "litres", measure: { quantity: "volume" } },
  minutes: { label: "minutes", measure: { unit: "min" } },
  struck_reason: { label: "struck out because" },
  system: { label: "growing system" },
};

/** Units as names end with them. */
const UNITS: Readonly<Record<string, string>> = {
  ...{ c: "°C", cm: "cm", cmol: "cmol", deg: "°", g: "g", ha: "ha", kg: "kg", l: "L", lh: "L/h", m: "m", m2: "m²" },
  ...{
    m3: "m³",
    mg: "mg",
    min: "min",
    mj: "MJ",
    ml: "mL",
    mm: "mm",
    mmol: "mmol",
    mol: "mol",
    ms: "mS",
    pct: "%",
    t: "t",
  },
};
/** What only stands behind another unit. */
const PER: Readonly<Record<string, string>> = { ...UNITS, day: "day", plant: "plant", h: "h" };

/** Units that are shown in the person's own. */
const QUANTITIES: Readonly<Record<string, Quantity>> = {
  ...{ "°C": "temperature", cm: "depth", g: "smallMass", ha: "land", kg: "mass", L: "volume", "L/h": "flow" },
  ...{ m: "length", "m²": "area", "m³": "bulk", mm: "rain", "L/m²": "waterDepth", "kg/m²": "yield" },
  ...{ "kg/ha": "perLand", "t/ha": "bulkPerLand", "kg/t": "perTonne", "g/m³": "dose", "g/m": "perRow" },
  ...{ "per kg": "pricePerMass", "per m³": "pricePerBulk", "per m²": "density" },
};

/** Fields that only hold what a record is: their name says nothing to people. */
const HOLDS = new Set(["definition", "settings", "lines", "report", "programme", "product", "crop", "main", "rules"]);

/** Every single value of a record that changed, whatever holds it. */
export function changedLeaves({
  kind,
  known,
  fields,
}: Pick<ChangedRecord, "kind" | "known" | "fields">): ChangedLeaf[] {
  // A reading goes by what was read.
  const named = (path: ChangedField["path"]) =>
    wordsOf(kind === "zone_reading" && path[0] === "value" ? [String(known["kind"])] : path);
  return fields.flatMap(({ path, ...field }) => {
    const was = leavesOf(field.was);
    const is = leavesOf(field.is);
    // What was not there and is not known says nothing.
    const told = [...new Set([...was.keys(), ...is.keys()])].filter(
      (inner) => was.has(inner) || is.get(inner) !== null,
    );
    return told.map((inner) => {
      const whole = [...path, ...(JSON.parse(inner) as ChangedField["path"])];
      return {
        ...named(whole),
        ...(was.has(inner) && { was: was.get(inner) as Leaf }),
        ...(is.has(inner) && { is: is.get(inner) as Leaf }),
      };
    });
  });
}

/** What people know a record by, as its other values are told; what stands beside it already is left out. */
export function knownLeaves(
  { kind, known }: Pick<ChangedRecord, "kind" | "known">,
  zone: string | null,
): ChangedLeaf[] {
  return Object.entries(known)
    .filter(([field, value]) => value !== zone && !(kind === "zone_reading" && field === "kind"))
    .map(([field, is]) => ({ ...wordsOf([field]), is }));
}

/** Single values by their path in a value, written as JSON. */
function leavesOf(value: ChangedField["was"], path: ChangedField["path"] = []): Map<string, Leaf> {
  if (value === undefined) return new Map();
  if (typeof value !== "object" || value === null) return new Map([[JSON.stringify(path), value as Leaf]]);
  const inner = Array.isArray(value) ? [...value.entries()] : Object.entries(value);
  return new Map(inner.flatMap(([step, held]) => [...leavesOf(held, [...path, step])]));
}

/** What people call a field, and what it is measured in, by the path to it. */
export function wordsOf(path: ChangedField["path"]): Pick<ChangedLeaf, "label" | "measure"> {
  const steps = path.filter((step, at) => at === path.length - 1 || !HOLDS.has(String(step)));
  let measure: Measure | null = null;
  const words: string[] = [];
  for (const [at, step] of steps.entries()) {
    if (typeof step === "number") {
      words[words.length - 1] = `${words.at(-1) ?? "entry"} ${step + 1}`;
      continue;
    }
    const read = nameRead(step);
    words.push(read.label);
    if (at === steps.length - 1) measure = read.measure;
  }
  return { label: words.join(", "), measure };
}

function nameRead(step: string): Pick<ChangedLeaf, "label" | "measure"> {
  const name = step
    .replace(/([a-z0-9])([A-Z])/g, "$1_$2")
    .replace(/([A-Z])([A-Z][a-z])/g, "$1_$2")
    .toLowerCase();
  const known = NAMES[name];
  if (known) return { label: known.label, measure: known.measure ?? null };
  // Ions and elements go by their symbols.
  if (/^[A-Z]/.test(step)) return { label: step, measure: null };
  if (name.endsWith("_at_ms"))
    return { label: name.slice(0, -"_ms".length).replaceAll("_", " "), measure: { instant: true } };
  const id = /^(.+)_ids?$/.exec(name)?.[1];
  if (id !== undefined) return { label: id.replaceAll("_", " "), measure: { idOf: id } };
  const { rest, unit } = unitOf(name.split("_"));
  const quantity = unit === null ? undefined : QUANTITIES[unit];
  return {
    label: rest
      .join(" ")
      .replace(/\bec\b/, "EC")
      .replace(/\bph\b/, "pH"),
    measure: unit === null ? null : quantity ? { quantity } : { unit },
  };
}

/** The unit that a name ends with, as `kg_ha` for kg/ha, and what is left of it: one word at least. */
function unitOf(words: readonly string[]): { readonly rest: readonly string[]; readonly unit: string | null } {
  const [last = "", before = "", ...earlier] = words.toReversed();
  const [one, per] = [UNITS[last], PER[last]];
  const over = UNITS[before];
  if (per !== undefined && over !== undefined && earlier.length > 0)
    return { rest: earlier.toReversed(), unit: `${over}/${per}` };
  if (one === undefined || before === "") return { rest: words, unit: null };
  const isPer = before === "per" || before === "price" || before === "cost";
  const rest = [...earlier.toReversed(), ...(before === "per" ? [] : [before])];
  return rest.length > 0 ? { rest, unit: isPer ? `per ${one}` : one } : { rest: words, unit: null };
}
