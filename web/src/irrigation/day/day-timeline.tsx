import type { DayPulse, SiteDay } from "@sprunel/contract/plan";
import type { Board } from "@sprunel/contract/today";
import { memo, useMemo } from "react";
import { Link } from "react-router";
import { useWidth } from "../../parts/use-width.ts";
import { clockAt } from "../../place/clock-at.ts";
import { showsNow, type DayScale } from "../../place/day-scale.ts";
import { usePlace } from "../../place/use-place.ts";
import { ZoneLabel } from "../../place/zone-label.tsx";
import { useUnits } from "../../units/use-units.tsx";
import { loadOf, loadOfAll } from "./load-of.ts";
import styles from "./day-timeline.module.css";
import { Axis, BAR, Ground, place, ROW, spansIn, type Drawn } from "./drawn.tsx";
import { LoadRow } from "./load-row.tsx";
import { PulseBar, type Moves } from "./pulse-bar.tsx";

/** Of the first load, which is the pump's; others are there to be seen beside it. */
const TALL = 88;
const LOW = 52;

interface Props extends Moves {
  readonly board: Board;
  readonly day: SiteDay;
  readonly scale: DayScale;
  readonly chosen: string | null;
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
        <LoadRow height={TALL} drawn={drawn} name="Together" maxLh={null} load={loadOfAll(day.pulses)} />
      ) : (
        shared.map((limit, at) => (
          <LoadRow
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
              <PulseBar
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
