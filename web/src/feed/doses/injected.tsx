import { Told } from "../../units/told.ts";
import type { DoseInjection } from "@sprunel/contract/feed";
import { Amount, Measure } from "../../units/use-units.tsx";
import styles from "./doses.module.css";

/** How a dose goes into the water, in the order in which it is done. */
export function Injected({
  injection,
  warnings,
}: {
  injection: DoseInjection;
  /** those that no dose above it has told already */
  warnings: readonly string[];
}) {
  const { fillMin, injectMin, flushMin, runL, stockL, stockMlMin, ecMsCm } = injection;
  const minutes = (value: number) => <Measure text={value.toFixed(value < 3 ? 1 : 0)} unit="min" />;
  return (
    <>
      <p className={styles["injected"]}>
        {stockL !== null && (
          <>
            dissolve in <Amount quantity="volume" value={stockL} /> ·{" "}
          </>
        )}
        {fillMin === null ? "water until the farthest dripper runs" : <>water {minutes(fillMin)}</>} · inject{" "}
        {minutes(injectMin)}
        {stockMlMin !== null && (
          <>
            {" "}
            at <Amount quantity="smallVolume" value={stockMlMin} /> a minute
          </>
        )}{" "}
        · flush {flushMin === null ? "as long" : minutes(flushMin)}
        {fillMin !== null && (
          <>
            {" "}
            · <Amount quantity="volume" value={runL} /> in all
          </>
        )}
        {ecMsCm !== null && (
          <>
            {" "}
            · <Amount quantity="conductivity" value={ecMsCm} /> at the dripper
          </>
        )}
      </p>
      {warnings.map((warning) => (
        <p key={warning} className="act">
          <Told>{warning}</Told>
        </p>
      ))}
    </>
  );
}
