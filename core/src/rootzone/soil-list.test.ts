import { describe, expect, it } from "vitest";
import { readSoilList } from "./soil-list.ts";

const read = (...lines: string[]) =>
  readSoilList(new TextEncoder().encode(`${lines.join("\n")}\n`), {
    zones: ["Tunnel 1"],
    timeZone: "Europe/Paris",
  }).rows.map(({ values }) => values);

describe("a soil test", () => {
  it("tells calcium, sodium, nitrate and what the soil holds by charge, as oxide, element or by charge", () => {
    // 1 cmol(+) of Ca is 200.4 mg, of K 391 mg, of Na 229.9 mg, of Mg 121.5 mg; CaO is 71.47 % Ca.
    const [byCharge] = read(
      "Field,Sampled,pH (CaCl2),CEC (meq/100g),Exch. Ca cmol(+)/kg,Exch. Mg cmol(+)/kg,Exch. K cmol(+)/kg,Exch. Na cmol(+)/kg,NO3-N (mg/kg)",
      "Tunnel 1,2026-03-12,6.2,14.5,8.1,2,0.6,0.2,23",
    );
    expect(byCharge).toMatchObject({ ph: 6.2, phIn: "CaCl2", cecCmolKg: 14.5, nitrateNMgKg: 23 });
    expect(byCharge?.caMgKg).toBeCloseTo(8.1 * 200.39, 1);
    expect(byCharge?.mgMgKg).toBeCloseTo(2 * 121.525, 1);
    expect(byCharge?.kMgKg).toBeCloseTo(0.6 * 390.98, 1);
    expect(byCharge?.naMgKg).toBeCloseTo(0.2 * 229.9, 1);
    const [byOxide] = read(
      "Field;Sampled;pH in water;CaO (g/kg);P2O5 (mg/100g);K (mg K2O/100g)",
      "Tunnel 1;12.03.2026;7,1;3,5;18;22",
    );
    expect(byOxide).toMatchObject({ ph: 7.1, phIn: "water", naMgKg: null, cecCmolKg: null });
    expect(byOxide?.caMgKg).toBeCloseTo(3500 * 0.7147, 0);
    expect(byOxide?.pMgKg).toBeCloseTo(180 * 0.4364, 1);
    expect(byOxide?.kMgKg).toBeCloseTo(220 * 0.8301, 1);
  });

  it("keeps what lay below what could be measured, with its limit", () => {
    const [test] = read("Field,Sampled,pH,P (mg/kg),K (mg/kg)", "Tunnel 1,2026-03-12,6.5,<5,120");
    expect(test).toMatchObject({ pMgKg: null, kMgKg: 120, belowDetection: { pMgKg: { text: "<5", limit: 5 } } });
  });
});
