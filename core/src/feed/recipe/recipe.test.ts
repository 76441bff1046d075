import fc from "fast-check";
import loadHighs from "highs";
import { beforeAll, describe, expect, it } from "vitest";
import { evenly } from "../../working/evenly-for-tests.ts";
import { chargeBalance, IONS, isTrace, type Ion, type Ions } from "../../chemistry/ions.ts";
import { atomsOf, molarMassG } from "../../chemistry/formula.ts";
import { lpSolver } from "./highs-lp.ts";
import { GRADES } from "../products/library-grades.ts";
import { libraryProduct, PRODUCTS } from "../products/library.ts";
import type { SolveLp } from "./linear-program.ts";
import { PUBLISHED_TARGETS } from "./published-targets.ts";
import { recipe, recipeCost } from "./recipe.ts";
import type { RecipeInput } from "./recipe-input.ts";
import { bringsPerGram } from "./recipe-model.ts";

let solve: SolveLp;
beforeAll(async () => {
  solve = lpSolver(await loadHighs());
});

const usual = [
  "calcium-nitrate",
  "calcium-nitrate-4w",
  "potassium-nitrate",
  "potassium-sulphate",
  "monopotassium-phosphate",
  "monoammonium-phosphate",
  "magnesium-sulphate-7w",
  "magnesium-nitrate-6w",
  "ammonium-nitrate",
  "nitric-acid-60",
  "phosphoric-acid-75",
  "iron-dtpa-6",
].map((id) => ({ id }));
const nitrates = [{ id: "calcium-nitrate" }, { id: "potassium-nitrate" }];
const soft = { ions: { Ca: 0.2, Mg: 0.1, Na: 0.3, Cl: 0.3, HCO3: 0.5, SO4: 0.05 }, ph: 7, temperatureC: 15 };
const hard = { ions: { Ca: 2.1, Mg: 0.6, Na: 0.9, K: 0.1, Cl: 0.8, SO4: 0.4, HCO3: 4.7 }, ph: 7.4, temperatureC: 15 };

/** Macro ions of the solutions that were published as they stand; rice has sodium and chloride that usual salts do not bring. */
const published: Readonly<Record<string, Ions>> = Object.fromEntries(
  PUBLISHED_TARGETS.filter(({ assumed, id }) => !assumed && id !== "rice-culture").map(({ id, ions }) => [
    id,
    Object.fromEntries(Object.entries(ions).filter(([ion]) => !isTrace(ion as Ion))),
  ]),
);

describe("the library", () => {
  it("holds at least 40 products, each of which adds up in charge; grades as far as their labels are rounded", () => {
    expect(PRODUCTS.length).toBeGreaterThanOrEqual(40);
    for (const { id, composition } of GRADES)
      expect(Math.abs(chargeBalance(composition as Ions).errorPct), id).toBeLessThan(1);
    for (const product of PRODUCTS.filter((entry) => !GRADES.includes(entry))) {
      const { H = 0, ...ions } = product.composition;
      const { cationsMeqL, anionsMeqL } = chargeBalance(ions);
      const trace = 2 * ((ions.Fe ?? 0) + (ions.Mn ?? 0) + (ions.Zn ?? 0) + (ions.Cu ?? 0));
      // Molybdate is divalent; urea, boric acid and chelates carry no charge here.
      const metals = product.chelate ? 0 : trace;
      const molybdate =
        product.id === "sodium-molybdate-2w"
          ? 2 * (ions.Mo ?? 0)
          : product.id === "ammonium-molybdate-4w"
            ? (6 / 7) * (ions.Mo ?? 0)
            : 0;
      expect(cationsMeqL + H + metals, product.id).toBeCloseTo(anionsMeqL + molybdate, 6);
    }
  });

  it("brings what chemistry says: 15.4 % N in calcium nitrate fertiliser, 13.6 % in potassium nitrate", () => {
    const percent = (id: string): number => {
      const { NO3 = 0, NH4 = 0, urea = 0 } = (libraryProduct(id) ?? expect.fail(id)).composition;
      return ((NO3 + NH4 + urea) * 14.007) / 10;
    };
    expect(percent("calcium-nitrate")).toBeCloseTo(0.99 * ((12 * 14.007) / 1080.7) * 100, 1);
    expect(percent("potassium-nitrate")).toBeCloseTo(0.98 * ((14.007 / 101.1) * 100), 1);
    expect(molarMassG("Ca5N12O33H4·10H2O")).toBeCloseTo(
      5 * molarMassG("Ca(NO3)2") + molarMassG("NH4NO3") + 10 * molarMassG("H2O"),
      9,
    );
    expect(atomsOf("(NH4)6Mo7O24·4H2O")).toMatchObject({ N: 6, Mo: 7, H: 32 });
  });
});

describe.each(Object.entries(published))("the recipe for %s", (_name, ions) => {
  it.each([
    ["soft", soft],
    ["hard", hard],
  ])(
    "is met within 2 %% from usual salts in %s water, with calcium apart from sulphate and phosphate",
    (_water, water) => {
      const answer = recipe({ water, target: { ions }, products: usual, tolerancePct: 2 }, solve);
      expect(answer.deviations.filter((deviation) => Math.abs(deviation.pct) > 2)).toEqual([]);
      expect(answer.status).toBe("met");
      expect(Math.abs(answer.chargeBalance.errorPct)).toBeLessThan(1);
      for (const tank of ["A", "B"]) {
        const held = answer.lines
          .filter((line) => line.tankId === tank)
          .map((line) => libraryProduct(line.productId)?.composition ?? {});
        const has = (...names: (keyof (typeof held)[number])[]): boolean =>
          held.some((composition) => names.some((name) => (composition[name] ?? 0) > 0));
        expect(has("Ca") && has("SO4", "H2PO4")).toBe(false);
      }
    },
  );
});

describe("a recipe", () => {
  const tomato = { ions: published["tomato"] ?? {}, ph: 5.8 };

  it("takes the bicarbonate of a hard water away with acid, to the pH asked for", () => {
    const answer = recipe(
      { water: hard, target: { ...tomato, ions: { ...tomato.ions, Fe: 25 } }, products: usual },
      solve,
    );
    expect(answer.delivered.ph).toBeCloseTo(5.8, 1);
    expect(answer.lines.some((line) => line.productId.includes("acid"))).toBe(true);
    const acidTank = answer.lines.find((line) => line.productId.includes("acid"))?.tankId;
    expect(answer.lines.find((line) => line.productId === "iron-dtpa-6")?.tankId).not.toBe(acidTank);
    expect(answer.delivered.ecMsCm).toBeGreaterThan(2.4);
  });

  it("weighs kilograms for the tank from grams per cubic metre: 1000 L at 100 serve 100 m³", () => {
    const [line] = recipe(
      { water: { ions: {}, ph: 7 }, target: { ions: { K: 5, NO3: 5 } }, products: [{ id: "potassium-nitrate" }] },
      solve,
    ).lines;
    expect(line?.gM3).toBeCloseTo((5 * 101.1) / 0.98, 0);
    expect(line?.kgPerTank).toBeCloseTo((line?.gM3 ?? 0) / 10, 9);
  });

  it("prefers the cheaper of two sources of the same ions", () => {
    const own = (id: string, priceKg: number) => ({
      id,
      name: id,
      form: "solid" as const,
      composition: { K: 9.8, NO3: 9.8 },
      priceKg,
      solubilityGL: 300,
    });
    const { lines, costPerM3 } = recipe(
      {
        water: { ions: {}, ph: 7 },
        target: { ions: { K: 4.9, NO3: 4.9 } },
        products: [own("dear", 3), own("cheap", 1)],
      },
      solve,
    );
    expect(lines.map((line) => line.productId)).toEqual(["cheap"]);
    expect(costPerM3).toBeCloseTo(0.5, 6);
  });

  it("names the ion, the amount and the reason when the fit is not exact", () => {
    const over = recipe({ water: { ...soft, ions: { ...soft.ions, Ca: 7 } }, target: tomato, products: usual }, solve);
    expect(over.status).toBe("closest");
    expect(over.deviations.find((deviation) => deviation.ion === "Ca")?.reason).toMatch(
      /water already brings 7.00 mmol\/L, 1.60 mmol\/L more/,
    );
    const without = recipe(
      { water: soft, target: tomato, products: usual.filter(({ id }) => !id.includes("phosph")) },
      solve,
    );
    expect(without.deviations.find((deviation) => deviation.ion === "H2PO4")?.reason).toBe(
      "No product here brings H2PO4.",
    );
  });

  it.each([
    [
      "charges do not balance",
      { NO3: 10, K: 8, Ca: 4, Mg: 2, SO4: 1, H2PO4: 1 },
      "K",
      usual,
      /do not balance in charge/,
    ],
    ["two salts tie ions together", { NO3: 2, K: 8, Ca: 4 }, "K", nitrates, /would bring NO3, Ca off too/],
    ["a tank is full", { K: 40, SO4: 20 }, "SO4", [{ id: "potassium-sulphate" }], /Tank A and B is full/],
  ] as const)("reads from the duals that %s", (_what, ions, ion, products, reason) => {
    const water = { ions: {}, ph: 7, temperatureC: 10 };
    const { deviations } = recipe({ water, target: { ions }, products }, solve);
    expect(deviations.find((deviation) => deviation.ion === ion)?.reason).toMatch(reason);
  });

  it("reads from the duals which limit stands in the way", () => {
    const { deviations } = recipe(
      {
        water: { ions: { Na: 1 }, ph: 7 },
        target: { ions: { NO3: 4, B: 200 } },
        limits: { Na: 1.01 },
        products: [{ id: "calcium-nitrate" }, { id: "borax-10w" }],
      },
      solve,
    );
    expect(deviations.find(({ ion }) => ion === "B")?.reason).toMatch(/Na stands at its limit of 1.01 mmol\/L/);
  });

  it("keeps hard limits, and says infeasible with the best lines when the water breaks one", () => {
    const limited = recipe({ water: soft, target: tomato, products: usual, limits: { NH4: 0.5 } }, solve);
    expect(limited.delivered.ions.NH4).toBeLessThanOrEqual(0.5 + 1e-6);
    const broken = recipe({ water: hard, target: tomato, products: usual, limits: { Na: 0.5 } }, solve);
    expect(broken.status).toBe("infeasible");
    expect(broken.lines.length).toBeGreaterThan(3);
  });

  it("never dissolves more in a tank than its safety share, and says so when that binds", () => {
    const answer = recipe(
      {
        water: { ...soft, temperatureC: 2 },
        target: tomato,
        products: usual,
        tanks: [
          { id: "A", volumeL: 100, dilution: 250 },
          { id: "B", volumeL: 100, dilution: 250 },
        ],
      },
      solve,
    );
    const shares = answer.precipitation.flatMap((entry) => (entry.where === "tank" ? [entry] : []));
    for (const tankId of ["A", "B"])
      expect(
        shares.filter((entry) => entry.tankId === tankId).reduce((sum, entry) => sum + entry.solubilitySharePct, 0),
      ).toBeLessThanOrEqual(85.01);
    expect(answer.deviations.some((deviation) => /dissolves/.test(deviation.reason))).toBe(true);
  });

  it("balances mass and charge for any target and shelf: what is delivered is the water plus what the lines bring", () => {
    const amount = (most: number) => evenly(0, most);
    const target = fc.record({
      NO3: amount(20),
      K: amount(12),
      Ca: amount(8),
      Mg: amount(4),
      SO4: amount(6),
      H2PO4: amount(2),
    });
    fc.assert(
      fc.property(
        target,
        fc.subarray(usual, { minLength: 2 }),
        fc.constantFrom(soft, hard),
        (ions, products, water) => {
          const answer = recipe({ water, target: { ions }, products }, solve);
          for (const ion of IONS) {
            const added = answer.lines.reduce(
              (sum, line) => sum + bringsPerGram(libraryProduct(line.productId) ?? expect.fail(), ion) * line.gM3,
              0,
            );
            expect(answer.delivered.ions[ion] ?? 0).toBeCloseTo(((water.ions as Ions)[ion] ?? 0) + added, 5);
          }
          const [before, after] = [chargeBalance(water.ions), answer.chargeBalance];
          expect(after.cationsMeqL - after.anionsMeqL).toBeCloseTo(before.cationsMeqL - before.anionsMeqL, 5);
        },
      ),
      { numRuns: 40 },
    );
  });

  it("mixes waters as it needs them: as much of the cheap one as the target bears", () => {
    const lowCalcium = { ions: { NO3: 8, K: 5, Ca: 1.5, Mg: 1, SO4: 1, H2PO4: 1 }, ph: 5.8 };
    const roof = { name: "roof", ...soft, mostSharePct: 100, priceM3: 0 };
    const alone = recipe({ water: hard, target: lowCalcium, products: usual }, solve);
    expect(alone.deviations.find(({ ion }) => ion === "Ca")?.pct ?? 0).toBeGreaterThan(20);
    const mixed = recipe(
      { water: hard, target: lowCalcium, products: usual, mixWith: [roof], waterPriceM3: 0.3 },
      solve,
    );
    expect(mixed.status).toBe("met");
    const [well, rain] = (mixed.waters ?? []).map(({ sharePct }) => sharePct / 100);
    expect((well ?? 0) + (rain ?? 0)).toBeCloseTo(1, 9);
    // Mass: the feed holds what the two waters bring in their shares, and what the lines add.
    for (const ion of ["Ca", "Na", "NO3"] as const) {
      const waters = (well ?? 0) * ((hard.ions as Ions)[ion] ?? 0) + (rain ?? 0) * ((soft.ions as Ions)[ion] ?? 0);
      const added = mixed.lines.reduce(
        (sum, line) => sum + bringsPerGram(libraryProduct(line.productId) ?? expect.fail(), ion) * line.gM3,
        0,
      );
      expect(mixed.delivered.ions[ion] ?? 0, ion).toBeCloseTo(waters + added, 5);
    }
    const scarce = { ...roof, mostSharePct: 20 };
    const short = recipe({ water: hard, target: lowCalcium, products: usual, mixWith: [scarce] }, solve);
    expect(short.waters?.[1]?.sharePct).toBeCloseTo(20, 6);
  });

  it("keeps ammonium within its share of nitrogen, and an amount that a person has settled", () => {
    const ammonium = { ions: { NO3: 10, NH4: 3, K: 6, Ca: 3, H2PO4: 1 } };
    expect(recipe({ water: soft, target: ammonium, products: usual }, solve).nh4SharePct).toBeGreaterThan(15);
    const limited = recipe({ water: soft, target: ammonium, products: usual, nh4ShareMostPct: 10 }, solve);
    expect(limited.nh4SharePct).toBeLessThanOrEqual(10 + 1e-6);
    const locks = { "monopotassium-phosphate": 50 };
    const settled = recipe({ water: soft, target: tomato, products: usual, locks }, solve);
    expect(settled.lines.filter(({ productId }) => productId === "monopotassium-phosphate")).toMatchObject([
      { gM3: expect.closeTo(50, 3) },
    ]);
  });

  it("warns of products that no concentrate can hold, and of no others", () => {
    const warned = (products: RecipeInput["products"]) =>
      recipe({ water: soft, target: { ions: { NO3: 4, K: 2, Ca: 1 } }, products }, solve).warnings.filter((warning) =>
        warning.startsWith("Not for concentrates"),
      );
    expect(warned(nitrates)).toEqual([]);
    const gypsum = { id: "gypsum", name: "Gypsum", form: "solid" as const, composition: { Ca: 5.8, SO4: 5.8 } };
    expect(warned([...nitrates, gypsum])).toEqual([expect.stringMatching(/Gypsum\.$/)]);
  });

  it("names a share of ammonium that cannot be kept with what is settled, and how far it would have to give", () => {
    const { status, warnings } = recipe(
      {
        water: { ions: {}, ph: 7 },
        target: { ions: { NO3: 5, NH4: 5 } },
        products: [{ id: "ammonium-nitrate" }],
        nh4ShareMostPct: 20,
        locks: { "ammonium-nitrate": 300 },
      },
      solve,
    );
    expect(status).toBe("infeasible");
    const conflict = warnings.find((warning) => warning.includes("cannot be kept")) ?? "";
    expect(conflict).toMatch(/NH₄ at most 20 % of all N/);
    expect(conflict).toMatch(/ammonium-nitrate/);
  });

  it("names a set of demands that cannot be kept together, none to spare, and the least that must give", () => {
    const { status, warnings } = recipe(
      {
        water: { ions: { Na: 0.4 }, ph: 7 },
        target: { ions: { NO3: 10 } },
        products: [{ id: "sodium-nitrate" }, { id: "potassium-nitrate" }, { id: "calcium-nitrate" }],
        limits: { Na: 1, K: 5, Cl: 2 },
        locks: { "sodium-nitrate": 200, "potassium-nitrate": 100 },
      },
      solve,
    );
    expect(status).toBe("infeasible");
    const conflict = warnings.find((warning) => warning.includes("cannot be kept")) ?? "";
    expect(conflict).toMatch(/^Na at most 1.00 mmol\/L and 200 g\/m³ of sodium-nitrate cannot be kept together/);
    expect(conflict).not.toMatch(/Cl|K at|potassium/);
    expect(conflict).toMatch(/least that must give: /);
  });

  it.each<[string, Partial<RecipeInput>]>([
    ["locks.urea", { locks: { urea: 5 } }],
    ["nh4ShareMostPct", { nh4ShareMostPct: 120 }],
    ["mixWith", { mixWith: [{ name: "roof", ...soft, mostSharePct: 30 }], mostSharePct: 50 }],
  ])("refuses impossible wishes at %s", (path, change) => {
    expect(() => recipe({ water: soft, target: tomato, products: usual, ...change }, solve)).toThrow(
      expect.objectContaining({ path }),
    );
  });

  it("costs the same and weighs the same when it is only told in money", () => {
    const products = usual.map(({ id }) => {
      const { solubility: _table, ...product } = libraryProduct(id) ?? expect.fail(id);
      return { ...product, priceKg: 1 };
    });
    const input = { water: hard, target: { ions: published["steiner"] ?? {}, ph: 5.8 }, products };
    const { status, lines, costPerM3 } = recipe(input, solve);
    expect(costPerM3).toBeGreaterThan(0);
    expect(recipeCost(input, solve)).toEqual({ status, lines, costPerM3: expect.closeTo(costPerM3, 9) });
  });

  it("tells a chelate that the feed's pH breaks, and acid that the water's buffer does not answer", () => {
    const water = { ions: { HCO3: 3, Ca: 1.5 }, ph: 7.4, temperatureC: 15 };
    const products = [{ id: "iron-edta-13" }, { id: "calcium-nitrate" }];
    const iron = recipe({ water, target: { ions: { Fe: 20, NO3: 8, Ca: 4 } }, products }, solve);
    expect(iron.warnings).toContainEqual(
      expect.stringMatching(/Iron EDTA 13 % holds its iron up to about pH 6.3, .* 7.4/),
    );
    const acid = recipe(
      { water: soft, target: { ions: { H2PO4: 3 } }, products: [{ id: "phosphoric-acid-75" }] },
      solve,
    );
    expect(acid.deviations[0]?.reason).toMatch(/Only acid brings it here, and the water’s 0.50 mmol\/L of bicarbonate/);
  });

  it("brings the working of every figure it gives, so that it can be redone with a pencil", () => {
    const { working, delivered, lines, precipitation, costPerM3, nh4SharePct, chargeBalance } = recipe(
      { water: hard, target: tomato, products: usual },
      solve,
    );
    const given = [
      ...lines.map((line) => line.kgPerTank),
      ...precipitation.map((entry) => (entry.where === "tank" ? entry.solubilitySharePct : entry.saturationIndex)),
      ...Object.values(delivered.ions),
      ...[delivered.ecMsCm, delivered.ph, costPerM3, nh4SharePct, chargeBalance.cationsMeqL, chargeBalance.anionsMeqL],
    ];
    const worked = working.map((step) => step.value);
    expect(given.filter((value) => !worked.some((step) => Math.abs(step - value) < 1e-9))).toEqual([]);
  });

  it.each<[string, Partial<RecipeInput>]>([
    ["products.0.id", { products: [{ id: "moon-dust" }] }],
    ["products", { products: [] }],
    ["target.ions", { target: { ions: {} } }],
    ["target.ions.K", { target: { ions: { K: -1 } } }],
    ["tanks.0.dilution", { tanks: [{ id: "A", volumeL: 100, dilution: 0 }] }],
    ["products.0.composition", { products: [{ id: "x", name: "Wonder", form: "solid", composition: { NO3: 20 } }] }],
    ["products.0.composition", { products: [{ id: "x", name: "Nothing", form: "solid", composition: {} }] }],
  ])("refuses a bad %s and names it", (path, change) => {
    expect(() => recipe({ water: soft, target: tomato, products: usual, ...change }, solve)).toThrow(
      expect.objectContaining({ path }),
    );
  });
});
