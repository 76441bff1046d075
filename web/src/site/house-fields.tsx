import { COVER_START } from "@sprunel/core/site";
import AutoComplete from "antd/es/auto-complete";
import Form from "antd/es/form";
import { QuantityInput } from "../units/quantity-input.tsx";
import styles from "./set-up.module.css";
import { DefaultNote } from "./zone-form-parts.tsx";
import type { FormValues, House } from "./zone-form-values.ts";

/** What a zone shares with all others of its house; says whom a change touches. */
export function HouseFields({
  houses,
  isDefault,
  onConfirm,
}: {
  houses: ReadonlyMap<string, House>;
  /** the light through the cover is a figure that nobody confirmed */
  isDefault: boolean;
  onConfirm(): void;
}) {
  const form = Form.useFormInstance<FormValues>();
  const house = Form.useWatch<FormValues["house"]>("house", { form, preserve: true });
  const others = houses.get(house?.name?.trim() ?? "");
  const touchedByLight = others && house?.transmissionPct !== others.transmissionPct ? others.zones : [];
  /** Of what counts for all zones of a house: whom a change touches, or what it is. */
  const ofHouse = (key: "rainThroughPct" | "heatedToC", says: string) =>
    others && others.zones.length > 0 && (house?.[key] ?? null) !== others[key] ? (
      <span role="status" className={styles["default"]}>
        also counts for {others.zones.join(", ")}
      </span>
    ) : (
      <span>{says}</span>
    );
  return (
    <>
      <Form.Item name={["house", "name"]} label="House or field">
        <AutoComplete options={[...houses.keys()].map((value) => ({ value }))} showSearch={{ filterOption: true }} />
      </Form.Item>
      <Form.Item
        name={["house", "transmissionPct"]}
        label="Light through the cover"
        extra={
          touchedByLight.length > 0 ? (
            <span role="status" className={styles["default"]}>
              also changes the light, and so the litres, of {touchedByLight.join(", ")}
            </span>
          ) : isDefault ? (
            <DefaultNote label="Light through the cover" source={COVER_START.source} onConfirm={onConfirm} />
          ) : (
            <span>for all zones of this house; 100 % is the open field</span>
          )
        }
      >
        <QuantityInput unit="%" />
      </Form.Item>
      <Form.Item
        name={["house", "rainThroughPct"]}
        label="Rain through the cover"
        extra={ofHouse(
          "rainThroughPct",
          "empty: all in the open field, none under a roof; a net lets most of it through",
        )}
      >
        <QuantityInput unit="%" />
      </Form.Item>
      <Form.Item
        name={["house", "heatedToC"]}
        label="Heated to"
        extra={ofHouse("heatedToC", "counts where no sensor tells the air inside; empty without heating")}
      >
        <QuantityInput quantity="temperature" signed />
      </Form.Item>
    </>
  );
}
