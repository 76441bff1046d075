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

/** Collects the lines of a sum while the sum is done, so that working and result cannot drift apart. */
export class Worksheet {
  readonly steps: WorkingStep[] = [];
  readonly warnings: string[] = [];

  /** Notes a line and hands its value on. */
  note(label: string, formula: string, substituted: string, value: number, unit: string, source: string): number {
    this.steps.push({ label, formula, substituted, value, unit, source });
    return value;
  }

  warn(message: string): void {
    if (!this.warnings.includes(message)) this.warnings.push(message);
  }
}

/** Puts numbers into a text: `fill`${a} × ${b}`` shows each with four significant digits. */
export function fill(texts: TemplateStringsArray, ...values: (number | string)[]): string {
  return texts.reduce((text, part, index) => {
    const value = values[index - 1];
    return text + (typeof value === "number" ? showNumber(value) : (value ?? "")) + part;
  });
}
