import { expect, test } from "@playwright/test";
import { expectNoSeriousFaults } from "./accessibility.ts";
import { DemoServer } from "./demo-server.ts";

const server = new DemoServer();
test.describe.configure({ mode: "serial" });
test.beforeAll(() => server.start());
test.afterAll(() => server.remove());

test("the need is read from left to right, and every part opens its working", async ({ page }) => {
  await page.goto("/zones/5/feed?view=doses");
  const need = page.getByRole("region", { name: "Need", exact: true });
  await expect(need).toContainText(/6(\.0)?\s*kg\/m²/);
  // 60 t/ha of 1.8 kg N a tonne
  await need.getByRole("button", { name: /108/ }).click();
  await expect(page.getByText(/60 t\/ha × 1\.8 kg\/t/)).toBeVisible();
  await page.keyboard.press("Escape");
  await expectNoSeriousFaults(page);
});

test("a dose that is due is noted as it really was, booked, and taken back", async ({ page }) => {
  await page.goto("/feed?view=doses");
  await expect(page.getByRole("row", { name: /Mon 15 Jun.*due.*Courgette tunnel/ })).toBeVisible();
  await page.getByRole("link", { name: "Courgette tunnel" }).first().click();
  await page.goto("/zones/5/feed?view=doses");
  const books = page.getByRole("region", { name: "Books of nutrients" });
  const before = await books.getByRole("row", { name: /given in doses/ }).textContent();
  const due = page.getByRole("row", { name: /Mon 15 Jun/ });
  await due.getByRole("button", { name: "Note it" }).click();
  const form = page.getByRole("group", { name: "Dose of 2026-06-15" });
  await form.getByLabel("Potassium nitrate").fill("1.5");
  await expectNoSeriousFaults(page);
  await form.getByRole("button", { name: "Given" }).click();
  await expect(page.getByRole("row", { name: /Mon 15 Jun.*1\.5 kg Potassium nitrate.*given/ })).toBeVisible();
  await expect(books.getByRole("row", { name: /given in doses/ })).not.toHaveText(before ?? "");
  await page.getByRole("button", { name: "Take back: dose of 2026-06-15" }).click();
  await expect(page.getByRole("row", { name: /Mon 15 Jun.*due/ })).toBeVisible();
  await expect(books.getByRole("row", { name: /given in doses/ })).toHaveText(before ?? "");
});

test("a programme of split dressings is put together, judged at its fields, and stands under the stages", async ({
  page,
}) => {
  await page.goto("/zones/7/feed?view=doses");
  await page.getByRole("button", { name: "Make a programme" }).click();
  const form = page.getByRole("region", { name: "Programme" });
  await form.getByRole("combobox", { name: "Fed by" }).click();
  await page.getByTitle("split dressings at dates, stages and picks").click();
  await form.getByRole("button", { name: "Add a part" }).click();
  await form.getByRole("combobox", { name: "When, of part 1" }).click();
  await page.getByTitle("after bulb begins").click();
  await form.getByLabel("Share of part 1").fill("60");
  await form.getByRole("button", { name: "Put it in force" }).click();
  await expect(form.getByText(/must add up to 100 %; these add up to 60 %/)).toBeVisible();
  await form.getByLabel("Share of part 1").fill("100");
  await form.getByLabel("What must be so for part 1").fill("growth is under its band");
  await form.getByLabel("In force from").fill("1 Jun 2026");
  await form.getByLabel("In force from").press("Enter");
  await expectNoSeriousFaults(page);
  await form.getByLabel("Name to keep it under").fill("Bulbs in one go");
  await form.getByRole("button", { name: "Keep it", exact: true }).click();
  await expect(form.getByText("Kept: Bulbs in one go.")).toBeVisible();
  await form.getByRole("button", { name: "Put it in force" }).click();
  await expect(page.getByText("In force: split dressings at dates, stages and picks.")).toBeVisible();
  const doses = page.getByRole("region", { name: "Calendar of doses" });
  await expect(doses.getByText("only if growth is under its band").first()).toBeVisible();
  await page.goto("/zones/7/crop");
  await expect(page.getByRole("img", { name: /^\d doses?: .*kg\/ha of N/ })).toBeVisible();
});

test("the same aim is set beside other schools", async ({ page }) => {
  await page.goto("/zones/5/feed?view=doses");
  const schools = page.getByRole("region", { name: "Schools side by side" });
  await expect(schools.getByRole("row", { name: /a ration by uptake.*17/ })).toHaveAttribute("aria-current", "true");
  await expect(schools.getByRole("row", { name: /split dressings.*4/ })).toBeVisible();
  await expect(schools.getByRole("row", { name: /the recipe of each stage.*expected/ })).toBeVisible();
  await schools.getByRole("button", { name: /^Use: split dressings/ }).click();
  // What was kept for another zone is taken up here; its stage is told as not there.
  const form = page.getByRole("region", { name: "Programme" });
  await form.getByRole("combobox", { name: "Take up a programme that was kept" }).click();
  await page.getByTitle("Bulbs in one go, version 1, of Fennel field").click();
  await form.getByRole("button", { name: "Put it in force" }).click();
  await expect(form.getByText(/has no stage/)).toBeVisible();
  await form.getByRole("button", { name: "Not now" }).click();
});

test("a leaf result moves the doses to come, and is taken out again", async ({ page }) => {
  await page.goto("/zones/5/feed?view=doses");
  const next = page.getByRole("row", { name: /Mon 22 Jun/ });
  const before = await next.textContent();
  await page.getByRole("button", { name: "A result of leaf or sap" }).click();
  const form = page.getByRole("group", { name: "A result of leaf or sap" });
  await form.getByLabel("found").fill("3.2");
  await form.getByLabel("band from").fill("4");
  await form.getByLabel("band to").fill("5");
  await expect(form.getByText(/N of the doses \+20 %/)).toBeVisible();
  await form.getByRole("button", { name: "Change the doses" }).click();
  await expect(page.getByText(/leaf N 3\.2/)).toBeVisible();
  await expect(next).not.toHaveText(before ?? "");
  await page.getByRole("button", { name: /^Take out: leaf N/ }).click();
  await expect(next).toHaveText(before ?? "");
});

test("the books of a year are held against a rule that is typed, and told as oxides", async ({ page }) => {
  await page.goto("/feed?view=books");
  await expect(page.getByRole("row", { name: /Courgette tunnel/ })).toBeVisible();
  await page.getByLabel("most N in a year").fill("100");
  await page.getByRole("button", { name: "Keep the rules" }).click();
  await expect(
    page.getByRole("region", { name: "Beyond the rules" }).getByText(/Courgette tunnel: .*allowed/),
  ).toBeVisible();
  await page.getByText("P", { exact: true }).click();
  await page.getByText("oxides").click();
  await expect(page.getByRole("columnheader", { name: /^P₂O₅ in 2026/ })).toBeVisible();
  await expectNoSeriousFaults(page);
});

test("a crop waits for the manure that was spread for it", async ({ page }) => {
  await page.goto("/zones/7/crop");
  const soil = page.getByRole("region", { name: "The soil before planting" });
  await soil.getByRole("button", { name: "Bring the pH to a target" }).click();
  await soil.getByLabel("pH of the soil test").fill("5.5");
  await expect(soil.getByText(/of lime/)).toBeVisible();
  await soil.getByRole("button", { name: "Not now" }).click();
  await soil.getByRole("button", { name: "Plan or note a step" }).click();
  await soil.getByLabel("Days until planting").fill("40");
  await soil.getByRole("button", { name: "Put it down" }).click();
  await expect(soil.getByText(/manure spread · nothing is planted before Thu 30 Jul/)).toBeVisible();
  const next = page.getByRole("region", { name: "The next crop" });
  await next.getByRole("button", { name: "Plan the next crop" }).click();
  await next.getByRole("combobox", { name: "The next crop is" }).fill("Courg");
  await page.getByTitle("Courgette", { exact: true }).click();
  await next.getByLabel("Planted on").fill("20 Jul 2026");
  await next.getByLabel("Planted on").press("Enter");
  await next.getByRole("button", { name: "Plan it" }).click();
  await expect(next.getByText(/nothing is planted before 30 Jul 2026/)).toBeVisible();
  await expectNoSeriousFaults(page);
});
