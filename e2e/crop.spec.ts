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
    // It goes once all is saved.
    await expect(page.getByRole("button", { name: "Save the crop" })).toBeHidden();
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

  for (const [group, name, stage] of [
    ["a pot plant", "Poinsettia", /Pinch and growth|Rooting/],
    ["a flooded crop", "Rice", /Establishment|Tillering/],
    ["a cut flower", "Lisianthus", /Establishment|Stem growth/],
  ] as const)
    test(`${group} of one's own comes from ${name} to today's litres and feed`, async ({ page }) => {
      const own = `${name}, ours`;
      await page.goto("/crops");
      await page.getByRole("textbox", { name: "Find a crop" }).fill(name);
      await page.getByRole("link", { name: new RegExp(`^${name}`) }).click();
      await page.getByRole("button", { name: "Begin a crop of your own from it" }).click();
      await page.getByLabel("Name of your crop").fill(own);
      await page.getByRole("button", { name: "Begin it" }).click();
      await expect(page.getByRole("heading", { level: 1, name: own })).toBeVisible();
      await page.goto("/set-up?zone=new");
      await choose(page, "Crop", own);
      await addZone(page, "2026-05-25", own);
      await page.getByRole("link", { name: "Sprunel" }).click();
      const row = page.getByRole("row", { name: new RegExp(own) });
      await expect(row).toContainText(stage);
      await expect(row).toContainText(/[1-9][\d ]* ?L|no water needed/);
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

  test("a stage that is seen today shifts what follows, and is taken back", async ({ page }) => {
    await page.goto("/zones/1/crop");
    const ribbon = page.getByRole("group", { name: "Stages of this planting" });
    await expect(ribbon).toContainText(/Ripening30 Jun|Ripening\s*30 Jun|Ripening\s*\d+ (Jun|Jul)/);
    await page.getByRole("button", { name: "Ripening seen today" }).click();
    await expect(page.getByRole("status").filter({ hasText: "worked out anew" })).toContainText(/ripening from 20 Jun/);
    await expect(page.getByRole("heading", { level: 1 })).toContainText("ripening, day 1");
    await page.getByRole("button", { name: "Take back: Ripening" }).click();
    await expect(page.getByRole("heading", { level: 1 })).toContainText("fill");
    await expectNoSeriousFaults(page);
  });

  test("plantings beside each other have their own stages, and pots their room", async ({ page }) => {
    await page.goto("/zones/2/crop");
    const beside = page.getByRole("navigation", { name: "Plantings in this zone" });
    await expect(beside.getByRole("link")).toHaveCount(2);
    await beside.getByRole("link", { name: /rows 7 to 12 of 12/ }).click();
    await expect(page.getByRole("heading", { level: 1 })).toContainText("leaf growth");
    await expect(page.getByRole("region", { name: "Stand" })).toContainText(/50 % of the ground/);
    await expectNoSeriousFaults(page);

    await page.goto("/zones/3/crop");
    const stand = page.getByRole("region", { name: "Stand" });
    await expect(stand).toContainText(/moved apart to 14/);
    await stand.getByRole("button", { name: "Change the stand" }).click();
    await stand.getByLabel("plants on the ground").fill("9");
    await stand.getByRole("button", { name: "Note it" }).click();
    await expect(stand.getByText(/3360 plants at 9 a m² need 373 m², and there are 240 m²/)).toBeVisible();
    await stand.getByLabel("plants on the ground").fill("16");
    await stand.getByRole("button", { name: "Note it" }).click();
    await expect(stand).toContainText(/16\s*per m² on 87\.5 % of the ground/);
    await stand.getByRole("button", { name: "Take back: moved apart on 2026-06-20" }).click();
    await expect(stand).not.toContainText("87.5");
    await expectNoSeriousFaults(page);
  });

  test("the next crop is counted back from its sale, from stock plants to hardening", async ({ page }) => {
    await page.goto("/zones/3/crop");
    const next = page.getByRole("region", { name: "The next crop" });
    await next.getByRole("button", { name: "Plan the next crop" }).click();
    await next.getByRole("combobox", { name: "The next crop is" }).fill("Poinsettia");
    await page.getByTitle("Poinsettia", { exact: true }).click();
    await next.getByRole("combobox", { name: "Counted from" }).click();
    await page.getByTitle("first picking or sale").click();
    await next.getByLabel("Ready on").fill("20 Dec 2026");
    await next.getByLabel("Ready on").press("Enter");
    await next.getByRole("combobox", { name: "Its plants are" }).click();
    await page.getByTitle("raised from cuttings").click();
    await next.getByLabel("cuttings of a stock plant; 0 if bought").fill("8");
    await next.getByRole("button", { name: "Plan it" }).click();
    await expect(next).toContainText(/Poinsettia, 3.360 plants, from .*cuttings.*stock plants/);
    await expect(next.getByText("set the stock plants")).toBeVisible();
    await next.getByText("day by day (assumed)").last().click();
    await expect(next.getByText(/outside 2 h, 10:00 to 12:00/)).toBeVisible();
    await next.getByRole("button", { name: "Plan nothing" }).click();
    await expect(next.getByText("Nothing is planned after this.")).toBeVisible();
  });

  test("a basin's water goes by what its crop asks for, and the dates can be printed", async ({ page }) => {
    await page.goto("/zones/8/crop");
    const field = page.getByRole("region", { name: "In the field" });
    await expect(field).toContainText(/Flood and dry in turn, by the tube, flooded again at 15\s*cm below the soil/);
    await expectNoSeriousFaults(page);
    await page.goto("/crop");
    const weeks = page.getByRole("region", { name: "The next six weeks" });
    await expect(weeks).toContainText(/Sun 21 Jun\s*Melon bags\s*Netted melon: up by now/);
    await page.emulateMedia({ media: "print" });
    await expect(weeks.getByRole("button", { name: "Print" })).toBeHidden();
    await expect(weeks.getByRole("row").first()).toBeVisible();
  });
});
