import { SLOTS, type Job } from "./day-job.ts";

/** Most that a pump, a source, a filter, a mixer or a group of valves carries at once. */
export class Limit {
  private readonly load = new Float64Array(SLOTS);
  private readonly open = new Uint16Array(SLOTS);
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

  carry({ flowLh }: Job, from: number, to: number, sign: 1 | -1): void {
    const { load, open } = this;
    for (let slot = from; slot < to; slot++) {
      load[slot] = (load[slot] as number) + sign * flowLh;
      open[slot] = (open[slot] as number) + sign;
    }
  }

  /** Marks the slots that have no room for a job. */
  block({ flowLh }: Job, blocked: Uint8Array, from: number, to: number): void {
    const [mostLh, mostOpen] = [this.maxLh - flowLh + TINY, this.maxOpen - 1];
    if (this.all.lh <= mostLh && this.all.open <= mostOpen) return;
    const { load, open } = this;
    for (let slot = from; slot < to; slot++)
      if ((load[slot] as number) > mostLh || (open[slot] as number) > mostOpen) blocked[slot] = 1;
  }
}
const TINY = 1e-9;
