import AxeBuilder from "@axe-core/playwright";
import { expect, type Page } from "@playwright/test";

/** No finding that keeps somebody from using what is on the screen now. */
export async function expectNoSeriousFaults(page: Page): Promise<void> {
  // Our pages have no frames of others, and nobody reads what passes: four times as fast without both.
  const { violations } = await new AxeBuilder({ page })
    .setLegacyMode(true)
    .options({ resultTypes: ["violations"] })
    .analyze();
  const serious = violations.filter((violation) => violation.impact === "serious" || violation.impact === "critical");
  expect(serious.map((violation) => `${violation.id}: ${violation.nodes.map((node) => node.html).join(" ")}`)).toEqual(
    [],
  );
}
