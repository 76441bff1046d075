import type { Highs, Model } from "highs";
import type { LinearProgram, LpAnswer, SolveLp } from "./linear-program.ts";

/**
 * The linear programs of the core put to HiGHS, which whoever calls has loaded: it comes another way in Node and in a browser.
 *
 * One native model serves them all: making and freeing one takes as long as solving a program this small.
 */
export function lpSolver(highs: Highs): SolveLp {
  const model = highs.createModel();
  // Presolve costs more than it saves on programs this small.
  model.options.set({ output_flag: false, presolve: "off" });
  return (program) => solveWith(highs, model, program);
}

function solveWith(highs: Highs, model: Model, { cost, upper, rows }: LinearProgram): LpAnswer {
  const bound = (value: number): number => (Number.isFinite(value) ? value : Math.sign(value) * highs.infinity);
  const starts = [0];
  for (const row of rows) starts.push((starts.at(-1) ?? 0) + row.terms.length);
  const size = { numRows: rows.length, numCols: cost.length };
  // A new model drops the basis of the one before, so that an answer depends on its own program alone.
  model.passModel({
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
  });
  model.run();
  if (model.getModelStatus() !== highs.constants.modelStatus.optimal) return { status: "infeasible" };
  const { colValue, rowDual } = model.getSolution();
  return {
    status: "optimal",
    values: [...colValue],
    objective: model.getObjectiveValue(),
    rowDuals: [...rowDual],
  };
}
