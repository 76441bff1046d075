import { newReadingSchema, type NewReading } from "@sprunel/contract/rootzone";
import type { BoardZone } from "@sprunel/contract/today";
import Form from "antd/es/form";
import { faultsOfMoment, instantFrom, MomentFields, momentIn, type MomentValues } from "../place/moment-fields.tsx";
import type { Noting } from "../place/use-noting.ts";
import { useState } from "react";
import { RecordDialog } from "../forms/record-dialog.tsx";
import { QuantityInput } from "../units/quantity-input.tsx";
import { useUnits } from "../units/use-units.tsx";
import { NOW_AND_THEN, type ReadingKey } from "../systems/reading-field.ts";
import { SYSTEM_WORDS } from "../systems/words.ts";
import { unusualWords } from "./unusual-reading.ts";
import { lastOf, useAddReading, useRootStation } from "./use-readings.ts";

type Values = Partial<Record<ReadingKey, number | null>> & MomentValues;

/** What the tray and the pen say, in seconds: Tab from field to field, Enter saves. */
export function LogReadingDialog(props: { zone: BoardZone; noting: Noting; onClose(): void }) {
  const { zone, onClose } = props;
  // As it was opened, to the second, for as long as nobody says another time.
  const [noting] = useState(props.noting);
  const add = useAddReading(zone.id);
  const { show } = useUnits();
  const station = useRootStation(null).data;
  const past = station ? lastOf(station, zone.id) : {};
  const fields = [...SYSTEM_WORDS[zone.system].readings, ...NOW_AND_THEN];
  const lastFeedEc = zone.roots?.kind === "drained" ? zone.roots.drain?.feedEcMsCm : undefined;
  return (
    <RecordDialog<Values, NewReading>
      title={`Reading: ${zone.name}`}
      width={420}
      schema={newReadingSchema}
      initialValues={{ feedEcMsCm: lastFeedEc ?? null, ...momentIn(noting) }}
      recordOf={({ onDate = null, clock = null, ...typed }) => ({
        ...Object.fromEntries(Object.entries(typed).filter(([, value]) => typeof value === "number")),
        at: instantFrom({ onDate, clock }, noting),
      })}
      faultsIn={(values) => faultsOfMoment(values, noting)}
      asks={(reading) =>
        fields.flatMap((field) => {
          const value = reading[field.key];
          return value === undefined ? [] : (unusualWords(field, value, past, show) ?? []);
        })
      }
      saving={add}
      save={add.mutate}
      onClose={onClose}
    >
      {fields.map(({ key, label, unit, quantity, extra }) => (
        <Form.Item key={key} name={key} label={label} extra={extra}>
          <QuantityInput {...(quantity ? { quantity, signed: true } : { unit: unit ?? "" })} />
        </Form.Item>
      ))}
      <MomentFields until={noting.today} verb="Read" />
    </RecordDialog>
  );
}
