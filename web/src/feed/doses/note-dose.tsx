import { newDoseRecordSchema, type PlannedDose } from "@sprunel/contract/feed";
import Button from "antd/es/button";
import Input from "antd/es/input";
import { useState } from "react";
import { DateInput } from "../../forms/date-input.tsx";
import { Faults } from "../../forms/faults.tsx";
import forms from "../../forms/forms.module.css";
import { newKey } from "../../forms/new-key.ts";
import { useChecked } from "../../forms/use-checked.ts";
import { QuantityInput } from "../../units/quantity-input.tsx";
import { useRecordDose } from "./use-doses.ts";

/** As it really was: the bags as planned stand there already. */
export function NoteDose({
  dose,
  zoneId,
  today,
  onDone,
}: {
  dose: PlannedDose;
  zoneId: number;
  today: string;
  onDone(): void;
}) {
  const record = useRecordDose(zoneId);
  const [key] = useState(newKey);
  const [doneOn, setDoneOn] = useState<string | null>(today);
  const [kg, setKg] = useState<Record<string, number | null>>(
    Object.fromEntries(dose.products.map((product) => [product.productId, Number(product.kg.toFixed(3))])),
  );
  const [reason, setReason] = useState("");
  const { send, wrong } = useChecked(newDoseRecordSchema, record, onDone);
  const note = (state: "given" | "skipped"): void =>
    send({
      ...{ key, plannedOn: dose.on, basal: dose.basal, doneOn: doneOn ?? "", state },
      products:
        state === "given" ? Object.entries(kg).map(([productId, some]) => ({ productId, kg: some ?? undefined })) : [],
      reason: reason.trim() || (state === "skipped" && dose.onlyIf ? `not so: ${dose.onlyIf}` : null),
    });
  return (
    <div className={forms["fields"]} role="group" aria-label={`Dose of ${dose.on}`}>
      {dose.onlyIf && <p>Only if {dose.onlyIf}. Is it so?</p>}
      <label>
        given on
        <DateInput label="Given on" value={doneOn} until={today} onChange={setDoneOn} />
      </label>
      {dose.products.map(({ productId, name }) => (
        <label key={productId}>
          {name}
          <QuantityInput
            label={name}
            quantity="mass"
            value={kg[productId] ?? null}
            onChange={(value) => setKg({ ...kg, [productId]: value ?? null })}
          />
        </label>
      ))}
      <label>
        why it was skipped
        <Input aria-label="Why it was skipped" value={reason} onChange={({ target }) => setReason(target.value)} />
      </label>
      <p className={forms["actions"]}>
        <Button type="primary" loading={record.isPending} onClick={() => note("given")}>
          {dose.onlyIf ? "It is so: given" : "Given"}
        </Button>
        <Button loading={record.isPending} onClick={() => note("skipped")}>
          {dose.onlyIf ? "It is not so: skipped" : "Skipped"}
        </Button>
      </p>
      <Faults {...wrong} />
    </div>
  );
}
