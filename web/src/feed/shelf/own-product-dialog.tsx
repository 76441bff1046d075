import { newOwnProductSchema, type NewOwnProduct } from "@sprunel/contract/feed";
import { compositionOfLabel, LABEL_PARTS, labelByMass, type LabelPart } from "@sprunel/core/feed/products";
import Checkbox from "antd/es/checkbox";
import Form from "antd/es/form";
import Input from "antd/es/input";
import Select from "antd/es/select";
import { RecordDialog } from "../../forms/record-dialog.tsx";
import { trySum } from "../../sums/try-sum.ts";
import { QuantityInput } from "../../units/quantity-input.tsx";
import shared from "../feed.module.css";
import styles from "./shelf.module.css";
import { useAddOwnProduct } from "../use-feed.ts";

interface Values {
  name?: string;
  form?: NewOwnProduct["form"];
  isAcid?: boolean;
  isChelate?: boolean;
  /** the label tells grams in 100 mL */
  byVolume?: boolean;
  densityKgL?: number | null;
  solubilityGL?: number | null;
  label?: Partial<Record<LabelPart, number | null>>;
}

/** A bag by its label, in oxides or elements as it is printed; what it would bring is told while typing. */
export function OwnProductDialog({ onClose }: { onClose(): void }) {
  const add = useAddOwnProduct();
  return (
    <RecordDialog<Values, NewOwnProduct>
      title="A bag of your own"
      okText="Put it on the shelf"
      width={900}
      columns={1}
      schema={newOwnProductSchema}
      initialValues={{ form: "solid", byVolume: false }}
      recordOf={(typed) => ({
        name: typed.name ?? "",
        form: typed.form,
        isAcid: typed.isAcid ?? false,
        isChelate: typed.isChelate ?? false,
        // A label by volume means nothing without it: then it is asked for at its field.
        densityKgL: typed.densityKgL ?? (typed.byVolume ? undefined : null),
        solubilityGL: typed.solubilityGL ?? null,
        label: typed.byVolume && typeof typed.densityKgL !== "number" ? {} : labelOf(typed),
      })}
      saving={add}
      save={add.mutate}
      onClose={onClose}
    >
      <div className={styles["label"]}>
        <Form.Item name="name" label="Name on the bag">
          <Input />
        </Form.Item>
        <Form.Item name="form" label="Form">
          <Select
            options={[
              { value: "solid", label: "solid" },
              { value: "liquid", label: "liquid" },
            ]}
          />
        </Form.Item>
        <Form.Item name="byVolume" label="The label tells">
          <Select
            options={[
              { value: false, label: "% by mass" },
              { value: true, label: "g in 100 mL" },
            ]}
          />
        </Form.Item>
        <Form.Item name="densityKgL" label="Density">
          <QuantityInput unit="kg/L" />
        </Form.Item>
        <Form.Item name="solubilityGL" label="Dissolves">
          <QuantityInput unit="g/L" />
        </Form.Item>
        <Figures />
      </div>
      <Form.Item name="isAcid" valuePropName="checked" noStyle>
        <Checkbox>a free acid</Checkbox>
      </Form.Item>
      <Form.Item name="isChelate" valuePropName="checked" noStyle>
        <Checkbox>its metals are chelated</Checkbox>
      </Form.Item>
      <Judgement />
    </RecordDialog>
  );
}

function Figures() {
  const byVolume = Form.useWatch<boolean | undefined>("byVolume", Form.useFormInstance<Values>());
  return (Object.keys(LABEL_PARTS) as LabelPart[]).map((part) => (
    <Form.Item key={part} name={["label", part]} label={LABEL_PARTS[part].name}>
      <QuantityInput unit={byVolume ? "g/100 mL" : "%"} />
    </Form.Item>
  ));
}

function Judgement() {
  const values = Form.useWatch<Values | undefined>([], Form.useFormInstance<Values>());
  const judged = judge(values ?? {});
  return (
    judged && (
      <p role="status" className={judged.ok ? "quiet" : shared["fault"]}>
        {judged.words}
      </p>
    )
  );
}

/** By mass, as it is kept. @throws {DomainError} for a label by volume without a density */
function labelOf({ label = {}, byVolume, densityKgL }: Values): Partial<Record<LabelPart, number>> {
  const typed = Object.fromEntries(Object.entries(label).filter(([, value]) => typeof value === "number")) as Partial<
    Record<LabelPart, number>
  >;
  return byVolume ? labelByMass(typed, densityKgL ?? null) : typed;
}

function judge(values: Values): { ok: boolean; words: string } | null {
  if (Object.values(values.label ?? {}).every((value) => typeof value !== "number")) return null;
  const judged = trySum(() => {
    const label = labelOf(values);
    const { composition, warnings } = compositionOfLabel(label, values.isAcid ?? false);
    const parts = Object.entries(composition).map(([ion, mmol]) => `${ion} ${mmol.toFixed(2)}`);
    return { ok: warnings.length === 0, words: `In a gram, mmol: ${parts.join(", ")}. ${warnings.join(" ")}` };
  });
  return typeof judged === "string" ? { ok: false, words: judged } : judged;
}
