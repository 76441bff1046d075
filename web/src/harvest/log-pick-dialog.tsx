import { newPickSchema, type NewPick } from "@sprunel/contract/harvest";
import type { BoardZone } from "@sprunel/contract/today";
import Form from "antd/es/form";
import Input from "antd/es/input";
import { useState } from "react";
import { RecordDialog } from "../forms/record-dialog.tsx";
import { QuantityInput } from "../units/quantity-input.tsx";
import { useAddPick } from "./use-harvest.ts";
import { DateInput } from "../forms/date-input.tsx";
import { newKey } from "../forms/new-key.ts";

interface Values {
  pickedOn?: string;
  massKg?: number | null;
  count?: number | null;
  grade?: string;
  brixPct?: number | null;
}

/** What the scale says, in seconds: Tab from field to field, Enter saves. */
export function LogPickDialog({ zone, today, onClose }: { zone: BoardZone; today: string; onClose(): void }) {
  const [key] = useState(newKey);
  const add = useAddPick(zone.id);
  return (
    <RecordDialog<Values, NewPick>
      title={`Pick: ${zone.name}`}
      width={420}
      schema={newPickSchema}
      initialValues={{ pickedOn: today }}
      recordOf={({ pickedOn, massKg, count, grade, brixPct }) => ({
        key,
        pickedOn,
        massKg: massKg ?? null,
        count: count ?? null,
        grade: grade?.trim() || null,
        brixPct: brixPct ?? null,
      })}
      saving={add}
      save={add.mutate}
      onClose={onClose}
    >
      <Form.Item name="massKg" label="Mass">
        <QuantityInput quantity="mass" />
      </Form.Item>
      <Form.Item name="pickedOn" label="Picked on">
        <DateInput until={today} />
      </Form.Item>
      <Form.Item name="count" label="Count">
        <QuantityInput unit={zone.harvest?.soldAs.kind === "piece" ? zone.harvest.soldAs.many : "fruit"} />
      </Form.Item>
      <Form.Item name="grade" label="Grade">
        <Input placeholder="as you call it" />
      </Form.Item>
      <Form.Item name="brixPct" label="Brix">
        <QuantityInput unit="%" />
      </Form.Item>
    </RecordDialog>
  );
}
