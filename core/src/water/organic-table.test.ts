import { describe, expect, it } from "vitest";
import { readOrganicTable } from "./organic-table.ts";

const read = (text: string) => readOrganicTable(new TextEncoder().encode(text));

describe("a laboratory's analysis of a digestate", () => {
  it("is read an analyte a row, in the laboratory's units, organic N as what total N has over ammonium N", () => {
    const report = read(
      "Sample;Separated digestate\nDate;04.09.2026\nAnalyte;Result;Unit\nSuspended solids;2,1;g/L\nTotal nitrogen;3,2;kg/m3\nAmmonium-N;1850;mg/L\nP2O5;0,92;g/L\nK2O;2,41;g/L\nConductivity;18600;µS/cm\n",
    );
    expect(report).toMatchObject({
      takenOn: "2026-09-04",
      missing: [],
      analysis: {
        suspendedSolidsMgL: 2100,
        nh4NMgL: 1850,
        organicNMgL: 1350,
        ecMsCm: expect.closeTo(18.6, 9) as number,
      },
    });
    // P₂O₅ is 43.64 % P, K₂O 83.01 % K.
    expect(report.analysis.pMgL).toBeCloseTo(920 * 0.4364, 0);
    expect(report.analysis.kMgL).toBeCloseTo(2410 * 0.8301, 0);
    expect(report.remarks).toEqual(["Organic N is total N less ammonium N."]);
  });

  it("is read under a header, half of its limit for what lay below it, and names what the file lacks", () => {
    const report = read("Date,TSS (mg/L),NH4-N (mg/L),P (mg/kg)\n2026-09-04,340,<5,12.5\n");
    expect(report.analysis).toEqual({ suspendedSolidsMgL: 340, nh4NMgL: 2.5, pMgL: 12.5 });
    expect(report.missing).toEqual(["organicNMgL", "kMgL", "ecMsCm"]);
    expect(report.remarks).toEqual([
      "NH4-N (mg/L) lay below 5: half of that limit counts.",
      "P (mg/kg) is given by mass and taken for 1 kg in a litre.",
    ]);
  });

  it("is read in other languages and with its columns turned, and leaves out what has no unit that is understood", () => {
    const report = read(
      "Probe;Gärrest 1\nProbenahme;04.09.2026\nAmmoniumstickstoff (mg/l);1850\nPhosphor (P2O5) (g/l);0,92\nKalium (furlongs);2,4\nLeitfähigkeit (mS/cm);18,6\n",
    );
    expect(report.takenOn).toBe("2026-09-04");
    expect(report.analysis.nh4NMgL).toBe(1850);
    expect(report.analysis.pMgL).toBeCloseTo(920 * 0.4364, 0);
    expect(report.analysis.kMgL).toBeUndefined();
    expect(report.remarks).toEqual(["Kalium (furlongs) has no unit that is understood (none), and is left out."]);
  });

  it("by mass is turned into litres by the density that the file tells, or by 1 kg in a litre", () => {
    const by = (density: string) =>
      read(`Gärrest;;\nParameter;Wert;Einheit\nGesamt-N;4,6;kg/t\nAmmonium-N;2,9;kg/t\n${density}`);
    expect(by("").analysis.nh4NMgL).toBeCloseTo(2900, 6);
    const dense = by("Dichte;1,02;kg/L\n");
    expect(dense.analysis.nh4NMgL).toBeCloseTo(2900 * 1.02, 6);
    expect(dense.analysis.organicNMgL).toBeCloseTo(1700 * 1.02, 6);
    expect(dense.remarks.join()).toContain("1.02 kg, as the file says, in a litre");
  });

  it("of which no column is known tells what it lacks, and is read once they are set by hand", () => {
    const text = "when;flurp;gloop\n2026-09-04;1850;340\n";
    expect(read(text)).toMatchObject({ analysis: {}, lacks: [expect.arrayContaining(["solids", "k"])] });
    const columns = [
      { column: 2, kind: "nh4N", unit: "mg/L" },
      { column: 3, kind: "solids", unit: "mg/L" },
    ];
    expect(readOrganicTable(new TextEncoder().encode(text), { columns }).analysis).toEqual({
      nh4NMgL: 1850,
      suspendedSolidsMgL: 340,
    });
  });

  it("says that its day can be read both ways round, and is read as somebody says", () => {
    const text = "Date,TSS (mg/L),NH4-N (mg/L)\n3/4/2026,340,5\n";
    expect(read(text)).toMatchObject({ takenOn: "2026-04-03", dateOrderAssumed: true });
    expect(readOrganicTable(new TextEncoder().encode(text), { dateOrder: "mdy" })).toMatchObject({
      takenOn: "2026-03-04",
      dateOrderAssumed: false,
    });
  });
});
