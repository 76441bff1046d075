/** What may open now. */
export interface Candidate {
  readonly zone: number;
  readonly flowLh: number;
  /** what its water passes, as places in `roomLh` and `roomFor` */
  readonly passes: readonly number[];
  /** what each L/h of it counts */
  readonly counts: number;
}

/** What pump, mixers and all else still have to give: L/h, and valves. Both are as they were when a search ends. */
export interface Room {
  readonly lh: Float64Array;
  readonly valves: Float64Array;
}

/** Ways that are looked at before the best so far are taken: many small valves fill a pump in the first few. */
const MOST_LOOKED = 300;
const TINY = 1e-6;

/**
 * The ways of opening some of these that are worth most, best first: branch and bound, exact while the ways are few.
 *
 * @param most ways asked for, at least 1
 * @returns zones of each way; one of none at all where nothing fits
 */
export function fullest(may: readonly Candidate[], room: Room, most: number): number[][] {
  const fits = [...may].sort((a, b) => b.counts - a.counts || b.flowLh - a.flowLh);
  const rest = new Float64Array(fits.length + 1);
  for (let at = fits.length - 1; at >= 0; at--) rest[at] = (rest[at + 1] as number) + worthOf(fits[at] as Candidate);
  const shared = fits[0]?.passes.filter((at) => fits.every(({ passes }) => passes.includes(at))) ?? [];
  const found: { worth: number; zones: number[] }[] = [];
  const chosen: number[] = [];
  let looked = 0;
  const look = (at: number, worth: number): void => {
    if (++looked > MOST_LOOKED && found.length > 0) return;
    const one = fits[at];
    // No L/h of those left counts more than this one's: what is left of what all of them pass bounds them.
    const more = one ? Math.min(rest[at] as number, leastOf(shared, room) * one.counts) : 0;
    if (found.length === most && worth + more <= (found[most - 1]?.worth ?? 0) + TINY) return;
    if (!one) {
      if (found.length === most) found.pop();
      const after = found.findIndex((other) => other.worth < worth);
      found.splice(after < 0 ? found.length : after, 0, { worth, zones: [...chosen] });
      return;
    }
    if (hasRoom(one, room)) {
      take(one, room, 1);
      chosen.push(one.zone);
      look(at + 1, worth + worthOf(one));
      chosen.pop();
      take(one, room, -1);
    }
    look(at + 1, worth);
  };
  look(0, 0);
  return found.map(({ zones }) => zones);
}

function leastOf(places: readonly number[], { lh }: Room): number {
  let least = Infinity;
  for (const at of places) least = Math.min(least, lh[at] as number);
  return least;
}

function worthOf({ flowLh, counts }: Candidate): number {
  return flowLh * counts;
}

/** What opens or closes. */
type Flow = Omit<Candidate, "counts">;

export function hasRoom({ passes, flowLh }: Flow, { lh, valves }: Room): boolean {
  for (const at of passes) if ((lh[at] as number) + TINY < flowLh || (valves[at] as number) < 1) return false;
  return true;
}

/** Opens one, or closes it again. */
export function take({ passes, flowLh }: Flow, { lh, valves }: Room, sign: 1 | -1): void {
  for (const at of passes) {
    lh[at] = (lh[at] as number) - sign * flowLh;
    valves[at] = (valves[at] as number) - sign;
  }
}
