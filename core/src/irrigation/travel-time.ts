import { Checks } from "../working/checks.ts";
import { fill, Worksheet, type WorkingStep } from "../working/working.ts";
import { pipeVolumeL } from "./pipe-friction.ts";

interface Pipe {
  readonly lengthM: number;
  readonly insideDiameterMm: number;
}

/** The lines of a zone, as far as water travels along them. */
export interface TravelInput {
  readonly laterals: number;
  /** of one lateral, its first emitter one spacing from the inlet */
  readonly lengthM: number;
  readonly insideDiameterMm: number;
  readonly emitterSpacingM: number;
  /** of all laterals together, L/h */
  readonly flowLh: number;
  /** along which the laterals stand evenly */
  readonly subMain?: Pipe | null | undefined;
  /** from the mixer to the zone */
  readonly main?: Pipe | null | undefined;
}

export interface TravelTime {
  /** min until what goes in at the head comes out of the farthest emitter */
  readonly minutes: number;
  /** L that stand in all the pipes */
  readonly volumeL: number;
  readonly working: readonly WorkingStep[];
}

const MIN_PER_H = 60;

/**
 * How long a solution travels to the farthest emitter. Along a pipe whose outlets all give alike the flow falls from outlet to
 * outlet, so that the last stretches take longest: n outlets take as long as the whole pipe's volume at full flow, times
 * 1 + 1/2 + … + 1/n.
 *
 * @throws {DomainError} for values that cannot be, all at once
 * @see conservation of mass, plug flow: time is Σ volume ÷ flow over the stretches between outlets
 */
export function travelTime(input: TravelInput): TravelTime {
  const { laterals, lengthM, insideDiameterMm, emitterSpacingM, flowLh, main, subMain } = input;
  new Checks()
    .range("laterals", "The number of laterals", laterals, 1, 5000)
    .positive("lengthM", "The lateral's length", lengthM, 2000, "m")
    .positive("insideDiameterMm", "The inside diameter", insideDiameterMm, 200, "mm")
    .positive("emitterSpacingM", "The spacing of emitters", emitterSpacingM, 50, "m")
    .positive("flowLh", "The flow", flowLh, 1e7, "L/h")
    .done();
  const sheet = new Worksheet();
  const along = (name: string, pipe: Pipe, outlets: number, pipeFlowLh: number): number => {
    const volumeL = pipeVolumeL(pipe);
    return sheet.note(
      name,
      "volume / flow at its head · (1 + 1/2 + … + 1/outlets)",
      fill`${volumeL} L ÷ ${pipeFlowLh} L/h × ${harmonic(outlets)}, ${outlets} outlets`,
      (volumeL / pipeFlowLh) * harmonic(outlets) * MIN_PER_H,
      "min",
      "continuity, plug flow",
    );
  };
  const lateral = { lengthM, insideDiameterMm };
  const minutes =
    (main ? along("Along the main", main, 1, flowLh) : 0) +
    (subMain ? along("Along the sub-main", subMain, laterals, flowLh) : 0) +
    along("Along a lateral", lateral, Math.max(1, Math.floor(lengthM / emitterSpacingM)), flowLh / laterals);
  const volumeL =
    laterals * pipeVolumeL(lateral) + (main ? pipeVolumeL(main) : 0) + (subMain ? pipeVolumeL(subMain) : 0);
  sheet.note("To the farthest emitter", "sum", fill`${minutes}`, minutes, "min", "continuity");
  return { minutes, volumeL, working: sheet.steps };
}

/** 1 + 1/2 + … + 1/n. */
function harmonic(n: number): number {
  let sum = 0;
  for (let at = 1; at <= n; at++) sum += 1 / at;
  return sum;
}
