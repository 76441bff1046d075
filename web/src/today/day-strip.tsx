import type { Board, BoardZone } from "@sprunel/contract/today";
import { clockAt } from "../place/clock-at.ts";
import { dayScale, hourTicks, showsNow, type DayScale } from "../place/day-scale.ts";
import { showDigits } from "../units/show.ts";
import { useUnits } from "../units/use-units.tsx";
import styles from "./board.module.css";
import { useWidth } from "../parts/use-width.ts";
import { isForeseen } from "../words/is-foreseen.ts";

const HOUR_MS = 3_600_000;
/** Few zones share the height; many make the strip taller. */
const LEAST_HEIGHT = 150;
const LEAST_ROW = 21;
const PULSE_HEIGHT = 18;
const NIGHT_HEIGHT = 6;
const TOP = 22;
const LEFT = 124;
const RIGHT = 24;

/** The day from before sunrise to after sunset: radiation so far and foreseen, and every zone's pulses. */
export function DayStrip({ board }: { board: Board }) {
  const { ref, width } = useWidth<HTMLElement>(900);
  const span = dayScale(board);
  const nights = new Set(board.zones.flatMap((zone) => zone.nights.map(({ kind }) => kind)));
  return (
    <section className={styles["strip"]} ref={ref} aria-label="The day">
      <div className={styles["stripHead"]}>
        <h2>The day</h2>
        <span className={styles["legend"]}>
          <span>
            <i className={styles["light"]} />
            radiation
          </span>
          <span>
            <i className={styles["foreseen"]} />
            foreseen
          </span>
          <span>
            <i className={styles["given"]} />
            given
          </span>
          <span>
            <i className={styles["planned"]} />
            planned
          </span>
          {nights.has("cloth") && (
            <span>
              <i className={styles["cloth"]} />
              cloth drawn
            </span>
          )}
          {nights.has("lamps") && (
            <span>
              <i className={styles["lamps"]} />
              lamps lit
            </span>
          )}
        </span>
      </div>
      {span ? (
        <Strip board={board} scale={span} width={width} />
      ) : (
        <p className="quiet">No weather and no sun times are known for this day.</p>
      )}
    </section>
  );
}

function Strip({ board, scale, width }: { board: Board; scale: DayScale; width: number }) {
  const { fromMs, toMs } = scale;
  const timeZone = board.site?.timeZone ?? "UTC";
  const right = Math.max(LEFT + 100, width - RIGHT);
  const row = Math.max(LEAST_ROW, LEAST_HEIGHT / board.zones.length);
  const bottom = TOP + board.zones.length * row;
  const x = (ms: number): number => LEFT + ((ms - fromMs) / (toMs - fromMs)) * (right - LEFT);
  const nowMs = Date.parse(board.now);
  const ticks = hourTicks(scale, timeZone, width);
  return (
    <svg width={width} height={bottom + 24} role="img" aria-label={summary(board)} className={styles["drawing"]}>
      <Radiation board={board} fromMs={fromMs} toMs={toMs} x={x} bottom={bottom} />
      {ticks.map((ms) => (
        <g key={ms}>
          <line x1={x(ms)} x2={x(ms)} y1={TOP} y2={bottom} stroke="var(--line)" />
          <text x={x(ms)} y={bottom + 17} textAnchor="middle" fill="var(--quiet)">
            {clockAt(ms, timeZone)}
          </text>
        </g>
      ))}
      <line x1={LEFT} x2={right} y1={bottom} y2={bottom} stroke="var(--line)" />
      {board.zones.map((zone, at) => (
        <ZonePulses key={zone.id} zone={zone} middle={TOP + (at + 0.5) * row} x={x} scale={scale} timeZone={timeZone} />
      ))}
      {showsNow(board, scale) && (
        <g>
          <line x1={x(nowMs)} x2={x(nowMs)} y1={TOP - 6} y2={bottom} stroke="var(--act)" strokeWidth="2" />
          <text x={x(nowMs)} y={TOP - 9} textAnchor="middle" fill="var(--act)" fontWeight="650">
            now {clockAt(nowMs, timeZone)}
          </text>
        </g>
      )}
    </svg>
  );
}

function Radiation({
  board,
  fromMs,
  toMs,
  x,
  bottom,
}: {
  board: Board;
  fromMs: number;
  toMs: number;
  x: (ms: number) => number;
  bottom: number;
}) {
  const hours = board.hours.filter(
    (hour) =>
      hour.radiationMjM2 !== null && Date.parse(hour.startUtc) < toMs && Date.parse(hour.startUtc) + HOUR_MS > fromMs,
  );
  // A clear summer hour fills the height, so that a dull day looks dull.
  const y = (mj: number): number => bottom - (Math.min(mj, 3.4) / 3.4) * (bottom - TOP);
  const middle = (hour: (typeof hours)[number]): number => x(Date.parse(hour.startUtc) + HOUR_MS / 2);
  const area = (part: typeof hours): string => {
    const [first, last] = [part[0], part.at(-1)];
    if (!first || !last) return "";
    const line = part.map((hour) => `L${middle(hour)} ${y(hour.radiationMjM2 ?? 0)}`).join("");
    return `M${middle(first)} ${bottom}${line}L${middle(last)} ${bottom}Z`;
  };
  const firstForeseen = hours.findIndex(isForeseen);
  const seen = firstForeseen === -1 ? hours : hours.slice(0, firstForeseen);
  const foreseen = firstForeseen === -1 ? [] : hours.slice(Math.max(0, firstForeseen - 1));
  return (
    <>
      <path d={area(foreseen)} fill="var(--light-forecast)" stroke="#b39a4a" strokeDasharray="4 3" />
      <path d={area(seen)} fill="var(--light)" />
    </>
  );
}

function ZonePulses({
  zone,
  middle,
  x,
  scale: { fromMs, toMs },
  timeZone,
}: {
  zone: BoardZone;
  middle: number;
  x: (ms: number) => number;
  scale: DayScale;
  timeZone: string;
}) {
  const { show } = useUnits();
  const name = zone.name.length > 17 ? `${zone.name.slice(0, 16)}…` : zone.name;
  return (
    <g>
      <text x={LEFT - 10} y={middle + 5} textAnchor="end" fill="var(--quiet)">
        {name}
        <title>{zone.name}</title>
      </text>
      {zone.nights.map(({ kind, fromUtc, toUtc }) => {
        const [start, end] = [x(Math.max(fromMs, Date.parse(fromUtc))), x(Math.min(toMs, Date.parse(toUtc)))];
        return end <= start ? null : (
          <rect
            key={fromUtc}
            x={start}
            y={middle - NIGHT_HEIGHT / 2}
            width={end - start}
            height={NIGHT_HEIGHT}
            fill={kind === "cloth" ? "var(--ink)" : "var(--feed)"}
            opacity={kind === "cloth" ? 0.55 : 0.8}
          >
            <title>{`${kind === "cloth" ? "cloth drawn" : "lamps lit"} ${clockAt(fromUtc, timeZone)}–${clockAt(toUtc, timeZone)}`}</title>
          </rect>
        );
      })}
      {zone.pulses.map((pulse) => {
        const [start, end] = [x(Date.parse(pulse.startUtc)), x(Date.parse(pulse.endUtc))];
        const litres = show("volume", pulse.litres);
        return (
          <rect
            key={pulse.startUtc}
            x={start}
            y={middle - PULSE_HEIGHT / 2}
            width={Math.max(4, end - start)}
            height={PULSE_HEIGHT}
            rx="1.5"
            fill={pulse.state === "logged" ? "var(--pipe)" : "var(--water)"}
          >
            <title>{`${clockAt(pulse.startUtc, timeZone)}–${clockAt(pulse.endUtc, timeZone)}, ${litres.text} ${litres.unit}, ${pulse.state === "logged" ? "given" : "planned"}`}</title>
          </rect>
        );
      })}
    </g>
  );
}

function summary(board: Board): string {
  const total = board.hours.reduce((sum, hour) => sum + (hour.radiationMjM2 ?? 0), 0);
  const zones = board.zones.map((zone) => `${zone.name} ${zone.pulses.length} pulses`).join(", ");
  return `Radiation of the day ${showDigits(total)} MJ/m². ${zones}.`;
}
