import { fileURLToPath } from "node:url";
import { expect, test } from "@playwright/test";
import { expectNoSeriousFaults } from "./accessibility.ts";
import { DemoServer } from "./demo-server.ts";

const server = new DemoServer();
test.describe.configure({ mode: "serial" });
test.beforeAll(() => server.start());
test.afterAll(() => server.remove());
const sample = (name: string): string => fileURLToPath(new URL(`../demo/imports/${name}`, import.meta.url));

test("a notebook is looked at, its slips offered line by line, and stored once", async ({ page }) => {
  await page.goto("/");
  await expect(page.getByRole("row", { name: /Melon/ })).toBeVisible();
  await page.keyboard.press("/");
  await page.getByRole("combobox", { name: "Find" }).fill("import read");
  await page.keyboard.press("Enter");
  await page.locator("input[type=file]").setInputFiles(sample("rootzone-notebook.csv"));
  await expect(page.getByText("“61” is meant as pH of the drain 6.1")).toBeVisible();
  await page.getByRole("checkbox", { name: /Line 103/ }).check();
  await expectNoSeriousFaults(page);
  await page.getByRole("button", { name: /Rejected rows \(5\)/ }).click();
  await expect(page.getByText("no zone has this name (Tomato row 4)")).toBeVisible();
  await page.getByRole("button", { name: "Import 128 rows" }).click();
  await expect(page.getByRole("status")).toContainText("Stored 128 from rootzone-notebook.csv");
  await page.locator("input[type=file]").setInputFiles(sample("rootzone-notebook.csv"));
  await expect(page.getByRole("button", { name: "Nothing new: all of it is stored already" })).toBeDisabled();
  // What stands in the notebook of 26 April is read at the roots of that day.
  await page.goto("/zones/1/roots?date=2026-04-26");
  await expect(page.getByRole("row", { name: /26 Apr 14:05/ })).toContainText("6.1");
});

test("soil tests come from a file or are typed, and a wrong one is struck out", async ({ page }) => {
  await page.goto("/zones/7/roots");
  const reports = page.getByRole("region", { name: "Laboratory" });
  const row = (text: string) => reports.getByRole("row").filter({ hasText: text });
  await expect(row("7 Apr 2026")).toContainText("1.40");
  await reports.getByRole("link", { name: "Import soil tests" }).click();
  await page.locator("input[type=file]").setInputFiles(sample("picks.csv"));
  await expect(page.getByText(/No column is known as any of pH, EC of the saturated extract/)).toBeVisible();
  await page.locator("input[type=file]").setInputFiles(sample("soil-tests.csv"));
  await page.getByRole("button", { name: /^Import \d+ rows$/ }).click();
  await expect(page.getByRole("status")).toContainText("Stored");
  await page.goto("/zones/7/roots");
  await reports.getByRole("button", { name: "Add a soil test" }).click();
  const dialog = page.getByRole("dialog");
  await dialog.getByLabel("Depth from").fill("30");
  await dialog.getByLabel("Depth to").fill("10");
  await dialog.getByLabel("pH in water").fill("6.4");
  await dialog.getByRole("button", { name: "Save" }).click();
  await expect(dialog.getByText("The lower end of the depth must lie below the upper one.")).toBeVisible();
  await dialog.getByLabel("Depth to").fill("60");
  await dialog.getByRole("button", { name: "Save" }).click();
  await row("20 Jun 2026").getByRole("button", { name: "strike out" }).click();
  await page.getByLabel("Reason").fill("another field");
  await page.getByRole("button", { name: "Strike out", exact: true }).click();
  await expect(row("20 Jun 2026")).toContainText("another field");
  await expectNoSeriousFaults(page);
});
