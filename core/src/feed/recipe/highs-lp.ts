import type { Highs, Model } from "highs";
import type { LinearProgram, SolveLp } from "./linear-program.ts";

/**
 * The linear programs of the core put to HiGHS, which whoever calls has loaded: it comes another way in Node and in a browser.
 *
 * One native model serves them all: making and freeing one takes as long as solving a program this small. A program that
 * continues the one before it goes on from its basis.
 */
export function lpSolver(highs: Highs): SolveLp {
  const model = highs.createModel();
  // Presolve costs more than it saves on programs this small.
  model.options.set({ output_flag: false, presolve: "off" });
  let last: LinearProgram | undefined;
  return (program) => {
    const before = last;
    last = undefined;
    if (before && program.continues === before) goOn(highs, model, before, program);
    else pass(highs, model, program);
    model.run();
    if (model.getModelStatus() !== highs.constants.modelStatus.optimal) return { status: "infeasible" };
    last = program;
    const { colValue, rowDual } = model.getSolution();
    return {
      status: "optimal",
      values: [...colValue],
      objective: model.getObjectiveValue(),
      rowDuals: [...rowDual],
    };
  };
}

function bound(highs: Highs, value: number): number {
  return Number.isFinite(value) ? value : Math.sign(value) * highs.infinity;
}

/** A new model drops the basis of the one before. */
function pass(highs: Highs, model: Model, { cost, upper, rows }: LinearProgram): void {
  const starts = [0];
  for (const row of rows) starts.push((starts.at(-1) ?? 0) + row.terms.length);
  const size = { numRows: rows.length, numCols: cost.length };
  model.passModel({
    ...size,
    colCost: [...cost],
    colLower: cost.map(() => 0),
    colUpper: upper.map((most) => bound(highs, most)),
    rowLower: rows.map((row) => bound(highs, row.least)),
    rowUpper: rows.map((row) => bound(highs, row.most)),
    matrix: {
      format: "csr",
      ...size,
      starts,
      indices: rows.flatMap((row) => row.terms.map(([column]) => column)),
      values: rows.flatMap((row) => row.terms.map(([, coefficient]) => coefficient)),
    },
  });
}

function goOn(highs: Highs, model: Model, before: LinearProgram, { cost, rows }: LinearProgram): void {
  for (const { least, most, terms } of rows.slice(before.rows.length))
    model.addRow(bound(highs, least), bound(highs, most), {
      indices: terms.map(([column]) => column),
      values: terms.map(([, coefficient]) => coefficient),
    });
  model.changeColsCost({ kind: "range", from: 0, to: cost.length - 1 }, [...cost]);
}
