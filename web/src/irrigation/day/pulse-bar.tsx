import type { DayPulse } from "@sprunel/contract/plan";
import { useRef, useState, type PointerEvent } from "react";
import { clockAt } from "../../place/clock-at.ts";
import { useUnits } from "../../units/use-units.tsx";
import styles from "./day-timeline.module.css";
import { BAR, place, ROW, type Drawn } from "./drawn.tsx";

/** A pulse is set to whole minutes. */
const STEP_MS = 60_000;
/** Less is a click, px. */
const DRAG_FROM = 4;
const ARROW_MS = 5 * STEP_MS;

export interface Moves {
  onChoose(pulseId: string): void;
  /** somebody moved a pulse to another start */
  onMove(pulse: DayPulse, startMs: number): void;
}

const STATES: Readonly<Record<DayPulse["state"], string>> = {
  ahead: "planned",
  running: "running now",
  due: "over, not said what was given",
  given: "given",
  missed: "not given",
};

/** One pulse, to be chosen, and while it is still to come to be moved. */
export function PulseBar({
  drawn,
  pulse,
  chosen,
  onChoose,
  onMove,
}: { readonly drawn: Drawn; readonly pulse: DayPulse; readonly chosen: boolean } & Moves) {
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
