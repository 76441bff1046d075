import type { AirHour, DemandInput } from "./demand-input.ts";
import { vpdOf } from "./canopy-methods.ts";

/** A day as the methods see it: what reaches the crop, hour by hour from midnight on. */
export interface DemandDay {
  readonly hours: readonly {
    readonly solarMjM2: number;
    readonly solarInsideMjM2: number;
    /** around the crop */
    readonly airC: number;
    readonly rhPct: number;
    readonly vpdKpa: number;
  }[];
  readonly solarMjM2: number;
  readonly solarInsideMjM2: number;
  readonly outside: Extremes;
  /** around the crop */
  readonly inside: Extremes;
  /** mean at 2 m; undefined where any hour lacks it */
  readonly windMs: number | undefined;
}

/** The names of the reference methods' weather. */
interface Extremes {
  readonly tMaxC: number;
  readonly tMinC: number;
  readonly rhMaxPct: number;
  readonly rhMinPct: number;
}

export function demandDay({ hours, insideHours, transmissionPct }: DemandInput): DemandDay {
  const inOrder = [...hours].sort((a, b) => a.hour - b.hour);
  const around = insideHours ? [...insideHours].sort((a, b) => a.hour - b.hour) : inOrder;
  const winds = inOrder.flatMap(({ windMs }) => windMs ?? []);
  const solarMjM2 = inOrder.reduce((sum, hour) => sum + hour.solarMjM2, 0);
  return {
    hours: inOrder.map((hour, at) => {
      const { airC, rhPct } = around[at] ?? hour;
      return {
        solarMjM2: hour.solarMjM2,
        solarInsideMjM2: (hour.solarMjM2 * transmissionPct) / 100,
        airC,
        rhPct,
        vpdKpa: vpdOf(airC, rhPct),
      };
    }),
    solarMjM2,
    solarInsideMjM2: (solarMjM2 * transmissionPct) / 100,
    outside: extremesOf(inOrder),
    inside: extremesOf(around),
    windMs: winds.length === inOrder.length ? winds.reduce((sum, wind) => sum + wind, 0) / winds.length : undefined,
  };
}

function extremesOf(hours: readonly AirHour[]): Extremes {
  const air = hours.map(({ airC }) => airC);
  const humidity = hours.map(({ rhPct }) => rhPct);
  return {
    tMaxC: Math.max(...air),
    tMinC: Math.min(...air),
    rhMaxPct: Math.max(...humidity),
    rhMinPct: Math.min(...humidity),
  };
}
