import type { Ion } from "@sprunel/contract/basics";
import { newZoneReportSchema, type NewZoneReport } from "@sprunel/contract/rootzone";
import type { BoardZone } from "@sprunel/contract/today";
import { checkReport } from "@sprunel/core/water";
import Form from "antd/es/form";
import Input from "antd/es/input";
import Select from "antd/es/select";
import type { ReportFigure } from "../chart/report-history.tsx";
import { ionName } from "../words/ion-names.ts";
import { IonFields } from "../forms/ion-fields.tsx";
import { RecordDialog } from "../forms/record-dialog.tsx";
import { useNoting } from "../place/use-noting.ts";
import { QuantityInput } from "../units/quantity-input.tsx";
import { useAddReport } from "./use-reports.ts";
import { DateInput } from "../forms/date-input.tsx";

interface Values {
  kind?: "soil" | "drain" | "extract";
  takenOn?: string;
  from?: number | null;
  to?: number | null;
  texture?: string;
  figures?: Record<string, number | null>;
  ions?: Partial<Record<Ion, number | null>>;
  ph?: number | null;
  ecMsCm?: number | null;
}

const SOIL_FIELDS = [
  { key: "ph", label: "pH in water", unit: "" },
  { key: "ecSaturatedMsCm", label: "EC of the saturated extract", unit: "mS/cm" },
  { key: "organicMatterPct", label: "Organic matter", unit: "%" },
  { key: "pMgKg", label: "P", unit: "mg/kg" },
  { key: "kMgKg", label: "K", unit: "mg/kg" },
  { key: "mgMgKg", label: "Mg", unit: "mg/kg" },
  { key: "caMgKg", label: "Ca", unit: "mg/kg" },
  { key: "naMgKg", label: "Na", unit: "mg/kg" },
  { key: "nitrateNMgKg", label: "Nitrate N", unit: "mg/kg" },
  { key: "cecCmolKg", label: "CEC", unit: "cmol(+)/kg" },
  { key: "mineralNKgHa", label: "Mineral N", unit: "kg/ha", quantity: "perLand" },
] as const satisfies readonly (Omit<ReportFigure, "name"> & { readonly label: string })[];

/** A laboratory's report of this zone's soil or solution; what was not measured stays empty. */
export function ReportDialog({ zone, isSoil, onClose }: { zone: BoardZone; isSoil: boolean; onClose(): void }) {
  const add = useAddReport(zone.id);
  const noting = useNoting();
  const today = noting?.today ?? "";
  return (
    <RecordDialog<Values, NewZoneReport>
      title={`${isSoil ? "Soil test" : "Report"}: ${zone.name}`}
      width={560}
      schema={newZoneReportSchema}
      initialValues={{ kind: isSoil ? "soil" : "drain", takenOn: noting?.date ?? "" }}
      recordOf={isSoil ? soilOf : solutionOf}
      saving={add}
      save={add.mutate}
      onClose={onClose}
    >
      <Form.Item name="takenOn" label="Taken on">
        <DateInput until={today} />
      </Form.Item>
      {isSoil ? <SoilFields /> : <SolutionFields />}
    </RecordDialog>
  );
}

function SoilFields() {
  return (
    <>
      <Form.Item name="texture" label="Texture">
        <Input placeholder="sandy loam" />
      </Form.Item>
      <Form.Item name="from" label="Depth from">
        <QuantityInput quantity="depth" />
      </Form.Item>
      <Form.Item name="to" label="Depth to">
        <QuantityInput quantity="depth" />
      </Form.Item>
      {SOIL_FIELDS.map(({ key, label, unit, ...more }) => (
        <Form.Item key={key} name={["figures", key]} label={label}>
          <QuantityInput unit={unit} {...more} />
        </Form.Item>
      ))}
    </>
  );
}

function SolutionFields() {
  const ions = Form.useWatch("ions") as Values["ions"];
  const ph = Form.useWatch("ph") as Values["ph"];
  const measured = Object.entries(ions ?? {}).filter(([, amount]) => typeof amount === "number");
  const check = checkReport(Object.fromEntries(measured), ph ?? 6, null);
  return (
    <>
      <Form.Item name="kind" label="Of">
        <Select
          options={[
            { value: "drain", label: "what drained" },
            { value: "extract", label: "what the substrate holds" },
          ]}
        />
      </Form.Item>
      <Form.Item name="ph" label="pH">
        <QuantityInput />
      </Form.Item>
      <Form.Item name="ecMsCm" label="EC">
        <QuantityInput unit="mS/cm" />
      </Form.Item>
      <IonFields />
      {measured.length > 3 && (
        <p role="status" className="quiet whole-row">
          Cations {check.cationsMeqL.toFixed(1)}, anions {check.anionsMeqL.toFixed(1)} meq/L (
          {Math.abs(check.errorPct).toFixed(1)} % apart).
          {check.slip &&
            ` ${ionName(check.slip.ion)} seems ten times too ${check.slip.factor < 1 ? "high" : "low"}: with ${check.slip.offerMmolL.toFixed(2)} mmol/L the balance closes.`}
        </p>
      )}
    </>
  );
}

const soilOf = ({ takenOn, from, to, texture, figures }: Values): unknown => ({
  kind: "soil",
  takenOn: takenOn ?? "",
  depthCm: typeof from === "number" || typeof to === "number" ? [from ?? undefined, to ?? undefined] : null,
  texture: texture?.trim() || null,
  ...Object.fromEntries(SOIL_FIELDS.map(({ key }) => [key, figures?.[key] ?? null])),
  ...(typeof figures?.["ph"] === "number" && { phIn: "water" }),
});

const solutionOf = ({ kind, takenOn, ions, ph, ecMsCm }: Values): unknown => ({
  kind,
  takenOn: takenOn ?? "",
  ions: Object.fromEntries(Object.entries(ions ?? {}).filter(([, amount]) => typeof amount === "number")),
  ph: ph ?? null,
  ecMsCm: ecMsCm ?? null,
});
