import { newSourceSchema, type NewSource, type Source, type SourceKind } from "@sprunel/contract";
import Form from "antd/es/form";
import Input from "antd/es/input";
import Select from "antd/es/select";
import { RecordDialog } from "../forms/record-dialog.tsx";
import { useBoard } from "../plan/use-board.ts";
import { QuantityInput } from "../units/quantity-input.tsx";
import { SOURCE_WORDS } from "./source-words.ts";
import { useSaveSource } from "./use-sources.ts";

interface Values {
  name?: string;
  kind?: SourceKind;
  maxFlowLh?: number | null;
  priceM3?: number | null;
  licenceM3Year?: number | null;
  storage?: {
    capacityM3?: number | null;
    levelM3?: number | null;
    readOn?: string;
    roofM2?: number | null;
    runoffPct?: number | null;
  };
}

/** One source of water: its limits and, where it has one, its storage. What is not known stays empty. */
export function SourceDialog({ source, onClose }: { source: Source | null; onClose(): void }) {
  const board = useBoard(null).data;
  const today = board?.today ?? "";
  const currency = board?.site?.currency ?? "";
  const save = useSaveSource();
  return (
    <RecordDialog<Values, NewSource>
      title={source ? source.name : "A source of water"}
      width={560}
      schema={newSourceSchema}
      initialValues={source ? valuesOf(source) : { kind: "well", storage: { readOn: today, runoffPct: 85 } }}
      recordOf={recordOf}
      saving={save}
      save={(record, then) => save.mutate({ existing: source, record }, then)}
      onClose={onClose}
    >
      <Form.Item name="name" label="Name of the water">
        <Input />
      </Form.Item>
      <Form.Item name="kind" label="Kind">
        <Select options={Object.entries(SOURCE_WORDS).map(([value, label]) => ({ value, label }))} />
      </Form.Item>
      <Form.Item name="maxFlowLh" label="Greatest flow">
        <QuantityInput quantity="flow" />
      </Form.Item>
      <Form.Item name="priceM3" label="Price">
        <QuantityInput quantity="pricePerBulk" currency={currency} />
      </Form.Item>
      <Form.Item name="licenceM3Year" label="Licence, a year">
        <QuantityInput quantity="bulk" />
      </Form.Item>
      <Form.Item name={["storage", "capacityM3"]} label="Storage holds" extra="empty: there is none">
        <QuantityInput quantity="bulk" />
      </Form.Item>
      <Form.Item name={["storage", "levelM3"]} label="Stands in it">
        <QuantityInput quantity="bulk" />
      </Form.Item>
      <Form.Item name={["storage", "readOn"]} label="Read on">
        <Input type="date" max={today} />
      </Form.Item>
      <Form.Item name={["storage", "roofM2"]} label="Roof that runs into it">
        <QuantityInput quantity="area" />
      </Form.Item>
      <Form.Item
        name={["storage", "runoffPct"]}
        label="Of its rain arrives"
        extra="smooth roofs 80 to 90 %; not confirmed"
      >
        <QuantityInput unit="%" />
      </Form.Item>
    </RecordDialog>
  );
}

function valuesOf({ storage, ...source }: Source): Values {
  return { ...source, ...(storage && { storage }) };
}

function recordOf({ storage, ...values }: Values): unknown {
  return {
    name: values.name ?? "",
    kind: values.kind,
    maxFlowLh: values.maxFlowLh ?? null,
    priceM3: values.priceM3 ?? null,
    licenceM3Year: values.licenceM3Year ?? null,
    storage:
      typeof storage?.capacityM3 === "number"
        ? {
            capacityM3: storage.capacityM3,
            levelM3: storage.levelM3 ?? undefined,
            readOn: storage.readOn || undefined,
            roofM2: storage.roofM2 ?? 0,
            runoffPct: storage.runoffPct ?? 0,
          }
        : null,
  };
}
