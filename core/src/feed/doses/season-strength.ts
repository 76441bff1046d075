import { Checks } from "../../working/checks.ts";
import { fill, Worksheet, type WorkingStep } from "../../working/working.ts";

export const SEASON_POLICIES = [
  "same-strength",
  "same-ration",
  "stronger-in-low-light",
  "stronger-in-high-use",
] as const;
export type SeasonPolicy = (typeof SEASON_POLICIES)[number];

/** How the strength of a feed follows the season, and the day that it was meant for. */
export interface SeasonRule {
  readonly policy: SeasonPolicy;
  /** what the crop takes on the day that the strength was meant for, L/m² */
  readonly usualWaterLM2: number;
  /** light inside on that day, mol/m² */
  readonly usualLightMolM2: number;
  /** the factor stays between these, 0.2 to 1 and 1 to 3 */
  readonly least: number;
  readonly most: number;
}

interface SeasonInput extends SeasonRule {
  /** what the crop takes on the day, L/m², and light inside on it, mol/m² */
  readonly waterLM2: number;
  readonly lightMolM2: number;
}

interface SeasonStrength {
  readonly factor: number;
  /** the policy asked for more or less than the limits allow */
  readonly limited: boolean;
  readonly working: readonly WorkingStep[];
}

/**
 * The day's factor on the strength of a feed, by a policy of the season, within limits.
 *
 * `same-ration` keeps grams a day: strength goes with the inverse of the water taken. In low light it rises with the
 * share of light that is missing; in high use with the share of water over the usual. Both are usual practice in their
 * direction; the straight line is assumed.
 */
export function seasonStrength(input: SeasonInput): SeasonStrength {
  const { policy, waterLM2, usualWaterLM2, lightMolM2, usualLightMolM2, least, most } = input;
  new Checks()
    .positive("waterLM2", "The day's water", waterLM2, 30, "L/m²")
    .positive("usualWaterLM2", "The usual water", usualWaterLM2, 30, "L/m²")
    .range("lightMolM2", "The day's light", lightMolM2, 0, 80, "mol/m²")
    .positive("usualLightMolM2", "The usual light", usualLightMolM2, 80, "mol/m²")
    .range("least", "The least factor", least, 0.2, 1)
    .range("most", "The greatest factor", most, 1, 3)
    .done();
  const sheet = new Worksheet();
  const [formula, substituted, wanted] = {
    "same-strength": ["1", "1", 1] as const,
    "same-ration": ["usual water / water", fill`${usualWaterLM2} ÷ ${waterLM2}`, usualWaterLM2 / waterLM2] as const,
    "stronger-in-low-light": [
      "1 + (most − 1) · (1 − light / usual light)",
      fill`1 + (${most} − 1) × (1 − ${lightMolM2} ÷ ${usualLightMolM2})`,
      1 + (most - 1) * (1 - lightMolM2 / usualLightMolM2),
    ] as const,
    "stronger-in-high-use": [
      "1 + (most − 1) · (water / usual water − 1)",
      fill`1 + (${most} − 1) × (${waterLM2} ÷ ${usualWaterLM2} − 1)`,
      1 + (most - 1) * (waterLM2 / usualWaterLM2 - 1),
    ] as const,
  }[policy];
  sheet.note("Factor of the policy", formula, substituted, wanted, "", "policy as chosen");
  const factor = sheet.note(
    "Factor within its limits",
    "least ≤ factor ≤ most",
    fill`${least} ≤ ${wanted} ≤ ${most}`,
    Math.min(most, Math.max(least, wanted)),
    "",
    "limits as entered",
  );
  return { factor, limited: factor !== wanted, working: sheet.steps };
}
