import type { ReactNode } from "react";
import { CUT, HELD, THIN } from "../drawing.tsx";
import type { VesselKind } from "../system-view.ts";

/** Height of a vessel's rim in a cut. */
export const RIM = CUT.ground - 30;

/** A vessel with substrate, seen from its end. */
export function potShape(kind: VesselKind, x: number, width: number): ReactNode {
  const half = width * 0.42;
  switch (kind) {
    case "bag":
      return <rect x={x - half} y={RIM} width={2 * half} height="32" rx="10" fill={HELD} {...THIN} />;
    case "slab":
      return <rect x={x - half} y={RIM + 10} width={2 * half} height="22" rx="2" fill={HELD} {...THIN} />;
    case "trough":
      return (
        <path
          d={`M${x - half} ${RIM} V${RIM + 32} H${x + half} V${RIM} M${x - half} ${RIM + 6} H${x + half}`}
          fill={HELD}
          {...THIN}
        />
      );
    default:
      return (
        <path
          d={`M${x - half} ${RIM} H${x + half} L${x + half * 0.75} ${RIM + 32} H${x - half * 0.75} Z`}
          fill={HELD}
          {...THIN}
        />
      );
  }
}
