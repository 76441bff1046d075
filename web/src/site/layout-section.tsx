import type { Layout, System } from "@sprunel/contract/site";
import type { ReactNode } from "react";
import { useUnits } from "../units/use-units.tsx";

const [W, H, GROUND] = [300, 150, 92];
/** Beyond so many rows a cut shows no more of them. */
const MOST_ROWS = 12;
const SOIL = "#d9cdb6";
const HELD = "#c4b491";

/** A cut across one bed, tank, bench or basin: what roots live in and where the water comes from; heights are not to scale. */
export function LayoutSection({
  system,
  layout,
  figures,
}: {
  system: System;
  layout: Layout;
  figures: Readonly<Record<string, unknown>>;
}) {
  const { show } = useUnits();
  const rows = Math.min(MOST_ROWS, layout.rows);
  const at = (index: number, of: number): number => 30 + ((index + 0.5) / of) * (W - 60);
  const each = (of: number, draw: (x: number, width: number) => ReactNode): ReactNode =>
    Array.from({ length: of }, (_, index) => <g key={index}>{draw(at(index, of), Math.min(60, (W - 60) / of))}</g>);
  const plants = (y: number): ReactNode => each(rows, (x) => <Plant x={x} y={y} />);
  const text = (quantity: "depth", key: string): string => {
    const value = figures[key];
    if (typeof value !== "number") return "";
    const shown = show(quantity, value);
    return `${shown.text} ${shown.unit}`;
  };
  const ground = <rect x="0" y={GROUND} width={W} height={H - GROUND} fill={SOIL} />;
  const drawing = (): { readonly picture: ReactNode; readonly words: string } => {
    switch (system) {
      case "soil-drip":
      case "buried-drip": {
        const isBuried = system === "buried-drip";
        const mulched = Number(figures["mulchSavesPct"] ?? 0) > 0;
        return {
          picture: (
            <>
              {ground}
              <path d={`M18 ${GROUND} L34 ${GROUND - 14} H${W - 34} L${W - 18} ${GROUND} Z`} fill={HELD} />
              {mulched && (
                <path
                  d={`M14 ${GROUND + 2} L33 ${GROUND - 16} H${W - 33} L${W - 14} ${GROUND + 2}`}
                  fill="none"
                  stroke="var(--ink)"
                  strokeWidth="2.5"
                />
              )}
              {each(layout.linesPerBed, (x) => (
                <circle cx={x} cy={isBuried ? GROUND + 26 : GROUND - 17} r="5" fill="var(--pipe)" />
              ))}
              {plants(GROUND - 15)}
            </>
          ),
          words: `${mulched ? "mulched" : "bare"} bed${isBuried ? `, lines ${text("depth", "lineDepthCm")} deep` : ""}`,
        };
      }
      case "basin":
        return {
          picture: (
            <>
              {ground}
              <rect x="34" y={GROUND - 16} width={W - 68} height="16" fill="var(--water)" opacity="0.75" />
              <path d={`M0 ${GROUND} L14 ${GROUND - 32} H24 L38 ${GROUND} Z`} fill={HELD} stroke="var(--ink)" />
              <path
                d={`M${W} ${GROUND} L${W - 14} ${GROUND - 32} H${W - 24} L${W - 38} ${GROUND} Z`}
                fill={HELD}
                stroke="var(--ink)"
              />
              <rect
                x={W - 66}
                y={GROUND - 28}
                width="12"
                height="62"
                fill="var(--raised)"
                stroke="var(--ink)"
                strokeWidth="1.5"
              />
              {plants(GROUND)}
            </>
          ),
          words: `bunds of ${text("depth", "bundCm")}, tube read to ${text("depth", "refloodAtCm")} below the soil`,
        };
      default:
        return layout.vessel
          ? { picture: <InVessel layout={layout} rows={rows} each={each} />, words: "" }
          : { picture: ground, words: "" };
    }
  };
  const { picture, words } = drawing();
  return (
    <svg viewBox={`0 0 ${W} ${H}`} width={W} role="img" aria-label={`A cut across: ${words || "its vessels"}`}>
      {picture}
      <text x={W / 2} y={H - 6} fontSize="13" textAnchor="middle" fill="var(--ink)">
        {words}
      </text>
    </svg>
  );
}

function Plant({ x, y }: { x: number; y: number }) {
  return (
    <path
      d={`M${x} ${y} C${x} ${y - 20} ${x - 8} ${y - 28} ${x - 14} ${y - 34} M${x} ${y} C${x} ${y - 22} ${x + 8} ${y - 28} ${x + 14} ${y - 36} M${x} ${y} V${y - 30}`}
      fill="none"
      stroke="var(--plant)"
      strokeWidth="2.5"
      strokeLinecap="round"
    />
  );
}

function InVessel({
  layout: { vessel, linesPerBed, drippersPerPlant },
  rows,
  each,
}: {
  layout: Layout;
  rows: number;
  each: (of: number, draw: (x: number, width: number) => ReactNode) => ReactNode;
}) {
  const stroke = { stroke: "var(--ink)", strokeWidth: 1.5 } as const;
  const drips = drippersPerPlant > 0 || linesPerBed > 0;
  const top = GROUND - 30;
  const shape = (x: number, width: number): ReactNode => {
    const half = width * 0.42;
    switch (vessel?.kind) {
      case "bag":
        return <rect x={x - half} y={top} width={2 * half} height="32" rx="10" fill={HELD} {...stroke} />;
      case "slab":
        return <rect x={x - half} y={top + 10} width={2 * half} height="22" rx="2" fill={HELD} {...stroke} />;
      case "trough":
        return (
          <path
            d={`M${x - half} ${top} V${top + 32} H${x + half} V${top} M${x - half} ${top + 6} H${x + half}`}
            fill={HELD}
            {...stroke}
          />
        );
      default:
        return (
          <path
            d={`M${x - half} ${top} H${x + half} L${x + half * 0.75} ${top + 32} H${x - half * 0.75} Z`}
            fill={HELD}
            {...stroke}
          />
        );
    }
  };
  const tank = (
    <g>
      <rect x={W / 2 - 40} y={GROUND + 22} width="80" height="26" fill="var(--water)" opacity="0.75" {...stroke} />
      <path
        d={`M${W - 40} ${GROUND} V${GROUND + 34} H${W / 2 + 40}`}
        fill="none"
        stroke="var(--pipe)"
        strokeWidth="3"
      />
    </g>
  );
  switch (vessel?.kind) {
    case "float":
    case "deep": {
      const level = vessel.kind === "deep" ? GROUND - 14 : GROUND - 26;
      return (
        <>
          <rect x="20" y={level} width={W - 40} height={GROUND + 30 - level} fill="var(--water)" opacity="0.75" />
          <rect x="24" y={GROUND - 34} width={W - 48} height="8" fill="var(--raised)" {...stroke} />
          <path d={`M20 ${GROUND - 40} V${GROUND + 30} H${W - 20} V${GROUND - 40}`} fill="none" {...stroke} />
          {each(rows, (x) => (
            <>
              <path d={`M${x} ${GROUND - 26} V${GROUND + 8}`} stroke="#7a6a48" />
              <Plant x={x} y={GROUND - 34} />
            </>
          ))}
        </>
      );
    }
    case "film":
    case "channel": {
      const fall = vessel.kind === "film" ? 10 : 0;
      const depth = vessel.kind === "film" ? 4 : 16;
      return (
        <>
          <path
            d={`M20 ${GROUND - fall} L${W - 20} ${GROUND} v${-depth} L20 ${GROUND - fall - depth} Z`}
            fill="var(--water)"
            opacity="0.75"
          />
          <path
            d={`M20 ${GROUND - fall - 22} V${GROUND - fall} L${W - 20} ${GROUND} V${GROUND - 22}`}
            fill="none"
            {...stroke}
          />
          {each(rows, (x) => (
            <Plant x={x} y={GROUND - 6 - fall * (1 - x / W)} />
          ))}
          {tank}
        </>
      );
    }
    case "table":
    case "mat":
      return (
        <>
          {vessel.kind === "table" ? (
            <path d={`M14 ${GROUND - 12} V${GROUND + 4} H${W - 14} V${GROUND - 12}`} fill="none" {...stroke} />
          ) : (
            <rect x="14" y={GROUND + 2} width={W - 28} height="6" fill="var(--water)" {...stroke} />
          )}
          <path d={`M40 ${GROUND + 8} V${GROUND + 40} M${W - 40} ${GROUND + 8} V${GROUND + 40}`} {...stroke} />
          {each(rows, (x, width) => (
            <>
              {shape(x, width)}
              <Plant x={x} y={top} />
            </>
          ))}
        </>
      );
    default:
      return (
        <>
          <rect x="0" y={GROUND + 2} width={W} height={H - GROUND} fill={SOIL} />
          {each(rows, (x, width) => (
            <>
              {shape(x, width)}
              <Plant x={x} y={top + 2} />
              {drips && <path d={`M${x + 8} ${top - 10} v14`} stroke="var(--pipe)" strokeWidth="3" />}
            </>
          ))}
        </>
      );
  }
}
