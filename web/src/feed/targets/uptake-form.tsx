import type { FeedTarget } from "@sprunel/contract/feed";
import type { Ions } from "@sprunel/core/chemistry";
import { USUAL_STARTS } from "@sprunel/core/feed/products";
import { uptakeTarget } from "@sprunel/core/feed/recipe";
import Button from "antd/es/button";
import { useState } from "react";
import { Answer } from "../../sums/answer.tsx";
import { SumFields, type SumField } from "../../sums/sum-fields.tsx";
import { trySum } from "../../sums/try-sum.ts";
import styles from "../feed.module.css";
import { ionName } from "../../words/ion-names.ts";

const NUTRIENTS = ["NO3", "NH4", "H2PO4", "K", "Ca", "Mg", "SO4", "Fe", "Mn", "Zn", "B", "Cu", "Mo"] as const;
type Nutrient = (typeof NUTRIENTS)[number];
const TRACES: readonly string[] = ["Fe", "Mn", "Zn", "B", "Cu", "Mo"];
const UPTAKE: readonly SumField<Nutrient>[] = NUTRIENTS.map((key) => ({
  key,
  label: ionName(key),
  unit: TRACES.includes(key) ? "µmol/m² a day" : "mmol/m² a day",
}));
const DAY: readonly SumField<"water" | "leavesPct">[] = [
  { key: "water", label: "Water taken up, a day", quantity: "waterDepth" },
  { key: "leavesPct", label: "Drain that leaves, of the feed", unit: "%", note: "0 in a closed loop" },
];

/** A target from what the crop takes up with its water; the pH is the zone's. */
export function UptakeForm({ ph, onTry }: { ph: number; onTry(target: FeedTarget): void }) {
  const [day, setDay] = useState<Record<"water" | "leavesPct", number | null>>({
    water: USUAL_STARTS.uptakeWaterLM2,
    leavesPct: 0,
  });
  const [uptake, setUptake] = useState(
    Object.fromEntries(NUTRIENTS.map((key) => [key, null])) as Record<Nutrient, number | null>,
  );
  const typed: Ions = Object.fromEntries(Object.entries(uptake).filter(([, amount]) => amount !== null));
  const { water, leavesPct } = day;
  const sum =
    water === null || leavesPct === null || Object.keys(typed).length === 0
      ? null
      : trySum(() =>
          uptakeTarget({
            uptakeMmolM2Day: typed,
            waterLM2Day: water,
            leachingFraction: leavesPct / 100,
            rootZone: {},
          }),
        );
  return (
    <section aria-label="Target by uptake">
      <h2>By what the crop takes up</h2>
      <p className="quiet">
        Uptake a day over water a day is the strength at which plants take a nutrient. Sodium and chloride have a limit
        instead: see Closed loop.
      </p>
      <SumFields fields={DAY} values={day} onChange={setDay} />
      <SumFields fields={UPTAKE} values={uptake} onChange={setUptake} />
      <Answer title="Target by uptake" sum={sum}>
        {({ ions }) =>
          Object.entries(ions)
            .map(([ion, amount]) => `${ionName(ion as Nutrient)} ${amount.toFixed(2)}`)
            .join(" · ")
        }
      </Answer>
      {sum !== null && typeof sum !== "string" && (
        <div className={styles["actions"]}>
          <Button type="primary" onClick={() => onTry({ ions: sum.ions, ph })}>
            Try it
          </Button>
        </div>
      )}
    </section>
  );
}
