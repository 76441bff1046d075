import { CHARGE, chargeBalance, isTrace, IONS, type ChargeBalance, type Ions } from "../../chemistry/ions.ts";
import { ecMsCm } from "../../chemistry/solution.ts";
import { fill, showNumber, type Worksheet } from "../../working/working.ts";
import type { RecipeInput } from "./recipe-input.ts";
import type { RecipeSolution } from "./recipe-lp.ts";
import { bringsPerGram } from "./recipe-model.ts";

export interface RecipeRow {
  readonly productId: string;
  readonly name: string;
  readonly gM3: number;
  readonly tankId: string;
  readonly kgPerTank: number;
}

export interface TankSaturation {
  readonly product: string;
  readonly where: "tank";
  readonly tankId: string;
  readonly solubilitySharePct: number;
  readonly verdict: string;
}

/** Every ion's sum, so that the recipe can be redone with a pencil. */
export function noteIons({ water }: RecipeInput, ions: Ions, { grams }: RecipeSolution, sheet: Worksheet): void {
  for (const ion of IONS) {
    const parts = grams.flatMap(({ product, gM3 }) => {
      const each = bringsPerGram(product, ion);
      return each === 0
        ? []
        : [`${showNumber(gM3)} g/m³ × ${showNumber(each * (isTrace(ion) ? 1 : 1000))} ${product.id}`];
    });
    if (parts.length === 0 && (water.ions[ion] ?? 0) === 0) continue;
    const divisor = isTrace(ion) ? "" : " ÷ 1000";
    sheet.note(
      ion,
      isTrace(ion) ? "water + Σ grams · mmol/g" : "water + Σ grams · mmol/g ÷ 1000",
      parts.length === 0
        ? showNumber(water.ions[ion] ?? 0)
        : `${showNumber(water.ions[ion] ?? 0)} + (${parts.join(" + ")})${divisor}`,
      ions[ion] ?? 0,
      isTrace(ion) ? "µmol/L" : "mmol/L",
      "mass balance; composition of each product",
    );
  }
}

/** What goes into each tank: a litre of concentrate makes as many litres of feed as its dilution says. */
export function tankRows({ grams }: RecipeSolution, sheet: Worksheet): RecipeRow[] {
  return grams.map(({ product, room: { tank }, gM3 }) => ({
    productId: product.id,
    name: product.name,
    gM3,
    tankId: tank.id,
    kgPerTank: sheet.note(
      `${product.name} in tank ${tank.id}`,
      "g/m³ · dilution · litres of the tank ÷ 1 000 000",
      fill`${gM3} × ${tank.dilution} × ${tank.volumeL} ÷ 1000000`,
      (gM3 * tank.dilution * tank.volumeL) / 1e6,
      "kg",
      "mass balance",
    ),
  }));
}

/** How near each solid comes to what a tank dissolves. */
export function tankSaturation({ grams }: RecipeSolution, sheet: Worksheet): TankSaturation[] {
  return grams.flatMap(({ product, room, gM3 }) => {
    if (!product.solubilityGL || room.holds === "direct") return [];
    const share = sheet.note(
      `${product.name} of what dissolves, tank ${room.tank.id}`,
      "g/m³ · dilution ÷ 1000 ÷ solubility · 100",
      fill`${gM3} × ${room.tank.dilution} ÷ 1000 ÷ ${product.solubilityGL} g/L × 100`,
      (100 * gM3 * room.tank.dilution) / 1000 / product.solubilityGL,
      "%",
      "solubility of the product at the tank's temperature",
    );
    const verdict =
      share > 70 ? "close to its limit: dissolve it in warm water and keep the store from getting colder" : "dissolves";
    return [{ product: product.id, where: "tank" as const, tankId: room.tank.id, solubilitySharePct: share, verdict }];
  });
}

/** Charges of the feed, from real salts and a real water: they differ by what the water's own report is off. */
export function noteCharges(ions: Ions, sheet: Worksheet): ChargeBalance {
  const balance = chargeBalance(ions);
  const sides = { Cations: [1, balance.cationsMeqL], Anions: [-1, balance.anionsMeqL] } as const;
  for (const [side, [sign, sum]] of Object.entries(sides))
    sheet.note(
      side,
      "Σ mmol/L · charge",
      IONS.filter((ion) => sign * CHARGE[ion] * (ions[ion] ?? 0) > 0)
        .map((ion) => fill`${ion} ${ions[ion] ?? 0} × ${Math.abs(CHARGE[ion])}`())
        .join(" + "),
      sum,
      "meq/L",
      "definition",
    );
  return balance;
}

/** The figures of the feed as a whole. */
export function feedSums(ions: Ions, ph: number, { grams, costPerM3 }: RecipeSolution, sheet: Worksheet) {
  const { NO3 = 0, NH4 = 0, urea = 0 } = ions;
  const nitrogen = NO3 + NH4 + urea;
  const priced = grams.filter(({ product }) => product.priceKg !== undefined);
  sheet.note(
    "Cost of a m³",
    "Σ g/m³ · price ÷ 1000",
    priced.length === 0
      ? "no product has a price"
      : `(${priced.map(({ product, gM3 }) => fill`${gM3} × ${product.priceKg ?? 0}`()).join(" + ")}) ÷ 1000`,
    costPerM3,
    "a m³",
    "prices of the shelf; products without one are left out",
  );
  const nh4SharePct = sheet.note(
    "Nitrogen as ammonium",
    "NH₄ / (NO₃ + NH₄ + urea) · 100",
    fill`${NH4} ÷ (${NO3} + ${NH4} + ${urea}) × 100`,
    nitrogen === 0 ? 0 : (100 * NH4) / nitrogen,
    "%",
    "definition",
  );
  sheet.note(
    "pH in the closed line",
    "the pH at which carbon and phosphate hold the alkalinity that is left",
    fill`${ions.HCO3 ?? 0} mmol/L left, with ${ions.H2PO4 ?? 0} mmol/L of phosphate`,
    ph,
    "",
    "Stumm & Morgan (1996), chapter 4; Plummer & Busenberg (1982)",
  );
  const ec = sheet.note(
    "EC at the dripper",
    "Σ Λ°·c·γ^α over the free ions, ion pairs taken off",
    fill`${() =>
      IONS.filter((ion) => !isTrace(ion) && ion !== "urea" && (ions[ion] ?? 0) > 0)
        .map((ion) => `${ion} ${showNumber(ions[ion] ?? 0)}`)
        .join(", ")} mmol/L at pH ${ph}`,
    ecMsCm(ions, ph),
    "mS/cm",
    "Appelo (2010)",
  );
  return { costPerM3, nh4SharePct, ecMsCm: ec };
}
