import { savedProgrammeSchema, type DosePlan, type DoseProgramme } from "@sprunel/contract/feed";
import { SCHOOLS, SOIL_CLASSES, USUAL_EFFICIENCY, type School, type SoilClass } from "@sprunel/core/feed/doses";
import type { Quantity } from "@sprunel/core/units";
import Button from "antd/es/button";
import Select from "antd/es/select";
import { useState, type ReactNode } from "react";
import { DateInput } from "../../forms/date-input.tsx";
import { Faults } from "../../forms/faults.tsx";
import forms from "../../forms/forms.module.css";
import { StaleEdit, staleOf } from "../../forms/stale-edit.tsx";
import { useChecked } from "../../forms/use-checked.ts";
import { QuantityInput } from "../../units/quantity-input.tsx";
import { useProducts } from "../use-feed.ts";
import styles from "./doses.module.css";
import { SOIL_WORDS } from "./need-picture.tsx";
import { KeepProgramme, TakeProgramme } from "./kept-programmes.tsx";
import { ProgrammeGrounds } from "./programme-grounds.tsx";
import { ProgrammeParts } from "./programme-parts.tsx";
import { SeasonRule } from "./season-rule.tsx";
import { useSaveProgramme } from "./use-doses.ts";

const AS_TESTED = "tested";

export const SCHOOL_NAMES: Readonly<Record<School, string>> = {
  ration: "a ration by uptake, every few days",
  dressings: "split dressings at dates, stages and picks",
  constant: "constant strength with the water",
  recipe: "the recipe of each stage, with the water",
  organic: "manure first, and organic parts through the season",
};

/** While it is typed some of it may be missing. */
type Typed = { [key in keyof DoseProgramme]: DoseProgramme[key] | null | undefined } & Pick<
  DoseProgramme,
  "school" | "dressings" | "organic" | "productIds" | "efficiencyPct" | "soilClass" | "ppmStages" | "coated" | "season"
>;
type NumberKey = {
  [key in keyof DoseProgramme]: DoseProgramme[key] extends number | null ? key : never;
}[keyof DoseProgramme];

/** How the planting is fed: its aim, its school, its bags and its limits. */
export function ProgrammeForm({
  plan,
  school,
  today,
  onDone,
}: {
  plan: DosePlan;
  /** that it begins with */
  school: School;
  today: string;
  onDone(): void;
}) {
  const save = useSaveProgramme(plan.zoneId);
  const products = useProducts().data?.products ?? [];
  const [version, setVersion] = useState(plan.version);
  const [typed, setTyped] = useState<Typed>({
    ...plan.programme,
    ...(school !== plan.programme.school && { school, efficiencyPct: USUAL_EFFICIENCY[school], dressings: [] }),
    // What came before somebody decided is nobody's.
    fromOn: plan.version === null || school !== plan.programme.school ? today : plan.programme.fromOn,
  });
  const { send, wrong } = useChecked(savedProgrammeSchema, save, onDone);
  const stale = staleOf(save.error);
  const set = (change: Partial<Typed>): void => setTyped({ ...typed, ...change });
  const submit = (at = version): void =>
    send({ programme: { ...typed, yieldTHa: typed.yieldTHa ?? null }, version: at });
  const bags = products.map(({ id, name }) => ({ value: id, label: name }));
  const number = (key: NumberKey, label: string, unit: string | { readonly quantity: Quantity }) => (
    <label key={key}>
      {label}
      <QuantityInput
        label={label}
        {...(typeof unit === "string" ? { unit } : unit)}
        value={typed[key] ?? null}
        onChange={(value) => set({ [key]: value ?? null })}
      />
    </label>
  );
  return (
    <section aria-label="Programme" className={`${forms["fields"]} ${styles["form"]}`}>
      {stale && (
        <StaleEdit
          mine={typed}
          theirs={(stale as unknown as { programme: object }).programme}
          onKeepMine={() => {
            setVersion(stale.version);
            submit(stale.version);
          }}
          onTakeTheirs={() => {
            setTyped((stale as unknown as { programme: Typed }).programme);
            setVersion(stale.version);
            save.reset();
          }}
        />
      )}
      <TakeProgramme onTake={({ fromOn: _from, ...taken }) => set(taken)} />
      <label className={styles["wide"]}>
        fed by
        <Select
          aria-label="Fed by"
          value={typed.school}
          options={SCHOOLS.map((value) => ({ value, label: SCHOOL_NAMES[value] }))}
          onChange={(school) => set({ school, efficiencyPct: USUAL_EFFICIENCY[school] })}
        />
      </label>
      <label>
        in force from
        <DateInput label="In force from" value={typed.fromOn ?? null} onChange={(fromOn) => set({ fromOn })} />
      </label>
      {number("yieldTHa", "yield aimed at; empty for the planting’s own", { quantity: "bulkPerLand" })}
      {plan.planting?.piece &&
        number("pieceG", `what ${plan.planting.piece.one} weighs as it is taken off`, { quantity: "smallMass" })}
      {typed.school === "ration" && number("everyDays", "from one dose to the next", "days")}
      {(typed.school === "constant" || typed.school === "recipe") && number("everyDays", "mixed at once for", "days")}
      {typed.school === "constant" && number("ppmN", "nitrogen of the feed", "mg/L")}
      {typed.school === "constant" &&
        (plan.planting?.stages ?? []).map(({ id, name }) => (
          <label key={id}>
            in {name.toLowerCase()}
            <QuantityInput
              label={`Nitrogen of the feed in ${name.toLowerCase()}`}
              unit="mg/L"
              placeholder="the same"
              value={typed.ppmStages.find(({ stageId }) => stageId === id)?.ppmN ?? null}
              onChange={(value) =>
                set({
                  ppmStages: [
                    ...typed.ppmStages.filter(({ stageId }) => stageId !== id),
                    ...(value === null ? [] : [{ stageId: id, ppmN: value }]),
                  ],
                })
              }
            />
          </label>
        ))}
      {typed.school === "constant" && (
        <SeasonRule
          rule={typed.season}
          lastWeek={plan.planting?.lastWeek ?? null}
          onChange={(season) => set({ season })}
        />
      )}
      {(typed.school === "dressings" || typed.school === "organic") && (
        <ProgrammeParts
          parts={typed.dressings}
          stages={plan.planting?.stages ?? []}
          bags={bags.filter(({ value }) => typed.productIds.includes(value))}
          usual={typed.school === "organic" ? "equal ones every other week" : "three at the usual weeks"}
          onChange={(dressings) => set({ dressings })}
        />
      )}
      <Group name="limits">
        {number("basalPct", "basal share", "%")}
        {number("bandWidthCm", "in strips so wide; empty: spread over all", { quantity: "depth" })}
        {number("largestNKgHa", "largest N of a dose; empty for any", { quantity: "perLand" })}
        {number("shortestDays", "days between parts of a larger one", "days")}
        <label>
          no dose after
          <DateInput label="No dose after" value={typed.lastOn ?? null} onChange={(lastOn) => set({ lastOn })} />
        </label>
      </Group>
      <Group name="into the water">
        {number("injectMin", "injected for; empty: spread by hand", "minutes")}
        {number("travelMin", "to the farthest dripper; empty: by the lines", "minutes")}
        {number("mostEcMsCm", "most EC at the dripper; empty for any", { quantity: "conductivity" })}
        {number("workMin", "work of a dose", "minutes")}
      </Group>
      <Group name="of what is given the crop takes up">
        {(["N", "P", "K"] as const).map((nutrient) => (
          <label key={nutrient}>
            of {nutrient}
            <QuantityInput
              label={`Taken up of ${nutrient}`}
              unit="%"
              value={typed.efficiencyPct[nutrient]}
              onChange={(value) => set({ efficiencyPct: { ...typed.efficiencyPct, [nutrient]: value ?? NaN } })}
            />
          </label>
        ))}
      </Group>
      <Group name="there already">
        {(["P", "K"] as const).map((nutrient) => (
          <label key={nutrient}>
            {nutrient} of the soil
            <Select
              aria-label={`${nutrient} of the soil`}
              value={typed.soilClass[nutrient] ?? AS_TESTED}
              options={[
                { value: AS_TESTED, label: "as its test says" },
                ...SOIL_CLASSES.map((value) => ({ value, label: SOIL_WORDS[value] })),
              ]}
              onChange={(value: SoilClass | typeof AS_TESTED) =>
                set({ soilClass: { ...typed.soilClass, [nutrient]: value === AS_TESTED ? null : value } })
              }
              className="select-l"
            />
          </label>
        ))}
        {number("residuesKgHa", "nitrogen of residues", { quantity: "perLand" })}
        {number("fixationKgHa", "nitrogen fixed from the air", { quantity: "perLand" })}
      </Group>
      <ProgrammeGrounds organic={typed.organic} coated={typed.coated} onChange={set} />
      <label className={styles["wide"]}>
        bags that may be used
        <Select
          aria-label="Bags that may be used"
          mode="multiple"
          showSearch={{ optionFilterProp: "label" }}
          value={typed.productIds}
          options={bags}
          onChange={(productIds) => set({ productIds })}
        />
      </label>
      <p className={forms["actions"]}>
        <Button type="primary" loading={save.isPending} onClick={() => submit()}>
          Put it in force
        </Button>
        <Button onClick={onDone}>Not now</Button>
      </p>
      <Faults {...wrong} />
      <KeepProgramme zoneId={plan.zoneId} typed={{ ...typed, fromOn: null }} />
    </section>
  );
}

function Group({ name, children }: { name: string; children: ReactNode }) {
  return (
    <fieldset className={`${styles["wide"]} ${forms["fields"]}`}>
      <legend>{name}</legend>
      {children}
    </fieldset>
  );
}
