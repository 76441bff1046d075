import type { Highs } from "highs";
import type { LinearProgram, LpAnswer, SolveLp } from "./linear-program.ts";

/** The linear programs of the core put to HiGHS, which whoever calls has loaded: it comes another way in Node and in a browser. */
export function lpSolver(highs: Highs): SolveLp {
  return (program) => solveWith(highs, program);
}

function solveWith(highs: Highs, { cost, upper, rows }: LinearProgram): LpAnswer {
  const bound = (value: number): number => (Number.isFinite(value) ? value : Math.sign(value) * highs.infinity);
  const starts = [0];
  for (const row of rows) starts.push((starts.at(-1) ?? 0) + row.terms.length);
  const size = { numRows: rows.length, numCols: cost.length };
  return highs.withModel(
    {
      ...size,
      colCost: [...cost],
      colLower: cost.map(() => 0),
      colUpper: upper.map(bound),
      rowLower: rows.map((row) => bound(row.least)),
      rowUpper: rows.map((row) => bound(row.most)),
      matrix: {
        format: "csr",
        ...size,
        starts,
        indices: rows.flatMap((row) => row.terms.map(([column]) => column)),
        values: rows.flatMap((row) => row.terms.map(([, coefficient]) => coefficient)),
      },
    },
    (model): LpAnswer => {
      // Presolve costs more than it saves on programs this small.
      model.options.set({ output_flag: false, presolve: "off" });
      model.run();
      if (model.getModelStatus() !== highs.constants.modelStatus.optimal) return { status: "infeasible" };
      const { colValue, rowDual } = model.getSolution();
      return {
        status: "optimal",
        values: [...colValue],
        objective: model.getObjectiveValue(),
        rowDuals: [...rowDual],
      };
    },
  );
}
