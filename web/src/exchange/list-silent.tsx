import type { ListChoices, ListPreview } from "@sprunel/contract/exchange";
import Select from "antd/es/select";
import styles from "../files/files.module.css";
import { ClockInput } from "../forms/clock-input.tsx";
import { DateInput } from "../forms/date-input.tsx";
import { useSetUp } from "../place/use-set-up.ts";
import { QuantityInput } from "../units/quantity-input.tsx";

export interface Props {
  readonly preview: ListPreview;
  readonly choices: ListChoices;
  onChange(choices: ListChoices): void;
}

/** What the file does not say of any of its rows, and somebody can: whose they are, and at which time of day. */
export function Silent({ preview, choices, onChange }: Props) {
  const setUp = useSetUp();
  const { rejected, dialect, list } = preview;
  const hasZones = preview.columns.some(({ kind }) => kind === "zone");
  const asksZone =
    list !== "shelf" &&
    (choices.zone !== undefined || rejected.some(({ reason }) => reason === "unknown-zone")) &&
    !hasZones;
  const asksDay = choices.day !== undefined || preview.lacks.some((group) => group.includes("date"));
  const strange = [
    ...new Set([
      ...rejected.flatMap(({ reason, detail }) => (hasZones && NAMES_NO_ZONE.has(reason) ? [detail] : [])),
      ...Object.keys(choices.zoneNames ?? {}),
    ]),
  ].sort();
  const crates = [
    ...new Set([
      ...rejected.flatMap(({ reason, detail }) => (reason === "crate-weight" ? [detail] : [])),
      ...Object.keys(choices.crateKg ?? {}),
    ]),
  ].sort();
  if (!asksZone && !asksDay && !dialect.untimed && crates.length + strange.length === 0) return null;
  return (
    <section className={styles["settings"]} aria-label="What the file does not say">
      {asksZone && (
        <label>
          Its rows are of
          <Select
            {...(choices.zone !== undefined && { value: choices.zone })}
            placeholder="choose the zone"
            options={(setUp.data?.zones ?? []).map(({ name }) => ({ value: name, label: name }))}
            className="select-m"
            onChange={(zone: string) => onChange({ ...choices, zone })}
          />
          <span className={styles["assumed"]}>no column names a zone</span>
        </label>
      )}
      {strange.map((name) => (
        <label key={name}>
          “{name}” is
          <Select
            aria-label={`“${name}” is`}
            {...(choices.zoneNames?.[name] !== undefined && { value: choices.zoneNames[name] })}
            placeholder="choose the zone"
            allowClear
            options={(setUp.data?.zones ?? []).map((zone) => ({ value: zone.name, label: zone.name }))}
            className="select-m"
            onChange={(zone: string | undefined) => {
              const { [name]: _before, ...others } = choices.zoneNames ?? {};
              onChange({ ...choices, zoneNames: zone === undefined ? others : { ...others, [name]: zone } });
            }}
          />
          <span className={styles["assumed"]}>no zone has this name: its rows are left out until you choose</span>
        </label>
      ))}
      {crates.map((zone) => (
        <label key={zone}>
          A crate of {zone} weighs
          <QuantityInput
            live
            quantity="mass"
            value={choices.crateKg?.[zone] ?? null}
            onChange={(kg) => {
              const { [zone]: _before, ...others } = choices.crateKg ?? {};
              onChange({ ...choices, crateKg: kg === null ? others : { ...others, [zone]: kg } });
            }}
          />
          <span className={styles["assumed"]}>the file counts crates</span>
        </label>
      ))}
      {asksDay && (
        <label>
          Its rows are from
          <DateInput
            value={choices.day ?? null}
            onChange={(day) => {
              const { day: _before, ...rest } = choices;
              onChange(day === null ? rest : { ...rest, day });
            }}
          />
          <span className={styles["assumed"]}>no column tells a day</span>
        </label>
      )}
      {dialect.untimed && (
        <label>
          Its readings count as of
          <ClockInput
            value={choices.hour ?? "12:00"}
            onChange={(hour) => hour !== null && /^\d{2}:\d{2}$/.test(hour) && onChange({ ...choices, hour })}
          />
          {choices.hour === undefined && (
            <span className={styles["assumed"]}>assumed, the file tells no time of day</span>
          )}
        </label>
      )}
    </section>
  );
}

const NAMES_NO_ZONE = new Set(["unknown-zone", "ambiguous-zone"]);
