import type { Board, BoardZone } from "@sprunel/contract/today";
import type { Clash, LoadStep } from "@sprunel/core/irrigation";
import { Link } from "react-router";
import { useWidth } from "../../parts/use-width.ts";
import { clockAt } from "../../place/clock-at.ts";
import { hourTicks, showsNow, type DayScale } from "../../place/day-scale.ts";
import { usePlace } from "../../place/use-place.ts";
import { ZoneLabel } from "../../place/zone-label.tsx";
import { useUnits } from "../../units/use-units.tsx";
import { MISSING_WORDS } from "../../words/missing-words.ts";
import { duePulses, type DueWatering } from "../due-pulses.ts";
import styles from "./day-of-all.module.css";

const ROW = 44;
const BAR = 24;
const PUMP = 104;
const AXIS = 34;

interface Props {
  readonly board: Board;
  readonly scale: DayScale;
  readonly load: readonly LoadStep[];
  readonly clashes: readonly Clash[];
  onGiven(zone: BoardZone, due: readonly DueWatering[]): void;
}

type X = (ms: number) => number;

/** Every zone's pulses, one zone a line, and the pump's load under them on the same hours. */
export function DayOfAll({ board, scale, load, clashes, onGiven }: Props) {
  const { ref, width } = useWidth<HTMLDivElement>(560);
  const x: X = (ms) => ((ms - scale.fromMs) / (scale.toMs - scale.fromMs)) * width;
  const timeZone = board.site?.timeZone ?? "UTC";
  return (
    <div className={styles["grid"]} role="group" aria-label="Pulses of the day">
      <span />
      <div ref={ref}>
        <Axis board={board} scale={scale} x={x} width={width} timeZone={timeZone} />
      </div>
      <span />
      {board.zones.map((zone) => (
        <ZoneRow key={zone.id} {...{ board, zone, scale, x, width, timeZone, clashes, onGiven }} />
      ))}
      <PumpRow {...{ board, scale, load, clashes, x, width, timeZone }} />
    </div>
  );
}

interface Drawn {
  readonly board: Board;
  readonly scale: DayScale;
  readonly x: X;
  readonly width: number;
  readonly timeZone: string;
}

function Axis({ board, scale, x, width, timeZone }: Drawn) {
  const nowMs = Date.parse(board.now);
  const isNow = showsNow(board, scale);
  const right = x(nowMs) > width - 80;
  return (
    <svg width={width} height={AXIS} role="presentation" className={styles["drawing"]}>
      {hourTicks(scale, timeZone, width)
        // The clock of now stands above; an hour under it would be unreadable.
        .map((ms) => (
          <text key={ms} x={x(ms)} y={AXIS - 6} textAnchor="middle" fill="var(--quiet)">
            {clockAt(ms, timeZone)}
          </text>
        ))}
      {isNow && (
        <text
          x={x(nowMs) + (right ? -4 : 4)}
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

function Lines({ board, scale, x, width, timeZone, height }: Drawn & { readonly height: number }) {
  return (
    <>
      {hourTicks(scale, timeZone, width).map((ms) => (
        <line key={ms} x1={x(ms)} x2={x(ms)} y1={0} y2={height} stroke="var(--line)" />
      ))}
      {showsNow(board, scale) && (
        <line
          x1={x(Date.parse(board.now))}
          x2={x(Date.parse(board.now))}
          y1={0}
          y2={height}
          stroke="var(--act)"
          strokeWidth="2"
        />
      )}
    </>
  );
}

function ZoneRow({
  zone,
  clashes,
  onGiven,
  ...drawn
}: Drawn & { readonly zone: BoardZone } & Pick<Props, "clashes" | "onGiven">) {
  const { board, x, width, timeZone } = drawn;
  const { addressOf } = usePlace();
  const { show } = useUnits();
  const due = duePulses(zone, board);
  const litres = zone.pulses.reduce((sum, pulse) => sum + pulse.litres, 0);
  const shown = show("volume", litres);
  return (
    <>
      <Link className={styles["zone"]} to={addressOf({ zoneId: zone.id })}>
        <ZoneLabel
          name={zone.name}
          sub={
            zone.pulses.length > 0
              ? `${shown.text} ${shown.unit}`
              : zone.missing
                ? MISSING_WORDS[zone.missing]
                : "no water today"
          }
        />
      </Link>
      <svg width={width} height={ROW} role="group" aria-label={`Pulses of ${zone.name}`} className={styles["bars"]}>
        <Lines {...drawn} height={ROW} />
        {zone.pulses.map((pulse) => {
          const [startMs, endMs] = [Date.parse(pulse.startUtc), Date.parse(pulse.endUtc)];
          const amount = show("volume", pulse.litres);
          const clash = clashes.some(
            ({ fromMs, toMs, zoneIds }) => zoneIds.includes(zone.id) && fromMs < endMs && toMs > startMs,
          );
          const words = `${clockAt(startMs, timeZone)}–${clockAt(endMs, timeZone)}, ${amount.text} ${amount.unit}, ${
            pulse.state === "logged" ? "given" : "planned"
          }${clash ? ", clashes at the pump" : ""}`;
          const own = due.filter(({ startUtc }) => startUtc === pulse.startUtc);
          const say = own.length > 0 ? () => onGiven(zone, own) : null;
          return (
            <g
              key={pulse.startUtc}
              {...(say
                ? {
                    role: "button",
                    tabIndex: 0,
                    "aria-label": `${words}; say it was given`,
                    className: styles["due"],
                    onClick: say,
                    onKeyDown: (event: { readonly key: string }) => event.key === "Enter" && say(),
                  }
                : { role: "img", "aria-label": words })}
            >
              {/* as wide as a wet finger */}
              {say && (
                <rect
                  x={x(startMs) - 8}
                  y={0}
                  width={Math.max(20, x(endMs) - x(startMs) + 16)}
                  height={ROW}
                  fill="transparent"
                />
              )}
              <rect
                x={x(startMs)}
                y={(ROW - BAR) / 2}
                width={Math.max(4, x(endMs) - x(startMs))}
                height={BAR}
                rx="2"
                fill={pulse.state === "logged" ? "var(--pipe)" : "var(--water)"}
                {...(clash && { stroke: "var(--act)", strokeWidth: 2 })}
              />
              <title>{words}</title>
            </g>
          );
        })}
      </svg>
      {board.date <= board.today ? (
        <button
          type="button"
          className={due.length > 0 ? styles["say"] : styles["sayQuiet"]}
          aria-label={due.length > 0 ? `Given: ${zone.name}` : `Log water: ${zone.name}`}
          onClick={() => onGiven(zone, due)}
        >
          {due.length > 0 ? "given" : "log"}
        </button>
      ) : (
        <span />
      )}
    </>
  );
}

/** The sum of all flows, step by step, under what the pump gives at most. */
function PumpRow({ load, clashes, ...drawn }: Drawn & Pick<Props, "load" | "clashes">) {
  const { board, x, width, timeZone } = drawn;
  const { show } = useUnits();
  const maxLh = board.site?.pumpLh ?? null;
  const peak = load.reduce((most, step) => Math.max(most, step.lh), 0);
  const top = Math.max(peak, maxLh ?? 0) * 1.08 || 1;
  const y = (lh: number): number => PUMP - 2 - (lh / top) * (PUMP - 8);
  const said = maxLh === null ? null : show("flow", maxLh);
  const isClash = (step: LoadStep): boolean =>
    clashes.some(({ fromMs, toMs }) => step.fromMs < toMs && step.toMs > fromMs);
  return (
    <>
      <div className={`${styles["zone"] ?? ""} ${styles["pump"] ?? ""}`}>
        <ZoneLabel name="Pump" sub={said ? `${said.text} ${said.unit} at most` : "not described"} />
      </div>
      <svg
        width={width}
        height={PUMP}
        role="img"
        aria-label={`What the pump is asked for: at most ${show("flow", peak).text} ${show("flow", peak).unit}`}
        className={`${styles["bars"] ?? ""} ${styles["pump"] ?? ""}`}
      >
        <Lines {...drawn} height={PUMP} />
        {load.map((step) => (
          <rect
            key={step.fromMs}
            x={x(step.fromMs)}
            y={y(step.lh)}
            width={Math.max(1.5, x(step.toMs) - x(step.fromMs))}
            height={PUMP - 2 - y(step.lh)}
            fill={isClash(step) ? "var(--act)" : "var(--water)"}
          >
            <title>{`${clockAt(step.fromMs, timeZone)}–${clockAt(step.toMs, timeZone)}, ${show("flow", step.lh).text} ${show("flow", step.lh).unit}`}</title>
          </rect>
        ))}
        <line x1="0" x2={width} y1={PUMP - 1.5} y2={PUMP - 1.5} stroke="var(--ink)" />
        {maxLh !== null && (
          <line
            x1="0"
            x2={width}
            y1={y(maxLh)}
            y2={y(maxLh)}
            stroke="var(--act)"
            strokeDasharray="5 4"
            strokeWidth="1.5"
          />
        )}
      </svg>
      <span />
    </>
  );
}
