/** One value that has no meaning in nature, in words a grower can act on. */
export interface Fault {
  readonly code: "missing" | "out-of-range" | "order-reversed" | "not-possible";
  /** Where the value stands in the input, as `weather.rhMaxPct`. */
  readonly path: string;
  readonly message: string;
}

/** Well-formed input that has no meaning in nature. Growers read the message as it stands. */
export class DomainError extends Error {
  override readonly name = "DomainError";
  readonly faults: readonly [Fault, ...Fault[]];

  constructor(first: Fault, ...others: Fault[]) {
    super([first, ...others].map((fault) => fault.message).join(" "));
    this.faults = [first, ...others];
  }

  get code(): Fault["code"] {
    return this.faults[0].code;
  }

  get path(): string {
    return this.faults[0].path;
  }
}
