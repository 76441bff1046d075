import { newSiteSchema, siteSchema, type NewSite, type Site } from "@sprunel/contract/site";
import Button from "antd/es/button";
import Form from "antd/es/form";
import Input from "antd/es/input";
import Select from "antd/es/select";
import { Faults } from "../forms/faults.tsx";
import { datesIn } from "../units/dates.tsx";
import { QuantityInput } from "../units/quantity-input.tsx";
import styles from "./set-up.module.css";
import { StaleEdit, withoutIdentity } from "../forms/stale-edit.tsx";
import { useFormSave } from "./use-form-save.ts";
import { useSaveSite } from "../place/use-set-up.ts";

/** Where the site lies and how it is read. */
export function SiteForm({ site, onSaved }: { site: Site | null; onSaved(): void }) {
  const [form] = Form.useForm<NewSite>();
  const save = useSaveSite();

  const { stray, stale, submit, take, touched, question } = useFormSave({
    form,
    schema: newSiteSchema,
    saved: siteSchema,
    existing: site,
    mutation: save,
    typed: () => withoutIdentity(form.getFieldsValue(true)),
    onSaved,
  });
  const zones = Intl.supportedValuesOf("timeZone").map((zone) => ({ value: zone, label: zone }));
  return (
    <Form
      form={form}
      layout="vertical"
      initialValues={site ?? START}
      onFinish={() => submit()}
      onValuesChange={touched}
      requiredMark={false}
    >
      {question}
      {!site && (
        <p className={styles["section"]}>
          Latitude and longitude stand on any map of the place; the sun of every day follows from them.
        </p>
      )}
      {stale && (
        <StaleEdit
          mine={withoutIdentity(form.getFieldsValue(true))}
          theirs={withoutIdentity(stale)}
          onKeepMine={() => submit(stale)}
          onTakeTheirs={() => {
            form.setFieldsValue(stale);
            take(stale);
          }}
        />
      )}
      <div className={styles["fields"]}>
        <Form.Item name="name" label="Name of the site">
          <Input />
        </Form.Item>
        <Form.Item name="latitudeDeg" label="Latitude, south negative">
          <QuantityInput unit="°" most={90} signed />
        </Form.Item>
        <Form.Item name="longitudeDeg" label="Longitude, west negative">
          <QuantityInput unit="°" most={180} signed />
        </Form.Item>
        <Form.Item name="elevationM" label="Elevation above the sea">
          <QuantityInput quantity="length" />
        </Form.Item>
        <Form.Item name="timeZone" label="Time zone">
          <Select showSearch options={zones} />
        </Form.Item>
        <Form.Item name="dateForm" label="How dates are written">
          <Select
            options={(["dmy", "mdy", "ymd"] as const).map((value) => ({
              value,
              label: datesIn(value).show("2026-06-16", "year"),
            }))}
          />
        </Form.Item>
        <Form.Item name="unitSystem" label="Units, unless somebody switches">
          <Select
            options={[
              { value: "metric", label: "metric: °C, L, m²" },
              { value: "us", label: "US: °F, gal, ft²" },
            ]}
          />
        </Form.Item>
        <Form.Item
          name="pumpLh"
          label="The pump gives at most"
          extra="empty where nobody knows; then no clash at the pump can be told"
        >
          <QuantityInput quantity="flow" />
        </Form.Item>
        <Form.Item name="currency" label="Currency, three letters">
          <Input maxLength={3} />
        </Form.Item>
        <Form.Item
          name="kwhPrice"
          label="Price of current"
          extra="empty where nobody knows; then no cost of lamps is told"
        >
          <QuantityInput unit="for a kWh" />
        </Form.Item>
      </div>
      <Faults faults={stray} error={stale ? null : save.error} />
      <div className={styles["actions"]}>
        <Button type="primary" htmlType="submit" loading={save.isPending}>
          Save
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

/** A new site starts with what the browser knows; the place itself is left for the person. */
const START: Partial<NewSite> = {
  timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
  unitSystem: "metric",
  currency: "EUR",
};
