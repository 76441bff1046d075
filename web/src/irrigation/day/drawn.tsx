import type { SiteDay } from "@sprunel/contract/plan";
import type { Board } from "@sprunel/contract/today";
import { clockAt } from "../../place/clock-at.ts";
import { hourTicks, type DayScale } from "../../place/day-scale.ts";
import styles from "./day-timeline.module.css";

const AXIS = 34;
/** Of a line, and of a bar in it, px. */
export const ROW = 44;
export const BAR = 24;

/** What every line of the day is drawn by. */
export interface Drawn {
  readonly scale: DayScale;
  readonly width: number;
  readonly timeZone: string;
  /** null where the present does not lie on the line */
  readonly nowMs: number | null;
  readonly dear: SiteDay["dear"];
  readonly sun: Board["sun"];
}

/** Where a moment lies on the line, px. */
export const place = ({ scale, width }: Drawn, ms: number): number =>
  ((ms - scale.fromMs) / (scale.toMs - scale.fromMs)) * width;

export function Axis(drawn: Drawn) {
  const { scale, width, timeZone, nowMs, dear } = drawn;
  const right = nowMs !== null && place(drawn, nowMs) > width - 80;
  const [first] = spansIn(drawn, dear);
  return (
    <svg width={width} height={AXIS} role="presentation" className={styles["drawing"]}>
      {hourTicks(scale, timeZone, width)
        // A label at the rim would be cut.
        .filter((ms) => place(drawn, ms) >= 0 && place(drawn, ms) <= width - 18)
        .map((ms) => (
          <text key={ms} x={place(drawn, ms)} y={AXIS - 6} textAnchor="middle" fill="var(--quiet)">
            {clockAt(ms, timeZone)}
          </text>
        ))}
      {first && (nowMs === null || Math.abs(place(drawn, nowMs) - first.x) > 90) && (
        <text x={first.x + 4} y={12} fill="var(--watch)">
          dear power
        </text>
      )}
      {nowMs !== null && (
        <text
          x={place(drawn, nowMs) + (right ? -4 : 4)}
          y={12}
          textAnchor={right ? "end" : "start"}
          fill="var(--act)"
          fontWeight="650"
        >
          now {clockAt(nowMs, timeZone)}
        </text>
      )}
    </svg>
  );
}

/** What of some spans lies on the line. */
export function spansIn(drawn: Drawn, spans: readonly { readonly startUtc: string; readonly endUtc: string }[]) {
  return spans.flatMap(({ startUtc, endUtc }) => {
    const [x, to] = [
      Math.max(0, place(drawn, Date.parse(startUtc))),
      Math.min(drawn.width, place(drawn, Date.parse(endUtc))),
    ];
    return to > x ? [{ x, width: to - x, startUtc }] : [];
  });
}

/** Before sunrise and after sunset. */
function Night({
  drawn,
  sun,
  height,
}: {
  readonly drawn: Drawn;
  readonly sun: NonNullable<Board["sun"]>;
  readonly height: number;
}) {
  const [rise, set] = [place(drawn, Date.parse(sun.riseUtc)), place(drawn, Date.parse(sun.setUtc))];
  return (
    <>
      <rect x={0} y={0} width={Math.max(0, rise)} height={height} className={styles["night"]} />
      <rect x={set} y={0} width={Math.max(0, drawn.width - set)} height={height} className={styles["night"]} />
    </>
  );
}

/** What lies under the bars: night, dear power, hours and now. */
export function Ground({ drawn, height }: { readonly drawn: Drawn; readonly height: number }) {
  const { scale, timeZone, width, nowMs, dear, sun } = drawn;
  return (
    <>
      {sun && <Night drawn={drawn} sun={sun} height={height} />}
      {spansIn(drawn, dear).map((span) => (
        <rect key={span.startUtc} x={span.x} y={0} width={span.width} height={height} fill="var(--light-forecast)" />
      ))}
      {hourTicks(scale, timeZone, width).map((ms) => (
        <line key={ms} x1={place(drawn, ms)} x2={place(drawn, ms)} y1={0} y2={height} stroke="var(--line)" />
      ))}
      {nowMs !== null && (
        <line
          x1={place(drawn, nowMs)}
          x2={place(drawn, nowMs)}
          y1={0}
          y2={height}
          stroke="var(--act)"
          strokeWidth="2"
        />
      )}
    </>
  );
}
