import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { readTissueSheet, type TissueRow } from "./tissue-file.ts";

const read = (text: string, rows: readonly { row: number; is: TissueRow }[] = []) =>
  readTissueSheet(new TextEncoder().encode(text), { rows });

describe("a sheet of leaf results", () => {
  it("with a nutrient a row has the band in one column and other nutrients set aside", () => {
    const { lines, rows, columns } = read(
      [
        "Leaf analysis,,,",
        "Sample,Block 3,,",
        "Nutrient,Result,Unit,Sufficiency range",
        "Nitrogen (N),3.1,%,3.5 - 5.0",
        "Phosphorus (P),0.42,%,0.3 – 0.6",
        "Potassium (K),5.2,%,3.0 to 4.5",
        "Calcium (Ca),1.9,%,1.5 - 3.0",
      ].join("\n"),
    );
    expect(rows.map(({ header, is }) => [header, is])).toEqual([
      ["Result", "found"],
      ["Sufficiency range", "band"],
    ]);
    expect(lines).toMatchObject([
      { line: 4, nutrient: "N", found: 3.1, low: 3.5, high: 5, unit: "%" },
      { line: 5, nutrient: "P", found: 0.42, low: 0.3, high: 0.6, unit: "%" },
      { line: 6, nutrient: "K", found: 5.2, low: 3, high: 4.5, unit: "%" },
    ]);
    expect(columns.filter(({ kind }) => kind === "ignore").map(({ header }) => header)).toContain("Calcium (Ca)");
  });

  it("in German with decimal commas has the band in two columns and the unit in the head", () => {
    const { lines } = read(
      [
        "Blattanalyse Gewächshaus 2",
        "Nährstoff;Gehalt (g/kg);untere Grenze;obere Grenze;Bewertung",
        "Stickstoff;38,5;35;50;normal",
        "Kalium;22;30,5;45;niedrig",
        "",
        "Proben trocken gemahlen",
      ].join("\r\n"),
    );
    expect(lines).toMatchObject([
      { nutrient: "N", found: 38.5, low: 35, high: 50, unit: "g/kg" },
      { nutrient: "K", found: 22, low: 30.5, high: 45, unit: "g/kg" },
    ]);
  });

  it("in French has its band from mini to maxi and its unit of dry matter", () => {
    const { rows, lines } = read(
      [
        "Laboratoire Agro-Sud;;;;",
        "Elément;Résultat;Unité;Mini;Maxi",
        "Azote total (N);38,2;g/kg MS;42;55",
        "Potassium (K);<0,5;% MS;3,5;5",
        "Magnésium (Mg);6,9;g/kg MS;4;9",
      ].join("\n"),
    );
    expect(rows.map(({ is }) => is)).toEqual(["found", "low", "high"]);
    expect(lines).toMatchObject([
      { nutrient: "N", found: 38.2, low: 42, high: 55, unit: "g/kg" },
      { nutrient: "K", found: 0.25, below: true, low: 3.5, high: 5, unit: "%" },
    ]);
  });

  it("turned, with a nutrient a column, has rows named for the result and the ends of the band", () => {
    const { lines, rows } = read(
      "\tN %\tP %\tK %\tCa %\nLow\t3.5\t0.3\t3\t1\nResult\t3.1\t0.7\t4\t2\nHigh\t5\t0.6\t4.5\t3",
    );
    expect(rows.map(({ is }) => is)).toEqual(["low", "found", "high"]);
    expect(lines).toMatchObject([
      { nutrient: "N", found: 3.1, low: 3.5, high: 5, unit: "%" },
      { nutrient: "P", found: 0.7, low: 0.3, high: 0.6, unit: "%" },
      { nutrient: "K", found: 4, low: 3, high: 4.5, unit: "%" },
    ]);
  });

  it("of sap in French, a figure below what can be measured counts as half of that limit, and says so", () => {
    const { lines } = read("élément;valeur;unité\nazote (NO3-N);<20;mg/l\npotassium;3100;mg/l\n");
    expect(lines).toMatchObject([
      { nutrient: "N", found: 10, below: true, low: null, high: null, unit: "mg/L" },
      { nutrient: "K", found: 3100, below: false },
    ]);
  });

  it("whose columns no head names waits for a hand: the first figure is the result, others are set by a person", () => {
    const text = "N;3.1;3.5;5.0\nP;0.4;0.3;0.6\n";
    expect(read(text).lines[0]).toMatchObject({ found: 3.1, low: null, high: null, unit: null });
    const set = [
      { row: 2, is: "low" as const },
      { row: 3, is: "high" as const },
    ];
    expect(read(text, set).lines[0]).toMatchObject({ found: 3.1, low: 3.5, high: 5 });
  });

  it("takes neither sodium nor a word that begins with N for nitrogen", () => {
    const { lines } = read("element,result,unit\nNa,0.2,%\nNi,3,mg/kg\nNote,1,\nN,4,%\n");
    expect(lines.map(({ label }) => label)).toEqual(["N"]);
  });

  it("without any of N, P and K tells what it lacks, and an empty one is refused in words", () => {
    expect(read("element;result\nCa;3\nMg;1\n")).toMatchObject({ lines: [], lacks: [["N", "P", "K"]] });
    expect(() => read("")).toThrow(/Neither a row nor a column/);
  });

  it("gives back any figures, whichever way it lies and whatever its delimiter and decimal mark are", () => {
    const figure = fc.integer({ min: 11, max: 9999 }).map((one) => one / 100);
    const row = fc.record({ found: figure, low: figure, high: figure });
    const names = fc.constantFrom(
      ["N", "P", "K"],
      ["Nitrogen", "Phosphorus", "Potassium"],
      ["Azote", "Phosphore", "Kalium"],
    );
    fc.assert(
      fc.property(
        fc.tuple(row, row, row),
        names,
        fc.constantFrom(";", "\t"),
        fc.constantFrom(".", ","),
        fc.boolean(),
        (rows, labels, delimiter, decimal, turned) => {
          const show = (value: number): string => value.toFixed(2).replace(".", decimal);
          const table = [
            ["element", ...labels],
            ["result", ...rows.map(({ found }) => show(found))],
            ["low", ...rows.map(({ low }) => show(low))],
            ["high", ...rows.map(({ high }) => show(high))],
          ];
          const laid = turned ? table : table[0]?.map((_, at) => table.map((column) => column[at] ?? ""));
          const { lines } = read((laid ?? []).map((cells) => cells.join(delimiter)).join("\n"));
          expect(lines.map(({ found, low, high }) => ({ found, low, high }))).toEqual(rows);
        },
      ),
      { numRuns: 200 },
    );
  });

  it("counts its rows from one, and leaves what is no figure to read for a person", () => {
    const { lines, rows } = read("\tN %\tK %\nLow\t3.5\t3\nResult\tpending\t4\nHigh\t5\t4.5");
    expect(rows.map(({ row }) => row)).toEqual([1, 2, 3]);
    expect(lines).toMatchObject([
      { nutrient: "N", found: null, unread: "pending" },
      { nutrient: "K", found: 4, unread: null },
    ]);
  });
});
