import { Checks } from "../../working/checks.ts";
import { molarMassG } from "../../chemistry/formula.ts";
import { CHARGE, type Ion } from "../../chemistry/ions.ts";
import { fill, Worksheet, type WorkingStep } from "../../working/working.ts";
import type { Composition } from "./product.ts";

/** What a bag's label may name, mass per cent: nitrogen by its forms, the rest as oxide or element. */
export const LABEL_PARTS = {
  nitrateN: { name: "Nitrate N", formula: "N", ion: "NO3", atoms: 1 },
  ammoniumN: { name: "Ammonium N", formula: "N", ion: "NH4", atoms: 1 },
  ureaN: { name: "Urea N", formula: "N", ion: "urea", atoms: 1 },
  P2O5: { name: "P₂O₅", formula: "P2O5", ion: "H2PO4", atoms: 2 },
  P: { name: "P", formula: "P", ion: "H2PO4", atoms: 1 },
  K2O: { name: "K₂O", formula: "K2O", ion: "K", atoms: 2 },
  K: { name: "K", formula: "K", ion: "K", atoms: 1 },
  CaO: { name: "CaO", formula: "CaO", ion: "Ca", atoms: 1 },
  Ca: { name: "Ca", formula: "Ca", ion: "Ca", atoms: 1 },
  MgO: { name: "MgO", formula: "MgO", ion: "Mg", atoms: 1 },
  Mg: { name: "Mg", formula: "Mg", ion: "Mg", atoms: 1 },
  SO3: { name: "SO₃", formula: "SO3", ion: "SO4", atoms: 1 },
  S: { name: "S", formula: "S", ion: "SO4", atoms: 1 },
  Cl: { name: "Cl", formula: "Cl", ion: "Cl", atoms: 1 },
  Na: { name: "Na", formula: "Na", ion: "Na", atoms: 1 },
  Fe: { name: "Fe", formula: "Fe", ion: "Fe", atoms: 1 },
  Mn: { name: "Mn", formula: "Mn", ion: "Mn", atoms: 1 },
  Zn: { name: "Zn", formula: "Zn", ion: "Zn", atoms: 1 },
  B: { name: "B", formula: "B", ion: "B", atoms: 1 },
  Cu: { name: "Cu", formula: "Cu", ion: "Cu", atoms: 1 },
  Mo: { name: "Mo", formula: "Mo", ion: "Mo", atoms: 1 },
} as const satisfies Record<string, { name: string; formula: string; ion: Ion; atoms: number }>;
export type LabelPart = keyof typeof LABEL_PARTS;
export type Label = Readonly<Partial<Record<LabelPart, number>>>;

/**
 * A liquid's label by volume, g in 100 mL, as per cent by mass.
 *
 * @throws {DomainError} without a density
 */
export function labelByMass(label: Label, densityKgL: number | null): Label {
  new Checks()
    .when(
      densityKgL === null,
      "missing",
      "densityKgL",
      "A label by volume needs the density: it stands on the can or its data sheet.",
    )
    .range("densityKgL", "The density", densityKgL ?? undefined, 0.7, 3, "kg/L")
    .done();
  return Object.fromEntries(Object.entries(label).map(([part, grams]) => [part, grams / (densityKgL ?? 1)]));
}

/** One thing named twice: the oxide and the element of it. */
const TWICE: readonly (readonly [LabelPart, LabelPart])[] = [
  ["P2O5", "P"],
  ["K2O", "K"],
  ["CaO", "Ca"],
  ["MgO", "Mg"],
  ["SO3", "S"],
];
/** Labels round, and trace salts bring a little charge that is not counted. */
const BALANCED_PCT = 5;
const REFUSED_PCT = 12;

interface LabelledProduct {
  /** mmol/g */
  readonly composition: Composition;
  readonly warnings: readonly string[];
  readonly working: readonly WorkingStep[];
}

/**
 * What a gram of a bag brings, by its label, once the label can be true.
 *
 * A salt is neutral: where cations and anions of the label differ by more than a twelfth of their sum, something is
 * missing from it, as chloride or sulphate often are, and it is refused; from a twentieth on it is doubtful.
 *
 * @param acid whether the product is a free acid: what its anions have over is then its protons
 * @throws {DomainError} for parts outside 0 to 100 %, over 100 % together, named twice, or out of balance
 */
export function compositionOfLabel(label: Label, acid: boolean): LabelledProduct {
  const sheet = new Worksheet();
  const parts = (Object.keys(LABEL_PARTS) as LabelPart[]).filter((part) => (label[part] ?? 0) !== 0);
  const checks = new Checks().when(parts.length === 0, "missing", "label", "Type at least one figure of the label.");
  for (const part of parts) checks.range(`label.${part}`, LABEL_PARTS[part].name, label[part], 0, 100, "%");
  for (const [oxide, element] of TWICE)
    checks.when(
      parts.includes(oxide) && parts.includes(element),
      "not-possible",
      `label.${element}`,
      `${LABEL_PARTS[oxide].name} and ${element} name the same thing; give one of them.`,
    );
  const total = parts.reduce((sum, part) => sum + (label[part] ?? 0), 0);
  checks.when(
    total > 100,
    "not-possible",
    "label",
    `The label adds up to ${total.toFixed(1)} %, which no bag can hold.`,
  );
  checks.done();
  const amounts = new Map<Ion, number>();
  for (const part of parts) {
    const { name, formula, ion, atoms } = LABEL_PARTS[part];
    const mmolG = sheet.note(
      `${ion} from ${name}`,
      "per cent · 10 · atoms / molar mass",
      fill`${label[part] ?? 0} × 10 × ${atoms} ÷ ${molarMassG(formula)}`,
      ((label[part] ?? 0) * 10 * atoms) / molarMassG(formula),
      "mmol/g",
      "formula of the label's convention",
    );
    amounts.set(ion, (amounts.get(ion) ?? 0) + mmolG);
  }
  const over = closeCharge(amounts, acid, sheet);
  return {
    composition: { ...Object.fromEntries(amounts), ...(over > 0 && { H: over }) },
    warnings: sheet.warnings,
    working: sheet.steps,
  };
}

/** @returns protons of an acid, mmol/g */
function closeCharge(amounts: ReadonlyMap<Ion, number>, acid: boolean, sheet: Worksheet): number {
  const sum = (sign: 1 | -1): number =>
    [...amounts].reduce((total, [ion, amount]) => total + Math.max(0, sign * CHARGE[ion] * amount), 0);
  const [cations, anions] = [sum(1), sum(-1)];
  if (cations + anions === 0) return 0;
  const gap = sheet.note(
    "Charges of the label",
    "cations − anions",
    fill`${cations} − ${anions}`,
    cations - anions,
    "meq/g",
    "a salt is neutral",
  );
  if (acid && gap < 0) return -gap;
  const pct = (100 * Math.abs(gap)) / (cations + anions);
  const missing = gap > 0 ? "chloride, sulphate, nitrate or carbonate" : "ammonium, potassium, sodium or a free acid";
  new Checks()
    .when(
      pct > REFUSED_PCT,
      "not-possible",
      "label",
      `The label cannot be whole: ${Math.abs(gap).toFixed(2)} meq in a gram have no partner. Look for ${missing} on the bag or its data sheet.`,
    )
    .done();
  if (pct > BALANCED_PCT)
    sheet.warn(`The label is doubtful: its charges differ by ${pct.toFixed(0)} %, and ${missing} may be missing.`);
  return 0;
}
