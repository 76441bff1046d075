import type { Layout, System } from "@sprunel/contract/site";
import type { Stand } from "@sprunel/core/site";
import type { Quantity } from "@sprunel/core/units";
import { useUnits } from "../units/use-units.tsx";
import { Explained } from "../working/explained.tsx";
import { CUT } from "../systems/drawing.tsx";
import { SYSTEM_VIEWS } from "../systems/views.ts";
import styles from "./set-up.module.css";

/** A stretch of one bed from above, to scale, and a cut across it; below them what follows. */
export function LayoutPlan({
  system,
  layout,
  stand,
  figures,
}: {
  system: System;
  layout: Layout;
  stand: Stand;
  figures: Readonly<Record<string, unknown>>;
}) {
  const { show } = useUnits();
  const [width, height] = [420, 130];
  const lengthM = Math.min(layout.lengthM, Math.max(2, 12 * layout.inRowM, layout.widthM));
  const scale = Math.min((width - 20) / lengthM, (height - 20) / layout.widthM);
  const [bedW, bedH] = [lengthM * scale, layout.widthM * scale];
  const across = (at: number, of: number): number => ((at + 0.5) / of) * bedH;
  const along = (count: number, step: number): number[] =>
    Array.from({ length: Math.min(400, count) }, (_, at) => (at + 0.5) * step * scale);
  const plantsInRow = Math.floor(lengthM / layout.inRowM + 1e-9);
  const drippers = layout.drippersPerPlant > 0 ? 0 : Math.floor(lengthM / layout.dripperSpacingM + 1e-9);
  const amount = (quantity: Quantity, value: number): string => {
    const { text, unit } = show(quantity, value);
    return `${text} ${unit}`;
  };
  return (
    <figure className={styles["plan"]}>
      <svg
        viewBox={`0 0 ${bedW + 4} ${bedH + 4}`}
        width={bedW + 4}
        role="img"
        aria-label={`${layout.rows} rows of plants on a bed, ${layout.linesPerBed} drip lines`}
      >
        <g transform="translate(2 2)">
          <rect width={bedW} height={bedH} rx="6" fill="#e9dfc8" stroke="var(--line)" />
          {Array.from({ length: layout.linesPerBed }, (_, line) => (
            <g key={line}>
              <line
                x1="0"
                x2={bedW}
                y1={across(line, layout.linesPerBed)}
                y2={across(line, layout.linesPerBed)}
                stroke="var(--pipe)"
                strokeWidth="2"
              />
              {along(drippers, layout.dripperSpacingM).map((x) => (
                <circle key={x} cx={x} cy={across(line, layout.linesPerBed)} r="2" fill="var(--pipe)" />
              ))}
            </g>
          ))}
          {Array.from({ length: layout.rows }, (_, row) =>
            along(layout.offset && row % 2 === 1 ? plantsInRow - 1 : plantsInRow, layout.inRowM).map((x) => (
              <circle
                key={`${row} ${x}`}
                cx={layout.offset && row % 2 === 1 ? x + (layout.inRowM * scale) / 2 : x}
                cy={across(row, layout.rows)}
                r={Math.max(1.5, Math.min(7, (bedH / layout.rows) * 0.32))}
                fill="var(--plant)"
              />
            )),
          )}
        </g>
      </svg>
      <Cut system={system} layout={layout} figures={figures} />
      <figcaption>
        <Explained title="Stand and water of this layout" steps={stand.working}>
          {amount("area", stand.areaM2)} · {stand.plants} plants, {amount("density", stand.plantsPerM2)}
          {stand.flowLh > 0 &&
            ` · ${stand.drippers} drippers give ${amount("flow", stand.flowLh)}: ${amount("volume", stand.litresPerPlantH)} a plant and ${amount("rain", stand.mmPerH)} in an hour`}
          {stand.waterHeldLPlant !== null &&
            ` · ${stand.vessels} ${SYSTEM_VIEWS[system].questions.vessels[layout.vessel?.kind ?? "pot"]?.name ?? "vessels"} hold ${amount("volume", stand.waterHeldLPlant)} of water a plant`}
        </Explained>
      </figcaption>
    </figure>
  );
}

/** A cut across one bed, tank, bench or basin: what roots live in and where the water comes from; heights are not to scale. */
function Cut({
  system,
  layout,
  figures,
}: {
  system: System;
  layout: Layout;
  figures: Readonly<Record<string, unknown>>;
}) {
  const { show } = useUnits();
  const { picture, words } = SYSTEM_VIEWS[system].cut({ layout, figures }, (cm) => {
    const { text, unit } = show("depth", cm);
    return `${text} ${unit}`;
  });
  const { width, height } = CUT;
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      width={width}
      role="img"
      aria-label={`A cut across: ${words || "its vessels"}`}
    >
      {picture}
      <text x={width / 2} y={height - 6} fontSize="13" textAnchor="middle" fill="var(--ink)">
        {words}
      </text>
    </svg>
  );
}
