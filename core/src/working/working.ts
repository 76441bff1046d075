/** One line of a sum, enough to redo it with a pencil. */
export interface WorkingStep {
  readonly label: string;
  readonly formula: string;
  readonly substituted: string;
  readonly value: number;
  readonly unit: string;
  readonly source: string;
}

/** Shows a number with four significant digits, as it stands in a working; never in scientific notation from 0.0001 up. */
export function showNumber(value: number): string {
  if (!Number.isFinite(value)) return String(value);
  const rounded =
    Math.abs(value) >= 1e15
      ? value
      : Math.abs(value) >= 1000
        ? Math.round(value * 10) / 10
        : Number(value.toPrecision(4));
  return String(rounded).replace("-", "−");
}

/** Numbers in a text that is written only when somebody reads it. */
export type Filled = () => string;

/**
 * Collects the lines of a sum while the sum is done, so that working and result cannot drift apart.
 *
 * Where nobody asks how a figure arose, a silent sheet does the sum and writes no line.
 */
export class Worksheet {
  readonly steps: WorkingStep[] = [];
  readonly warnings: string[] = [];
  /** lines that lead to a figure of a name, as they are asked for one by one */
  readonly marked = new Map<string, WorkingStep>();

  constructor(private readonly told = true) {}

  /**
   * Notes a line and hands its value on.
   *
   * @param mark the name under which the line is found again
   */
  note(
    label: string,
    formula: string,
    substituted: Filled | string,
    value: number,
    unit: string,
    source: string,
    mark?: string,
  ): number {
    if (!this.told) return value;
    const text = typeof substituted === "string" ? substituted : substituted();
    const step = { label, formula, substituted: text, value, unit, source };
    this.steps.push(step);
    if (mark !== undefined) this.marked.set(mark, step);
    return value;
  }

  /** Takes in the lines of another sum. */
  add(steps: readonly WorkingStep[]): void {
    if (this.told) this.steps.push(...steps);
  }

  warn(message: string): void {
    if (!this.warnings.includes(message)) this.warnings.push(message);
  }
}

/** Puts numbers into a text: `fill`${a} × ${b}`` shows each with four significant digits. */
export function fill(texts: TemplateStringsArray, ...values: (number | string | Filled)[]): Filled {
  return () =>
    texts.reduce((text, part, index) => {
      const value = values[index - 1];
      const shown = typeof value === "number" ? showNumber(value) : typeof value === "function" ? value() : value;
      return text + (shown ?? "") + part;
    });
}
