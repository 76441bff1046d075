import { expect, test } from "@playwright/test";
import { expectNoSeriousFaults } from "./accessibility.ts";
import { DemoServer } from "./demo-server.ts";

const server = new DemoServer();
test.describe.configure({ mode: "serial" });
test.beforeAll(() => server.start("own"));
test.afterAll(() => server.remove());

test("an empty site asks where it is, then five questions, and the first zone has a plan at once", async ({ page }) => {
  await page.goto("/");
  await expect(page.getByRole("heading", { name: "Good morning." })).toBeVisible();
  await expectNoSeriousFaults(page);
  await page.getByRole("link", { name: "Describe your site" }).click();
  await page.getByLabel("Name of the site").fill("My place");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("Latitude is missing; give -70 to 70 °, north positive.")).toBeVisible();
  await page.getByLabel("Latitude").fill("43.4");
  await page.getByLabel("Longitude").fill("-1.5");
  await page.getByLabel("Elevation").fill("60");
  await page.getByRole("button", { name: "Save" }).click();

  await page.getByRole("combobox", { name: "Crop" }).click();
  await page.getByTitle("Courgette").click();
  await expect(page.getByLabel("Name of the zone")).toHaveValue("Courgette");
  await page.getByLabel("Name of the zone").fill("Bench by the door, the one with the very long name");
  await page.getByLabel("Planted on").fill("2026-05-01");
  // Three plants in a bag of 20 L that holds 60 %; one in a pot of 12 L that holds 40 %.
  await page.getByText("All else, with the figures it starts from").click();
  await expect(page.getByRole("textbox", { name: "Water held per plant" })).toHaveValue("4");
  await page.getByLabel("How many rows").fill("4");
  await page.getByLabel("Each so long").fill("30");
  await page.getByRole("combobox", { name: "Grown in" }).click();
  await page.getByTitle("pots", { exact: true }).click();
  await expect(page.getByRole("textbox", { name: "Water held per plant" })).toHaveValue("4.8");
  await page.getByRole("combobox", { name: "Growing system" }).click();
  await page.getByTitle("soil, drip lines").click();
  await page.getByLabel("How many beds").fill("4");
  await page.getByLabel("Each so long").fill("50");
  await expect(page.getByText("320 m² · 800 plants, 2.5 per m² · 2000 drippers give 2 200 L/h")).toBeVisible();
  // 800 places ÷ (0.9 · 0.95), rounded up.
  await expect(page.getByText("936 seeds to sow")).toBeVisible();
  await expectNoSeriousFaults(page);
  await page.getByRole("button", { name: "Add zone" }).click();
  await expect(page.getByRole("link", { name: /Bench by the door/ })).toBeVisible();
  await page.getByRole("link", { name: "Sprunel" }).click();
  const row = page.getByRole("row", { name: /Bench by the door/ });
  await expect(row).toContainText(/\d L/);
  await expect(row).toContainText("Flowering");
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(1280);
});
