import { expect, test, type APIRequestContext } from "@playwright/test";
import { expectNoSeriousFaults } from "./accessibility.ts";
import { DemoServer } from "./demo-server.ts";

const server = new DemoServer();
test.describe.configure({ mode: "serial" });
test.beforeAll(() => server.start("own"));
test.afterAll(() => server.remove());

const common = { plants: 600, uniformityPct: 90, startAfterSunriseMin: 60, endBeforeSunsetMin: 90, minGapMin: 15 };
const bags = {
  ...common,
  system: "substrate",
  areaM2: 300,
  flowLh: 3000,
  waterHeldLPlant: 5,
  easilyAvailablePct: 45,
  pulseSharePct: 6,
};
const tank = { ...common, system: "solution-tank", areaM2: 100, flowLh: 2000, fullLevelCm: 24, topUpAtCm: 23 };
const planting = { clearedOn: null, signs: [], targetPerM2: 6 };

/** A small site with a pump that two of its zones overload together; at half past ten, nobody has said what was given. */
async function describeSite(request: APIRequestContext): Promise<void> {
  const site = {
    ...{ name: "Upper bank", latitudeDeg: 43.4, longitudeDeg: -1.5, elevationM: 60 },
    ...{ timeZone: "Europe/Paris", unitSystem: "metric", currency: "EUR", pumpLh: 4000 },
  };
  expect((await request.post("/api/site", { data: site })).status()).toBe(201);
  const zones = [
    ["Early bags", bags, "courgette", "2026-04-20"],
    ["Late bags", bags, "courgette", "2026-04-24"],
    ["Head tanks", tank, "lettuce-butterhead", "2026-05-18"],
  ] as const;
  for (const [name, definition, cropId, plantedOn] of zones) {
    const plantings = [{ ...planting, cropId, plantedOn }];
    const house = { name: "House", transmissionPct: 65 };
    const zone = { name, house, definition, layout: null, unconfirmed: [], waters: [], plantings };
    expect((await request.post("/api/zones", { data: zone })).status()).toBe(201);
  }
}

test("two zones that the pump cannot carry together run one after the other, and water is said to be given", async ({
  page,
  request,
}) => {
  await describeSite(request);
  await page.goto("/run");
  await expect(page.getByRole("heading", { name: "All of it fits" })).toBeVisible();
  // 3,000 L/h each at a pump of 4,000.
  await expect(page.getByRole("img", { name: /What Pump is asked for: at most 3.000 L\/h/ })).toBeVisible();
  await expectNoSeriousFaults(page);
  await page.getByRole("combobox", { name: "Log other water" }).click();
  await page.getByTitle("Early bags", { exact: true }).click();
  const dialog = page.getByRole("dialog", { name: "Given: Early bags" });
  await dialog.getByLabel(/^Minutes/).fill("3");
  await dialog.getByLabel(/^Litres/).fill("0");
  await dialog.getByRole("button", { name: "It was given" }).click();
  await expect(dialog.getByText(/how much was given/)).toBeVisible();
  await dialog.getByLabel(/^Litres/).fill("123");
  await expectNoSeriousFaults(page);
  await dialog.getByRole("button", { name: "It was given" }).click();
  await expect(dialog).toBeHidden();
  await expect(page.getByText(/Beside the plan: Early bags 123 L at 10:24/)).toBeVisible();
  await page.goto("/zones/1/run");
  await expect(page.getByRole("row", { name: /123.*given/ })).toBeVisible();
  await page.goto("/run/sheet");
  await expect(page.getByRole("row", { name: /open Late bags/ }).first()).toBeVisible();
  const pdf = await page.pdf({ format: "A4" });
  expect(pdf.toString("latin1").match(/\/Type\s*\/Page[^s]/g)).toHaveLength(1);
});

test("a round of readings is typed on an upright tablet by keys alone", async ({ page }) => {
  await page.setViewportSize({ width: 768, height: 1024 });
  await page.goto("/roots?view=round");
  await expect(page.getByLabel("Early bags: Jug under a dripper")).toBeFocused();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(768);
  const walk = ["120", "4", "130", "2.9", "6.2", "2.1", "2.1", "5.7", "110", "4", "96", "3.0"];
  for (const typed of walk) {
    await page.keyboard.type(typed);
    await page.keyboard.press("Enter");
  }
  await expect(page.getByText("27 % drained")).toBeVisible();
  await expect(page.getByLabel("Late bags: Drain pH")).toBeFocused();
  await expectNoSeriousFaults(page);
  await page.reload();
  await expect(page.getByLabel("Late bags: Drain EC")).toHaveValue("3");
  await page.getByLabel("Head tanks: Level").focus();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("button", { name: "Write the round" })).toBeFocused();
  await page.keyboard.press("Enter");
  await expect(page.getByText("Written: readings of 2 zones.")).toBeVisible();
  await page.getByRole("button", { name: "Root zones" }).click();
  await expect(page.getByRole("row", { name: /Early bags/ })).toContainText(/27\.1.% drain/);
  await expect(page.getByRole("row", { name: /Late bags/ })).toContainText("3.00 mS/cm");
});

test("the picks of three zones are typed in one grid, each as its crop is sold", async ({ page }) => {
  await page.goto("/harvest");
  await page.getByLabel("Early bags: mass").fill("84.5");
  await page.getByLabel("Late bags: mass").fill("61");
  await page.getByLabel("Head tanks: heads").fill("380");
  await expectNoSeriousFaults(page);
  await page.getByRole("button", { name: "Write 3 picks" }).click();
  await expect(page.getByText("Written: 3 picks.")).toBeVisible();
  await expect(page.getByRole("group", { name: /Head tanks/ })).toContainText(/3\.8.heads\/m² of/);
  await page.goto("/zones/3/harvest");
  await expect(page.getByRole("row", { name: /Sat 20 Jun/ })).toContainText("380");
  await page.goto("/");
  await expect(page.getByRole("row", { name: /Head tanks/ })).toContainText(/3\.8.heads\/m²/);
});

test("a stage that is seen today shifts what follows on every page, and is taken back", async ({ page }) => {
  await page.goto("/zones/1/crop");
  const ribbon = page.getByRole("group", { name: "Stages of this planting" });
  await expect(ribbon).toContainText("Full picking");
  await page.getByRole("button", { name: "Late picking seen today" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toContainText("late picking, day 1 of");
  await expectNoSeriousFaults(page);
  await page.goto("/crop");
  await expect(page.getByRole("region", { name: "Calendar of all plantings" })).toContainText("Late picking");
  await expectNoSeriousFaults(page);
  await page.goto("/");
  await expect(page.getByRole("row", { name: /Early bags/ })).toContainText("Late picking");
  await page.goto("/zones/1/crop");
  await page.getByRole("button", { name: "Take back: Late picking" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toContainText("full picking");
});

test("every station of all zones holds on a page without serious faults", async ({ page }) => {
  for (const station of ["water", "feed", "roots"]) {
    await page.goto(`/${station}`);
    await expect(page.getByRole("heading", { level: 1 })).toBeVisible();
    await expectNoSeriousFaults(page);
  }
});
