import type { LoadStep } from "@sprunel/core/irrigation";
import { clockAt } from "../../place/clock-at.ts";
import { ZoneLabel } from "../../place/zone-label.tsx";
import { useUnits } from "../../units/use-units.tsx";
import styles from "./day-timeline.module.css";
import { Ground, place, type Drawn } from "./drawn.tsx";

/** The sum of all flows, step by step, under what is given at most. */
export function LoadRow({
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
