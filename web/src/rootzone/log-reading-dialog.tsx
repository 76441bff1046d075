import { newReadingSchema, type NewReading } from "@sprunel/contract/rootzone";
import type { BoardZone } from "@sprunel/contract/today";
import Form from "antd/es/form";
import { RecordDialog } from "../forms/record-dialog.tsx";
import { QuantityInput } from "../units/quantity-input.tsx";
import { READING_FIELDS, type ReadingKey } from "./reading-fields.ts";
import { useAddReading } from "./use-readings.ts";

type Values = Partial<Record<ReadingKey, number | null>>;

/** What the tray and the pen say, in seconds: Tab from field to field, Enter saves. */
export function LogReadingDialog({ zone, now, onClose }: { zone: BoardZone; now: string; onClose(): void }) {
  const add = useAddReading(zone.id);
  const fields = READING_FIELDS[zone.system] ?? [];
  const lastFeedEc = zone.roots?.kind === "substrate" ? zone.roots.drain?.feedEcMsCm : undefined;
  return (
    <RecordDialog<Values, NewReading>
      title={`Reading: ${zone.name}`}
      width={420}
      schema={newReadingSchema}
      initialValues={{ feedEcMsCm: lastFeedEc ?? null }}
      recordOf={(typed) => ({
        ...Object.fromEntries(Object.entries(typed).filter(([, value]) => typeof value === "number")),
        at: now,
      })}
      saving={add}
      save={add.mutate}
      onClose={onClose}
    >
      {fields.map(({ key, label, unit, quantity, extra }) => (
        <Form.Item key={key} name={key} label={label} extra={extra}>
          <QuantityInput {...(quantity ? { quantity, signed: true } : { unit: unit ?? "" })} />
        </Form.Item>
      ))}
    </RecordDialog>
  );
}
