import { Told } from "../../units/told.ts";
import type { FeedTarget } from "@sprunel/contract/feed";
import { ecMsCm } from "@sprunel/core/chemistry";
import { atStrength } from "@sprunel/core/feed/recipe";
import { useState } from "react";
import { trySum } from "../../sums/try-sum.ts";
import { QuantityInput } from "../../units/quantity-input.tsx";
import styles from "./recipe.module.css";

/** The whole target at once: stronger or weaker in the same proportions, and at another pH. */
export function Strength({ target, onChange }: { target: FeedTarget; onChange(target: FeedTarget): void }) {
  const [fault, setFault] = useState<string | null>(null);
  // What is typed stands until the target has become another one.
  const [typed, setTyped] = useState<number | null | undefined>(undefined);
  const [phEmpty, setPhEmpty] = useState(false);
  const strength = Number(ecMsCm(target.ions, target.ph).toFixed(2));
  const isTyped = typed === null || (typed !== undefined && (fault !== null || Math.abs(typed - strength) < SAME_EC));
  const setStrength = (ec: number | null): void => {
    setTyped(ec);
    if (ec === null) return;
    const ions = trySum(() => atStrength(target.ions, target.ph, ec));
    setFault(typeof ions === "string" ? ions : null);
    if (typeof ions !== "string") onChange({ ...target, ions: rounded(ions) });
  };
  return (
    <>
      <div className={styles["strength"]}>
        <label>
          Strength of the target
          <QuantityInput
            live
            label="Strength of the target"
            unit="mS/cm"
            value={isTyped ? typed : strength}
            onChange={setStrength}
          />
        </label>
        <label>
          pH aimed at
          <QuantityInput
            live
            label="pH aimed at"
            unit="in the line"
            value={phEmpty ? null : target.ph}
            onChange={(ph) => {
              setPhEmpty(ph === null);
              if (ph !== null) onChange({ ...target, ph });
            }}
          />
        </label>
      </div>
      {fault !== null && (
        <p role="alert">
          <Told>{fault}</Told>
        </p>
      )}
    </>
  );
}

/** Rounding of the ions moves it by as much. */
const SAME_EC = 0.02;

/** As finely as a feed is mixed; digits beyond are of the sum, not of the target. */
function rounded(ions: FeedTarget["ions"]): FeedTarget["ions"] {
  return Object.fromEntries(Object.entries(ions).map(([ion, amount]) => [ion, Number(amount.toPrecision(4))]));
}
