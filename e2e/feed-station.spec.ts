import { expect, test } from "@playwright/test";
import { expectNoSeriousFaults } from "./accessibility.ts";
import { DemoServer } from "./demo-server.ts";

const server = new DemoServer();

test.describe.configure({ mode: "default" });
test.beforeAll(() => server.start());
test.afterAll(() => server.remove());

test("a published target is tried, dragged, kept as a version, compared, and taken over by another zone", async ({
  page,
}) => {
  await page.goto("/feed?view=targets");
  await expect(page.getByRole("row", { name: /Tomato in substrate, standard/ })).toContainText("stated 2.6, +6 %");
  await expectNoSeriousFaults(page);
  await page.getByRole("button", { name: "Try Cucumber in substrate, standard" }).click();
  const potassium = page.getByLabel("Target of K in mmol/L");
  await expect(potassium).toHaveValue("8");
  const bar = page.getByRole("row", { name: /^K/ }).locator("svg");
  await bar.scrollIntoViewIfNeeded();
  const box = await bar.boundingBox();
  if (!box) throw new Error("the bar is on the screen");
  // The mark of the target stands at 72 % of the bar; a quarter further left is a quarter less.
  await page.mouse.move(box.x + 0.72 * box.width, box.y + 8);
  await page.mouse.down();
  await page.mouse.move(box.x + 0.54 * box.width, box.y + 8, { steps: 6 });
  await page.mouse.up();
  await expect.poll(async () => Number(await potassium.inputValue())).toBeCloseTo(6, 0);
  await potassium.fill("7.5");
  await page.getByRole("button", { name: "Keep this target" }).click();
  await expect(page.getByText(/Target: Cucumber.*, changed, kept for/)).toBeVisible();
  await page.getByLabel("Name of the recipe").fill("Cucumber trial");
  await page.getByRole("button", { name: "Keep it" }).click();
  await expect(page.getByText("Kept as version 1.")).toBeVisible();
  await page.getByRole("button", { name: "Keep it" }).click();
  await expect(page.getByText("Kept as version 2.")).toBeVisible();
  await expectNoSeriousFaults(page);
  await page.goto("/feed?view=kept");
  await expect(page.getByRole("row", { name: /Cucumber trial version 1/ })).toContainText("Melon bags");
  await page.getByRole("combobox", { name: "For: zone" }).click();
  await page.getByTitle("Courgette tunnel").click();
  const table = page.getByRole("region", { name: "Side by side" });
  await expect(table.getByRole("row", { name: /^K / })).toContainText(/7\.\d\d mmol\/L.*[+−]\d+ %/);
  await page.getByRole("button", { name: "Use Cucumber trial, version 2, in Courgette tunnel" }).click();
  await expect(page.getByRole("row", { name: /Cucumber trial version 2/ })).toContainText(
    "Melon bags, Courgette tunnel",
  );
});

test("the closed loop tells the day of the limit, what open drain costs, and the fresh part to solve", async ({
  page,
}) => {
  await page.goto("/zones/1/feed?view=loop");
  const salt = page.getByRole("region", { name: "Sodium and chloride" });
  await salt.getByLabel("Na in the loop now").fill("2");
  await salt.getByLabel("Na that comes in").fill("1.2");
  await expect(salt.getByRole("status")).toContainText(/Na reaches 6 mmol\/L in \d+ days, on \d+ \w+ 202\d/);
  await expect(salt.getByRole("row", { name: /open, all drain lost/ })).toContainText(/\d kg.*EUR/);
  await salt.getByLabel("Water in the loop").fill("0");
  await expect(salt.getByRole("alert")).toContainText("must be more than 0 and at most 2000");
  await salt.getByLabel("Water in the loop").fill("20");
  await expectNoSeriousFaults(page);
  await page.getByRole("button", { name: "Solve the fresh part" }).click();
  await expect(page.getByRole("region", { name: "Tank A" })).toContainText("Calcium nitrate");
});

test("simple feeds: the wall's table, a tank topped up, and what cannot be is said in words", async ({ page }) => {
  await page.goto("/zones/2/feed?view=simple");
  const grade = page.getByRole("region", { name: "One bag at so many ppm N" });
  await expect(grade.getByRole("row", { name: /^200/ })).toContainText(/50.*100.*128.*200/);
  await grade.getByLabel("Nitrogen in the feed").fill("5000");
  await expect(grade.getByRole("alert")).toContainText("The nitrogen must be 1 to 1000 mg/L, not 5000.");
  await expectNoSeriousFaults(page);
  await page.getByRole("button", { name: "A base grade" }).click();
  const base = page.getByRole("region", { name: "Base grade" });
  await expect(base.getByRole("region", { name: "Tank A" })).toContainText("Calcium nitrate fertiliser");
  await expect(base.getByRole("region", { name: "Tank B" })).toContainText("Base grade 6-10-28");
  await page.getByRole("button", { name: "Top up a tank" }).click();
  const tank = page.getByRole("region", { name: "Top up a tank" });
  await tank.getByLabel("EC in the tank").fill("1.1");
  await tank.getByLabel("pH in the tank").fill("6.6");
  await expect(tank.getByRole("status")).toContainText(/L of each concentrate .* mL of nitric acid/);
  await page.getByRole("button", { name: "Slow release" }).click();
  await page.getByLabel("Substrate of a plant").fill("1");
  await page.getByLabel("A plant needs nitrogen").fill("12");
  await expect(page.getByRole("region", { name: "Slow release" }).getByRole("status")).toContainText(
    "of the liquid feed",
  );
  await page.getByRole("button", { name: "Dressing in grains" }).click();
  await expect(page.getByRole("region", { name: "Dressing in grains" })).toContainText(/for the zone/);
});

test("costs of all zones and the order list for so many days", async ({ page }) => {
  await page.goto("/feed?view=order");
  await expect(page.getByRole("region", { name: "Costs" }).getByRole("row", { name: /Lettuce tanks/ })).toContainText(
    "EUR",
  );
  const order = page.getByRole("region", { name: "Order list" });
  await order.getByLabel("Days to order for").fill("365");
  await expect(order).toContainText(/Order \d+ products\. Potassium nitrate is the first to run out/);
  await expectNoSeriousFaults(page);
});
