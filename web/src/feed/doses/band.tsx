import type { PlannedDose } from "@sprunel/contract/feed";
import { Amount } from "../../units/use-units.tsx";
import styles from "./doses.module.css";

const VERDICTS = {
  fits: "as the crop stands it",
  slows: "more than the crop stands without loss: lay it wider, or less of it",
  burns: "it would burn what is planted in it: spread it, or give most of it later",
} as const;

/** A dose that is laid in strips: how much on a metre, and how salty the strip gets. */
export function Band({
  band: { gMetre, ecExtractMsCm, thresholdMsCm, verdict },
}: {
  band: NonNullable<PlannedDose["band"]>;
}) {
  return (
    <p className={verdict === "fits" ? (styles["injected"] ?? "") : "act"}>
      in strips: <Amount quantity="perRow" value={gMetre} />, <Amount quantity="conductivity" value={ecExtractMsCm} />{" "}
      in the extract of the strip where <Amount quantity="conductivity" value={thresholdMsCm} /> is the crop’s limit;{" "}
      {VERDICTS[verdict]}
    </p>
  );
}
