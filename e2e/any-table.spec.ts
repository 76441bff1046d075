import { utils, write } from "@e965/xlsx";
import { expect, test, type Page } from "@playwright/test";
import { expectNoSeriousFaults } from "./accessibility.ts";
import { DemoServer } from "./demo-server.ts";

const server = new DemoServer();
test.beforeAll(() => server.start());
test.afterAll(() => server.remove());

const choose = (page: Page, name: string, content: string | Buffer) =>
  page
    .locator("input[type=file]")
    .last()
    .setInputFiles({ name, mimeType: "text/csv", buffer: Buffer.isBuffer(content) ? content : Buffer.from(content) });

test("a file with words that nobody knows is finished by hand, imported, and taken back", async ({ page }) => {
  await page.goto("/import/picks");
  await choose(
    page,
    "oddities.csv",
    "Flurp;Znarg;Blib;Quux\nMelon bags;2026-06-16;12,5;A\nMelon bags;2026-06-17;13,25;B\n",
  );
  await expect(page.getByText("no word or unit of it is known").first()).toBeVisible();
  await expect(page.getByRole("button", { name: "Nothing to store" })).toBeDisabled();
  const set = async (column: string, meaning: string): Promise<void> => {
    await page.getByRole("combobox", { name: `${column} means` }).click();
    await page.locator(".ant-select-dropdown:visible").getByTitle(meaning, { exact: true }).click();
  };
  await set("Flurp", "zone");
  await set("Blib", "mass or crates");
  await expect(page.getByText("assumed: please check").first()).toBeVisible();
  await page.getByRole("combobox", { name: "Unit of Blib" }).click();
  await page.locator(".ant-select-dropdown:visible").getByTitle("lb", { exact: true }).click();
  await expect(page.getByText("assumed: please check")).toHaveCount(0);
  await expectNoSeriousFaults(page);
  await page.getByRole("button", { name: "Import 2 rows" }).click();
  await expect(page.getByRole("status").first()).toContainText("Stored 2 from oddities.csv");
  const earlier = page.getByRole("region", { name: "Imported before" });
  await earlier.getByRole("button", { name: "Take it back" }).click();
  await page.getByRole("tooltip").getByRole("button", { name: "Take it back" }).click();
  await expect(earlier).toContainText("2 values are taken back");
  await expect(earlier).toContainText("taken back");
});

test("a workbook that is called a text is read all the same, sheet by sheet", async ({ page }) => {
  const book = utils.book_new();
  utils.book_append_sheet(book, utils.aoa_to_sheet([["Made by the pen"], ["Do not change"]]), "Legende");
  utils.book_append_sheet(
    book,
    utils.aoa_to_sheet([
      ["Datum", "Uhrzeit", "Abteil", "Gabe", null, "Drain", null, null],
      [null, null, null, "EC", "pH", "EC", "pH", "%"],
      ["15.06.2026", "08:10", "Melon bags", 2.35, 5.6, 3.1, 6.1, 28],
      ["16.06.2026", "08:20", "Melon bags", 2.31, 5.7, 3.2, 6.0, 31],
    ]),
    "Messungen",
  );
  await page.goto("/import/readings");
  await choose(page, "juni.csv", Buffer.from(write(book, { type: "buffer", bookType: "xlsx" }) as Uint8Array));
  await expect(page.getByRole("row", { name: /Drain EC/ })).toContainText("EC of the drain");
  await expect(page.getByRole("region", { name: "First rows" })).toContainText("3.1");
  await page.getByRole("button", { name: "Import 2 rows" }).click();
  await expect(page.getByRole("status").first()).toContainText("Stored 2 from juni.csv");
});

test("a laboratory's report that lies across is read, and asks for what it does not say", async ({ page }) => {
  await page.goto("/import/water");
  await choose(
    page,
    "bericht.csv",
    [
      "Prüfbericht 4411;;;",
      "Parameter;Einheit;Messwert;Grenzwert",
      "pH-Wert;-;7,4;6,5 - 9,5",
      "Leitfähigkeit;µS/cm;640;2790",
      "Calcium;mg/l;98;",
      "Magnesium;mg/l;11;",
      "Natrium;mg/l;14;200",
      "Hydrogencarbonat;mg/l;290;",
      "Chlorid;mg/l;22;250",
      "Sulfat;mg/l;35;250",
      "Nitrat;mg/l;18;50",
    ].join("\r\n"),
  );
  const report = page.getByRole("main");
  await expect(report).toContainText("without a date: will not be stored");
  await expect(report).toContainText("the charges balance");
  await report.getByLabel(/Taken on/).fill("12 Mar 2026");
  await report.getByLabel(/Taken on/).press("Enter");
  await report.getByLabel(/Name of the water/).fill("Brunnen");
  await expect(report).toContainText("Brunnen, 12 Mar 2026: will be stored");
  await expectNoSeriousFaults(page);
  await report.getByRole("button", { name: "Store 1 report" }).click();
  await expect(page.getByRole("status").first()).toContainText("Stored 1 report from bericht.csv");
  await page.getByRole("link", { name: "To the water" }).click();
  await expect(page.getByRole("region", { name: "Reports", exact: true })).toContainText("Brunnen");
});
