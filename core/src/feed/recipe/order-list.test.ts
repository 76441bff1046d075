import { describe, expect, it } from "vitest";
import { compareRecipes } from "./compare-recipes.ts";
import { libraryProduct } from "../products/library.ts";
import { orderList } from "./order-list.ts";
import { withoutPrice } from "./without-price.ts";
import { STARTER_SHELF } from "../products/usual-starts.ts";

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

describe("what nobody counts", () => {
  it("is ordered whole and stands first, for it may be gone; what is not on the shelf at all has run out", () => {
    const zones = [{ zoneName: "Melons", m3Day: 1, lines: [line("potassium-nitrate", 500), line("urea", 100)] }];
    expect(orderList(zones, { "potassium-nitrate": null }, 10)).toMatchObject([
      { productId: "potassium-nitrate", stockKg: null, daysLeft: null, orderKg: 5 },
      { productId: "urea", stockKg: 0, daysLeft: 0, orderKg: 1 },
    ]);
  });
});

describe("the cost of a recipe", () => {
  it("is not known for each of its products that has no price, named once; what is not on the shelf is another matter", () => {
    const shelf = [
      { product: { id: "urea" }, priceKg: null },
      { product: { id: "borax" }, priceKg: null },
      { product: { id: "salt" }, priceKg: 0.4 },
    ];
    const lines = [line("urea", 1), line("urea", 2), line("salt", 1), line("elsewhere", 1)];
    expect(withoutPrice(lines, shelf)).toEqual(["urea"]);
  });
});

describe("the starter shelf", () => {
  it("holds products of the library that bring every ion of a feed", () => {
    const found = STARTER_SHELF.map((id) => libraryProduct(id));
    expect(found).not.toContain(undefined);
    const ions = new Set(found.flatMap((product) => Object.keys(product?.composition ?? {})));
    for (const ion of ["NO3", "NH4", "H2PO4", "K", "Ca", "Mg", "SO4", "Fe", "Mn", "Zn", "B", "Cu", "Mo"])
      expect([ion, ions.has(ion)]).toEqual([ion, true]);
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
