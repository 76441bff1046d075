import { newSourceSchema, type NewSource, type Source, type SourceKind } from "@sprunel/contract/water";
import { previewOrganic } from "@sprunel/contract/exchange";
import Form from "antd/es/form";
import Input from "antd/es/input";
import Select from "antd/es/select";
import { useEffect, useState } from "react";
import { AnalysisButton, AnalysisSettings, type AnalysisChoices } from "../files/analysis-file.tsx";
import type { ChosenFile } from "../files/chosen-file.ts";
import { Reading } from "../files/reading.tsx";
import { useAnalysis } from "../files/use-analysis.ts";
import { ProblemNote } from "../parts/problem.tsx";
import { withoutIdentity } from "../forms/stale-edit.tsx";
import { RecordDialog } from "../forms/record-dialog.tsx";
import { useBoard } from "../place/use-board.ts";
import { QuantityInput } from "../units/quantity-input.tsx";
import { SOURCE_WORDS } from "./source-words.ts";
import { useSaveSource } from "../place/use-sources.ts";
import { DateInput } from "../forms/date-input.tsx";

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
  turn?: { firstOn?: string; everyDays?: number | null; m3?: number | null };
  analysis?: { takenOn?: string } & Partial<Record<AnalysisKey, number | null>>;
}

type AnalysisKey = Exclude<keyof NonNullable<NewSource["analysis"]>, "takenOn">;
const ANALYSIS: readonly { readonly key: AnalysisKey; readonly label: string; readonly unit: string }[] = [
  { key: "suspendedSolidsMgL", label: "Suspended solids", unit: "mg/L" },
  { key: "nh4NMgL", label: "Ammonium N", unit: "mg/L" },
  { key: "organicNMgL", label: "Organic N", unit: "mg/L" },
  { key: "pMgL", label: "Phosphorus", unit: "mg/L" },
  { key: "kMgL", label: "Potassium", unit: "mg/L" },
  { key: "ecMsCm", label: "EC", unit: "mS/cm" },
  { key: "hygieneDays", label: "Last dose before the first pick", unit: "days" },
];

/** What a laboratory's file may tell of it. */
const FIGURE_WORDS: Readonly<Record<string, string>> = {
  date: "day",
  solids: "suspended solids",
  organicN: "organic N",
  density: "density",
  nh4N: "ammonium N",
  nh4: "ammonium",
  totalN: "total N",
  p: "phosphorus",
  p2o5: "phosphorus as P₂O₅",
  k: "potassium",
  k2o: "potassium as K₂O",
  ec: "EC",
  ignore: "not used",
};

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
      {...(source && {
        versioned: {
          version: source.version,
          valuesOf: (newer) => valuesOf(newSourceSchema.parse(withoutIdentity(newer))),
        },
      })}
      saving={save}
      save={(record, then, version) =>
        save.mutate({ existing: source && version !== null ? { id: source.id, version } : null, record }, then)
      }
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
        <DateInput until={today} />
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
      <Form.Item name={["turn", "everyDays"]} label="Comes in turns, every" extra="empty: it comes at any time">
        <QuantityInput unit="days" />
      </Form.Item>
      <Form.Item name={["turn", "firstOn"]} label="A day on which it comes">
        <DateInput />
      </Form.Item>
      <Form.Item name={["turn", "m3"]} label="A turn brings">
        <QuantityInput quantity="bulk" />
      </Form.Item>
      <AnalysisFields today={today} />
    </RecordDialog>
  );
}

/** Only what has solids and nutrients in it is analysed for them. */
function AnalysisFields({ today }: { today: string }) {
  const kind = Form.useWatch("kind") as SourceKind | undefined;
  const form = Form.useFormInstance<Values>();
  const [file, setFile] = useState<ChosenFile | null>(null);
  const [choices, setChoices] = useState<AnalysisChoices>({});
  const preview = useAnalysis(previewOrganic, file, choices);
  const report = preview.error ? undefined : preview.data;
  useEffect(() => {
    if (!report) return;
    const { takenOn, analysis } = report;
    form.setFieldsValue({ analysis: { ...analysis, ...(takenOn && { takenOn }) } });
  }, [report, form]);
  if (kind !== "digestate" && kind !== "reclaimed") return null;
  const labels = ANALYSIS.flatMap(({ key, label }) => (report?.missing.includes(key) ? [label] : []));
  const said = [...(report?.remarks ?? []), ...(labels.length > 0 ? [`Not in the file: ${labels.join(", ")}.`] : [])];
  return (
    <>
      <Form.Item label="Analysis from a lab file" extra={said.join(" ") || "or type it below"}>
        <AnalysisButton
          file={file}
          onFile={(next) => {
            setFile(next);
            setChoices({});
          }}
        />
      </Form.Item>
      {file && (
        <div className="whole-row">
          {preview.isFetching && !preview.data && (
            <Reading fileName={file.name} step={preview.step} onStop={() => setFile(null)} />
          )}
          {preview.error && <ProblemNote error={preview.error} />}
          {report && (
            <AnalysisSettings
              told={report}
              named={(figure) => FIGURE_WORDS[figure] ?? figure}
              choices={choices}
              onChange={setChoices}
            />
          )}
        </div>
      )}
      <Form.Item name={["analysis", "takenOn"]} label="Analysed on" extra="empty: no analysis yet">
        <DateInput until={today} />
      </Form.Item>
      {ANALYSIS.map(({ key, label, unit }) => (
        <Form.Item
          key={key}
          name={["analysis", key]}
          label={label}
          extra={key === "hygieneDays" ? "as your local rules ask; they come first" : undefined}
        >
          <QuantityInput unit={unit} />
        </Form.Item>
      ))}
    </>
  );
}

function valuesOf({ storage, turn, analysis, ...source }: NewSource): Values {
  return { ...source, ...(storage && { storage }), ...(turn && { turn }), ...(analysis && { analysis }) };
}

function recordOf({ storage, turn, analysis, ...values }: Values): unknown {
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
    turn:
      typeof turn?.everyDays === "number"
        ? { everyDays: turn.everyDays, firstOn: turn.firstOn ?? "", m3: turn.m3 ?? undefined }
        : null,
    analysis: analysis?.takenOn
      ? {
          takenOn: analysis.takenOn,
          ...Object.fromEntries(ANALYSIS.map(({ key }) => [key, analysis[key] ?? undefined])),
        }
      : null,
  };
}
