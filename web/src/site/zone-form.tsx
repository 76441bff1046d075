import { RETURN_TANK_TOPPED_UP_AT, VESSEL_STARTS } from "@sprunel/core/site";
import { SYSTEMS } from "@sprunel/core/systems";
import {
  newZoneSchema,
  SYSTEM_NAMES,
  type System,
  zoneSchema,
  type CropChoice,
  type Planting,
  type Vessel,
  type Zone,
} from "@sprunel/contract/site";
import Button from "antd/es/button";
import Form from "antd/es/form";
import Select from "antd/es/select";
import { useState } from "react";
import { Faults } from "../forms/faults.tsx";
import { QuantityInput } from "../units/quantity-input.tsx";
import styles from "./set-up.module.css";
import type { LayoutField } from "../systems/questions.ts";
import { SYSTEM_VIEWS } from "../systems/views.ts";
import { LayoutPlan } from "./layout-plan.tsx";
import { Seedlings } from "./seedlings.tsx";
import { StaleEdit, withoutIdentity } from "../forms/stale-edit.tsx";
import { SYSTEM_WORDS } from "../systems/words.ts";
import { useFormSave } from "./use-form-save.ts";
import { useSaveZone } from "../place/use-set-up.ts";
import { startFields, startOf, startValues, zoneFields } from "./zone-fields.ts";
import { HouseFields } from "./house-fields.tsx";
import { DefaultNote, Earlier, Question, WhatGrows } from "./zone-form-parts.tsx";
import {
  FIRST_SYSTEM,
  housesOf,
  NEW_ZONE,
  standFor,
  plantingsAbout,
  unplacedIn,
  valuesOf,
  zoneOf,
  type FormValues,
  type Laid,
} from "./zone-form-values.ts";
import { DateInput } from "../forms/date-input.tsx";

/** What follows from size, planting and watering. */
const SIZES = ["areaM2", "plants", "flowLh"];

/** One zone: what grows, in what system, how big, how planted, how watered. Defaults stay marked until confirmed. */
export function ZoneForm({
  zone,
  zones,
  crops,
  sources,
  today,
  onSaved,
}: {
  zone: Zone | null;
  /** all of the site, for what this one shares with them */
  zones: readonly Zone[];
  crops: readonly CropChoice[];
  sources: readonly { readonly id: number; readonly name: string }[];
  /** at the site; tells the planting that stands from one that is planned after it */
  today: string | null;
  onSaved(id: number): void;
}) {
  const [form] = Form.useForm<FormValues>();
  const save = useSaveZone();
  const [unconfirmed, setUnconfirmed] = useState<readonly string[]>(
    zone?.unconfirmed ?? [...startFields(FIRST_SYSTEM), "transmissionPct"],
  );
  const watched = Form.useWatch(["definition", "system"], { form, preserve: true }) as System | undefined;
  const plantedCrop = Form.useWatch(["planting", "cropId"], form) as string | undefined;
  const system = watched ?? zone?.definition.system ?? FIRST_SYSTEM;

  const about = plantingsAbout(zone?.plantings ?? [], today);
  const [earlier, setEarlier] = useState<readonly Planting[]>(about.earlier);
  const [coming, setComing] = useState<readonly Planting[]>(about.coming);
  const standing = Form.useWatch<FormValues["planting"]>("planting", { form, preserve: true });

  const vessel = Form.useWatch<Vessel | null>(["layout", "vessel"], { form, preserve: true });
  const stand = standFor(Form.useWatch<FormValues["layout"]>("layout", { form, preserve: true }));

  const definition = Form.useWatch<FormValues["definition"]>("definition", { form, preserve: true }) ?? {};
  const typed = () => zoneOf(form.getFieldsValue(true) as FormValues, system, { earlier, coming }, unconfirmed);
  const { stray, stale, submit, take, touched, question } = useFormSave({
    form,
    schema: newZoneSchema,
    saved: zoneSchema,
    existing: zone,
    mutation: save,
    typed,
    unplaced: () => unplacedIn(form.getFieldsValue(true) as FormValues),
    onSaved: (saved) => onSaved(saved.id),
  });
  const houses = housesOf(zones, zone);
  const soldAs = crops.find(({ id }) => id === plantedCrop)?.soldAs;
  const confirm = (key: string): void => setUnconfirmed((before) => before.filter((other) => other !== key));
  const changed = (values: FormValues): void => {
    touched();
    const { system: chosen, ...fields } = values.definition ?? {};
    Object.keys(fields).forEach(confirm);
    if (values.house?.transmissionPct !== undefined) confirm("transmissionPct");
    const chosenHouse = houses.get(values.house?.name?.trim() ?? "");
    if (chosenHouse) {
      for (const key of ["transmissionPct", "rainThroughPct", "heatedToC"] as const)
        form.setFieldValue(["house", key], chosenHouse[key]);
      if (!chosenHouse.unconfirmed) confirm("transmissionPct");
    }
    const crop = crops.find((candidate) => candidate.id === values.planting?.cropId);
    if (crop && !form.getFieldValue("name")) form.setFieldValue("name", crop.name);
    if (chosen) {
      const before = form.getFieldsValue(true) as FormValues;
      form.setFieldsValue({
        definition: { ...startValues(chosen), ...before.definition, system: chosen },
        layout: { ...before.layout, ...SYSTEMS[chosen].layout },
      });
      form.setFieldValue(["layout", "vessel"], SYSTEMS[chosen].layout.vessel);
      if (!zone) setUnconfirmed((old) => [...startFields(chosen), ...old.filter((key) => key === "transmissionPct")]);
    }
    const kind = values.layout?.vessel?.["kind"];
    if (kind) form.setFieldValue(["layout", "vessel"], VESSEL_STARTS[kind as Vessel["kind"]]);
    if (values.layout ?? chosen) fillFrom(standFor((form.getFieldsValue(true) as FormValues).layout));
  };
  /** Area, plants and flow follow the layout; typed by hand they stay until it changes again. */
  const fillFrom = (found: Laid | null): void => {
    if (!found) return;
    const { areaM2, plants, flowLh, waterHeldLPlant, returnCm } = found.stand;
    form.setFieldsValue({
      definition: {
        areaM2,
        plants,
        ...(flowLh > 0 && { flowLh }),
        ...(waterHeldLPlant !== null && { waterHeldLPlant }),
        ...(returnCm !== null && { fullLevelCm: returnCm, topUpAtCm: RETURN_TANK_TOPPED_UP_AT * returnCm }),
      },
    });
  };
  const layouts = SYSTEM_VIEWS[system].questions;
  const layoutItem = ({ key, label, quantity, unit }: LayoutField) => (
    <Form.Item key={key} name={["layout", ...key.split(".")]} label={label}>
      <QuantityInput {...(quantity && { quantity })} {...(unit && { unit })} />
    </Form.Item>
  );
  const definitionItem = (key: string) => {
    const field = zoneFields(system).find((candidate) => candidate.key === key);
    if (!field) return null;
    return (
      <Form.Item
        key={key}
        name={["definition", key]}
        label={field.label}
        extra={
          unconfirmed.includes(key) && (
            <DefaultNote
              label={field.label}
              source={startOf(system, key)?.source ?? ""}
              onConfirm={() => confirm(key)}
            />
          )
        }
      >
        <QuantityInput
          {...(field.quantity && { quantity: field.quantity })}
          {...(field.unit && { unit: field.unit })}
        />
      </Form.Item>
    );
  };
  return (
    <Form
      form={form}
      layout="vertical"
      requiredMark={false}
      initialValues={zone ? valuesOf(zone, today) : NEW_ZONE}
      onValuesChange={changed}
      onFinish={() => submit()}
    >
      {question}
      {stale && (
        <StaleEdit
          mine={typed()}
          theirs={withoutIdentity(stale)}
          onKeepMine={() => submit(stale)}
          onTakeTheirs={() => {
            form.setFieldsValue(valuesOf(stale, today));
            setEarlier(plantingsAbout(stale.plantings, today).earlier);
            setComing(plantingsAbout(stale.plantings, today).coming);
            setUnconfirmed(stale.unconfirmed);
            take(stale);
          }}
        />
      )}
      <WhatGrows crops={crops} />
      <Question number={2} text="In what system?">
        <Form.Item name={["definition", "system"]} label="Growing system">
          <Select options={SYSTEM_NAMES.map((value) => ({ value, label: SYSTEM_WORDS[value].name }))} />
        </Form.Item>
        <HouseFields
          houses={houses}
          isDefault={unconfirmed.includes("transmissionPct")}
          onConfirm={() => confirm("transmissionPct")}
        />
      </Question>
      <Question number={3} text="How big?">
        {layouts.big.map(layoutItem)}
      </Question>
      <Question number={4} text="How planted?">
        {layouts.planted.map(layoutItem)}
        {Object.keys(layouts.vessels).length > 0 && (
          <Form.Item name={["layout", "vessel", "kind"]} label="Grown in">
            <Select
              placeholder="not said"
              options={Object.entries(layouts.vessels).map(([value, { name }]) => ({ value, label: name }))}
            />
          </Form.Item>
        )}
        {vessel && layouts.vessels[vessel.kind]?.fields.map(layoutItem)}
        <Form.Item name={["layout", "offset"]} label="Pattern">
          <Select
            options={[
              { value: false, label: "side by side" },
              { value: true, label: "every second row moved" },
            ]}
          />
        </Form.Item>
      </Question>
      <Question number={5} text="How watered?">
        {layouts.watered.map(layoutItem)}
        {SIZES.map(definitionItem)}
      </Question>
      {stand && <LayoutPlan layout={stand.layout} stand={stand.stand} figures={definition} system={system} />}
      {stand && <Seedlings plants={stand.stand.plants} />}
      <details className={styles["details"]} open={zone !== null}>
        <summary>All else, with the figures it starts from</summary>
        <div className={styles["fields"]}>
          {sources.length > 1 &&
            sources.map(({ id, name }) => (
              <Form.Item key={id} name={["shares", String(id)]} label={`Water: ${name}`}>
                <QuantityInput unit="% of its water" />
              </Form.Item>
            ))}
          <Form.Item
            name={["planting", "targetPerM2"]}
            label={soldAs?.kind === "piece" ? `Yield aimed at, ${soldAs.many}` : "Yield aimed at"}
          >
            <QuantityInput quantity={soldAs?.kind === "piece" ? "density" : "yield"} />
          </Form.Item>
          <Form.Item
            name={["planting", "clearedOn"]}
            label="Cleared on"
            extra={<span>while it stands, leave it empty</span>}
          >
            <DateInput />
          </Form.Item>
          {zoneFields(system)
            .filter((field) => !SIZES.includes(field.key))
            .map((field) => definitionItem(field.key))}
        </div>
        <Earlier
          plantings={earlier}
          crops={crops}
          standing={standing}
          onNext={() => {
            setEarlier([...earlier, ...typed().plantings.slice(earlier.length, earlier.length + 1)]);
            form.setFieldValue("planting", undefined);
          }}
        />
      </details>
      <Faults faults={stray} error={stale ? null : save.error} />
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
