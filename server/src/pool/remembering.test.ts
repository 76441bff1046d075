import type { LinearProgram, SolveLp } from "@sprunel/core/feed/recipe";
import { describe, expect, it } from "vitest";
import { remembering } from "./remembering.ts";

const program = (price: number): LinearProgram => ({
  cost: [price],
  upper: [Infinity],
  rows: [{ least: 2, most: Infinity, terms: [[0, 1]] }],
});

describe("a solver that remembers", () => {
  it("asks once for the same program, and anew where a price or the side of a bound differs", () => {
    let asked = 0;
    const solve: SolveLp = ({ cost: [price = 0] }) => {
      asked++;
      return { status: "optimal", values: [2], objective: 2 * price, rowDuals: [price] };
    };
    const remembered = remembering()(solve);
    expect([remembered(program(3)), remembered(program(3))]).toMatchObject([{ objective: 6 }, { objective: 6 }]);
    expect(asked).toBe(1);
    expect(remembered(program(4))).toMatchObject({ objective: 8 });
    remembered({ ...program(4), rows: [{ least: -Infinity, most: 2, terms: [[0, 1]] }] });
    expect(asked).toBe(3);
  });
});
