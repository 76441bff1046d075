import { newSignSchema, type NewSign } from "@sprunel/contract/crop";
import type { BoardZone } from "@sprunel/contract/today";
import Form from "antd/es/form";
import Select from "antd/es/select";
import { DateInput } from "../forms/date-input.tsx";
import { RecordDialog } from "../forms/record-dialog.tsx";
import type { Noting } from "../place/use-noting.ts";
import { ofPlanting, useAddSign, useZoneCrop } from "./use-crop.ts";

interface Values {
  stageId?: string;
  on?: string | null;
}

/** A stage that was seen to begin, from wherever one is: the next one and today stand there already. */
export function LogSignDialog({ zone, noting, onClose }: { zone: BoardZone; noting: Noting; onClose(): void }) {
  const crop = useZoneCrop(zone.id, noting.date).data;
  const add = useAddSign(zone.id);
  if (!crop?.planting) return null;
  const { planting, now } = crop;
  const at = planting.stages.findIndex(({ id }) => id === now?.stageId);
  const next = at === -1 ? undefined : planting.stages[at + 1];
  return (
    <RecordDialog<Values, NewSign>
      title={`Seen: ${zone.name}`}
      width={420}
      columns={1}
      schema={newSignSchema}
      initialValues={{ ...(next && { stageId: next.id }), on: noting.date }}
      recordOf={({ stageId, on }) => ({ stageId, on: on ?? "", ...ofPlanting(crop) })}
      saving={add}
      save={add.mutate}
      onClose={onClose}
    >
      <Form.Item name="stageId" label="This stage was seen to begin">
        <Select options={planting.stages.slice(1).map(({ id, name }) => ({ value: id, label: name }))} />
      </Form.Item>
      <Form.Item name="on" label="Seen on">
        <DateInput label="Seen on" from={planting.plantedOn} until={noting.today} />
      </Form.Item>
    </RecordDialog>
  );
}
