import type { DoseProgramme } from "@sprunel/contract/feed";
import { MOST_STEP_PCT, stepFor, UNCHANGED } from "@sprunel/core/feed/doses";
import Button from "antd/es/button";
import Select from "antd/es/select";
import { useState } from "react";
import { DateInput } from "../../forms/date-input.tsx";
import { Faults } from "../../forms/faults.tsx";
import forms from "../../forms/forms.module.css";
import { trySum } from "../../sums/try-sum.ts";
import { showDigits } from "../../units/show.ts";
import { QuantityInput } from "../../units/quantity-input.tsx";

type Change = DoseProgramme["changes"][number];
const KINDS = ["leaf", "sap", "extract"] as const;
const UNITS = ["%", "g/kg", "mg/L", "mmol/L"] as const;
const FIELDS = [
  ["value", "found"],
  ["low", "band from"],
  ["high", "band to"],
] as const;

/** One nutrient's result against the band that the laboratory gives, and what it asks of the doses from a day on. */
export function TissueForm({ today, onTake, onDone }: { today: string; onTake(change: Change): void; onDone(): void }) {
  const [kind, setKind] = useState<(typeof KINDS)[number]>("leaf");
  const [nutrient, setNutrient] = useState<"N" | "P" | "K">("N");
  const [unit, setUnit] = useState<(typeof UNITS)[number]>("%");
  const [fromOn, setFromOn] = useState<string | null>(today);
  const [typed, setTyped] = useState<Record<"value" | "low" | "high", number | null>>({
    value: null,
    low: null,
    high: null,
  });
  const { value, low, high } = typed;
  const tried = value === null || low === null || high === null ? null : trySum(() => stepFor({ value, low, high }));
  const step = typeof tried === "string" ? null : tried;
  return (
    <div className={forms["fields"]} role="group" aria-label="A result of leaf or sap">
      <label>
        of
        <Select
          aria-label="Result of"
          value={kind}
          options={KINDS.map((one) => ({ value: one, label: one }))}
          onChange={setKind}
          className="select-s"
        />
      </label>
      <label>
        nutrient
        <Select
          aria-label="Nutrient of the result"
          value={nutrient}
          options={(["N", "P", "K"] as const).map((one) => ({ value: one, label: one }))}
          onChange={setNutrient}
          className="select-s"
        />
      </label>
      {FIELDS.map(([key, label]) => (
        <label key={key}>
          {label}
          <QuantityInput
            label={label}
            unit={unit}
            value={typed[key]}
            onChange={(next) => setTyped({ ...typed, [key]: next ?? null })}
          />
        </label>
      ))}
      <label>
        unit
        <Select
          aria-label="Unit of the result"
          value={unit}
          options={UNITS.map((one) => ({ value: one, label: one }))}
          onChange={setUnit}
          className="select-s"
        />
      </label>
      <label>
        for doses from
        <DateInput label="For doses from" value={fromOn} onChange={setFromOn} />
      </label>
      <p role="status">
        {step === null
          ? "Type the result and its band, as the laboratory gives them."
          : step === UNCHANGED[nutrient]
            ? `Within its band: ${nutrient} stays as it is.`
            : `${nutrient} of the doses ${step > UNCHANGED[nutrient] ? "+" : "−"}${Math.abs(step - UNCHANGED[nutrient]).toFixed(0)} %: as far as it lies outside its band, ${MOST_STEP_PCT} % at most.`}
      </p>
      <p className={forms["actions"]}>
        <Button
          type="primary"
          disabled={step === null || step === UNCHANGED[nutrient] || fromOn === null}
          onClick={() =>
            onTake({
              fromOn: fromOn ?? "",
              untilOn: null,
              factorPct: { ...UNCHANGED, [nutrient]: Number((step ?? 100).toFixed(1)) },
              addKgHa: { N: 0, P: 0, K: 0 },
              why: `${kind} ${nutrient} ${showDigits(value ?? 0)} ${unit}, band ${showDigits(low ?? 0)} to ${showDigits(high ?? 0)}`,
            })
          }
        >
          Change the doses
        </Button>
        <Button onClick={onDone}>Not now</Button>
      </p>
      <Faults faults={typeof tried === "string" ? [tried] : []} error={null} />
    </div>
  );
}
