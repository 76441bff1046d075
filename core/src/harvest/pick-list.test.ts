import { describe, expect, it } from "vitest";
import { readPickList } from "./pick-list.ts";

const read = (...lines: string[]) =>
  readPickList(new TextEncoder().encode(`${lines.join("\n")}\n`), { zones: ["Tunnel 1"], timeZone: "Europe/Paris" });

describe("a pick", () => {
  it("with a range or two masses waits with its row, and offers what is likely", () => {
    const { rows, rejected } = read(
      "Date,Zone,kg,Fruit",
      "2026-06-03,Tunnel 1,12-14,80",
      "2026-06-04,Tunnel 1,~~21~~ 12,80",
      "2026-06-05,Tunnel 1,11 / 13,80",
    );
    expect(rejected).toEqual([]);
    expect(rows.map(({ values: { massKg, fruitCount } }) => [massKg, fruitCount])).toEqual([
      [null, 80],
      [null, 80],
      [null, 80],
    ]);
    expect(rows.flatMap(({ flags }) => flags.map(({ code, offer }) => [code, offer]))).toEqual([
      ["range", { massKg: 13 }],
      ["struck", { massKg: 12 }],
      ["several", undefined],
    ]);
  });

  it("without a mass above zero is none", () => {
    const { rejected } = read(
      "Date,Zone,kg",
      "2026-06-03,Tunnel 1,",
      "2026-06-04,Tunnel 1,0",
      "2026-06-05,Tunnel 1,heavy",
    );
    expect(rejected.map(({ reason }) => reason)).toEqual(["no-amount", "no-amount", "no-amount"]);
  });
});
