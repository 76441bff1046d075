import { fileURLToPath } from "node:url";
import { expect, test } from "@playwright/test";
import { expectNoSeriousFaults } from "./accessibility.ts";
import { DemoServer } from "./demo-server.ts";

const server = new DemoServer();
const sample = (name: string): string => fileURLToPath(new URL(`../demo/imports/${name}`, import.meta.url));

test.describe.configure({ mode: "serial" });
test.beforeAll(() => server.start());
test.afterAll(() => server.remove());

test("the morning board shows every zone: litres, root zone, stage, and what is off", async ({ page }) => {
  await page.goto("/");
  const melon = page.getByRole("row", { name: /Melon bags/ });
  await expect(melon).toContainText(/[\d\u202f]+ L/);
  await expect(melon).toContainText(/% drain/);
  await expect(melon).toContainText("Fill");
  await expect(page.getByRole("row", { name: /Courgette/ })).toContainText(/L\/m² short/);
  await expect(page.getByRole("region", { name: "Decide" })).toContainText(/less water than planned/);
  await expect(page.getByRole("img", { name: /Radiation of the day/ })).toContainText("now 10:24");
  await expect(page.getByRole("row")).toHaveCount(8);
  await expectNoSeriousFaults(page);
});

test("Run leads from weather to start times, and every figure opens its working", async ({ page }) => {
  await page.goto("/");
  await page.getByRole("row", { name: /Melon/ }).getByRole("cell").nth(2).click();
  await expect(page.getByRole("heading", { name: "Melon bags: water for the day" })).toBeVisible();
  const chain = page.getByRole("list", { name: "From demand to minutes" });
  await expect(chain.getByRole("listitem")).toHaveCount(5);
  const starts = await page
    .getByRole("table")
    .getByRole("cell", { name: /^\d\d:\d\d$/ })
    .allTextContents();
  expect(starts.length).toBeGreaterThan(3);
  expect([...starts].sort()).toEqual(starts);
  await expectNoSeriousFaults(page);
  await chain.getByRole("button").nth(2).focus();
  await page.keyboard.press("w");
  const working = page.getByRole("dialog");
  await expect(working).toContainText("Baille, Baille & Laury (1994)");
  await expect(working).toContainText(/simulated station, \d+ h/);
  await expect(working).toContainText(/forecast, \d+ h/);
  await expect(working).toContainText("entered in set-up");
  await expectNoSeriousFaults(page);
});

test("no figure of a day is without its working", async ({ page }) => {
  await page.goto("/zones/1/run");
  for (const figure of [
    "demand",
    "gross",
    "drainOut",
    "litres",
    "perPlant",
    "minutes",
    "pulse",
    "solar",
    "airOutside",
  ]) {
    await page.locator(`[data-figure=${figure}]`).click();
    await expect(page.getByRole("dialog").getByRole("list", { name: "The sum, line by line" })).toContainText("=");
    await page.keyboard.press("Escape");
    await expect(page.getByRole("dialog")).toBeHidden();
  }
  await page.goto("/");
  for (const [figure, words] of [
    ["drain", "drain tray under the drippers"],
    ["stage", "planted on"],
  ] as const) {
    await page.locator(`[data-figure=${figure}]`).first().focus();
    await page.keyboard.press("w");
    await expect(page.getByRole("dialog")).toContainText(words);
    await page.keyboard.press("Escape");
    await expect(page.getByRole("dialog")).toBeHidden();
  }
});

test("after the last imported hour the simulated station goes on", async ({ page }) => {
  const hours = Array.from(
    { length: 13 },
    (_, hour) => `2026-06-19T${String(hour).padStart(2, "0")}:00Z,21.5,60,2,${hour > 4 ? 400 : 0},0`,
  );
  const file = ["hour_from,air_degC,damp_pct,wind_m_s,sun_W_m2,rain_mm", ...hours].join("\n");
  await page.goto("/weather");
  await page
    .locator("input[type=file]")
    .setInputFiles({ name: "half-a-day.csv", mimeType: "text/csv", buffer: Buffer.from(file) });
  await page.getByRole("button", { name: "Import 13 hours" }).click();
  await expect(page.getByRole("status")).toBeVisible();
  await page.goto("/zones/5/run?date=2026-06-19");
  await page.locator("[data-figure=demand]").click();
  await expect(page.getByRole("dialog")).toContainText("imported from a file, 13 h");
  await expect(page.getByRole("dialog")).toContainText("simulated station, 11 h");
});

test("a weather file is looked at, imported once, and the day is computed anew from it", async ({ page }) => {
  await page.goto("/zones/5/run?date=2026-06-10");
  const demand = page.getByRole("list", { name: "From demand to minutes" }).getByRole("button").first();
  const before = await demand.textContent();
  await page.goto("/weather");
  await page.locator("input[type=file]").setInputFiles(sample("weather-iso.csv"));
  await expect(page.getByText("Rejected rows (13)")).toBeVisible();
  await expect(page.getByRole("combobox", { name: "Unit of sun_W_m2" })).toBeVisible();
  await page.getByText("Rejected rows (13)").click();
  await expect(page.getByText(/2026-06-31T05:00:00/)).toBeVisible();
  await expectNoSeriousFaults(page);
  await page.getByRole("button", { name: "Import 1377 hours" }).click();
  await expect(page.getByRole("status")).toContainText("Imported 1377 hours");
  await page.goto("/zones/5/run?date=2026-06-10");
  await expect(demand).not.toHaveText(before ?? "");
  await demand.click();
  await expect(page.getByRole("dialog")).toContainText("imported from a file, 24 h");
  await page.goto("/weather");
  await page.locator("input[type=file]").setInputFiles(sample("weather-iso.csv"));
  await page.getByRole("button", { name: "Import again: adds nothing" }).click();
  await expect(page.getByRole("status")).toContainText("Nothing new");
});

test("units switch anywhere, keys and finder lead everywhere, and a restart loses nothing", async ({ page }) => {
  await page.goto("/");
  await page.getByRole("button", { name: /^Units/ }).click();
  await expect(page.getByRole("row", { name: /Melon/ })).toContainText("gal");
  await page.keyboard.press("3");
  await expect(page).toHaveURL(/\/run$/);
  await page.keyboard.press("]");
  await expect(page).toHaveURL(/zones\/1\/run/);
  await expect(page.getByRole("list", { name: "From demand to minutes" })).toContainText("gal");
  await page.keyboard.press("]");
  await expect(page).toHaveURL(/zones\/2\/run/);
  await page.keyboard.press(",");
  await expect(page).toHaveURL(/date=2026-06-19/);
  await page.keyboard.press("5");
  await expect(page.getByRole("heading", { name: /Lettuce tanks: head, day \d+ of \d+/ })).toBeVisible();
  await expectNoSeriousFaults(page);
  await page.keyboard.press("/");
  await expect(page.getByRole("combobox", { name: "Find" })).toBeFocused();
  await expectNoSeriousFaults(page);
  await page.keyboard.type("import");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: "Import weather" })).toBeVisible();
  await page.keyboard.press("?");
  await expect(page.getByRole("dialog")).toContainText("Working of the figure in focus");
  await expectNoSeriousFaults(page);
  await server.stop();
  await server.start();
  await page.goto("/zones/5/run?date=2026-06-10");
  await expect(page.getByRole("list", { name: "From demand to minutes" })).toContainText("gal");
  await page.locator("[data-figure=demand]").click();
  await expect(page.getByRole("dialog")).toContainText("imported from a file, 24 h");
});

test("set-up names what is wrong, shows both versions of a stale edit, and keeps what was typed when the server is lost", async ({
  page,
  request,
}) => {
  await page.goto("/set-up");
  await page.getByRole("link", { name: "Courgette tunnel" }).click();
  await expectNoSeriousFaults(page);
  const uniformity = page.getByLabel("Uniformity");
  await uniformity.fill("130");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("Uniformity must be 30 to 100 %, not 130.")).toBeVisible();
  await uniformity.fill("91");

  const { zones } = (await (await request.get("/api/set-up")).json()) as {
    zones: ({ id: number; version: number; definition: object } & Record<string, unknown>)[];
  };
  const { id, ...zone } = zones.find((candidate) => candidate["name"] === "Courgette tunnel") ?? {
    id: 0,
    version: 0,
    definition: {},
  };
  await request.put(`/api/zones/${id}`, { data: { ...zone, definition: { ...zone.definition, uniformityPct: 77 } } });
  await page.getByRole("button", { name: "Save" }).click();
  const stale = page.getByRole("alert").filter({ hasText: "Somebody else changed this" });
  await expect(stale.getByRole("row", { name: /uniformity pct/ })).toContainText("9177");

  await server.stop();
  await stale.getByRole("button", { name: "Save mine over it" }).click();
  await expect(page.getByText("The server does not answer. What you typed is still here")).toBeVisible();
  await expect(uniformity).toHaveValue("91");
  await server.start();
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await page.getByRole("button", { name: "Save mine over it" }).click();
  await expect(page.getByText("Saved", { exact: true })).toBeVisible();
});

test("the board fits a tablet held upright", async ({ page }) => {
  await page.setViewportSize({ width: 768, height: 1024 });
  await page.goto("/");
  await expect(page.getByRole("row", { name: /Melon/ })).toBeVisible();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(768);
});
