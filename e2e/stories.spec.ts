import { expect, test, type Locator, type Page } from "@playwright/test";
import { DemoServer } from "./demo-server.ts";

/** Ten people who are new here, each with one thing to get done, and with the slip that could mislead them. */
const server = new DemoServer();
test.beforeAll(() => server.start());
test.afterAll(() => server.remove());

/** The dialog in which something is logged for a zone. */
async function logAt(page: Page, place: string): Promise<Locator> {
  await page.goto(place);
  await expect(page.getByRole("heading", { level: 1 })).toBeVisible();
  await page.keyboard.press("l");
  const dialog = page.getByRole("dialog");
  await expect(dialog).toBeVisible();
  return dialog;
}

test("a grower who writes 1,9 reads 1.9 again, and is asked what 1.234 means", async ({ page }) => {
  const dialog = await logAt(page, "/zones/1/roots");
  await dialog.getByLabel("Drain EC").fill("1.234");
  await expect(dialog.getByRole("alert").first()).toContainText("Is 1.234 about 1.23 or 1 234?");
  await dialog.getByLabel("Drain EC").fill("1,9");
  await dialog.getByLabel("Drain share").fill("27,5");
  await dialog.getByLabel("Read at").fill("7:10");
  await dialog.getByRole("button", { name: "Save" }).click();
  await expect(dialog.getByText(/is far from the last readings/).first()).toBeVisible();
  await dialog.getByRole("button", { name: "Save" }).click();
  await expect(dialog).toBeHidden();
  await expect(page.getByRole("row", { name: /07:10/ })).toContainText(/07:10\s*28/);
  await expect(page.getByRole("row", { name: /07:10/ })).toContainText("1.9");
});

test("one who adds a zone to a house takes over its light, and hears whose litres a change would touch", async ({
  page,
}) => {
  await page.goto("/set-up?zone=new");
  await page.getByLabel("House or field").fill("Glass A");
  const light = page.getByLabel("Light through the cover");
  await expect(light).toHaveValue("68");
  await light.fill("100");
  await expect(page.getByText("also changes the light, and so the litres, of Melon bags, Lettuce tanks")).toBeVisible();
});

test("one who sets a yield from a zone's harvest saves it to that zone", async ({ page }) => {
  await page.goto("/zones/5/harvest");
  await page.getByRole("link", { name: "Set-up", exact: true }).click();
  await expect(page.getByLabel("Name of the zone")).toHaveValue("Courgette tunnel");
});

test("an evening's note of the morning's drain stands at the morning", async ({ page }) => {
  const dialog = await logAt(page, "/zones/1/roots?date=2026-06-19");
  await expect(dialog.getByLabel("Read on")).toHaveValue(/19/);
  await dialog.getByLabel("Drain share").fill("29");
  await dialog.getByLabel("Read at").fill("6:45");
  await dialog.getByRole("button", { name: "Save" }).click();
  await expect(dialog).toBeHidden();
  await expect(page.getByRole("row", { name: /19 Jun 06:45/ })).toContainText("29");
});

test("one who accepts too soon takes the decision back, and the plan is as it was", async ({ page }) => {
  const dialog = await logAt(page, "/zones/6/roots");
  await dialog.getByLabel("Drain share").fill("2");
  await dialog.getByLabel("Drain EC").fill("1.1");
  await dialog.getByLabel("Read at").fill("9:50");
  await dialog.getByRole("button", { name: "Save" }).click();
  await expect(dialog.getByText(/is far from the last readings/).first()).toBeVisible();
  await dialog.getByRole("button", { name: "Save" }).click();
  await expect(dialog).toBeHidden();
  await page.goto("/");
  const first = page.getByRole("article", { name: "Blueberry pots: too little drain" });
  await first.getByRole("button", { name: "Accept" }).click();
  await expect(first).toContainText("Accepted on 20 Jun");
  await first.getByRole("button", { name: "Take it back" }).click();
  await expect(first.getByRole("button", { name: "Accept" })).toBeVisible();
});

test("one with eight like benches copies one of them, and puts aside and deletes what is too many", async ({
  page,
}) => {
  await page.goto("/set-up?zone=3");
  await page.getByRole("button", { name: "Zones like this one" }).click();
  await page.getByLabel("How many", { exact: true }).fill("2");
  await page.getByRole("button", { name: "Add 2 zones" }).click();
  const copies = page.getByRole("link", { name: /^Cyclamen benches \d$/ });
  await expect(copies).toHaveCount(2);
  await copies.first().click();
  await expect(page.getByLabel("Name of the zone")).toHaveValue(/^Cyclamen benches \d$/);
  await page.getByRole("button", { name: "Delete it, if nothing was noted" }).click();
  await expect(copies).toHaveCount(1);
  await copies.first().click();
  await expect(page.getByLabel("Name of the zone")).toHaveValue(/^Cyclamen benches \d$/);
  await page.getByRole("button", { name: "Put it aside" }).click();
  await page.goto("/");
  await expect(page.getByRole("rowheader", { name: "Cyclamen benches" })).toHaveCount(1);
});

test("one who is called away in the middle of typing is asked before anything is lost", async ({ page }) => {
  const dialog = await logAt(page, "/zones/2/roots");
  await dialog.getByRole("textbox").first().fill("2.1");
  await page.keyboard.press("Escape");
  await expect(dialog.getByText("What you typed is not saved.")).toBeVisible();
  await dialog.getByRole("button", { name: "Go on typing" }).click();
  await expect(dialog.getByRole("textbox").first()).toHaveValue("2.1");
  await page.keyboard.press("Escape");
  await dialog.getByRole("button", { name: "Throw it away" }).click();
  await expect(dialog).toBeHidden();
  await page.goto("/set-up?zone=5");
  await page.getByLabel("Name of the zone").fill("Courgette tunnel, west");
  await page.getByRole("link", { name: "Sprunel" }).click();
  await expect(page.getByText("What you typed here is not saved")).toBeVisible();
  await page.getByRole("button", { name: "Stay here" }).click();
  await expect(page.getByLabel("Name of the zone")).toHaveValue("Courgette tunnel, west");
});

test("one whose laboratory writes meq/L types its figures as they stand, and sees whether they can be right", async ({
  page,
}) => {
  await page.goto("/water");
  await page.getByRole("button", { name: "Type a report" }).click();
  await page.getByRole("combobox", { name: "The report is in" }).click();
  await page.getByTitle("meq/L", { exact: true }).click();
  const fill = async (ion: string, amount: string): Promise<void> => {
    await page.getByLabel(ion, { exact: true }).fill(amount);
  };
  await fill("Ca", "4.0");
  await fill("Na", "1,0");
  await fill("Cl", "1.0");
  await fill("HCO₃", "4.0");
  await expect(page.getByRole("status").filter({ hasText: "the report balances" })).toContainText(
    "Cations 5.00, anions 5.00 meq/L",
  );
});

test("an American finds ounces, inches and the trade's own measures, and no metric left over", async ({ page }) => {
  await page.goto("/zones/5/run");
  await page.getByRole("button", { name: /^Units/ }).click();
  await expect(page.locator("[data-figure=litres]")).toContainText("gal");
  await expect(page.locator("main svg text").filter({ hasText: "psi" }).first()).toBeAttached();
  // Text by text: run together, an axis's "0.015" and the next one's "00:00" would read as one long figure.
  const texts = await page.getByRole("main").evaluate((main) => {
    const walker = document.createTreeWalker(main, NodeFilter.SHOW_TEXT);
    const found: string[] = [];
    while (walker.nextNode()) found.push((walker.currentNode.parentElement?.textContent ?? "").trim());
    return [...new Set(found)];
  });
  expect(texts.length).toBeGreaterThan(50);
  expect(texts.filter((text) => /\d (m²|m³|mm|°C|L|kg)(?![\w²³])|\d\.\d{5,}/.test(text))).toEqual([]);
});

test("one on a tablet with wet hands hits everything that can be pressed", async ({ browser }) => {
  const context = await browser.newContext({ viewport: { width: 768, height: 1024 }, hasTouch: true, isMobile: true });
  const page = await context.newPage();
  for (const place of ["/", "/zones/1/run", "/zones/1/feed", "/zones/1/roots", "/zones/5/harvest"]) {
    await page.goto(place);
    await expect(page.getByRole("heading", { level: 1 }).first()).toBeVisible();
    const small = await page.evaluate(() =>
      [...document.querySelectorAll<HTMLElement>("main button, main a, main input, header button, header a, nav a")]
        .filter((one) => one.checkVisibility() && one.getAttribute("type") !== "checkbox")
        .map((one) => one.closest<HTMLElement>(".ant-select") ?? one)
        .map((one) => ({ words: one.textContent, height: one.getBoundingClientRect().height }))
        .filter(({ height }) => height > 0 && height < 39.5),
    );
    expect(small, place).toEqual([]);
  }
  await context.close();
});

test("a new site is not shown measured weather that a simulated station made up, nor a plan without any", async ({
  page,
}) => {
  await server.stop();
  const own = new DemoServer();
  await own.start("own");
  try {
    await page.goto("/set-up");
    await page.getByLabel("Name of the site").fill("My place");
    await page.getByLabel("Latitude").fill("43.4");
    await page.getByLabel("Longitude").fill("-1.5");
    await page.getByLabel("Elevation").fill("60");
    await page.getByRole("button", { name: "Save" }).click();
    await page.getByRole("combobox", { name: "Crop" }).click();
    await page.getByTitle("Courgette").click();
    await page.getByLabel("Planted on").fill("2026-05-01");
    await page.getByLabel("How many rows").fill("4");
    await page.getByLabel("Each so long").fill("30");
    await page.getByRole("button", { name: "Add zone" }).click();
    await expect(page.getByRole("link", { name: "Courgette", exact: true })).toBeVisible();
    for (const place of ["/", "/zones/1/run", "/run", "/zones/1/roots"]) {
      await page.goto(place);
      await expect(page.getByRole("link", { name: "simulated weather" })).toBeVisible();
    }
    await page.goto("/zones/1/run?date=2026-04-30");
    await expect(page.locator("[data-figure=litres]")).toHaveCount(0);
  } finally {
    await own.remove();
  }
});
