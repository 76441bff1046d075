import type { Ion, Ions } from "../../chemistry/ions.ts";
import { ecMsCm } from "../../chemistry/solution.ts";
import { Checks } from "../../working/checks.ts";
import { fill, Worksheet, type WorkingStep } from "../../working/working.ts";
import type { Product } from "../products/product.ts";
import { mayStandTogether } from "../recipe/together.ts";

export interface InjectionInput {
  /** of one dose, for the whole zone, as bought */
  readonly products: readonly { readonly product: Product; readonly kg: number }[];
  /** of the zone, L/h */
  readonly flowLh: number;
  /** what it is injected into; null where nobody tested it. Without its pH that of usual waters: EC hardly hangs on it */
  readonly water: { readonly ions: Ions; readonly ph?: number | undefined } | null;
  readonly injectMin: number;
  /** until a solution comes out of the farthest dripper, min: so long water runs before and after */
  readonly travelMin: number;
  /** at the dripper, mS/cm; null without a limit */
  readonly mostEcMsCm: number | null;
}

export interface Injection {
  /** water until the lines are full, then the dose, then water until it is out of them */
  readonly fillMin: number;
  readonly injectMin: number;
  readonly flushMin: number;
  readonly runL: number;
  /** L of concentrate in which the bags dissolve with room to spare; null where a solubility, or a liquid's density, is not known */
  readonly stockL: number | null;
  /** mL of concentrate in a minute; null likewise */
  readonly stockMlMin: number | null;
  /** g of all bags in a minute */
  readonly gMin: number;
  /** mL of each liquid whose density is known */
  readonly liquids: readonly { readonly productId: string; readonly mL: number }[];
  /** at the dripper while it is injected; null while the water is not known */
  readonly ecMsCm: number | null;
  /** shortest injection that keeps under the limit; null where there is none, or none would be long enough */
  readonly leastMin: number | null;
  readonly warnings: readonly string[];
  readonly working: readonly WorkingStep[];
}

/** A concentrate is mixed to this share of what would just dissolve: water is cold, and stirring short. Usual practice. */
const SHARE_OF_SOLUBILITY = 0.8;
const USUAL_WATER_PH = 7;
const MOST_MIN = 600;
const HALVINGS = 40;

/**
 * How a dose goes into the water: how much concentrate, how fast, and how strong it comes out of the dripper.
 *
 * @throws {DomainError} for values that cannot be, all at once
 * @see EC from ions as everywhere here, `chemistry/solution.ts`; urea carries no current. Salts are taken to dissolve each in water
 *   of its own, which is on the safe side where they share an ion
 */
export function injection(input: InjectionInput): Injection {
  const { products, flowLh, water, injectMin, travelMin, mostEcMsCm } = input;
  const checks = new Checks()
    .positive("flowLh", "The zone's flow", flowLh, 1e7, "L/h")
    .positive("injectMin", "The minutes of injection", injectMin, MOST_MIN, "min")
    .range("travelMin", "The minutes to the farthest dripper", travelMin, 0, MOST_MIN, "min")
    .range("mostEcMsCm", "The most EC at the dripper", mostEcMsCm ?? undefined, 0.1, 20, "mS/cm");
  products.forEach(({ product: { name }, kg }, at) => checks.range(`products.${at}.kg`, name, kg, 0, 1_000_000, "kg"));
  checks.done();
  const sheet = new Worksheet();
  const litres = (minutes: number): number => (flowLh * minutes) / 60;
  const runL = sheet.note(
    "Water of the run",
    "flow · (fill + inject + flush) / 60",
    fill`${flowLh} × (${travelMin} + ${injectMin} + ${travelMin}) ÷ 60`,
    litres(injectMin + 2 * travelMin),
    "L",
    "the lines filled before, and rinsed after",
  );
  const stockL = stockOf(products, sheet);
  const grams = products.reduce((sum, { kg }) => sum + kg * 1000, 0);
  const ecOver = (minutes: number): number | null => water && ecWith(water, products, litres(minutes));
  const ec = ecOver(injectMin);
  if (ec !== null)
    sheet.note(
      "EC at the dripper",
      "EC of water and dose together",
      fill`${grams} g in ${litres(injectMin)} L`,
      ec,
      "mS/cm",
      "ions of water and bags, at the water's pH",
    );
  const leastMin = mostEcMsCm === null ? null : shortest(ecOver, mostEcMsCm);
  if (mostEcMsCm !== null && ec !== null && ec > mostEcMsCm)
    sheet.warn(
      leastMin === null
        ? `The water alone is stronger than ${mostEcMsCm} mS/cm: no injection is long enough.`
        : `${ec.toFixed(1)} mS/cm come out of the dripper, and ${mostEcMsCm} are allowed: inject for ${Math.ceil(leastMin)} min at least.`,
    );
  for (const reason of clashesIn(products.map(({ product }) => product)))
    sheet.warn(`${reason} Inject them one after the other, with water between.`);
  return {
    fillMin: travelMin,
    injectMin,
    flushMin: travelMin,
    runL,
    stockL,
    stockMlMin: stockL === null ? null : (stockL * 1000) / injectMin,
    gMin: grams / injectMin,
    liquids: products.flatMap(({ product: { id, form, densityKgL }, kg }) =>
      form === "liquid" && densityKgL ? [{ productId: id, mL: (kg / densityKgL) * 1000 }] : [],
    ),
    ecMsCm: ec,
    leastMin,
    warnings: sheet.warnings,
    working: sheet.steps,
  };
}

/** L of concentrate; liquids go in as they are. */
function stockOf(products: InjectionInput["products"], sheet: Worksheet): number | null {
  const parts = products.map(({ product: { name, form, solubilityGL, densityKgL }, kg }) => {
    if (form === "liquid") return densityKgL === undefined ? null : kg / densityKgL;
    if (solubilityGL === undefined) return null;
    return sheet.note(
      `Concentrate for ${name}`,
      "g / (solubility · share)",
      fill`${kg * 1000} ÷ (${solubilityGL} × ${SHARE_OF_SOLUBILITY})`,
      (kg * 1000) / (solubilityGL * SHARE_OF_SOLUBILITY),
      "L",
      "solubility in the coldest tank; share by usual practice",
    );
  });
  return parts.every((part) => part !== null) ? parts.reduce((sum, part) => sum + part, 0) : null;
}

/**
 * EC of a water with so much of some products in so many litres of it, mS/cm at 25 °C. An acid takes away bicarbonate first.
 *
 * @see `chemistry/solution.ts`
 */
export function ecWith(
  { ions, ph = USUAL_WATER_PH }: NonNullable<InjectionInput["water"]>,
  products: InjectionInput["products"],
  litres: number,
): number {
  const all: Partial<Record<Ion, number>> = { ...ions };
  let protons = 0;
  for (const { product, kg } of products)
    for (const [ion, mmolG] of Object.entries(product.composition)) {
      const mmolL = (mmolG * kg * 1000) / litres;
      if (ion === "H") protons += mmolL;
      else all[ion as Ion] = (all[ion as Ion] ?? 0) + mmolL;
    }
  return ecMsCm({ ...all, HCO3: Math.max(0, (all.HCO3 ?? 0) - protons) }, ph);
}

/** The shortest injection whose EC is under a limit. */
function shortest(ecOver: (minutes: number) => number | null, most: number): number | null {
  const atMost = ecOver(MOST_MIN);
  if (atMost === null || atMost > most) return null;
  let [low, high] = [1e-3, MOST_MIN];
  for (let step = 0; step < HALVINGS; step++) {
    const middle = (low + high) / 2;
    if ((ecOver(middle) ?? Infinity) > most) low = middle;
    else high = middle;
  }
  return high;
}

function clashesIn(products: readonly Product[]): readonly string[] {
  return products.flatMap((one, at) =>
    products.slice(at + 1).flatMap((other) => {
      const { ok, reason } = mayStandTogether(one, other);
      return ok ? [] : [reason];
    }),
  );
}
