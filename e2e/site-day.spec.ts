import { expect, test, type Page } from "@playwright/test";
import { expectNoSeriousFaults } from "./accessibility.ts";
import { DemoServer } from "./demo-server.ts";

const server = new DemoServer();
test.describe.configure({ mode: "serial" });
test.beforeAll(() => server.start("own"));
test.afterAll(() => server.remove());

interface Pulse {
  readonly name: string;
  readonly startUtc: string;
  readonly endUtc: string;
  readonly lh: number;
}
/** The most that is asked of the pump at a time, and the least time between two turns of hand valves, min. */
async function sharedBy(
  page: Page,
  date: string,
): Promise<{ mostLh: number; leastMin: number; pulses: readonly Pulse[] }> {
  const { pulses } = (await (await page.request.get(`/api/day-plan?date=${date}`)).json()) as { pulses: Pulse[] };
  const most = pulses.map(({ startUtc }) =>
    pulses
      .filter((other) => other.startUtc <= startUtc && Date.parse(startUtc) < Date.parse(other.endUtc) - 1000)
      .reduce((sum, { lh }) => sum + lh, 0),
  );
  const turns = pulses
    .flatMap(({ startUtc, endUtc }) => [Date.parse(startUtc), Date.parse(endUtc)])
    .sort((a, b) => a - b);
  const least = turns.slice(1).map((at, index) => (at - (turns[index] ?? 0)) / 60_000);
  return { mostLh: Math.max(0, ...most), leastMin: Math.min(Infinity, ...least), pulses };
}

/** Soil is not watered every day: the first on which it is. */
async function firstDateWithWater(page: Page): Promise<string> {
  for (let day = 20; day < 30; day++) {
    const date = `2026-06-${day}`;
    const { pulses } = (await (await page.request.get(`/api/day-plan?date=${date}`)).json()) as { pulses: Pulse[] };
    if (pulses.length >= 8) return date;
  }
  throw new Error("no day of the next ten has water");
}
let date = "";

test("from nothing: one pump of 4,500 L/h and eight hand valves of 2,000 L/h have a sheet without a clash", async ({
  page,
}) => {
  const beganMs = Date.now();
  await page.goto("/");
  await page.getByRole("link", { name: "Describe your site" }).click();
  await page.getByLabel("Name of the site").fill("Eight valves");
  await page.getByLabel("Latitude").fill("41.5");
  await page.getByLabel("Longitude").fill("-74");
  await page.getByLabel("Elevation").fill("60");
  await page.getByRole("button", { name: "Save" }).click();
  await page.getByRole("combobox", { name: "Crop" }).click();
  await page.getByTitle("Courgette").click();
  await page.getByLabel("Name of the zone").fill("Row 1");
  await page.getByLabel("Planted on").fill("2026-05-01");
  await page.getByRole("combobox", { name: "Growing system" }).click();
  await page.getByTitle("soil, drip lines").click();
  await page.getByLabel("How many beds").fill("4");
  await page.getByLabel("Each so long").fill("25");
  await page.getByText("All else, with the figures it starts from").click();
  await page.getByRole("textbox", { name: "Flow of the whole zone" }).fill("2000");
  await page.getByRole("button", { name: "Add zone" }).click();
  await expect(page.getByRole("link", { name: /^Row 1/ }).first()).toBeVisible();
  await page.goto("/set-up?zone=1");
  await page.getByRole("button", { name: "Zones like this one" }).click();
  await page.getByLabel("How many", { exact: true }).fill("7");
  await page.getByRole("button", { name: "Add 7 zones" }).click();
  await expect(page.getByRole("link", { name: /^Row 8/ }).first()).toBeVisible();

  date = await firstDateWithWater(page);
  await page.goto(`/run?date=${date}`);
  await page.getByRole("button", { name: "Pump, mixers and hands" }).click();
  const form = page.getByRole("dialog", { name: "Pump, mixers and hands" });
  await form.getByLabel("Pump gives at most").fill("1500");
  await form.getByRole("button", { name: "Some valves are opened by hand" }).click();
  await form.getByLabel("From, hours 1").fill("06:00");
  await form.getByLabel("To, hours 1").fill("20:00");
  await form.getByLabel("Hand valves minded at once").fill("2");
  await form.getByRole("button", { name: "Save" }).click();
  await expect(form.getByText(/Pump gives 1500 L\/h and cannot feed even the smallest of its zones/)).toBeVisible();
  await form.getByLabel("Pump gives at most").fill("4500");
  await form.getByRole("button", { name: "Save" }).click();
  await expect(form).toBeHidden();
  await expect(page.getByRole("heading", { name: "All of it fits" })).toBeVisible();
  await expectNoSeriousFaults(page);
  const { mostLh, leastMin, pulses } = await sharedBy(page, date);
  expect(new Set(pulses.map(({ name }) => name)).size).toBe(8);
  expect(mostLh).toBeLessThanOrEqual(4000);
  expect(leastMin).toBeGreaterThanOrEqual(1.7);
  for (const [format, pages] of [
    ["A4", 1],
    ["Letter", 1],
  ] as const) {
    await page.goto(`/run/sheet?date=${date}`);
    await page.getByText(format, { exact: true }).click();
    await expect(page.getByRole("row", { name: /open Row 8/ })).toBeVisible();
    await expect(page.getByRole("row", { name: /close Row 8/ })).toBeVisible();
    const pdf = await page.pdf({ preferCSSPageSize: true });
    expect(pdf.toString("latin1").match(/\/Type\s*\/Page[^s]/g)?.length).toBe(pages);
  }
  expect(Date.now() - beganMs).toBeLessThan(300_000);
});

test("a pulse is dragged and stays locked while the rest gives way, is freed, and a valve is shut for the day", async ({
  page,
}) => {
  await page.goto(`/run?date=${date}`);
  const bar = page.getByRole("group", { name: "Pulses of Row 3" }).getByRole("button").first();
  const box = await bar.boundingBox();
  if (!box) throw new Error("the pulse is drawn");
  await page.mouse.move(box.x + box.width / 2, box.y + 20);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 - 120, box.y + 20, { steps: 8 });
  await page.mouse.up();
  await expect(bar).toHaveAccessibleName(/locked/);
  const moved = await bar.getAttribute("aria-label");
  const { mostLh, pulses } = await sharedBy(page, date);
  expect(mostLh).toBeLessThanOrEqual(4000);
  expect(new Set(pulses.map(({ name }) => name)).size).toBe(8);
  await page.reload();
  await expect(bar).toHaveAccessibleName(moved ?? "");
  await bar.click();
  const panel = page.getByRole("region", { name: "Pulse of Row 3" });
  await expect(panel).toBeVisible();
  await expectNoSeriousFaults(page);
  await panel.getByLabel("Starts at").fill("23:30");
  await panel.getByRole("button", { name: "Lock it there" }).click();
  await expect(
    page.getByText(/23:30 to .* lies outside the times in which Row 3 may be watered: 06:\d\d to/),
  ).toBeVisible();
  await expect(bar).toHaveAccessibleName(moved ?? "");
  await panel.getByRole("button", { name: "Free it" }).click();
  await expect(bar).not.toHaveAccessibleName(/locked/);
  await panel.getByRole("button", { name: "Shut Row 3 today" }).click();
  await expect(page.getByRole("group", { name: "Pulses of Row 3" }).getByRole("button")).toHaveCount(0);
  await expect(page.getByRole("region", { name: "What changed" })).toContainText("Row 3 was shut for the day.");
  await page.getByRole("button", { name: "Open Row 3 again" }).click();
  await expect(page.getByRole("group", { name: "Pulses of Row 3" }).getByRole("button").first()).toBeVisible();
});

test("the phone has the next valve, and nothing is wider than its screen", async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`/run/valves?date=${date}`);
  await expect(page.getByRole("heading", { name: "My valves" })).toBeVisible();
  await expect(page.getByRole("region", { name: /^Next/ }).getByRole("listitem")).toHaveCount(1);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await expectNoSeriousFaults(page);
  await page.setViewportSize({ width: 768, height: 1024 });
  await page.goto(`/run?date=${date}`);
  await expect(page.getByRole("group", { name: "Pulses of Row 1" })).toBeVisible();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(768);
});
