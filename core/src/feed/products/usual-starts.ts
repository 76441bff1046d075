/**
 * What the small sums of feeding start from until a person types something else. Nothing is planned by them: they are figures
 * of usual practice, in the middle of what labels and growers use, assumed for any one crop.
 */
export const USUAL_STARTS = {
  /** nitrogen of a plain feed from one bag, mg/L */
  oneGradeMgNL: 150,
  /** and the strengths of a table for the wall, with the dilutions that dosers have, one in so many */
  wallMgNL: [50, 75, 100, 125, 150, 200, 250, 300],
  wallDilutions: [50, 100, 128, 200],
  /** L/m² and mol/m² of the day that the strength was set for; how far the strength may move */
  season: { usualWaterLM2: 3, lightMolM2: 12, usualLightMolM2: 18, least: 0.7, most: 1.4 },
  /** a coated fertiliser of a season's length, as labels write it */
  slowRelease: { gL: 3, nPct: 15, longevityDays: 120, statedAtC: 21, temperatureC: 20, pastC: 20, ageDays: 0 },
  /** kg/ha of the nutrient in one dressing, and its share in the grains, % */
  dressing: { nutrientKgHa: 40, contentPct: 15 },
  /** L/m² that a crop drinks in a day */
  uptakeWaterLM2: 3,
  /** mS/cm of a water that nobody has read */
  waterEcMsCm: 0.4,
} as const;

/**
 * Products of the library that most feeds from plain salts are made of: enough for every ion and for acid, in two tanks. What a
 * grower has is another matter; they stand on a new shelf only when somebody asks for them.
 */
export const STARTER_SHELF = [
  "calcium-nitrate",
  "potassium-nitrate",
  "potassium-sulphate",
  "monopotassium-phosphate",
  "magnesium-sulphate-7w",
  "ammonium-nitrate",
  "nitric-acid-60",
  "iron-dtpa-6",
  "manganese-sulphate-1w",
  "zinc-sulphate-7w",
  "boric-acid",
  "copper-sulphate-5w",
  "sodium-molybdate-2w",
] as const;
