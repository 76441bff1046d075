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
  await page.getByTitle("split dressings at dates and stages").click();
  await form.getByRole("button", { name: "Add a dressing" }).click();
  await form.getByRole("combobox", { name: "When dressing 1 is given" }).click();
  await page.getByTitle("after bulb begins").click();
  await form.getByLabel("Share of dressing 1").fill("60");
  await form.getByRole("button", { name: "Put it in force" }).click();
  await expect(form.getByText(/must add up to 100 %; these add up to 60 %/)).toBeVisible();
  await form.getByLabel("Share of dressing 1").fill("100");
  await form.getByLabel("What must be so for dressing 1").fill("growth is under its band");
  await form.getByLabel("In force from").fill("1 Jun 2026");
  await form.getByLabel("In force from").press("Enter");
  await expectNoSeriousFaults(page);
  await form.getByRole("button", { name: "Put it in force" }).click();
  await expect(page.getByText("In force: split dressings at dates and stages.")).toBeVisible();
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
});
