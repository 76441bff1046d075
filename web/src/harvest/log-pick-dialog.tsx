import { newPickSchema, type NewPick } from "@sprunel/contract/harvest";
import type { BoardZone } from "@sprunel/contract/today";
import Form from "antd/es/form";
import Input from "antd/es/input";
import { useState } from "react";
import { RecordDialog } from "../forms/record-dialog.tsx";
import { QuantityInput } from "../units/quantity-input.tsx";
import { useUnits } from "../units/use-units.tsx";
import { unusualPick } from "./unusual-pick.ts";
import { useAddPick, useHarvest } from "./use-harvest.ts";
import { ClockInput } from "../forms/clock-input.tsx";
import { momentIn } from "../place/moment-fields.tsx";
import type { Noting } from "../place/use-noting.ts";
import { DateInput } from "../forms/date-input.tsx";
import { newKey } from "../forms/new-key.ts";

interface Values {
  pickedOn?: string | null;
  clock?: string | null;
  massKg?: number | null;
  count?: number | null;
  grade?: string;
  brixPct?: number | null;
}

/** What the scale says, in seconds: Tab from field to field, Enter saves. */
export function LogPickDialog({ zone, noting, onClose }: { zone: BoardZone; noting: Noting; onClose(): void }) {
  const { show } = useUnits();
  const past = useHarvest(zone.id, null).data?.picks ?? [];
  const pieces = zone.harvest?.soldAs.kind === "piece" ? zone.harvest.soldAs.many : "fruit";

  const [key] = useState(newKey);
  const add = useAddPick(zone.id);
  return (
    <RecordDialog<Values, NewPick>
      title={`Pick: ${zone.name}`}
      width={420}
      schema={newPickSchema}
      initialValues={{ pickedOn: noting.date, clock: momentIn(noting).clock ?? null }}
      recordOf={({ pickedOn, clock, massKg, count, grade, brixPct }) => ({
        key,
        pickedOn: pickedOn ?? "",
        clock: clock ?? null,
        massKg: massKg ?? null,
        count: count ?? null,
        grade: grade?.trim() || null,
        brixPct: brixPct ?? null,
      })}
      asks={(pick) => unusualPick(pick, past, pieces, show).map(({ words }) => words)}
      saving={add}
      save={add.mutate}
      onClose={onClose}
    >
      <Form.Item name="massKg" label="Mass">
        <QuantityInput quantity="mass" />
      </Form.Item>
      <Form.Item name="pickedOn" label="Picked on">
        <DateInput until={noting.today} />
      </Form.Item>
      <Form.Item name="clock" label="Picked at">
        <ClockInput />
      </Form.Item>
      <Form.Item name="count" label="Count">
        <QuantityInput unit={pieces} />
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
