import type { WaterReport } from "@sprunel/contract/water";
import { USUAL_WATER_TEMPERATURE_C, waterHazards, type Hazard, type HazardClass } from "@sprunel/core/water";
import { useState } from "react";
import { Mark } from "../parts/mark.tsx";
import { showDigits } from "../units/show.ts";
import { Amount } from "../units/use-units.tsx";
import tables from "../theme/tables.module.css";
import { StepsDrawer } from "../working/steps-drawer.tsx";
import styles from "./water.module.css";

const MARKS = { none: "steady", moderate: "watch", severe: "act", unknown: "none" } as const;
const WORDS: Record<HazardClass, string> = {
  none: "no trouble",
  moderate: "some trouble",
  severe: "severe",
  unknown: "not known",
};
type KnownWater = Pick<WaterReport, "ions" | "ecMsCm" | "suspendedSolidsMgL"> & {
  readonly name: string;
  readonly ph: number | null;
};

/** What each water does to lines, soil and plants, at a temperature that no report has and that is shown beside it. */
export function HazardTable({ waters }: { waters: readonly KnownWater[] }) {
  const [explained, setExplained] = useState<Hazard | null>(null);
  const known = waters.map(({ name, ions, ph, ecMsCm, suspendedSolidsMgL }) => ({
    name,
    hazards: waterHazards({
      ions,
      ph,
      ecMsCm,
      temperatureC: USUAL_WATER_TEMPERATURE_C,
      suspendedSolidsMgL: suspendedSolidsMgL ?? undefined,
    }),
  }));
  const [first] = known;
  if (!first) return <p className="quiet">Without a lab report nothing is known of what the water does.</p>;
  return (
    <div className={styles["scroll"]} tabIndex={0} role="region" aria-label="What the water does">
      <table className={tables["table"]}>
        <thead>
          <tr>
            <th scope="col">
              at <Amount quantity="temperature" value={USUAL_WATER_TEMPERATURE_C} />, assumed
            </th>
            {known.map(({ name }) => (
              <th key={name} scope="col">
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {first.hazards.map((row, at) => (
            <tr key={row.id}>
              <td>
                {row.name}
                <div className="quiet">{worst(known.map(({ hazards }) => hazards[at] ?? row)).effect}</div>
              </td>
              {known.map(({ name, hazards }) => {
                const hazard = hazards[at] ?? row;
                return (
                  <td key={name}>
                    <button
                      type="button"
                      className={styles["hazard"]}
                      disabled={!hazard.step}
                      onClick={() => setExplained(hazard)}
                    >
                      {hazard.value === null ? "–" : showDigits(hazard.value)} {hazard.unit}{" "}
                      <Mark kind={MARKS[hazard.class]} />
                      <span className="visually-hidden">{WORDS[hazard.class]}</span>
                    </button>
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
      {explained?.step && (
        <StepsDrawer title={explained.name} steps={[explained.step]} onClose={() => setExplained(null)} />
      )}
    </div>
  );
}

const GRAVITY: Record<HazardClass, number> = { severe: 3, moderate: 2, unknown: 1, none: 0 };

function worst(hazards: readonly Hazard[]): Hazard {
  return hazards.reduce((found, hazard) => (GRAVITY[hazard.class] > GRAVITY[found.class] ? hazard : found));
}
