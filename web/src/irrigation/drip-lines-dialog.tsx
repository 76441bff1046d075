import { newDripLinesSchema, type NewDripLines, type ZoneDripLines } from "@sprunel/contract/irrigation";
import type { Quantity } from "@sprunel/core/units";
import Form from "antd/es/form";
import { Fragment } from "react";
import { withoutIdentity } from "../forms/stale-edit.tsx";
import { RecordDialog } from "../forms/record-dialog.tsx";
import { QuantityInput } from "../units/quantity-input.tsx";
import { useSaveDripLines } from "./use-drip-lines.ts";

interface PipeValues {
  lengthM?: number | null;
  insideDiameterMm?: number | null;
}
type PipeKey = "main" | "subMain";
type Values = Partial<Record<Exclude<keyof NewDripLines, PipeKey>, number | null>> &
  Partial<Record<PipeKey, PipeValues>>;

interface LineField {
  readonly key: Exclude<keyof NewDripLines, PipeKey>;
  readonly label: string;
  readonly quantity?: Quantity;
  readonly unit?: string;
  readonly extra?: string;
}

const FIELDS: readonly LineField[] = [
  { key: "laterals", label: "Laterals", unit: "lines" },
  { key: "lengthM", label: "Length of each", quantity: "length" },
  { key: "insideDiameterMm", label: "Inside diameter", unit: "mm" },
  { key: "emitterSpacingM", label: "Spacing of drippers", quantity: "spacing" },
  { key: "emitterLh", label: "A dripper gives", quantity: "flow" },
  { key: "emitterKpa", label: "at", quantity: "pressure" },
  { key: "exponent", label: "Exponent", unit: "", extra: "0 compensating, 0.5 turbulent, 1 laminar" },
  {
    key: "cv",
    label: "Variation of manufacture (CV)",
    unit: "",
    extra: "0.03 to 0.07 is usual; see the maker's sheet",
  },
  { key: "inletKpa", label: "Pressure at the first lateral", quantity: "pressure" },
  { key: "slopePct", label: "Slope, uphill from the inlet", unit: "%", extra: "downhill with a minus" },
];
const PIPES: readonly { readonly key: PipeKey; readonly label: string }[] = [
  { key: "main", label: "Main to the laterals" },
  { key: "subMain", label: "Sub-main along them" },
];
const START: Values = { exponent: 0.5, cv: 0.05, slopePct: 0, emitterKpa: 100, inletKpa: 100 };

function valuesOf(lines: NewDripLines): Values {
  return { ...lines, main: lines.main ?? {}, subMain: lines.subMain ?? {} };
}

/** One lateral that stands for all, and the pipe that feeds them. */
export function DripLinesDialog({
  zoneId,
  lines,
  onClose,
}: {
  zoneId: number;
  lines: ZoneDripLines["lines"];
  onClose(): void;
}) {
  const save = useSaveDripLines(zoneId);
  return (
    <RecordDialog<Values, NewDripLines>
      title="Lines"
      width={620}
      schema={newDripLinesSchema}
      initialValues={lines ? valuesOf(lines) : START}
      versioned={{
        version: lines?.version ?? null,
        valuesOf: (newer) => valuesOf(newDripLinesSchema.parse(withoutIdentity(newer))),
      }}
      recordOf={recordOf}
      saving={save}
      save={(record, then, version) => save.mutate({ version, lines: record }, then)}
      onClose={onClose}
    >
      {FIELDS.map(({ key, label, quantity, unit, extra }) => (
        <Form.Item key={key} name={key} label={label} extra={extra}>
          <QuantityInput {...(quantity ? { quantity } : { unit: unit ?? "" })} />
        </Form.Item>
      ))}
      {PIPES.map(({ key, label }) => (
        <Fragment key={key}>
          <Form.Item name={[key, "lengthM"]} label={label} extra="empty: not counted">
            <QuantityInput quantity="length" />
          </Form.Item>
          <Form.Item name={[key, "insideDiameterMm"]} label="its inside diameter">
            <QuantityInput unit="mm" />
          </Form.Item>
        </Fragment>
      ))}
    </RecordDialog>
  );
}

function recordOf({ main, subMain, ...values }: Values): unknown {
  return {
    ...Object.fromEntries(FIELDS.map(({ key }) => [key, values[key] ?? undefined])),
    main: pipeOf(main),
    subMain: pipeOf(subMain),
  };
}

function pipeOf(pipe: PipeValues | undefined): unknown {
  if (typeof pipe?.lengthM !== "number") return null;
  return { lengthM: pipe.lengthM, insideDiameterMm: pipe.insideDiameterMm ?? undefined };
}
