import { describe, expect, it } from "vitest";
import { readShelfList } from "./shelf-list.ts";

const list = (...lines: readonly string[]) =>
  readShelfList(new TextEncoder().encode(`${lines.join("\n")}\n`), { zones: [], timeZone: "UTC" });

describe("a shelf whose compositions stand in one cell", () => {
  it("is read with stock and price by mass, as they are headed", () => {
    const { rows, rejected } = list(
      "Produit;Formule;Stock (kg);Prix (€/kg);Sac (kg)",
      "Nitrate de calcium;15,5-0-0 + 26 CaO;250;0,62;25",
      "Sulfate de magnésie;16 MgO 32 SO3;75;0,48;25",
      "Acide nitrique 38%;;120;0,9;",
    );
    expect(rows.map(({ values }) => values)).toMatchObject([
      {
        product: "Nitrate de calcium",
        totalNPct: 15.5,
        label: { CaO: 26 },
        inStockKg: 250,
        pricePerKg: 0.62,
        bagKg: 25,
      },
      { product: "Sulfate de magnésie", totalNPct: null, label: { MgO: 16, SO3: 32 }, inStockKg: 75, pricePerKg: 0.48 },
    ]);
    expect(rejected).toMatchObject([{ line: 4, reason: "no-analysis" }]);
  });

  it("is read with bags that are counted, and what one of them holds", () => {
    const { rows } = list(
      "Product,Analysis,Bags,Bag size,Price per bag",
      "Calcium nitrate,15.5-0-0 (19% Ca),10,50 lb,$22.50",
      "Monopotassium phosphate,0-52-34,4,55 lb,$68.00",
    );
    const pound = 0.45359237;
    expect(rows.map(({ values }) => values)).toMatchObject([
      {
        ...{ label: { Ca: 19 }, bags: 10, bagKg: 50 * pound, inStockKg: expect.closeTo(500 * pound, 9) as number },
        pricePerKg: expect.closeTo(22.5 / (50 * pound), 9) as number,
      },
      { label: { P2O5: 52, K2O: 34 }, bags: 4, bagKg: 55 * pound },
    ]);
  });

  it("has its prices by the pound or the tonne where they are headed so", () => {
    const priced = (head: string, price: string) =>
      list(`Product,Analysis,${head}`, `Calcium nitrate,15.5-0-0,${price}`).rows[0]?.values.pricePerKg;
    expect(priced("Price ($/lb)", "0.45")).toBeCloseTo(0.45 / 0.45359237, 9);
    expect(priced("Price per tonne", "620")).toBeCloseTo(0.62, 9);
    expect(priced("Price per bag", "22")).toBeNull();
  });
});
