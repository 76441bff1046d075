import type { DayPulse, SiteDay } from "@sprunel/contract/plan";
import type { Board } from "@sprunel/contract/today";
import type { LoadStep } from "@sprunel/core/irrigation";
import { memo, useMemo, useRef, useState, type PointerEvent } from "react";
import { Link } from "react-router";
import { useWidth } from "../../parts/use-width.ts";
import { clockAt } from "../../place/clock-at.ts";
import { hourTicks, showsNow, type DayScale } from "../../place/day-scale.ts";
import { usePlace } from "../../place/use-place.ts";
import { ZoneLabel } from "../../place/zone-label.tsx";
import { useUnits } from "../../units/use-units.tsx";
import { loadOf, loadOfAll } from "./load-of.ts";
import styles from "./day-timeline.module.css";

const ROW = 44;
const BAR = 24;
/** Of the first load, which is the pump's; others are there to be seen beside it. */
const TALL = 88;
const LOW = 52;
const AXIS = 34;
/** A pulse is set to whole minutes. */
const STEP_MS = 60_000;
/** Less is a click, px. */
const DRAG_FROM = 4;
const ARROW_MS = 5 * STEP_MS;

interface Props {
  readonly board: Board;
  readonly day: SiteDay;
  readonly scale: DayScale;
  readonly chosen: string | null;
  onChoose(pulseId: string): void;
  /** somebody moved a pulse to another start */
  onMove(pulse: DayPulse, startMs: number): void;
  /** opens the valve of a zone again that was shut for the day */
  onInclude(zoneId: number): void;
}

/** Every zone's pulses, one zone a line, to be moved along it; pumps and mixers under them on the same hours. */
export function DayTimeline({ board, day, scale, chosen, onChoose, onMove, onInclude }: Props) {
  const { ref, width } = useWidth<HTMLDivElement>(560);
  const timeZone = board.site?.timeZone ?? "UTC";
  const drawn = useMemo(
    () => ({
      scale,
      width,
      timeZone,
      nowMs: showsNow(board, scale) ? Date.parse(board.now) : null,
      dear: day.dear,
      sun: board.sun,
    }),
    [scale, width, timeZone, board, day.dear],
  );
  const runs = [...new Set(day.pulses.filter(({ zoneId }) => zoneId === null).map(({ name }) => name))];
  const shared = day.limits.filter(({ kind, maxLh }) => maxLh !== null && kind !== "group");
  return (
    <div className={styles["grid"]} role="group" aria-label="Pulses of the day">
      <span />
      <div ref={ref}>
        <Axis {...drawn} />
      </div>
      {day.zones.map((zone) => (
        <Row
          key={zone.zoneId}
          {...{ drawn, zone, chosen, onChoose, onMove, onInclude }}
          name={zone.name}
          pulses={day.pulses}
          beside={day.beside}
        />
      ))}
      {runs.map((name) => (
        <Row
          key={name}
          {...{ drawn, name, chosen, onChoose, onMove, onInclude }}
          zone={null}
          pulses={day.pulses}
          beside={day.beside}
        />
      ))}
      {shared.length === 0 ? (
        <Load height={TALL} drawn={drawn} name="Together" maxLh={null} load={loadOfAll(day.pulses)} />
      ) : (
        shared.map((limit, at) => (
          <Load
            key={limit.name}
            height={at === 0 ? TALL : LOW}
            drawn={drawn}
            name={limit.name}
            maxLh={limit.maxLh}
            load={loadOf(limit, day.pulses)}
          />
        ))
      )}
    </div>
  );
}

interface Drawn {
  readonly scale: DayScale;
  readonly width: number;
  readonly timeZone: string;
  /** null where the present does not lie on the line */
  readonly nowMs: number | null;
  readonly dear: SiteDay["dear"];
  readonly sun: Board["sun"];
}

const place = ({ scale, width }: Drawn, ms: number): number =>
  ((ms - scale.fromMs) / (scale.toMs - scale.fromMs)) * width;

function Axis(drawn: Drawn) {
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
function spansIn(drawn: Drawn, spans: readonly { readonly startUtc: string; readonly endUtc: string }[]) {
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

function Ground({ drawn, height }: { readonly drawn: Drawn; readonly height: number }) {
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

/** One line: only what changes of its own pulses draws it anew, so that many lines stay light while one is dragged. */
const Row = memo(
  function Row({
    drawn,
    zone,
    name,
    pulses,
    beside,
    chosen,
    onChoose,
    onMove,
    onInclude,
  }: {
    readonly drawn: Drawn;
    /** null of a run that belongs to no zone */
    readonly zone: SiteDay["zones"][number] | null;
    readonly name: string;
    /** of the whole day */
    readonly pulses: readonly DayPulse[];
    readonly beside: SiteDay["beside"];
  } & Pick<Props, "chosen" | "onChoose" | "onMove" | "onInclude">) {
    const { addressOf } = usePlace();
    const { show } = useUnits();
    const own = ofRow(pulses, zone, name);
    const sum = show(
      "volume",
      own.reduce((total, { litres }) => total + litres, 0),
    );
    const unplanned = beside.filter(({ zoneId }) => zoneId === zone?.zoneId);
    const got = show(
      "volume",
      unplanned.reduce((total, { litres }) => total + litres, 0),
    );
    const sub = zone?.excluded
      ? "shut today"
      : own.length > 0
        ? `${sum.text} ${sum.unit}`
        : unplanned.length > 0
          ? `${got.text} ${got.unit} given`
          : "no water today";
    return (
      <>
        {zone ? (
          <Link className={styles["zone"]} to={addressOf({ zoneId: zone.zoneId })}>
            <ZoneLabel name={name} sub={zone.byHand ? `${sub} · by hand` : sub} />
          </Link>
        ) : (
          <div className={styles["zone"]}>
            <ZoneLabel name={name} sub={sub} />
          </div>
        )}
        <div className={styles["line"]}>
          <svg
            width={drawn.width}
            height={ROW}
            role="group"
            aria-label={`Pulses of ${name}`}
            className={styles["bars"]}
          >
            <Ground drawn={drawn} height={ROW} />
            {spansIn(drawn, zone?.windows ?? []).map((span) => (
              <line
                key={span.startUtc}
                x1={span.x}
                x2={span.x + span.width}
                y1={ROW - 5}
                y2={ROW - 5}
                stroke="var(--band)"
                strokeWidth="3"
                strokeLinecap="round"
              />
            ))}
            {unplanned.map(({ startUtc, minutes, litres }) => (
              <rect
                key={startUtc}
                x={place(drawn, Date.parse(startUtc))}
                y={(ROW - BAR) / 2}
                width={Math.max(
                  4,
                  place(drawn, Date.parse(startUtc) + minutes * 60_000) - place(drawn, Date.parse(startUtc)),
                )}
                height={BAR}
                rx="2"
                data-state="given"
                className={styles["pulse"]}
              >
                <title>{`${clockAt(startUtc, drawn.timeZone)}, ${show("volume", litres).text} ${show("volume", litres).unit}, given beside the plan`}</title>
              </rect>
            ))}
            {own.map((pulse) => (
              <Bar
                key={pulse.id}
                drawn={drawn}
                pulse={pulse}
                chosen={chosen === pulse.id}
                onChoose={onChoose}
                onMove={onMove}
              />
            ))}
          </svg>
          {zone?.excluded && (
            <button type="button" className={styles["open"]} onClick={() => onInclude(zone.zoneId)}>
              Open {name} again
            </button>
          )}
        </div>
      </>
    );
  },
  (before, after) =>
    before.drawn === after.drawn &&
    before.zone === after.zone &&
    before.name === after.name &&
    before.onChoose === after.onChoose &&
    before.onMove === after.onMove &&
    before.onInclude === after.onInclude &&
    before.pulses === after.pulses &&
    before.beside === after.beside &&
    isIn(before) === isIn(after),
);

function ofRow(pulses: readonly DayPulse[], zone: SiteDay["zones"][number] | null, name: string): DayPulse[] {
  return pulses.filter((pulse) => (zone ? pulse.zoneId === zone.zoneId : pulse.zoneId === null && pulse.name === name));
}

/** The chosen pulse, where it is on this line. */
function isIn({
  pulses,
  zone,
  name,
  chosen,
}: {
  readonly pulses: readonly DayPulse[];
  readonly zone: SiteDay["zones"][number] | null;
  readonly name: string;
  readonly chosen: string | null;
}): string | null {
  return chosen !== null && ofRow(pulses, zone, name).some(({ id }) => id === chosen) ? chosen : null;
}

const STATES: Readonly<Record<DayPulse["state"], string>> = {
  ahead: "planned",
  running: "running now",
  due: "over, not said what was given",
  given: "given",
  missed: "not given",
};

function Bar({
  drawn,
  pulse,
  chosen,
  onChoose,
  onMove,
}: { readonly drawn: Drawn; readonly pulse: DayPulse; readonly chosen: boolean } & Pick<Props, "onChoose" | "onMove">) {
  const { show } = useUnits();
  const { timeZone, scale, width } = drawn;
  const [startMs, endMs] = [Date.parse(pulse.startUtc), Date.parse(pulse.endUtc)];
  const [x, wide] = [place(drawn, startMs), Math.max(4, place(drawn, endMs) - place(drawn, startMs))];
  const amount = show("volume", pulse.litres);
  const movable = pulse.state === "ahead";
  const words = `${pulse.name} ${clockAt(startMs, timeZone)}–${clockAt(endMs, timeZone)}, ${amount.text} ${amount.unit}, ${
    STATES[pulse.state]
  }${pulse.locked ? ", locked" : ""}${pulse.dose === null ? "" : ", with a dose"}`;
  const group = useRef<SVGGElement>(null);
  const drag = useRef<{ readonly fromX: number; byX: number } | null>(null);
  const [shown, setShown] = useState<string | null>(null);
  const msOf = (byX: number): number =>
    Math.round((startMs + (byX / width) * (scale.toMs - scale.fromMs)) / STEP_MS) * STEP_MS;
  const start = (event: PointerEvent<SVGGElement>): void => {
    if (!movable || event.button !== 0) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    drag.current = { fromX: event.clientX, byX: 0 };
  };
  // While it is dragged nothing is drawn anew but the bar itself.
  const move = (event: PointerEvent<SVGGElement>): void => {
    const held = drag.current;
    if (!held) return;
    held.byX = event.clientX - held.fromX;
    if (Math.abs(held.byX) < DRAG_FROM) return;
    group.current?.setAttribute("transform", `translate(${held.byX} 0)`);
    setShown(clockAt(msOf(held.byX), timeZone));
  };
  const drop = (): void => {
    const held = drag.current;
    drag.current = null;
    group.current?.removeAttribute("transform");
    setShown(null);
    if (held && Math.abs(held.byX) >= DRAG_FROM) onMove(pulse, msOf(held.byX));
    else onChoose(pulse.id);
  };
  return (
    <g
      ref={group}
      role="button"
      tabIndex={0}
      aria-label={words}
      aria-pressed={chosen}
      className={movable ? styles["movable"] : styles["bar"]}
      onPointerDown={start}
      onPointerMove={move}
      onPointerUp={movable ? drop : () => onChoose(pulse.id)}
      onPointerCancel={() => {
        drag.current = null;
        group.current?.removeAttribute("transform");
        setShown(null);
      }}
      onKeyDown={(event) => {
        if (event.key === "Enter" || event.key === " ") {
          event.preventDefault();
          onChoose(pulse.id);
        }
        if (movable && (event.key === "ArrowLeft" || event.key === "ArrowRight")) {
          event.preventDefault();
          onMove(pulse, startMs + (event.key === "ArrowLeft" ? -ARROW_MS : ARROW_MS));
        }
      }}
    >
      {/* as wide as a wet finger */}
      <rect x={x - 8} y={0} width={Math.max(20, wide + 16)} height={ROW} fill="transparent" />
      {(chosen || pulse.locked) && (
        <rect
          x={x - 3}
          y={(ROW - BAR) / 2 - 3}
          width={wide + 6}
          height={BAR + 6}
          rx="4"
          fill="none"
          stroke={chosen ? "var(--pipe)" : "var(--ink)"}
          strokeWidth={chosen ? 2 : 1.5}
        />
      )}
      <rect
        x={x}
        y={(ROW - BAR) / 2}
        width={wide}
        height={BAR}
        rx="2"
        data-state={pulse.state}
        data-fed={pulse.recipe !== null || undefined}
        className={styles["pulse"]}
      />
      {pulse.dose !== null && <circle cx={x + wide / 2} cy={ROW / 2} r="3" fill="var(--raised)" />}
      {shown !== null && (
        <text x={x + wide / 2} y={8} textAnchor="middle" fill="var(--ink)" fontWeight="650">
          {shown}
        </text>
      )}
      <title>{words}</title>
    </g>
  );
}

/** The sum of all flows, step by step, under what is given at most. */
function Load({
  drawn,
  height,
  name,
  maxLh,
  load,
}: {
  readonly drawn: Drawn;
  readonly height: number;
  readonly name: string;
  readonly maxLh: number | null;
  readonly load: readonly LoadStep[];
}) {
  const { show } = useUnits();
  const { width, timeZone } = drawn;
  const peak = load.reduce((most, step) => Math.max(most, step.lh), 0);
  const top = Math.max(peak, maxLh ?? 0) * 1.08 || 1;
  const y = (lh: number): number => height - 2 - (lh / top) * (height - 8);
  const said = maxLh === null ? null : show("flow", maxLh);
  return (
    <>
      <div className={`${styles["zone"] ?? ""} ${styles["pump"] ?? ""}`}>
        <ZoneLabel name={name} sub={said ? `${said.text} ${said.unit} at most` : "no pump is described"} />
      </div>
      <svg
        width={width}
        height={height}
        role="img"
        aria-label={`What ${name} is asked for: at most ${show("flow", peak).text} ${show("flow", peak).unit}`}
        className={`${styles["bars"] ?? ""} ${styles["pump"] ?? ""}`}
      >
        <Ground drawn={drawn} height={height} />
        {load.map((step) => (
          <rect
            key={step.fromMs}
            x={place(drawn, step.fromMs)}
            y={y(step.lh)}
            width={Math.max(1.5, place(drawn, step.toMs) - place(drawn, step.fromMs))}
            height={height - 2 - y(step.lh)}
            fill={maxLh !== null && step.lh > maxLh + 1e-6 ? "var(--act)" : "var(--water)"}
          >
            <title>{`${clockAt(step.fromMs, timeZone)}–${clockAt(step.toMs, timeZone)}, ${show("flow", step.lh).text} ${show("flow", step.lh).unit}`}</title>
          </rect>
        ))}
        <line x1="0" x2={width} y1={height - 1.5} y2={height - 1.5} stroke="var(--ink)" />
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
    </>
  );
}
