import { weatherKindSchema, type WeatherChoices, type WeatherPreview } from "@sprunel/contract";
import { toCanonical } from "@sprunel/core";
import Alert from "antd/es/alert";
import Select from "antd/es/select";
import { showDigits } from "../units/show.ts";
import { useUnits } from "../units/use-units.tsx";
import { KIND_WORDS } from "./kind-words.ts";
import { ImportFaults } from "./import-faults.tsx";
import styles from "./weather-import.module.css";

interface Props {
  readonly preview: WeatherPreview;
  readonly choices: WeatherChoices;
  onChange(choices: WeatherChoices): void;
}

/** What the program makes of the file; whatever it guessed can be settled here. */
export function ImportPreview({ preview, choices, onChange }: Props) {
  const { counts, hours } = preview;
  return (
    <>
      <dl className={styles["counts"]}>
        <Count name="rows good" value={counts.accepted} />
        <Count name="flagged: stored, some value set aside or doubtful" value={counts.flagged} />
        <Count name="rejected" value={counts.rejected} />
        <Count name="lines that are no data" value={counts.notData} />
        <Count name="hours missing in between" value={hours.missing} />
        <Count name="values new to the store" value={preview.stored.newValues} />
        {preview.stored.conflicts > 0 && (
          <Count name="differ from what is stored: the first stays" value={preview.stored.conflicts} />
        )}
      </dl>
      {preview.remembered && <p className="quiet">Read as you confirmed it for the last file with these columns.</p>}
      <Settings preview={preview} choices={choices} onChange={onChange} />
      {preview.preamble.length > 0 && (
        <p className="quiet">On top of the file stands: {preview.preamble.join(" · ")}</p>
      )}
      {preview.warnings.map((warning) => (
        <Alert key={warning} type="warning" showIcon title={warning} />
      ))}
      <Columns preview={preview} choices={choices} onChange={onChange} />
      <Sample preview={preview} />
      <ImportFaults preview={preview} />
    </>
  );
}

function Count({ name, value }: { name: string; value: number }) {
  return (
    <div>
      <dt>{name}</dt>
      <dd>{value}</dd>
    </div>
  );
}

const ORDERS = [
  { value: "ymd", label: "year, month, day" },
  { value: "dmy", label: "day, month, year" },
  { value: "mdy", label: "month, day, year" },
] as const;
const MARKS = [
  { value: "start", label: "the start of its hour" },
  { value: "end", label: "the end of its hour" },
] as const;

function Settings({ preview, choices, onChange }: Props) {
  const { dialect } = preview;
  const zones = Intl.supportedValuesOf("timeZone").map((zone) => ({ value: zone, label: zone }));
  return (
    <section className={styles["settings"]} aria-label="How the file is read">
      <label>
        A time in the file is
        <Select
          value={dialect.stampMarks}
          options={[...MARKS]}
          style={{ width: 210 }}
          onChange={(stampMarks) => onChange({ ...choices, stampMarks })}
        />
        {dialect.stampMarksAssumed && (
          <span className={styles["assumed"]}>assumed, the file does not say: please check</span>
        )}
      </label>
      <label>
        Its clock runs in
        <Select
          showSearch
          value={dialect.timeZone}
          options={zones}
          style={{ width: 230 }}
          onChange={(timeZone) => onChange({ ...choices, timeZone })}
        />
      </label>
      <label>
        Dates are written
        <Select
          value={dialect.dateOrder}
          options={[...ORDERS]}
          style={{ width: 190 }}
          onChange={(dateOrder) => onChange({ ...choices, dateOrder })}
        />
        {dialect.dateOrderAssumed && <span className={styles["assumed"]}>assumed, both orders fit: please check</span>}
      </label>
    </section>
  );
}

const KINDS = (["time", ...weatherKindSchema.options, "ignore"] as const).map((kind) => ({
  value: kind,
  label: KIND_WORDS[kind],
}));

function Columns({ preview, choices, onChange }: Props) {
  const change = (column: number, patch: Partial<{ kind: (typeof KINDS)[number]["value"]; unit: string }>): void =>
    onChange({
      ...choices,
      columns: preview.columns.map((known) => ({
        column: known.column,
        kind: known.kind,
        unit: known.unit,
        ...(known.column === column ? patch : {}),
      })),
    });
  return (
    <section className={styles["scroll"]}>
      <h2>Columns</h2>
      <table className={styles["table"]}>
        <thead>
          <tr>
            <th scope="col">in the file</th>
            <th scope="col">first cells</th>
            <th scope="col">means</th>
            <th scope="col">unit</th>
          </tr>
        </thead>
        <tbody>
          {preview.columns.map((column) => (
            <tr key={column.column}>
              <th scope="row">{column.header}</th>
              <td className="quiet">{column.examples.join(" · ")}</td>
              <td>
                <Select
                  aria-label={`${column.header} means`}
                  value={column.kind}
                  options={KINDS}
                  style={{ width: 170 }}
                  onChange={(kind) => change(column.column, { kind, unit: DEFAULT_UNITS[kind] })}
                />
              </td>
              <td>
                {column.unitChoices.length > 0 && (
                  <Select
                    aria-label={`Unit of ${column.header}`}
                    value={column.unit}
                    options={column.unitChoices.map((unit) => ({ value: unit, label: unit }))}
                    style={{ width: 100 }}
                    onChange={(unit) => change(column.column, { unit })}
                  />
                )}
                {column.unitAssumed && <div className={styles["assumed"]}>assumed: please check</div>}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

const DEFAULT_UNITS = {
  time: "",
  ignore: "",
  airTemperature: "°C",
  humidity: "%",
  wind: "m/s",
  radiation: "W/m2",
  rain: "mm",
} as const;

/** The first rows as they will be stored, in the person's units. */
function Sample({ preview }: { preview: WeatherPreview }) {
  const { show } = useUnits();
  const shownAs = { airTemperature: "temperature", wind: "wind", rain: "rain" } as const;
  const kinds = weatherKindSchema.options.filter((kind) => preview.columns.some((column) => column.kind === kind));
  const cell = (kind: (typeof kinds)[number], value: number | null): string => {
    if (value === null) return "–";
    if (kind === "humidity") return `${showDigits(value)} %`;
    if (kind === "radiation") return `${showDigits(value / toCanonical("radiationFlux", 1, "W/m²"))} W/m²`;
    const { text, unit } = show(shownAs[kind], value);
    return `${text} ${unit}`;
  };
  return (
    <section className={styles["scroll"]}>
      <h2>The first rows, as they will be stored</h2>
      <table className={styles["table"]}>
        <thead>
          <tr>
            <th scope="col">line</th>
            <th scope="col">hour begins (UTC)</th>
            {kinds.map((kind) => (
              <th key={kind} scope="col" className={styles["number"]}>
                {KIND_WORDS[kind]}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {preview.sample.map((row) => (
            <tr key={row.line}>
              <td>{row.line}</td>
              <td>{row.hourStartUtc.replace("T", " ").replace(":00Z", "")}</td>
              {kinds.map((kind) => (
                <td key={kind} className={styles["number"]}>
                  {cell(kind, row.values[kind])}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
