import { DomainError, type Fault } from "./domain-error.ts";
import { showNumber } from "./working.ts";

/** Gathers everything that is wrong with an input, so that a person sees all of it at once. */
export class Checks {
  private readonly faults: Fault[] = [];

  /** Asked as "not inside", because NaN would slip through a test for "outside". An absent value is no fault here. */
  range(path: string, name: string, value: number | undefined, least: number, most: number, unit = ""): this {
    if (value !== undefined && !(value >= least && value <= most)) {
      const span = most === Infinity ? `at least ${showNumber(least)}` : `${showNumber(least)} to ${showNumber(most)}`;
      this.fault("out-of-range", path, `${name} must be ${span}${unit && ` ${unit}`}, not ${showNumber(value)}.`);
    }
    return this;
  }

  /** For quantities of which nothing at all makes no sense: lengths, areas, flows. */
  positive(path: string, name: string, value: number | undefined, most: number, unit: string): this {
    if (value !== undefined && !(value > 0 && value <= most)) {
      const span = `more than 0 and at most ${showNumber(most)}${unit && ` ${unit}`}`;
      this.fault("out-of-range", path, `${name} must be ${span}, not ${showNumber(value)}.`);
    }
    return this;
  }

  present(path: string, name: string, value: unknown): this {
    if (value === undefined) this.fault("missing", path, `${name} is needed here.`);
    return this;
  }

  /** `wrong` tells that the fault is there. */
  when(wrong: boolean, code: Fault["code"], path: string, message: string): this {
    if (wrong) this.fault(code, path, message);
    return this;
  }

  /** @throws {DomainError} with every fault found so far */
  done(): void {
    const [first, ...others] = this.faults;
    if (first) throw new DomainError(first, ...others);
  }

  private fault(code: Fault["code"], path: string, message: string): void {
    this.faults.push({ code, path, message });
  }
}
