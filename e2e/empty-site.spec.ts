import { expect, test } from "@playwright/test";
import { DemoServer } from "./demo-server.ts";

const server = new DemoServer();
test.beforeAll(() => server.start("server"));
test.afterAll(() => server.remove());

test("an empty site says what to enter first, and leads to a first zone", async ({ page }) => {
  await page.goto("/");
  await page.getByRole("link", { name: "Describe your site" }).click();
  await page.getByLabel("Name of the site").fill("My place");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("Latitude is missing; give -65 to 65 °, north positive.")).toBeVisible();
  await page.getByLabel("Latitude").fill("43.4");
  await page.getByLabel("Longitude").fill("-1.5");
  await page.getByLabel("Elevation").fill("60");
  await page.getByRole("button", { name: "Save" }).click();
  await page.getByLabel("Name of the zone").fill("Bench by the door, the one with the very long name");
  await page.getByLabel("House").fill("Glass");
  await page.getByLabel("Light through the cover").fill("65");
  await page.getByLabel("Area").fill("120");
  await page.getByLabel("Plants").fill("240");
  await page.getByLabel("Flow of the whole zone").fill("480");
  await page.getByLabel("Water held per plant").fill("4");
  await page.getByRole("button", { name: "Add zone" }).click();
  await page.getByRole("link", { name: "Sprunel" }).click();
  const row = page.getByRole("row", { name: /Bench by the door/ });
  await expect(row).toContainText("nothing planted");
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(1280);
});
