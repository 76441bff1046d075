import { fileURLToPath } from "node:url";
import { expect, test } from "@playwright/test";
import { expectNoSeriousFaults } from "./accessibility.ts";
import { DemoServer } from "./demo-server.ts";

const server = new DemoServer();

test.describe.configure({ mode: "serial" });
test.beforeAll(() => server.start());
test.afterAll(() => server.remove());

test("a lab file is checked, its slip of ten offered, and the recipe made of the report in force", async ({ page }) => {
  await page.goto("/water");
  await expect(page.getByRole("row", { name: /Borehole.*in force/ })).toBeVisible();
  await page.getByRole("link", { name: "Import lab reports" }).first().click();
  await page
    .locator("input[type=file]")
    .setInputFiles(fileURLToPath(new URL("../demo/imports/water-slip.csv", import.meta.url)));
  await expect(page.getByText("Borehole, 13 Oct 2026: will not be stored")).toBeVisible();
  await page.getByRole("checkbox", { name: /Ca seems ten times too high: with 2.89 mmol\/L/ }).click();
  await expect(page.getByText("Borehole, 13 Oct 2026: will be stored")).toBeVisible();
  await page.getByRole("button", { name: "Store 3 reports" }).click();
  await page.getByRole("link", { name: "To the water" }).click();
  await expect(page.getByRole("row", { name: /Borehole, 13 Oct 2026/ })).toContainText("2.89");
  await expectNoSeriousFaults(page);
  await page.goto("/zones/1/feed");
  await expect(page.getByText(/70 % Roof basin, 5 Feb 2026 · 30 % Borehole, 7 May 2026/)).toBeVisible();
});

test("Feed solves the recipe while a target is typed, and says what is off when a product is taken away", async ({
  page,
}) => {
  await page.goto("/zones/1/feed");
  const tankA = page.getByRole("region", { name: "Tank A" });
  await expect(tankA).toContainText("Calcium nitrate fertiliser");
  await expect(page.getByRole("region", { name: "Tank B" })).toContainText("Nitric acid 60 %");
  await expect(tankA).not.toContainText(/sulphate|phosphate/i);
  await expectNoSeriousFaults(page);
  const potassium = page.getByRole("row", { name: /^K/ });
  await page.getByLabel("Target of K in mmol/L").fill("6");
  await page.getByLabel("Target of NO3 in mmol/L").fill("13.5");
  await expect(potassium).toContainText(/(5\.9|6\.0|6\.1)\d mmol\/L/);
  await page.getByRole("checkbox", { name: "Monopotassium phosphate" }).uncheck();
  await expect(page.getByText("No product here brings H2PO4.")).toBeVisible();
  await page.getByRole("checkbox", { name: "Monopotassium phosphate" }).check();
  await page.getByRole("button", { name: "Back to the saved one" }).click();
  await expect(potassium).toContainText(/(8\.9|9\.0|9\.1)\d mmol\/L/);
  await page.getByRole("button", { name: "How it adds up" }).click();
  await expect(page.getByRole("dialog")).toContainText("potassium-nitrate");
});

test("limits and settled amounts are kept or named as a conflict, and waters are mixed as the recipe needs them", async ({
  page,
}) => {
  await page.goto("/zones/1/feed");
  // The doser of the melon has lost its stroke: EC and pH under the dripper tell both tanks.
  await expect(page.getByRole("region", { name: "Meter against sum" })).toContainText(/All tanks arrive at \d+ %/);
  const must = page.getByRole("region", { name: "Limits and freedoms" });
  await must.getByLabel("NH₄ at most").fill("3");
  await expect(page.getByText(/N as NH₄\s*3 %/)).toBeVisible();
  await must.getByLabel("Na at most").fill("0.1");
  await expect(page.getByText(/Na at most 0.10 mmol\/L cannot be kept with this water/)).toBeVisible();
  await must.getByLabel("Na at most").fill("");
  await must.getByLabel("Mix the waters as the recipe needs them").check();
  await expect(must.getByText(/\d+ % Roof basin, \d+ % Borehole/)).toBeVisible();
  await must.getByLabel("Mix the waters as the recipe needs them").uncheck();
  await must.getByRole("button", { name: "Keep these limits" }).click();
  await expect(must.getByRole("button", { name: "Keep these limits" })).toBeHidden();
  await page.reload();
  await expect(must.getByLabel("NH₄ at most")).toHaveValue("3");
  await must.getByLabel("NH₄ at most").fill("");
  await must.getByRole("button", { name: "Keep these limits" }).click();
  await expect(must.getByRole("button", { name: "Keep these limits" })).toBeHidden();
});

test("a mix goes into the book and off the shelf, and its weigh sheet is one page", async ({ page }) => {
  await page.goto("/zones/1/feed");
  const nitrate = page.getByRole("listitem").filter({ has: page.getByRole("checkbox", { name: "Potassium nitrate" }) });
  await expect(nitrate).toContainText(/\d+ kg, \d+ days/);
  const stock = /(\d+) kg/.exec(await nitrate.innerText())?.[0] ?? "";
  await page.getByRole("button", { name: "Log this mix" }).click();
  await page.getByLabel("Lot of Potassium nitrate in tank A").fill("KN-0711");
  await page.getByRole("button", { name: "Log it" }).click();
  await expect(page.getByText("In the book")).toBeVisible();
  await page.getByText(/^Last mixed/).click();
  await expect(page.getByText(/lot KN-0711/)).toBeVisible();
  await expect(nitrate).not.toContainText(stock);
  await page.getByRole("link", { name: "Weigh sheet" }).click();
  await expect(page.getByRole("heading", { name: "Tank A: 200 L" })).toBeVisible();
  await expect(page.getByText("Acid into water, never the reverse.")).toBeVisible();
  const nitrateKg = async (): Promise<number> => {
    const mass = page.getByRole("row", { name: /Potassium nitrate/ }).locator("td:nth-of-type(3)");
    return parseFloat(await mass.first().innerText());
  };
  const whole = await nitrateKg();
  await page.getByRole("button", { name: "Half a batch" }).click();
  await expect(page.getByRole("heading", { name: "Tank A: 100 L" })).toBeVisible();
  expect((await nitrateKg()) / whole).toBeCloseTo(0.5, 2);
  for (const format of ["A4", "Letter"]) {
    const pdf = await page.pdf({ format });
    expect(pdf.toString("latin1").match(/\/Type\s*\/Page[^s]/g)).toHaveLength(1);
  }
});

test("American units reach every dose and store, and trace salts are weighed in grams there too", async ({ page }) => {
  await page.goto("/zones/1/feed");
  await page.getByRole("button", { name: /^Units/ }).click();
  await expect(page.getByRole("region", { name: "Tank A" })).toContainText(/Potassium nitrate|Calcium nitrate/);
  await expect(page.getByRole("main")).toContainText("EUR per 1000 gal");
  await expect(page.getByRole("main")).not.toContainText(/m³|°C/);
  await page.getByRole("link", { name: "Weigh sheet" }).click();
  await expect(page.getByRole("row", { name: /Potassium nitrate/ })).toContainText(/\d lb/);
  await expect(page.getByRole("row", { name: /Sodium molybdate/ })).toContainText(/\d\.\d+ g|[1-9]\d* g/);
  await page.goto("/water");
  await expect(page.getByRole("region", { name: "Sources" })).toContainText("EUR per 1000 gal");
  await expect(page.getByRole("main")).not.toContainText(/m³|°C/);
});

test("a drain reading is logged with a key, its correction accepted, and tomorrow's pulses show it", async ({
  page,
}) => {
  await page.goto("/zones/1/run?date=2026-06-21");
  const litres = page.locator("[data-figure=litres]");
  const before = await litres.textContent();
  await page.goto("/");
  await expect(page.getByRole("row", { name: /Melon/ })).toBeVisible();
  await page.keyboard.press("l");
  await expect(page.getByLabel("Drain share")).toBeFocused();
  await page.keyboard.type("12");
  await page.keyboard.press("Tab");
  await page.keyboard.type("44");
  await page.keyboard.press("Enter");
  await expect(page.getByText("Drain EC must be 0 to 20 mS/cm, not 44.")).toBeVisible();
  await page.getByLabel("Drain EC").fill("4.3");
  await page.getByLabel("Drain pH").fill("6.9");
  await page.keyboard.press("Enter");
  // Far from what was read before: asked once, and kept when it is said once more.
  await expect(page.getByText(/is far from the last readings/).first()).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("row", { name: /Melon/ })).toContainText("12 % drain");
  const card = page.getByRole("article", { name: "Melon bags: too little drain" });
  await expect(card).toContainText(/Drain 12 % of a target of \d+ %, at EC 4.3 mS\/cm\./);
  await expect(card).toContainText(/From Sun 21 Jun: .* L in \d+ pulses, not/);
  await card.getByRole("button", { name: /From Sun 21 Jun/ }).click();
  await expect(page.getByRole("dialog")).toContainText("Uptake against the model");
  await page.keyboard.press("Escape");
  await card.getByRole("button", { name: "Accept" }).click();
  await expect(card).toContainText("Accepted on 20 Jun, in force from Sun 21 Jun");
  await expectNoSeriousFaults(page);
  await page.goto("/zones/1/run?date=2026-06-21");
  await expect(litres).not.toHaveText(before ?? "");
  await litres.click();
  await expect(page.getByRole("dialog")).toContainText("correction decided on 20 Jun");
});

test("a finding is left with its reason, and a reading struck out, never erased", async ({ page }) => {
  await page.goto("/");
  const card = page.getByRole("article", { name: /less water than planned/ });
  await card.getByRole("button", { name: "Not now" }).click();
  await page.getByRole("dialog").getByRole("button", { name: "Not now" }).click();
  await expect(page.getByText("The reason is empty; type at least one letter.")).toBeVisible();
  await page.getByLabel(/Why not/).fill("filter cleaned at seven");
  await page.getByRole("dialog").getByRole("button", { name: "Not now" }).click();
  await expect(card).toContainText("Left on 20 Jun: filter cleaned at seven");
  await page.goto("/zones/1/roots");
  await expectNoSeriousFaults(page);
  await page.getByRole("button", { name: "strike out" }).first().click();
  await page.getByLabel("Reason").fill("pen not rinsed");
  await page.getByRole("button", { name: "Strike out", exact: true }).click();
  await expect(page.getByText("pen not rinsed")).toBeVisible();
  await page.goto("/");
  await expect(page.getByRole("row", { name: /Melon/ })).not.toContainText("12 % drain");
});

test("a pick is logged with a key and stands against the target's path", async ({ page }) => {
  await page.goto("/zones/5/harvest");
  await expect(page.getByRole("img", { name: /against the target's path/ })).toBeVisible();
  const picked = page.getByRole("definition").first();
  const before = await picked.textContent();
  await page.keyboard.press("l");
  await expect(page.getByLabel("Mass")).toBeFocused();
  await page.keyboard.type("0");
  await page.keyboard.press("Enter");
  await expect(page.getByText("The mass picked must be 0.01 to 100000 kg, not 0.")).toBeVisible();
  await page.getByLabel("Mass").fill("126");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("row", { name: /Sat 20 Jun 10:24 126 kg/ })).toBeVisible();
  await expect(picked).not.toHaveText(before ?? "");
  await picked.getByRole("button").click();
  await expect(page.getByRole("dialog")).toContainText("Water per kilo");
  await page.keyboard.press("Escape");
  await expectNoSeriousFaults(page);
});
