import fc from "fast-check";
import { expect, it } from "vitest";
import { compositionIn } from "./composition-text.ts";

it.each([
  ["15.5-0-0 (19% Ca)", { totalNPct: 15.5, label: { Ca: 19 } }],
  ["15,5-0-0 + 26 CaO", { totalNPct: 15.5, label: { CaO: 26 } }],
  ["13-0-46", { totalNPct: 13, label: { K2O: 46 } }],
  ["0/52/34", { totalNPct: null, label: { P2O5: 52, K2O: 34 } }],
  ["16 MgO 32 SO3", { totalNPct: null, label: { MgO: 16, SO3: 32 } }],
  ["MgO 16 %, SO₃ 32 %", { totalNPct: null, label: { MgO: 16, SO3: 32 } }],
  ["9.8% Mg 13% S", { totalNPct: null, label: { Mg: 9.8, S: 13 } }],
  ["Fe 6%", { totalNPct: null, label: { Fe: 6 } }],
])("%s is read as it is printed on a bag", (text, read) => {
  expect(compositionIn(text, text.includes(",5") ? "," : ".")).toEqual(read);
});

it.each(["", "granules", "12-12-17-2", "12-12-17+2", "0-0-0"])("%j tells no composition", (text) => {
  expect(compositionIn(text, ".")).toBeNull();
});

it("reads back whatever grade is printed", () => {
  const pct = fc.integer({ min: 1, max: 600 }).map((tenths) => tenths / 10);
  fc.assert(
    fc.property(pct, pct, pct, pct, (n, p, k, mg) => {
      expect(compositionIn(`${n}-${p}-${k} + ${mg} MgO`, ".")).toEqual({
        ...{ totalNPct: n, label: { P2O5: p, K2O: k, MgO: mg } },
      });
    }),
  );
});
