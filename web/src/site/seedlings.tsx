import { seedlingsFor } from "@sprunel/core/site";
import { useState } from "react";
import { trySum } from "../sums/try-sum.ts";
import { QuantityInput } from "../units/quantity-input.tsx";
import { Explained } from "../working/explained.tsx";
import styles from "./set-up.module.css";

/** How many seeds to sow so that every place is filled: not all come up, and some are lost before planting. */
export function Seedlings({ plants }: { plants: number }) {
  const [germinationPct, setGermination] = useState<number | null>(90);
  const [lostPct, setLost] = useState<number | null>(5);
  const sown =
    germinationPct === null || lostPct === null ? null : trySum(() => seedlingsFor(plants, germinationPct, lostPct));
  return (
    <section aria-label="Seedlings" className={styles["seedlings"]}>
      <span>Of</span>
      <QuantityInput live label="Germination" unit="% that come up" value={germinationPct} onChange={setGermination} />
      <span>and</span>
      <QuantityInput live label="Lost before planting" unit="% lost" value={lostPct} onChange={setLost} />
      <span>follow</span>
      {typeof sown === "number" ? (
        <Explained
          title="Seeds to sow"
          steps={[
            {
              label: "Seeds to sow",
              formula: "plants ÷ (share that comes up · share that is kept), rounded up",
              substituted: `${plants} ÷ (${germinationPct} % × ${100 - (lostPct ?? 0)} %)`,
              value: sown,
              unit: "seeds",
              source: "both shares as typed; 90 % and 5 % are usual and not confirmed",
            },
          ]}
        >
          <strong>{sown} seeds to sow</strong>
        </Explained>
      ) : (
        <span role="alert">{sown}</span>
      )}
    </section>
  );
}
