import type { ZoneFeed } from "@sprunel/contract/feed";
import { acidForWater, type AcidAnswer, type AcidInput } from "@sprunel/core/water";
import Select from "antd/es/select";
import { useState } from "react";
import { trySum } from "../sums/try-sum.ts";
import { QuantityInput } from "../units/quantity-input.tsx";
import { Amount } from "../units/use-units.tsx";
import { Explained } from "../working/explained.tsx";
import styles from "./water.module.css";

/** Acids as they are sold, by mass per cent and density at 20 °C. CRC Handbook, density of aqueous solutions. */
const ACIDS: Readonly<
  Record<string, Pick<AcidInput, "acid" | "acidStrengthPct" | "acidDensityKgL"> & { label: string }>
> = {
  "nitric-60": { label: "nitric acid 60 %", acid: "HNO3", acidStrengthPct: 60, acidDensityKgL: 1.37 },
  "nitric-38": { label: "nitric acid 38 %", acid: "HNO3", acidStrengthPct: 38, acidDensityKgL: 1.234 },
  "phosphoric-75": { label: "phosphoric acid 75 %", acid: "H3PO4", acidStrengthPct: 75, acidDensityKgL: 1.58 },
  "sulphuric-37": { label: "sulphuric acid 37 %", acid: "H2SO4", acidStrengthPct: 37, acidDensityKgL: 1.28 },
};
const TEMPERATURE_C = 15;

/** Acid for the zone's water to a pH, in mL of the acid at hand, with both pH that follow. */
export function AcidNeed({ water }: { water: NonNullable<ZoneFeed["water"]> }) {
  const [kind, setKind] = useState("nitric-60");
  const [targetPh, setTargetPh] = useState<number | null>(5.8);
  const answer = targetPh === null ? null : computed(water, targetPh, kind);
  return (
    <section aria-label="Acid" className={styles["block"]}>
      <h2>Acid for this water</h2>
      <div className={styles["mixer"]}>
        <span>To pH</span>
        <span className={styles["limit"]}>
          <QuantityInput label="Target pH" value={targetPh} onChange={setTargetPh} />
        </span>
        <span>in the line, with</span>
        <Select
          value={kind}
          aria-label="Acid at hand"
          options={Object.entries(ACIDS).map(([value, { label }]) => ({ value, label }))}
          onChange={setKind}
          className="select-m"
        />
      </div>
      {typeof answer === "string" && <p role="alert">{answer}</p>}
      {answer && typeof answer !== "string" && (
        <>
          <p className={styles["mixed"]}>
            <Explained title="Acid" steps={answer.working}>
              <strong>
                <Amount quantity="acidDose" value={answer.acidMlM3 ?? 0} />
              </strong>
            </Explained>{" "}
            of water ({answer.acidMmolL.toFixed(2)} mmol/L) leave {answer.residualAlkalinityMmolL.toFixed(2)} mmol/L of
            bicarbonate: pH {answer.phInLine.toFixed(1)} in the closed line, {answer.phDegassed.toFixed(1)} once it has
            stood in the open.
          </p>
          {answer.warnings.map((warning) => (
            <p key={warning} className={styles["bad"]}>
              {warning}
            </p>
          ))}
        </>
      )}
    </section>
  );
}

function computed({ ions, ph }: NonNullable<ZoneFeed["water"]>, targetPh: number, kind: string): AcidAnswer | string {
  const { label: _label, ...acid } = ACIDS[kind] ?? { label: "", acid: "HNO3" as const };
  return trySum(() =>
    acidForWater({ alkalinityMmolL: ions.HCO3 ?? 0, ph, targetPh, temperatureC: TEMPERATURE_C, ...acid }),
  );
}
