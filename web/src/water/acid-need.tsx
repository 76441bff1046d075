import { Told } from "../units/told.ts";
import type { ZoneFeed } from "@sprunel/contract/feed";
import {
  ACIDS_SOLD,
  acidForWater,
  USUAL_WATER_TEMPERATURE_C,
  type AcidAnswer,
  type AcidSold,
} from "@sprunel/core/water";
import Select from "antd/es/select";
import { useState } from "react";
import { trySum } from "../sums/try-sum.ts";
import { showDigits } from "../units/show.ts";
import { QuantityInput } from "../units/quantity-input.tsx";
import { Amount } from "../units/use-units.tsx";
import { Explained } from "../working/explained.tsx";
import styles from "./water.module.css";

/** The most usual one. */
const FIRST: AcidSold = ACIDS_SOLD[0];
const NAMES: Readonly<Record<AcidSold["acid"], string>> = {
  HNO3: "nitric acid",
  H3PO4: "phosphoric acid",
  H2SO4: "sulphuric acid",
};

/** Acid for the zone's water to a pH, in mL of the acid at hand, with both pH that follow. */
export function AcidNeed({ water }: { water: NonNullable<ZoneFeed["water"]> }) {
  const [kind, setKind] = useState(FIRST.id);
  const [targetPh, setTargetPh] = useState<number | null>(5.8);
  const { HCO3 } = water.ions;
  const { ph } = water;
  const isKnown = HCO3 !== undefined && ph !== undefined;
  const answer = targetPh === null || !isKnown ? null : computed({ ph, HCO3 }, targetPh, kind);
  return (
    <section aria-label="Acid" className={styles["block"]}>
      <h2>Acid for this water</h2>
      <div className={styles["mixer"]}>
        <span>To pH</span>
        <span className={styles["limit"]}>
          <QuantityInput live label="Target pH" value={targetPh} onChange={setTargetPh} />
        </span>
        <span>in the line, with</span>
        <Select
          value={kind}
          aria-label="Acid at hand"
          options={ACIDS_SOLD.map(({ id, acid, acidStrengthPct }) => ({
            value: id,
            label: `${NAMES[acid]} ${acidStrengthPct} %`,
          }))}
          onChange={setKind}
          className="select-m"
        />
      </div>
      {!isKnown && (
        <p>
          A report of it names no bicarbonate, so nothing can be said of acid. Have it measured: the laboratory calls it
          alkalinity.
        </p>
      )}
      {typeof answer === "string" && <p role="alert">{answer}</p>}
      {answer && typeof answer !== "string" && (
        <>
          <p className={styles["mixed"]}>
            <Explained title="Acid" steps={answer.working}>
              <strong>
                <Amount quantity="acidDose" value={answer.acidMlM3 ?? 0} />
              </strong>
            </Explained>{" "}
            of water ({showDigits(answer.acidMmolL)} mmol/L) leave {showDigits(answer.residualAlkalinityMmolL)} mmol/L
            of bicarbonate: pH {answer.phInLine.toFixed(1)} in the closed line, {answer.phDegassed.toFixed(1)} once it
            has stood in the open.
          </p>
          {answer.warnings.map((warning) => (
            <p key={warning} className={styles["bad"]}>
              <Told>{warning}</Told>
            </p>
          ))}
        </>
      )}
    </section>
  );
}

function computed(
  { HCO3, ph }: { readonly HCO3: number; readonly ph: number },
  targetPh: number,
  kind: string,
): AcidAnswer | string {
  const { id: _id, ...acid } = ACIDS_SOLD.find(({ id }) => id === kind) ?? FIRST;
  return trySum(() =>
    acidForWater({ alkalinityMmolL: HCO3, ph, targetPh, temperatureC: USUAL_WATER_TEMPERATURE_C, ...acid }),
  );
}
