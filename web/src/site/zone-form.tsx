import {
  newZoneSchema,
  zoneSchema,
  type CropChoice,
  type NewZone,
  type Zone,
  type ZoneDefinition,
} from "@sprunel/contract";
import Button from "antd/es/button";
import Form from "antd/es/form";
import Input from "antd/es/input";
import Select from "antd/es/select";
import { useState } from "react";
import { ProblemNote } from "../http/problem.tsx";
import { QuantityInput } from "../units/quantity-input.tsx";
import styles from "./set-up.module.css";
import { StaleEdit } from "./stale-edit.tsx";
import { useFormSave } from "./use-form-save.ts";
import { useSaveZone } from "./use-set-up.ts";
import { startFields, startValues, ZONE_FIELDS, type FieldSpec } from "./zone-fields.ts";

interface FormValues {
  name?: string;
  house?: { name?: string; transmissionPct?: number };
  definition?: Record<string, number | string | null> & { system?: ZoneDefinition["system"] };
  planting?: { cropId?: string; plantedOn?: string; signs?: NonNullable<NewZone["planting"]>["signs"] } | null;
}

/** One zone: what grows, in what system, how big, how planted, how watered. Defaults stay marked until confirmed. */
export function ZoneForm({
  zone,
  crops,
  onSaved,
}: {
  zone: Zone | null;
  crops: readonly CropChoice[];
  onSaved(id: number): void;
}) {
  const [form] = Form.useForm<FormValues>();
  const save = useSaveZone();
  const [unconfirmed, setUnconfirmed] = useState<readonly string[]>(zone?.unconfirmed ?? startFields("substrate"));
  const watched = Form.useWatch(["definition", "system"], { form, preserve: true }) as
    ZoneDefinition["system"] | undefined;
  const system = watched ?? zone?.definition.system ?? "substrate";

  const typed = (): unknown => {
    const { name, house, definition, planting } = form.getFieldsValue(true) as FormValues;
    const fields = Object.fromEntries(
      ZONE_FIELDS[system].map((field) => [field.key, definition?.[field.key] ?? undefined]),
    );
    const planted =
      planting?.cropId && planting.plantedOn
        ? { cropId: planting.cropId, plantedOn: planting.plantedOn, signs: planting.signs ?? [] }
        : null;
    return {
      name,
      house,
      definition: { system, ...fields },
      unconfirmed: unconfirmed.filter((key) => key in fields || key === "transmissionPct"),
      planting: planted,
    };
  };
  const { stray, stale, submit, take } = useFormSave({
    form,
    schema: newZoneSchema,
    saved: zoneSchema,
    existing: zone,
    mutation: save,
    typed,
    onSaved: (saved) => onSaved(saved.id),
  });
  const confirm = (key: string): void => setUnconfirmed((before) => before.filter((other) => other !== key));
  const changed = (values: FormValues): void => {
    const { system: chosen, ...fields } = values.definition ?? {};
    Object.keys(fields).forEach(confirm);
    if (values.house?.transmissionPct !== undefined) confirm("transmissionPct");
    if (!chosen) return;
    form.setFieldsValue({
      definition: { ...startValues(chosen), ...(form.getFieldsValue(true) as FormValues).definition, system: chosen },
    });
    if (!zone) setUnconfirmed(startFields(chosen));
  };
  return (
    <Form
      form={form}
      layout="vertical"
      requiredMark={false}
      initialValues={zone ?? { definition: startValues("substrate") }}
      onValuesChange={changed}
      onFinish={() => submit()}
    >
      {stale && (
        <StaleEdit
          mine={typed() as object}
          theirs={withoutIdentity(stale)}
          onKeepMine={() => submit(stale)}
          onTakeTheirs={() => {
            form.setFieldsValue(stale);
            setUnconfirmed(stale.unconfirmed);
            take(stale);
          }}
        />
      )}
      <h2 className={styles["section"]}>What grows</h2>
      <div className={styles["fields"]}>
        <Form.Item name="name" label="Name of the zone">
          <Input />
        </Form.Item>
        <Form.Item name={["planting", "cropId"]} label="Crop">
          <Select
            allowClear
            options={crops.map((crop) => ({ value: crop.id, label: crop.name }))}
            placeholder="nothing planted"
          />
        </Form.Item>
        <Form.Item name={["planting", "plantedOn"]} label="Planted on">
          <Input type="date" />
        </Form.Item>
      </div>
      <h2 className={styles["section"]}>Where and in what</h2>
      <div className={styles["fields"]}>
        <Form.Item name={["definition", "system"]} label="Growing system">
          <Select
            options={[
              { value: "substrate", label: "substrate with drippers" },
              { value: "soil-drip", label: "soil with drip lines" },
            ]}
          />
        </Form.Item>
        <Form.Item name={["house", "name"]} label="House">
          <Input />
        </Form.Item>
        <Form.Item
          name={["house", "transmissionPct"]}
          label="Light through the cover"
          extra={<span>for all zones of this house</span>}
        >
          <QuantityInput unit="%" />
        </Form.Item>
      </div>
      <h2 className={styles["section"]}>How big, how watered</h2>
      <div className={styles["fields"]}>
        {ZONE_FIELDS[system].map((field) => (
          <Form.Item
            key={field.key}
            name={["definition", field.key]}
            label={field.label}
            extra={
              unconfirmed.includes(field.key) && <DefaultNote field={field} onConfirm={() => confirm(field.key)} />
            }
          >
            <QuantityInput
              {...(field.quantity && { quantity: field.quantity })}
              {...(field.unit && { unit: field.unit })}
            />
          </Form.Item>
        ))}
      </div>
      {save.isError && !stale && stray.length === 0 && <ProblemNote error={save.error} />}
      {stray.map((message) => (
        <p key={message} role="alert" className={styles["default"]}>
          {message}
        </p>
      ))}
      <div className={styles["actions"]}>
        <Button type="primary" htmlType="submit" loading={save.isPending}>
          {zone ? "Save" : "Add zone"}
        </Button>
        {save.isSuccess && (
          <span role="status" className={styles["saved"]}>
            Saved
          </span>
        )}
      </div>
    </Form>
  );
}

function DefaultNote({ field, onConfirm }: { field: FieldSpec; onConfirm(): void }) {
  return (
    <span className={styles["default"]}>
      default{field.startSource && ` (${field.startSource})`}, not confirmed
      <button type="button" onClick={onConfirm} aria-label={`Confirm ${field.label}`}>
        confirm
      </button>
    </span>
  );
}

function withoutIdentity({ id: _id, version: _version, ...rest }: Zone): NewZone {
  return rest;
}
