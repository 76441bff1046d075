import { programmeSchema, type DosePlan, type DoseProgramme } from "@sprunel/contract/feed";
import { SCHOOLS, USUAL_EFFICIENCY, type School } from "@sprunel/core/feed";
import Button from "antd/es/button";
import Input from "antd/es/input";
import Select from "antd/es/select";
import { useState } from "react";
import { DateInput } from "../../forms/date-input.tsx";
import { Faults } from "../../forms/faults.tsx";
import { faultsOf } from "../../forms/form-errors.ts";
import { StaleEdit, staleOf } from "../../forms/stale-edit.tsx";
import { QuantityInput } from "../../units/quantity-input.tsx";
import { useProducts } from "../use-feed.ts";
import styles from "./doses.module.css";
import { useSaveProgramme } from "./use-doses.ts";

export const SCHOOL_NAMES: Readonly<Record<School, string>> = {
  ration: "a ration by uptake, every few days",
  dressings: "split dressings at dates and stages",
  constant: "constant strength with the water",
};

/** While it is typed some of it may be missing. */
type Typed = { [key in keyof DoseProgramme]: DoseProgramme[key] | null | undefined } & Pick<
  DoseProgramme,
  "school" | "dressings" | "organic" | "productIds" | "efficiencyPct"
>;
type NumberKey =
  "yieldTHa" | "everyDays" | "ppmN" | "basalPct" | "largestNKgHa" | "shortestDays" | "residuesKgHa" | "fixationKgHa";

/** How the planting is fed: its aim, its school, its bags and its limits. */
export function ProgrammeForm({ plan, today, onDone }: { plan: DosePlan; today: string; onDone(): void }) {
  const save = useSaveProgramme(plan.zoneId);
  const products = useProducts().data?.products ?? [];
  const [version, setVersion] = useState(plan.version);
  const [typed, setTyped] = useState<Typed>({
    ...plan.programme,
    // What came before somebody decided is nobody's.
    fromOn: plan.version === null ? today : plan.programme.fromOn,
  });
  const [faults, setFaults] = useState<string[]>([]);
  const stale = staleOf(save.error);
  const set = (change: Partial<Typed>): void => setTyped({ ...typed, ...change });
  const submit = (at = version): void => {
    const checked = programmeSchema.safeParse({ ...typed, yieldTHa: typed.yieldTHa ?? null });
    setFaults(checked.success ? [] : faultsOf(checked.error).map(({ message }) => message));
    if (checked.success)
      save.mutate(
        { programme: checked.data, version: at },
        {
          onSuccess: onDone,
          onError: (error) => setFaults(staleOf(error) ? [] : faultsOf(error).map(({ message }) => message)),
        },
      );
  };
  const number = (key: NumberKey, label: string, unit: string) => (
    <label key={key}>
      {label}
      <QuantityInput
        label={label}
        unit={unit}
        value={typed[key] ?? null}
        onChange={(value) => set({ [key]: value ?? null })}
      />
    </label>
  );
  return (
    <section aria-label="Programme" className={styles["form"]}>
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
      {number("yieldTHa", "yield aimed at; empty for the planting’s own", "t/ha")}
      {typed.school === "ration" && number("everyDays", "from one dose to the next", "days")}
      {typed.school === "constant" && number("ppmN", "nitrogen of the feed", "mg/L")}
      {typed.school === "dressings" && (
        <Dressings typed={typed} stages={plan.planting?.stages ?? []} onChange={(dressings) => set({ dressings })} />
      )}
      {number("basalPct", "basal share", "%")}
      {number("largestNKgHa", "largest N of a dose; empty for any", "kg/ha")}
      {number("shortestDays", "days between parts of a larger one", "days")}
      <label>
        no dose after
        <DateInput label="No dose after" value={typed.lastOn ?? null} onChange={(lastOn) => set({ lastOn })} />
      </label>
      {(["N", "P", "K"] as const).map((nutrient) => (
        <label key={nutrient}>
          taken up of {nutrient}
          <QuantityInput
            label={`Taken up of ${nutrient}`}
            unit="%"
            value={typed.efficiencyPct[nutrient]}
            onChange={(value) => set({ efficiencyPct: { ...typed.efficiencyPct, [nutrient]: value ?? NaN } })}
          />
        </label>
      ))}
      {number("residuesKgHa", "nitrogen of residues", "kg/ha")}
      {number("fixationKgHa", "nitrogen fixed from the air", "kg/ha")}
      <Manures typed={typed} onChange={(organic) => set({ organic })} />
      <label className={styles["wide"]}>
        bags that may be used
        <Select
          aria-label="Bags that may be used"
          mode="multiple"
          showSearch={{ optionFilterProp: "label" }}
          value={typed.productIds}
          options={products.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={(productIds) => set({ productIds })}
        />
      </label>
      <p className={styles["actions"]}>
        <Button type="primary" loading={save.isPending} onClick={() => submit()}>
          Put it in force
        </Button>
        <Button onClick={onDone}>Not now</Button>
      </p>
      <Faults faults={faults} error={faults.length > 0 || stale ? null : save.error} />
    </section>
  );
}

function Dressings({
  typed: { dressings },
  stages,
  onChange,
}: {
  typed: Typed;
  stages: NonNullable<DosePlan["planting"]>["stages"];
  onChange(dressings: DoseProgramme["dressings"]): void;
}) {
  const change = (at: number, next: DoseProgramme["dressings"][number]): void =>
    onChange(dressings.map((one, place) => (place === at ? next : one)));
  return (
    <fieldset className={styles["wide"]}>
      <legend>dressings; without any, three at the usual weeks (assumed)</legend>
      {dressings.map(({ day, sharePct, onlyIf }, at) => (
        // A dressing has no name of its own.
        <div key={at} className={styles["line"]}>
          <Select
            aria-label={`When dressing ${at + 1} is given`}
            value={day.kind === "stage" ? day.stageId : "date"}
            options={[
              { value: "date", label: "on the date" },
              ...stages.map(({ id, name }) => ({ value: id, label: `after ${name.toLowerCase()} begins` })),
            ]}
            onChange={(value) =>
              change(at, {
                ...{ sharePct, onlyIf },
                day: value === "date" ? { kind: "date", on: "" } : { kind: "stage", stageId: value, days: 0 },
              })
            }
            className="select-m"
          />
          {day.kind === "date" ? (
            <DateInput
              label={`Date of dressing ${at + 1}`}
              value={day.on || null}
              onChange={(on) => change(at, { sharePct, onlyIf, day: { kind: "date", on: on ?? "" } })}
            />
          ) : (
            <QuantityInput
              label={`Days of dressing ${at + 1}`}
              unit="days"
              value={day.days}
              onChange={(days) => change(at, { sharePct, onlyIf, day: { ...day, days: days ?? NaN } })}
            />
          )}
          <QuantityInput
            label={`Share of dressing ${at + 1}`}
            unit="%"
            value={sharePct}
            onChange={(value) => change(at, { day, onlyIf, sharePct: value ?? NaN })}
          />
          <Input
            aria-label={`What must be so for dressing ${at + 1}`}
            className={styles["condition"]}
            placeholder="only if … (empty: whatever comes)"
            value={onlyIf ?? ""}
            onChange={({ target }) => change(at, { day, sharePct, onlyIf: target.value || null })}
          />
          <Button size="small" onClick={() => onChange(dressings.filter((_, place) => place !== at))}>
            Remove
          </Button>
        </div>
      ))}
      <Button
        size="small"
        onClick={() => onChange([...dressings, { day: { kind: "date", on: "" }, sharePct: 0, onlyIf: null }])}
      >
        Add a dressing
      </Button>
    </fieldset>
  );
}

const MANURE: DoseProgramme["organic"][number] = {
  ...{ name: "", tHa: 10, nPct: 0.6, pPct: 0.15, kPct: 0.5, nDecayPct: [30, 15, 5], yearsAgo: 0 },
};
const MANURE_FIELDS = [
  ["tHa", "spread", "t/ha"],
  ["nPct", "N", "%"],
  ["pPct", "P", "%"],
  ["kPct", "K", "%"],
  ["yearsAgo", "years ago", "years"],
] as const;

function Manures({
  typed: { organic },
  onChange,
}: {
  typed: Typed;
  onChange(organic: DoseProgramme["organic"]): void;
}) {
  const change = (at: number, next: Partial<DoseProgramme["organic"][number]>): void =>
    onChange(organic.map((one, place) => (place === at ? { ...one, ...next } : one)));
  return (
    <fieldset className={styles["wide"]}>
      <legend>manures and composts, by their analysis</legend>
      {organic.map((manure, at) => (
        <div key={at} className={styles["line"]}>
          <Input
            aria-label={`Name of manure ${at + 1}`}
            placeholder="name"
            value={manure.name}
            onChange={({ target }) => change(at, { name: target.value })}
          />
          {MANURE_FIELDS.map(([key, label, unit]) => (
            <QuantityInput
              key={key}
              label={`${label} of manure ${at + 1}`}
              unit={unit === "%" ? `% ${label}` : unit}
              value={manure[key]}
              onChange={(value) => change(at, { [key]: value ?? NaN })}
            />
          ))}
          <Button size="small" onClick={() => onChange(organic.filter((_, place) => place !== at))}>
            Remove
          </Button>
        </div>
      ))}
      <Button size="small" onClick={() => onChange([...organic, MANURE])}>
        Add a manure
      </Button>
    </fieldset>
  );
}
