import type { DosePlan, DoseProgramme } from "@sprunel/contract/feed";
import { plainDressing, type DressingDay } from "@sprunel/core/feed/doses";
import Button from "antd/es/button";
import Input from "antd/es/input";
import Select from "antd/es/select";
import { DateInput } from "../../forms/date-input.tsx";
import { QuantityInput } from "../../units/quantity-input.tsx";
import styles from "./doses.module.css";

type Part = DoseProgramme["dressings"][number];
type Stages = NonNullable<DosePlan["planting"]>["stages"];
interface Bag {
  readonly value: string;
  readonly label: string;
}

const DEFAULT_EVERY_DAYS = 14;
const STAGE = "stage ";

/** The parts that a season's doses are put together from: when, how often, how much of each nutrient, of which bags, and if. */
export function ProgrammeParts({
  parts,
  stages,
  bags,
  usual,
  onChange,
}: {
  parts: DoseProgramme["dressings"];
  stages: Stages;
  bags: readonly Bag[];
  /** what comes where no part is said */
  usual: string;
  onChange(parts: DoseProgramme["dressings"]): void;
}) {
  return (
    <fieldset className={styles["wide"]}>
      <legend>parts; without any, {usual} (assumed)</legend>
      {parts.map((part, at) => (
        <PartFields
          // A part has no name of its own.
          key={at}
          part={part}
          name={`part ${at + 1}`}
          stages={stages}
          bags={bags}
          onChange={(change) => onChange(parts.map((one, place) => (place === at ? { ...one, ...change } : one)))}
          onRemove={() => onChange(parts.filter((_, place) => place !== at))}
        />
      ))}
      <Button size="small" onClick={() => onChange([...parts, newPart()])}>
        Add a part
      </Button>
    </fieldset>
  );
}

function newPart(): Part {
  return {
    ...plainDressing({ kind: "date", on: "" }, 0),
    productIds: null,
    repeat: null,
    day: { kind: "date", on: "" },
  };
}

function PartFields({
  part,
  name,
  stages,
  bags,
  onChange,
  onRemove,
}: {
  part: Part;
  name: string;
  stages: Stages;
  bags: readonly Bag[];
  onChange(change: Partial<Part>): void;
  onRemove(): void;
}) {
  const { day, repeat, sharePct, shareP, shareK, productIds, onlyIf } = part;
  const share = (nutrient: "P" | "K", value: number | null) => (
    <QuantityInput
      label={`Share of ${nutrient} in ${name}`}
      unit={`% ${nutrient}`}
      placeholder="as N"
      value={value}
      onChange={(typed) => onChange({ [`share${nutrient}`]: typed ?? null })}
    />
  );
  return (
    <div role="group" aria-label={`Fields of ${name}`} className={styles["part"]}>
      <div className={styles["line"]}>
        <DayFields day={day} label={name} stages={stages} onChange={(next) => onChange({ day: next })} />
        <span>gives</span>
        <QuantityInput
          label={`Share of ${name}`}
          unit="% N"
          value={sharePct}
          onChange={(typed) => onChange({ sharePct: typed ?? NaN })}
        />
        {share("P", shareP)}
        {share("K", shareK)}
        <Button size="small" aria-label={`Remove ${name}`} onClick={onRemove}>
          Remove
        </Button>
      </div>
      <div className={styles["line"]}>
        <span>again every</span>
        <QuantityInput
          label={`Days between times of ${name}`}
          unit="days"
          placeholder="once"
          value={repeat?.everyDays ?? null}
          onChange={(typed) =>
            onChange({
              repeat: typed === null ? null : { everyDays: typed, until: repeat?.until ?? { kind: "date", on: "" } },
            })
          }
        />
        {repeat ? (
          <>
            <span>until</span>
            <DayFields
              day={repeat.until}
              label={`the end of ${name}`}
              stages={stages}
              onChange={(until) => onChange({ repeat: { ...repeat, until } })}
            />
          </>
        ) : (
          <Button
            size="small"
            onClick={() => onChange({ repeat: { everyDays: DEFAULT_EVERY_DAYS, until: { kind: "date", on: "" } } })}
          >
            Repeat it
          </Button>
        )}
        <Select
          aria-label={`Bags of ${name}`}
          mode="multiple"
          placeholder="of all bags"
          className={styles["some"] ?? ""}
          value={productIds ?? []}
          options={[...bags]}
          onChange={(ids) => onChange({ productIds: ids.length > 0 ? ids : null })}
        />
        <Input
          aria-label={`What must be so for ${name}`}
          className={styles["condition"]}
          placeholder="only if … (empty: whatever comes)"
          value={onlyIf ?? ""}
          onChange={({ target }) => onChange({ onlyIf: target.value || null })}
        />
      </div>
    </div>
  );
}

/** A day, said by its date or by what comes before it. */
function DayFields({
  day,
  label,
  stages,
  onChange,
}: {
  day: DressingDay;
  label: string;
  stages: Stages;
  onChange(day: DressingDay): void;
}) {
  const days = day.kind === "date" ? 0 : day.days;
  const choose = (value: string): void => {
    if (value === "date") onChange({ kind: "date", on: "" });
    else if (value === "planting") onChange({ kind: "planting", days });
    else if (value === "pick") onChange({ kind: "pick", pick: 1, days });
    else onChange({ kind: "stage", stageId: value.slice(STAGE.length), days });
  };
  return (
    <>
      {day.kind !== "date" && (
        <QuantityInput
          label={`Days after, of ${label}`}
          unit="days"
          value={day.days}
          onChange={(typed) => onChange({ ...day, days: typed ?? NaN })}
        />
      )}
      <Select
        aria-label={`When, of ${label}`}
        value={day.kind === "stage" ? STAGE + day.stageId : day.kind}
        options={[
          { value: "date", label: "on the date" },
          { value: "planting", label: "after planting" },
          ...stages.map(({ id, name }) => ({ value: STAGE + id, label: `after ${name.toLowerCase()} begins` })),
          { value: "pick", label: "after the pick" },
        ]}
        onChange={choose}
        className="select-m"
      />
      {day.kind === "date" && (
        <DateInput
          label={`Date of ${label}`}
          value={day.on || null}
          onChange={(on) => onChange({ kind: "date", on: on ?? "" })}
        />
      )}
      {day.kind === "pick" && (
        <QuantityInput
          label={`Number of the pick, of ${label}`}
          unit="pick"
          value={day.pick}
          onChange={(typed) => onChange({ ...day, pick: typed ?? NaN })}
        />
      )}
    </>
  );
}
