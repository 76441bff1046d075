import { expect, test, type Page } from "@playwright/test";
import { expectNoSeriousFaults } from "./accessibility.ts";
import { DemoServer } from "./demo-server.ts";

const server = new DemoServer();
test.describe.configure({ mode: "serial" });
test.beforeAll(() => server.start());
test.afterAll(() => server.remove());

/** From a zone on the board to the station of its roots. */
async function openRoots(page: Page, name: string): Promise<void> {
  await page.getByRole("rowheader", { name }).click();
  await expect(page.getByRole("heading", { level: 1 })).toContainText(name);
  await page.getByRole("navigation", { name: "The water's path" }).getByRole("link", { name: "Roots" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText(`${name}: root zone`);
}

for (const [name, shown] of [
  ["Melon bags", /of its water, computed/],
  ["Lettuce tanks", /cm deep/],
  ["Cyclamen benches", /% of held/],
  ["Courgette tunnel", /L\/m² (short|over full)/],
  ["Fennel field", /L\/m² (short|over full)/],
  ["Water spinach basin", /cm (in tube|of water)|flooded again at/],
] as const)
  test(`${name}: the section is filled to this hour, and the books of its water close`, async ({ page }) => {
    await page.goto("/");
    await openRoots(page, name);
    await expect(page.getByText(shown).first()).toBeVisible();
    const books = page.getByRole("region", { name: "Balance of water" });
    const weekOf = async (words: string): Promise<number> => {
      const row = books.getByRole("row", { name: new RegExp(`^${words}`) });
      if ((await row.count()) === 0) return 0;
      const text = (await row.getByRole("cell").nth(2).textContent()) ?? "";
      return Number(text.replace("−", "-").replace(/[^\d.-]/g, ""));
    };
    let rest = 0;
    for (const words of ["given", "rain", "in soil that roots grew into", "put right by readings"])
      rest += await weekOf(words);
    for (const words of ["taken by the crop", "drained or run back", "lost to unevenness", "run over", "stored"])
      rest -= await weekOf(words);
    // Figures are rounded where they are shown.
    expect(Math.abs(rest)).toBeLessThan(1);
    await expectNoSeriousFaults(page);
  });

test("a system that is changed in set-up has its own fields, its own section and a plan at once", async ({ page }) => {
  await page.goto("/set-up");
  await page.getByRole("link", { name: "Lettuce tanks", exact: true }).click();
  // Until the other zone is there, the form is the first one's, and its open list would go with it.
  await expect(page.getByLabel("Name of the zone")).toHaveValue("Lettuce tanks");
  await page.getByRole("combobox", { name: "Growing system" }).click();
  await page.getByTitle("flooded benches").click();
  await expect(page.getByLabel("Depth of a flood")).toBeVisible();
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText("Saved", { exact: true })).toBeVisible();
  await page.goto("/");
  await openRoots(page, "Lettuce tanks");
  await expect(page.getByText(/% of held/).first()).toBeVisible();
});
