import type { Ion } from "@sprunel/contract/basics";
import { ionUnits, type IonUnit } from "@sprunel/core/water";
import Form from "antd/es/form";
import Select from "antd/es/select";
import { useState } from "react";
import { QuantityInput } from "../units/quantity-input.tsx";
import { ANIONS, CATIONS, ionName, TRACES } from "../words/ion-names.ts";

const UNITS = ["mmol/L", "meq/L", "mg/L"] as const;
type ReportUnit = (typeof UNITS)[number];

/** Amounts of ions as a laboratory wrote them: in one of its units, trace elements beside it in theirs. */
export function IonFields() {
  const [unit, setUnit] = useState<ReportUnit>("mmol/L");
  return (
    <>
      <Form.Item
        label="The report is in"
        extra={unit === "mg/L" ? "of the ion itself: of NO₃, not of its N" : undefined}
      >
        <Select
          aria-label="The report is in"
          value={unit}
          options={UNITS.map((value) => ({ value, label: value }))}
          onChange={setUnit}
        />
      </Form.Item>
      {[...CATIONS, ...ANIONS, ...TRACES].map((ion) => {
        const { unit: shown, factor } = unitOf(ion, unit);
        return (
          <Form.Item key={ion} name={["ions", ion]} label={ionName(ion)}>
            <QuantityInput unit={shown} scale={factor} />
          </Form.Item>
        );
      })}
    </>
  );
}

/** Trace elements have no milliequivalents: they are then in µmol/L. */
function unitOf(ion: Ion, asked: IonUnit): { readonly unit: IonUnit; readonly factor: number } {
  const units = ionUnits(ion);
  return units.find(({ unit }) => unit === asked) ?? units[0] ?? { unit: "mmol/L", factor: 1 };
}
