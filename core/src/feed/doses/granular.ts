import { Checks } from "../../working/checks.ts";
import { fill, Worksheet, type WorkingStep } from "../../working/working.ts";

interface GranularInput {
  /** nutrient wanted on the ground, kg/ha */
  readonly nutrientKgHa: number;
  /** of that nutrient in the bag, % */
  readonly contentPct: number;
  readonly areaM2: number;
  readonly beds: number;
  /** all rows of plants together, m */
  readonly rowM: number;
  readonly plants: number;
}

interface Granular {
  readonly kgHa: number;
  readonly zoneKg: number;
  readonly bedKg: number;
  readonly rowMetreG: number;
  readonly plantG: number;
  readonly warnings: readonly string[];
  readonly working: readonly WorkingStep[];
}

/** More of a salt in one strip beside young plants burns roots; usual practice, g on a metre of row. */
const MOST_BANDED_G_M = 60;

/** A dressing from kg of nutrient on a hectare to kg for the zone and a bed, grams for a metre of row and a plant. */
export function granularDressing(input: GranularInput): Granular {
  const { nutrientKgHa, contentPct, areaM2, beds, rowM, plants } = input;
  new Checks()
    .range("nutrientKgHa", "The nutrient", nutrientKgHa, 0, 2000, "kg/ha")
    .range("contentPct", "Its share of the bag", contentPct, 0.1, 100, "%")
    .positive("areaM2", "The area", areaM2, 1_000_000, "m²")
    .range("beds", "The beds", beds, 1, 2000)
    .positive("rowM", "The rows", rowM, 10_000_000, "m")
    .range("plants", "The plants", plants, 1, 10_000_000)
    .done();
  const sheet = new Worksheet();
  const kgHa = sheet.note(
    "Of the bag on a hectare",
    "nutrient / content",
    fill`${nutrientKgHa} ÷ ${contentPct / 100}`,
    nutrientKgHa / (contentPct / 100),
    "kg/ha",
    "label",
  );
  const zoneKg = sheet.note(
    "For the zone",
    "kg/ha · area / 10 000",
    fill`${kgHa} × ${areaM2} ÷ 10 000`,
    (kgHa * areaM2) / 10_000,
    "kg",
    "1 ha is 10 000 m²",
  );
  const rowMetreG = sheet.note(
    "On a metre of row",
    "kg · 1000 / metres",
    fill`${zoneKg} × 1000 ÷ ${rowM}`,
    (zoneKg * 1000) / rowM,
    "g",
    "layout",
  );
  const plantG = sheet.note(
    "For a plant",
    "kg · 1000 / plants",
    fill`${zoneKg} × 1000 ÷ ${plants}`,
    (zoneKg * 1000) / plants,
    "g",
    "layout",
  );
  if (rowMetreG > MOST_BANDED_G_M)
    sheet.warn(`${rowMetreG.toFixed(0)} g on a metre is much for one strip: spread it over the bed, or split it.`);
  return { kgHa, zoneKg, bedKg: zoneKg / beds, rowMetreG, plantG, warnings: sheet.warnings, working: sheet.steps };
}
