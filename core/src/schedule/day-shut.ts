import type { Span } from "../time/clock.ts";

/** Seconds at which a pulse may begin: from one to another, both of them. */
export interface Starts {
  readonly from: number;
  readonly to: number;
}

/** One number holds both ends of a span, so that spans are sorted as numbers: seconds of a day take 17 bits. */
const HALF = 2 ** 17;

/** Times at which nothing of a job may run, or begin; gathered in any order. */
export class Shut {
  private spans = new Float64Array(256);
  private count = 0;

  /** @param length whole seconds that what is to be placed takes up */
  constructor(private readonly length: number) {}

  /** Nothing runs from one second until another. */
  add(from: number, to: number): void {
    this.addStarts(from - this.length + 1, to);
  }

  /** Nothing begins from one second until another. */
  addStarts(from: number, to: number): void {
    if (this.count === this.spans.length) {
      const more = new Float64Array(2 * this.count);
      more.set(this.spans);
      this.spans = more;
    }
    this.spans[this.count++] = Math.max(0, from) * HALF + Math.max(0, Math.min(HALF - 1, to));
  }

  /** When it may begin within some windows, which are in order and apart. */
  open(windows: readonly Span[]): Starts[] {
    const shut = this.spans.subarray(0, this.count).sort();
    const open: Starts[] = [];
    let at = 0;
    for (const { startS, endS } of windows) {
      let from = Math.ceil(startS);
      const to = Math.floor(endS) - this.length;
      // Spans that reach into the next window are looked at there, too.
      for (let index = at; index < shut.length && from <= to; index++) {
        const span = shut[index] as number;
        const [first, end] = [Math.floor(span / HALF), span % HALF];
        if (first > to) break;
        if (first > from) open.push({ from, to: first - 1 });
        if (end > from) from = end;
      }
      if (from <= to) open.push({ from, to });
      while (at < shut.length && (shut[at] as number) % HALF <= endS) at++;
    }
    return open;
  }
}
