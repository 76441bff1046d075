import type { ZoneFeed } from "@sprunel/contract/feed";
import { USUAL_STARTS } from "@sprunel/core/feed/products";
import { SEASON_POLICIES, seasonStrength, type SeasonPolicy } from "@sprunel/core/feed/doses";
import Select from "antd/es/select";
import { useState } from "react";
import { useSetUp } from "../../place/use-set-up.ts";
import { Answer } from "../../sums/answer.tsx";
import { complete, SumFields, type SumField } from "../../sums/sum-fields.tsx";
import { trySum } from "../../sums/try-sum.ts";
import styles from "../feed.module.css";
import { POLICY_WORDS } from "../policy-words.ts";

type Key = "water" | "usualWater" | "light" | "usualLight" | "least" | "most";
const FIELDS: readonly SumField<Key>[] = [
  { key: "water", label: "Water today", quantity: "waterDepth", note: "of today’s plan" },
  { key: "usualWater", label: "Water on the day it was set for", quantity: "waterDepth" },
  { key: "light", label: "Light inside today", unit: "mol/m²" },
  { key: "usualLight", label: "Light on the day it was set for", unit: "mol/m²" },
  { key: "least", label: "Never under", unit: "of the strength" },
  { key: "most", label: "Never over", unit: "of the strength" },
];

const START = USUAL_STARTS.season;

/** The day's factor on the strength of the feed. */
export function Season({ zoneId, feed }: { zoneId: number; feed: ZoneFeed }) {
  const areaM2 = useSetUp().data?.zones.find(({ id }) => id === zoneId)?.definition.areaM2;
  const planned = feed.litresToday && areaM2 ? Number((feed.litresToday / areaM2).toFixed(2)) : null;
  const [policy, setPolicy] = useState<SeasonPolicy>("same-ration");
  const [typed, setTyped] = useState<Readonly<Record<Key, number | null>>>({
    water: null,
    usualWater: START.usualWaterLM2,
    light: START.lightMolM2,
    usualLight: START.usualLightMolM2,
    least: START.least,
    most: START.most,
  });
  const values = { ...typed, water: typed.water ?? planned };
  const day = complete(values);
  const sum =
    day &&
    trySum(() => {
      const strength = seasonStrength({
        policy,
        waterLM2: day.water,
        usualWaterLM2: day.usualWater,
        lightMolM2: day.light,
        usualLightMolM2: day.usualLight,
        least: day.least,
        most: day.most,
      });
      return {
        ...strength,
        warnings: strength.limited ? ["The policy asks for more change than the limits allow."] : [],
      };
    });
  return (
    <section aria-label="Strength by season">
      <div className={styles["keep"]}>
        <Select
          aria-label="Policy"
          value={policy}
          options={SEASON_POLICIES.map((value) => ({ value, label: POLICY_WORDS[value] }))}
          onChange={setPolicy}
        />
      </div>
      <SumFields fields={FIELDS} values={values} onChange={setTyped} />
      <Answer title="Strength of the day" sum={sum}>
        {({ factor }) => `${(factor * 100).toFixed(0)} % of the usual strength today`}
      </Answer>
    </section>
  );
}
