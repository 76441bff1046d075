import { useTold } from "../units/told.ts";
import type { Ion } from "@sprunel/contract/basics";
import { newWaterReportSchema } from "@sprunel/contract/water";
import { checkReport } from "@sprunel/core/water";
import Button from "antd/es/button";
import Form from "antd/es/form";
import Input from "antd/es/input";
import { useState } from "react";
import { Faults } from "../forms/faults.tsx";
import { faultsOf, showFaults } from "../forms/form-errors.ts";
import { useLeaveGuard } from "../forms/use-leave-guard.tsx";
import { QuantityInput } from "../units/quantity-input.tsx";
import styles from "./water.module.css";
import { ionName } from "../words/ion-names.ts";
import { IonFields } from "../forms/ion-fields.tsx";
import { useAddWaterReport } from "./use-water.ts";
import { DateInput } from "../forms/date-input.tsx";

interface Values {
  sourceName?: string;
  takenOn?: string;
  ph?: number | null;
  ecMsCm?: number | null;
  suspendedSolidsMgL?: number | null;
  ions?: Partial<Record<Ion, number | null>>;
}

/** A feed stands on what the water brings: the lab's report. */
export function WaterForm() {
  return (
    <>
      <p>
        A recipe needs to know what the water brings. Enter the laboratory's report; what was not measured stays empty.
      </p>
      <WaterReportForm />
    </>
  );
}

/** A report typed in, judged while typing. */
export function WaterReportForm({ onSaved }: { onSaved?(): void }) {
  const [form] = Form.useForm<Values>();
  const values = Form.useWatch([], form) as Values | undefined;
  const add = useAddWaterReport();
  const [stray, setStray] = useState<string[]>([]);
  const told = useTold();
  const { touched, settled, question } = useLeaveGuard();
  const submit = (): void => {
    const typed = form.getFieldsValue(true) as Values;
    const ions = Object.fromEntries(Object.entries(typed.ions ?? {}).filter(([, amount]) => amount !== null));
    const parsed = newWaterReportSchema.safeParse({
      ...typed,
      ph: typed.ph ?? undefined,
      ecMsCm: typed.ecMsCm ?? null,
      suspendedSolidsMgL: typed.suspendedSolidsMgL ?? null,
      ions,
    });
    if (parsed.success)
      add.mutate(parsed.data, {
        onSuccess: () => {
          settled();
          onSaved?.();
        },
        onError: (error) => setStray(showFaults(form, faultsOf(error), told)),
      });
    else setStray(showFaults(form, faultsOf(parsed.error), told));
  };
  return (
    <Form
      form={form}
      layout="vertical"
      requiredMark={false}
      onFinish={submit}
      onValuesChange={touched}
      className={styles["typed"] ?? ""}
    >
      {question}
      <div className={styles["report"]}>
        <Form.Item name="sourceName" label="Name of the water">
          <Input />
        </Form.Item>
        <Form.Item name="takenOn" label="Taken on">
          <DateInput />
        </Form.Item>
        <Form.Item name="ph" label="pH">
          <QuantityInput />
        </Form.Item>
        <Form.Item name="ecMsCm" label="EC">
          <QuantityInput unit="mS/cm" />
        </Form.Item>
        <Form.Item name="suspendedSolidsMgL" label="Suspended solids">
          <QuantityInput unit="mg/L" />
        </Form.Item>
        <IonFields />
      </div>
      <ReportCheck values={values ?? {}} />
      <Faults faults={stray} error={add.error} />
      <Button type="primary" htmlType="submit" loading={add.isPending}>
        Save the report
      </Button>
    </Form>
  );
}

/** The same judgement as a lab file gets, while typing. */
function ReportCheck({ values }: { values: Values }) {
  const ions = Object.fromEntries(Object.entries(values.ions ?? {}).map(([ion, amount]) => [ion, amount ?? 0]));
  const { cationsMeqL, anionsMeqL, errorPct, verdict, ecFromIonsMsCm, slip } = checkReport(
    ions,
    values.ph ?? 7,
    values.ecMsCm ?? null,
  );
  if (cationsMeqL + anionsMeqL === 0) return null;
  return (
    <p role="status" className={verdict === "good" ? "quiet" : styles["off"]}>
      Cations {cationsMeqL.toFixed(2)}, anions {anionsMeqL.toFixed(2)} meq/L ({Math.abs(errorPct).toFixed(1)} % apart):{" "}
      {VERDICTS[verdict]}. EC from the ions {ecFromIonsMsCm.toFixed(2)} mS/cm.
      {slip &&
        ` ${ionName(slip.ion)} seems ten times too ${slip.factor < 1 ? "high" : "low"}: with ${slip.offerMmolL.toFixed(2)} mmol/L the balance closes.`}
    </p>
  );
}

const VERDICTS = {
  good: "the report balances",
  doubtful: "doubtful, check the figures",
  refused: "cannot be right, a figure is missing or wrong",
} as const;
