import type { Job } from "./day-job.ts";
import type { Shut } from "./day-shut.ts";

/** What opens or closes at a second. */
interface Change {
  readonly at: number;
  lh: number;
  open: number;
  /** pulses that begin or end there */
  pulses: number;
}

/** Most that a pump, a source, a filter, a mixer or a group of valves carries at once. */
export class Limit {
  /** in order of time */
  private readonly changes: Change[] = [];
  /** what would pass if all that is placed ran at once */
  private readonly all = { lh: 0, open: 0 };

  constructor(
    private readonly maxLh: number,
    private readonly maxOpen = Infinity,
  ) {}

  /** A job more, or one less. */
  count({ flowLh }: Job, sign: 1 | -1): void {
    this.all.lh += sign * flowLh;
    this.all.open += sign;
  }

  /** A pulse more from one second to another, or one less. */
  carry({ flowLh }: Job, from: number, to: number, sign: 1 | -1): void {
    this.change(from, sign * flowLh, sign, sign);
    this.change(to, -sign * flowLh, -sign, sign);
  }

  private change(at: number, lh: number, open: number, pulses: 1 | -1): void {
    const { changes } = this;
    let [low, high] = [0, changes.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((changes[middle] as Change).at < at) low = middle + 1;
      else high = middle;
    }
    const there = changes[low];
    if (there?.at !== at) {
      changes.splice(low, 0, { at, lh, open, pulses });
      return;
    }
    there.lh += lh;
    there.open += open;
    there.pulses += pulses;
    if (there.pulses === 0) changes.splice(low, 1);
  }

  /** Shuts the times that have no room for a job. */
  shut({ flowLh }: Job, shut: Shut): void {
    const [mostLh, mostOpen] = [this.maxLh - flowLh + TINY, this.maxOpen - 1];
    if (this.all.lh <= mostLh && this.all.open <= mostOpen) return;
    let [lh, open, since] = [0, 0, -1];
    for (const change of this.changes) {
      lh += change.lh;
      open += change.open;
      const isFull = lh > mostLh || open > mostOpen;
      if (isFull && since < 0) since = change.at;
      else if (!isFull && since >= 0) {
        shut.add(since, change.at);
        since = -1;
      }
    }
  }
}
/** L/h; sums of flows that open and close come out no nearer. */
const TINY = 1e-6;
