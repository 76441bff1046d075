import { describe, expect, it } from "vitest";
import { compareRecipes } from "./compare-recipes.ts";
import { orderList } from "./order-list.ts";

const line = (productId: string, gM3: number) => ({
  productId,
  name: productId,
  gM3,
  tankId: "A",
  kgPerTank: gM3 / 10,
});

describe("an order list", () => {
  it("adds up the zones, and orders what the shelf lacks for the days, the soonest to run out first", () => {
    const zones = [
      { zoneName: "Melons", m3Day: 4, lines: [line("potassium-nitrate", 500), line("calcium-nitrate", 800)] },
      { zoneName: "Lettuce", m3Day: 1, lines: [line("potassium-nitrate", 400)] },
    ];
    // potassium nitrate: 2 + 0.4 kg a day; calcium nitrate 3.2 kg a day
    expect(orderList(zones, { "potassium-nitrate": 12, "calcium-nitrate": 100 }, 14)).toEqual([
      expect.objectContaining({ daysLeft: 5, orderKg: expect.closeTo(21.6, 9), zones: ["Melons", "Lettuce"] }),
      expect.objectContaining({ daysLeft: 31.25, orderKg: 0, zones: ["Melons"] }),
    ]);
  });
});

describe("two recipes side by side", () => {
  it("shows each product once, over all of its tanks, with none where a recipe has none of it", () => {
    const recipe = (lines: ReturnType<typeof line>[]) => ({
      lines,
      delivered: { ions: { K: 5 }, ecMsCm: 2, ph: 6 },
      costPerM3: 1,
      nh4SharePct: 5,
    });
    const { products, ions } = compareRecipes(
      recipe([line("potassium-nitrate", 300), { ...line("potassium-nitrate", 200), tankId: "B" }]),
      recipe([line("potassium-sulphate", 90)]),
    );
    expect(products).toEqual([
      expect.objectContaining({ productId: "potassium-nitrate", left: 500, right: 0 }),
      expect.objectContaining({ productId: "potassium-sulphate", left: 0, right: 90 }),
    ]);
    expect(ions).toEqual([{ ion: "K", left: 5, right: 5 }]);
  });
});
