import AxeBuilder from "@axe-core/playwright";
import { expect, type Page } from "@playwright/test";

/** No finding that keeps somebody from using what is on the screen now. */
export async function expectNoSeriousFaults(page: Page): Promise<void> {
  const { violations } = await new AxeBuilder({ page }).analyze();
  const serious = violations.filter((violation) => violation.impact === "serious" || violation.impact === "critical");
  expect(serious.map((violation) => `${violation.id}: ${violation.nodes.map((node) => node.html).join(" ")}`)).toEqual(
    [],
  );
}
