import type { NewDripLines } from "@sprunel/contract/irrigation";
import {
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
    temperatureC: 20,
  };
}

function volumeL(pipe: NewDripLines["main"]): number {
  return pipe ? (Math.PI / 4) * (pipe.insideDiameterMm / 1000) ** 2 * pipe.lengthM * 1000 : 0;
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
  const mainsMin = (60 * (volumeL(lines.main) + volumeL(lines.subMain))) / zoneLh;
  return { zoneLh, fillMin: times.fillMin + mainsMin, arrivalMin: times.travelMin + mainsMin };
}
