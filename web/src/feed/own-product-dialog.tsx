import { newOwnProductSchema, type NewOwnProduct } from "@sprunel/contract";
import { compositionOfLabel, DomainError, LABEL_PARTS, type LabelPart } from "@sprunel/core";
import Checkbox from "antd/es/checkbox";
import Form from "antd/es/form";
import Input from "antd/es/input";
import Select from "antd/es/select";
import { RecordDialog } from "../forms/record-dialog.tsx";
import { QuantityInput } from "../units/quantity-input.tsx";
import styles from "./feed.module.css";
import { useAddOwnProduct } from "./use-feed.ts";

interface Values {
  name?: string;
  form?: NewOwnProduct["form"];
  isAcid?: boolean;
  isChelate?: boolean;
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
      initialValues={{ form: "solid" }}
      recordOf={(typed) => ({
        name: typed.name ?? "",
        form: typed.form,
        isAcid: typed.isAcid ?? false,
        isChelate: typed.isChelate ?? false,
        densityKgL: typed.densityKgL ?? null,
        solubilityGL: typed.solubilityGL ?? null,
        label: labelOf(typed),
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
        <Form.Item name="densityKgL" label="Density">
          <QuantityInput unit="kg/L" />
        </Form.Item>
        <Form.Item name="solubilityGL" label="Dissolves">
          <QuantityInput unit="g/L" />
        </Form.Item>
        {(Object.keys(LABEL_PARTS) as LabelPart[]).map((part) => (
          <Form.Item key={part} name={["label", part]} label={LABEL_PARTS[part].name}>
            <QuantityInput unit="%" />
          </Form.Item>
        ))}
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

function Judgement() {
  const values = Form.useWatch<Values | undefined>([], Form.useFormInstance<Values>());
  const judged = judge(values ?? {});
  return (
    judged && (
      <p role="status" className={judged.ok ? "quiet" : styles["fault"]}>
        {judged.words}
      </p>
    )
  );
}

function labelOf({ label = {} }: Values): Partial<Record<LabelPart, number>> {
  return Object.fromEntries(Object.entries(label).filter(([, value]) => typeof value === "number"));
}

function judge(values: Values): { ok: boolean; words: string } | null {
  const label = labelOf(values);
  if (Object.keys(label).length === 0) return null;
  try {
    const { composition, warnings } = compositionOfLabel(label, values.isAcid ?? false);
    const parts = Object.entries(composition).map(([ion, mmol]) => `${ion} ${mmol.toFixed(2)}`);
    return { ok: warnings.length === 0, words: `In a gram, mmol: ${parts.join(", ")}. ${warnings.join(" ")}` };
  } catch (error) {
    if (error instanceof DomainError) return { ok: false, words: error.message };
    throw error;
  }
}
