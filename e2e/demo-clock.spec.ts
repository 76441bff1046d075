import { expect, test, type Page } from "@playwright/test";
import { expectNoSeriousFaults } from "./accessibility.ts";
import { DemoServer } from "./demo-server.ts";

// From an empty folder, as a person starts it; the other tests begin from a copy.
const server = new DemoServer({ copyOf: null });
test.describe.configure({ mode: "serial" });
test.beforeAll(() => server.start());
test.afterAll(() => server.remove());

/** Minutes since midnight at Quillbrook, as the demonstration's clock shows them. */
async function shownMinutes(page: Page): Promise<number> {
  const [hours = 0, minutes = 0] = (await page.locator("footer strong").innerText()).split(":").map(Number);
  return 60 * hours + minutes;
}

test("the nursery runs at a minute a second until it has watered, stands while the program is stopped, and goes on from there", async ({
  page,
}) => {
  await page.goto("/run");
  const clock = page.getByRole("contentinfo", { name: "Clock of the demonstration" });
  await expect(clock).toContainText("10:24");
  await expectNoSeriousFaults(page);
  const given = page.getByRole("group", { name: "Pulses of Melon bags" }).getByRole("button", { name: /, given$/ });
  const before = await given.count();
  await clock.getByRole("button", { name: "a minute a second" }).click();
  await expect.poll(() => given.count(), { timeout: 400_000 }).toBeGreaterThan(before);
  expect(await shownMinutes(page)).toBeGreaterThan(10 * 60 + 24);
  await clock.getByRole("button", { name: "pause" }).click();
  await expect(clock.getByRole("button", { name: "pause" })).toHaveAttribute("aria-pressed", "true");
  const stoppedAt = await shownMinutes(page);
  await server.stop();
  await server.start();
  await page.goto("/run");
  await expect(clock).toBeVisible();
  expect(await shownMinutes(page)).toBe(stoppedAt);
  await expect(clock.getByRole("button", { name: "pause" })).toHaveAttribute("aria-pressed", "true");
});

test("it begins anew on its first morning when that is confirmed", async ({ page }) => {
  await page.goto("/run");
  const clock = page.getByRole("contentinfo", { name: "Clock of the demonstration" });
  await expect(clock).not.toContainText("10:24");
  await clock.getByRole("button", { name: "start again" }).click();
  await page.getByRole("button", { name: "Begin anew" }).click();
  await expect(page.getByText(/Quillbrook begins anew/)).toBeVisible();
  await expect(clock).toContainText("10:24", { timeout: 200_000 });
  await expect(page.getByRole("row", { name: /Melon bags/ })).toBeVisible();
});
