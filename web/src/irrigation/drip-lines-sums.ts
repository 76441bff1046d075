import type { NewDripLines } from "@sprunel/contract/irrigation";
import {
  pipeVolumeL,
  USUAL_LINE_TEMPERATURE_C,
  GOOD_VARIATION_PCT,
  lateral,
  lateralTimes,
  longestLateralM,
  subMain,
  type Lateral,
  type LateralInput,
  type SubMain,
} from "@sprunel/core/irrigation";
import { trySum } from "../sums/try-sum.ts";

interface SolvedDripLines {
  readonly answer: Lateral;
  readonly longestM: number;
  /** null without a sub-main */
  readonly manifold: SubMain | null;
}

function lateralInput(lines: NewDripLines): LateralInput {
  return {
    lengthM: lines.lengthM,
    insideDiameterMm: lines.insideDiameterMm,
    emitterSpacingM: lines.emitterSpacingM,
    emitter: { flowLh: lines.emitterLh, atKpa: lines.emitterKpa, exponent: lines.exponent, cv: lines.cv },
    inletKpa: lines.inletKpa,
    slopePct: lines.slopePct,
    temperatureC: USUAL_LINE_TEMPERATURE_C,
  };
}

/** A zone's lines solved, or why they cannot be. */
export function solveDripLines(lines: NewDripLines): SolvedDripLines | string {
  return trySum(() => {
    const input = lateralInput(lines);
    return {
      answer: lateral(input),
      longestM: longestLateralM(input, GOOD_VARIATION_PCT),
      manifold:
        lines.subMain && lines.laterals > 1
          ? subMain({ lateral: input, laterals: lines.laterals, ...lines.subMain })
          : null,
    };
  });
}

/** The flow of all laterals, and when water and what is injected into it have arrived everywhere, mains included. */
export function timesOf(
  lines: NewDripLines,
  { answer, manifold }: SolvedDripLines,
): { readonly zoneLh: number; readonly fillMin: number; readonly arrivalMin: number } {
  const times = lateralTimes(lines, answer);
  const zoneLh = manifold?.flowLh ?? answer.inletFlowLh * lines.laterals;
  const mainsL = [lines.main, lines.subMain].reduce((sum, pipe) => sum + (pipe ? pipeVolumeL(pipe) : 0), 0);
  const mainsMin = (60 * mainsL) / zoneLh;
  return { zoneLh, fillMin: times.fillMin + mainsMin, arrivalMin: times.travelMin + mainsMin };
}
