/** A linear program as the recipe needs it; whoever calls brings a solver, so that the core loads none. */
export interface LinearProgram {
  /** to be made least */
  readonly cost: readonly number[];
  /** upper bounds; lower bounds are 0 */
  readonly upper: readonly number[];
  readonly rows: readonly LpRow[];
  /** the program before it in a sequence: the same columns, and rows that begin with the same; a solver may go on from there */
  readonly continues?: LinearProgram | undefined;
}

interface LpRow {
  readonly least: number;
  readonly most: number;
  /** pairs of column and coefficient */
  readonly terms: readonly (readonly [column: number, coefficient: number])[];
}

export type LpAnswer =
  | {
      readonly status: "optimal";
      readonly values: readonly number[];
      readonly objective: number;
      readonly rowDuals: readonly number[];
    }
  | { readonly status: "infeasible" };

export type SolveLp = (program: LinearProgram) => LpAnswer;

/** Collects columns and rows by meaning, so that stages can share them. */
export class LpBuilder {
  readonly upper: number[] = [];
  readonly rows: LpRow[] = [];
  private last: LinearProgram | undefined;

  column(upper = Infinity): number {
    this.last = undefined;
    this.upper.push(upper);
    return this.upper.length - 1;
  }

  row(least: number, most: number, terms: LpRow["terms"]): void {
    this.rows.push({ least, most, terms });
  }

  program(terms: readonly (readonly [number, number])[]): LinearProgram {
    const cost = this.upper.map(() => 0);
    for (const [column, coefficient] of terms) cost[column] = (cost[column] ?? 0) + coefficient;
    this.last = { cost, upper: this.upper, rows: [...this.rows], continues: this.last };
    return this.last;
  }
}
