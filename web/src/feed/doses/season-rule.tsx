import type { DosePlan, DoseProgramme } from "@sprunel/contract/feed";
import { USUAL_STARTS } from "@sprunel/core/feed/products";
import { SEASON_POLICIES, type SeasonPolicy } from "@sprunel/core/feed/doses";
import Select from "antd/es/select";
import forms from "../../forms/forms.module.css";
import { QuantityInput } from "../../units/quantity-input.tsx";
import { POLICY_WORDS } from "../policy-words.ts";
import styles from "./doses.module.css";

type Rule = NonNullable<DoseProgramme["season"]>;
type Moved = Exclude<SeasonPolicy, "same-strength">;

/** What each way of moving the strength looks at. */
const LOOKS_AT: Readonly<Record<Moved, "water" | "light">> = {
  "same-ration": "water",
  "stronger-in-low-light": "light",
  "stronger-in-high-use": "water",
};

/** How the strength of a constant feed goes by light and water; it starts from the last week of this planting. */
export function SeasonRule({
  rule,
  lastWeek,
  onChange,
}: {
  rule: DoseProgramme["season"];
  lastWeek: NonNullable<DosePlan["planting"]>["lastWeek"] | null;
  onChange(rule: DoseProgramme["season"]): void;
}) {
  const { usualWaterLM2, usualLightMolM2, least, most } = USUAL_STARTS.season;
  const pick = (policy: SeasonPolicy): void =>
    onChange(
      policy === "same-strength"
        ? null
        : {
            usualWaterLM2: rule?.usualWaterLM2 ?? rounded(lastWeek?.waterLM2 ?? usualWaterLM2),
            usualLightMolM2: rule?.usualLightMolM2 ?? rounded(lastWeek?.lightMolM2 ?? usualLightMolM2),
            least: rule?.least ?? least,
            most: rule?.most ?? most,
            policy,
          },
    );
  const set = (change: Partial<Rule>): void => onChange(rule && { ...rule, ...change });
  const looksAt = rule && rule.policy !== "same-strength" ? LOOKS_AT[rule.policy] : null;
  const known = looksAt === "water" ? lastWeek?.waterLM2 : lastWeek?.lightMolM2;
  return (
    <fieldset className={`${styles["wide"]} ${forms["fields"]}`}>
      <legend>strength through the season</legend>
      <label>
        it goes by
        <Select
          aria-label="Strength through the season"
          value={rule?.policy ?? "same-strength"}
          options={SEASON_POLICIES.map((value) => ({ value, label: POLICY_WORDS[value] }))}
          onChange={pick}
          className="select-l"
        />
      </label>
      {rule && looksAt === "water" && (
        <label>
          water a day that the strength is meant for
          <QuantityInput
            label="Water a day that the strength is meant for"
            quantity="waterDepth"
            value={rule.usualWaterLM2}
            onChange={(value) => set({ usualWaterLM2: value ?? NaN })}
          />
        </label>
      )}
      {rule && looksAt === "light" && (
        <label>
          light a day that the strength is meant for
          <QuantityInput
            label="Light a day that the strength is meant for"
            unit="mol/m²"
            value={rule.usualLightMolM2}
            onChange={(value) => set({ usualLightMolM2: value ?? NaN })}
          />
        </label>
      )}
      {rule &&
        (["least", "most"] as const).map((key) => (
          <label key={key}>
            {key === "least" ? "never under" : "never over"}
            <QuantityInput
              label={key === "least" ? "Strength never under" : "Strength never over"}
              unit="of the strength"
              value={rule[key]}
              onChange={(value) => set({ [key]: value ?? NaN })}
            />
          </label>
        ))}
      {looksAt && (
        <p className={styles["wide"]}>
          {known == null
            ? `Nobody knows the ${looksAt} of the last week here: the figure above is a usual one, assumed.`
            : `The ${looksAt} of the last week here stands as the start; the straight line between strengths is assumed.`}
        </p>
      )}
    </fieldset>
  );
}

function rounded(value: number): number {
  return Number(value.toPrecision(3));
}
