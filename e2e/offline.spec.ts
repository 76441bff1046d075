import { expect, test } from "@playwright/test";
import { DemoServer } from "./demo-server.ts";

const server = new DemoServer();
test.describe.configure({ mode: "serial" });
test.beforeAll(() => server.start());
test.afterAll(() => server.remove());

/** How many readings stand in the browser's own database. */
function waitingInBrowser(): Promise<number> {
  return new Promise((resolve) => {
    const opening = indexedDB.open("keyval-store");
    opening.onerror = () => resolve(0);
    opening.onsuccess = () => {
      const asked = opening.result.transaction("keyval").objectStore("keyval").get("sprunel.waiting");
      asked.onsuccess = () => resolve(String(asked.result ?? "").split('"drainPct"').length - 1);
      asked.onerror = () => resolve(0);
    };
  });
}

test("readings typed while the server is away wait in the browser, survive the tab, and arrive once, in order", async ({
  context,
}) => {
  const page = await context.newPage();
  await page.goto("/zones/1/roots");
  await expect(page.getByRole("heading", { name: "Melon bags: root zone" })).toBeVisible();
  // Its code is here by now, as in any tab that was used.
  await page.keyboard.press("l");
  await expect(page.getByRole("dialog")).toBeVisible();
  await page.keyboard.press("Escape");
  await server.stop();
  for (const [share, at] of [
    ["26", "9:05"],
    ["27", "9:06"],
  ] as const) {
    await page.keyboard.press("l");
    const dialog = page.getByRole("dialog");
    await dialog.getByLabel("Drain share").fill(share);
    await dialog.getByLabel("Read at").fill(at);
    await dialog.getByLabel("Read at").press("Enter");
    await expect(dialog).toBeHidden();
  }
  await expect(page.getByText("Waiting for the server: 2 readings.")).toBeVisible();
  // The browser has written both down.
  await expect.poll(() => page.evaluate(waitingInBrowser)).toBe(2);
  await page.close();
  await server.start();
  const again = await context.newPage();
  await again.goto("/zones/1/roots");
  await expect(again.getByRole("row", { name: /09:06/ })).toContainText("27");
  await expect(again.getByRole("row", { name: /09:05/ })).toContainText("26");
  await expect(again.getByText(/Waiting for the server/)).toBeHidden();
});

test("a page whose code cannot be fetched says so, and comes once the server is back", async ({ page }) => {
  await page.goto("/");
  await expect(page.getByText("Melon bags").first()).toBeVisible();
  await server.stop();
  await page.getByRole("link", { name: "Set-up" }).first().click();
  await expect(page.getByText("This page is not here yet")).toBeVisible({ timeout: 120_000 });
  await server.start();
  await expect(page.getByRole("heading", { name: "Set-up" })).toBeVisible({ timeout: 120_000 });
});
