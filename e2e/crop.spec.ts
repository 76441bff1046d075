import { expect, test, type Page } from "@playwright/test";
import { expectNoSeriousFaults } from "./accessibility.ts";
import { DemoServer } from "./demo-server.ts";

test.describe("crops of an empty site", () => {
  const server = new DemoServer();
  test.describe.configure({ mode: "serial" });
  test.beforeAll(() => server.start("own"));
  test.afterAll(() => server.remove());

  async function choose(page: Page, label: string, name: string): Promise<void> {
    await page.getByRole("combobox", { name: label }).click();
    await page.getByRole("combobox", { name: label }).fill(name);
    await page.getByTitle(name, { exact: true }).click();
  }
  async function addZone(page: Page, plantedOn: string, name: string): Promise<void> {
    await page.getByLabel("Planted on").fill(plantedOn);
    await page.getByLabel("How many rows").fill("4");
    await page.getByLabel("Each so long").fill("30");
    await page.getByRole("button", { name: "Add zone" }).click();
    await expect(page.getByRole("link", { name, exact: true })).toBeVisible();
  }

  test("a crop of one's own comes from the nearest one to today's litres", async ({ page }) => {
    await page.goto("/set-up");
    await page.getByLabel("Name of the site").fill("My place");
    await page.getByLabel("Latitude").fill("43.4");
    await page.getByLabel("Longitude").fill("-1.5");
    await page.getByLabel("Elevation").fill("60");
    await page.getByRole("button", { name: "Save" }).click();
    await expect(page.getByRole("combobox", { name: "Crop" })).toBeVisible();

    await page.goto("/crops");
    await expectNoSeriousFaults(page);
    await page.getByRole("textbox", { name: "Find a crop" }).fill("tomato");
    await page.getByRole("link", { name: /^Tomato/ }).click();
    await page.getByRole("button", { name: "Begin a crop of your own from it" }).click();
    await page.getByLabel("Name of your crop").fill("Plum tomato, ours");
    await page.getByRole("button", { name: "Begin it" }).click();
    await expect(page.getByRole("heading", { level: 1, name: "Plum tomato, ours" })).toBeVisible();
    await page.getByLabel("Establishment: lasts").fill("14");
    await page.getByLabel("Establishment: Kc at its end").fill("12");
    await page.getByRole("button", { name: "Save the crop" }).click();
    await expect(page.getByText(/must be 0\.1 to 1\.6, not 12/).first()).toBeVisible();
    await page.getByLabel("Establishment: Kc at its end").fill("0.7");
    await page.getByRole("button", { name: "Save the crop" }).click();
    await expect(page.getByText(/from Tomato: 2 figures differ/)).toBeVisible();
    await expectNoSeriousFaults(page);

    await page.goto("/set-up?zone=new");
    await choose(page, "Crop", "Plum tomato, ours");
    await addZone(page, "2026-05-10", "Plum tomato, ours");
    await page.getByRole("link", { name: "Sprunel" }).click();
    const row = page.getByRole("row", { name: /Plum tomato, ours/ });
    await expect(row).toContainText(/[1-9][\d ]* ?L/);
    await row.getByRole("cell").nth(4).click();
    await expect(page.getByRole("region", { name: "What the stage asks for" })).toContainText("Tomato");
  });

  for (const [name, stage] of [
    ["Poinsettia", /Pinch and growth|Rooting/],
    ["Rice", /Establishment|Tillering/],
    ["Lisianthus", /Establishment|Stem growth/],
  ] as const)
    test(`${name} is planted from the library and has its stages and a feed`, async ({ page }) => {
      await page.goto("/set-up?zone=new");
      await choose(page, "Crop", name);
      await addZone(page, "2026-05-25", name);
      await page.getByRole("link", { name: "Sprunel" }).click();
      const row = page.getByRole("row", { name: new RegExp(name) });
      await expect(row).toContainText(stage);
      await row.getByRole("cell").nth(4).click();
      await expect(page.getByRole("row", { name: /^Feed:/ })).toContainText("mS/cm");
    });
});

test.describe("crops of the nursery", () => {
  const server = new DemoServer();
  test.describe.configure({ mode: "serial" });
  test.beforeAll(() => server.start());
  test.afterAll(() => server.remove());

  test("a night that was missed puts the sale off by a day, and back", async ({ page }) => {
    await page.goto("/zones/4/crop");
    const nights = page.getByRole("region", { name: "Nights" });
    await expect(nights).toContainText(/17:30 draw the cloth/);
    await expect(nights).toContainText(/\d+ of 42 short days/);
    const before = await nights.getByText(/flowering and sale from/i).textContent();
    await nights.getByRole("button", { name: /Night of 10 Jun.*counted/ }).click();
    await nights.getByRole("button", { name: "It was missed" }).click();
    await expect(nights.getByText(/flowering and sale from/i)).not.toHaveText(before ?? "");
    await nights.getByRole("button", { name: /Night of 10 Jun.*missed/ }).click();
    await nights.getByRole("button", { name: "It was kept after all" }).click();
    await expect(nights.getByText(/flowering and sale from/i)).toHaveText(before ?? "");
    await expectNoSeriousFaults(page);
  });

  test("what the air did stands under the ribbon, and the dates go into a calendar", async ({ page, request }) => {
    await page.goto("/zones/1/crop");
    await expect(page.getByRole("img", { name: /Warmth by day: \d+ of \d+ days outside/ })).toBeVisible();
    await expectNoSeriousFaults(page);
    await page.goto("/crop");
    await page.getByRole("button", { name: "In your telephone’s calendar" }).click();
    const address = (await page.getByText(/\/api\/calendar\//).textContent()) ?? "";
    const feed = await (await request.get(address)).text();
    expect(feed).toContain("BEGIN:VCALENDAR");
    expect(feed).toContain("Succulent mats: cloth drawn");
  });
});
