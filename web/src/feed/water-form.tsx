import { newWaterReportSchema, type Ion } from "@sprunel/contract";
import { chargeBalance, ecMsCm } from "@sprunel/core";
import Button from "antd/es/button";
import Form from "antd/es/form";
import Input from "antd/es/input";
import { useState } from "react";
import { ProblemNote } from "../http/problem.tsx";
import { faultsOf, showFaults } from "../site/form-errors.ts";
import { QuantityInput } from "../units/quantity-input.tsx";
import styles from "./feed.module.css";
import { ANIONS, CATIONS, ionName } from "./ion-names.ts";
import { useAddWaterReport } from "./use-feed.ts";

interface Values {
  sourceName?: string;
  takenOn?: string;
  ph?: number | null;
  ecMsCm?: number | null;
  ions?: Partial<Record<Ion, number | null>>;
}

const REPORT_IONS = [...CATIONS, ...ANIONS];

/** A feed stands on what the water brings: the lab's report, in mmol/L. */
export function WaterForm({ zoneName }: { zoneName: string }) {
  const [form] = Form.useForm<Values>();
  const values = Form.useWatch([], form) as Values | undefined;
  const add = useAddWaterReport();
  const [stray, setStray] = useState<string[]>([]);
  const submit = (): void => {
    const typed = form.getFieldsValue(true) as Values;
    const ions = Object.fromEntries(Object.entries(typed.ions ?? {}).filter(([, amount]) => amount !== null));
    const parsed = newWaterReportSchema.safeParse({
      ...typed,
      ph: typed.ph ?? undefined,
      ecMsCm: typed.ecMsCm ?? null,
      ions,
    });
    if (parsed.success) add.mutate(parsed.data, { onError: (error) => setStray(showFaults(form, faultsOf(error))) });
    else setStray(showFaults(form, faultsOf(parsed.error)));
  };
  return (
    <>
      <h1>{zoneName}: feed</h1>
      <p>
        A recipe needs to know what the water brings. Enter the laboratory's report; what was not measured stays empty.
      </p>
      <Form form={form} layout="vertical" requiredMark={false} onFinish={submit} style={{ marginTop: 12 }}>
        <div className={styles["water"]}>
          <Form.Item name="sourceName" label="Name of the water">
            <Input />
          </Form.Item>
          <Form.Item name="takenOn" label="Taken on">
            <Input type="date" />
          </Form.Item>
          <Form.Item name="ph" label="pH">
            <QuantityInput />
          </Form.Item>
          <Form.Item name="ecMsCm" label="EC">
            <QuantityInput unit="mS/cm" />
          </Form.Item>
          {REPORT_IONS.map((ion) => (
            <Form.Item key={ion} name={["ions", ion]} label={ionName(ion)}>
              <QuantityInput unit="mmol/L" />
            </Form.Item>
          ))}
        </div>
        <ReportCheck values={values ?? {}} />
        {add.isError && stray.length === 0 && <ProblemNote error={add.error} />}
        {stray.map((message) => (
          <p key={message} role="alert" className={styles["off"]}>
            {message}
          </p>
        ))}
        <Button type="primary" htmlType="submit" loading={add.isPending}>
          Save the report
        </Button>
      </Form>
    </>
  );
}

/** A report is good to 5 % of charge, doubtful to 10 %; in very pure water 0.2 meq/L count instead. */
const GOOD_PCT = 5;
const DOUBTFUL_PCT = 10;
const PURE_MEQ = 3;
const PURE_GAP_MEQ = 0.2;

function ReportCheck({ values }: { values: Values }) {
  const ions = Object.fromEntries(Object.entries(values.ions ?? {}).map(([ion, amount]) => [ion, amount ?? 0]));
  const { cationsMeqL, anionsMeqL, errorPct } = chargeBalance(ions);
  if (cationsMeqL + anionsMeqL === 0) return null;
  const gap = Math.abs(cationsMeqL - anionsMeqL);
  const pure = cationsMeqL + anionsMeqL < PURE_MEQ;
  const good = pure ? gap <= PURE_GAP_MEQ : Math.abs(errorPct) <= GOOD_PCT;
  const verdict = good
    ? "the report balances"
    : !pure && Math.abs(errorPct) <= DOUBTFUL_PCT
      ? "doubtful: check the figures"
      : "this cannot be right: look for a slip of ten or a wrong unit";
  const ec = values.ph ? ecMsCm(ions, values.ph) : null;
  return (
    <p role="status" className={good ? "quiet" : (styles["off"] ?? "")}>
      Cations {cationsMeqL.toFixed(2)} and anions {anionsMeqL.toFixed(2)} meq/L, {errorPct.toFixed(1)} % apart:{" "}
      {verdict}.
      {ec !== null &&
        ` EC from the ions ${ec.toFixed(2)} mS/cm${values.ecMsCm ? ` against ${values.ecMsCm} measured` : ""}.`}
    </p>
  );
}
