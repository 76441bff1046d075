import { newDoseSchema, type NewDose, type Source } from "@sprunel/contract/water";
import Form from "antd/es/form";
import { useState } from "react";
import { RecordDialog } from "../forms/record-dialog.tsx";
import { useNoting } from "../place/use-noting.ts";
import { QuantityInput } from "../units/quantity-input.tsx";
import { useAddDose } from "./use-doses.ts";
import { DateInput } from "../forms/date-input.tsx";
import { newKey } from "../forms/new-key.ts";

interface Values {
  givenOn?: string;
  litres?: number | null;
  flushL?: number | null;
}

/** What was given, and the fresh water that flushed the lines: two waters, booked apart. */
export function DoseDialog({
  zoneId,
  source,
  doseL,
  flushL,
  onClose,
}: {
  zoneId: number;
  source: Source;
  doseL: number | null;
  flushL: number | null;
  onClose(): void;
}) {
  const [key] = useState(newKey);
  const noting = useNoting();
  const today = noting?.today ?? "";
  const add = useAddDose(zoneId);
  return (
    <RecordDialog<Values, NewDose>
      title={`Dose of ${source.name}`}
      width={420}
      columns={1}
      schema={newDoseSchema}
      initialValues={{ givenOn: noting?.date ?? "", litres: doseL, flushL }}
      recordOf={(typed) => ({
        key,
        sourceId: source.id,
        givenOn: typed.givenOn ?? "",
        litres: typed.litres ?? undefined,
        flushL: typed.flushL ?? undefined,
      })}
      saving={add}
      save={add.mutate}
      onClose={onClose}
    >
      <Form.Item name="litres" label={source.name}>
        <QuantityInput quantity="volume" />
      </Form.Item>
      <Form.Item name="flushL" label="Fresh water after it">
        <QuantityInput quantity="volume" />
      </Form.Item>
      <Form.Item name="givenOn" label="Given on">
        <DateInput until={today} />
      </Form.Item>
    </RecordDialog>
  );
}
