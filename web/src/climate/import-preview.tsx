import { Told } from "../units/told.ts";
import { weatherKindSchema, type WeatherChoices, type WeatherPreview } from "@sprunel/contract/climate";
import { toCanonical } from "@sprunel/core/units";
import Alert from "antd/es/alert";
import Select from "antd/es/select";
import { useState } from "react";
import { ColumnsTable, Lacks } from "../files/columns-table.tsx";
import { Counts } from "../files/counts.tsx";
import { ClockZone, HowWritten, Remembered } from "../files/file-settings.tsx";
import { QuantityInput } from "../units/quantity-input.tsx";
import { showDigits } from "../units/show.ts";
import { useUnits } from "../units/use-units.tsx";
import { KIND_WORDS } from "./kind-words.ts";
import { ImportFaults } from "./import-faults.tsx";
import styles from "../files/files.module.css";

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
      <Counts
        of={[
          ["rows good", counts.accepted],
          ["flagged: stored, some value set aside or doubtful", counts.flagged],
          ["rejected", counts.rejected],
          ["lines that are no data", counts.notData],
          ["hours missing in between", hours.missing],
          ["values new to the store", preview.stored.newValues],
          ...(preview.stored.conflicts > 0
            ? [["differ from what is stored: the first stays", preview.stored.conflicts] as const]
            : []),
        ]}
      />
      <Remembered by={preview.rememberedFrom} />
      <Settings preview={preview} choices={choices} onChange={onChange} />
      {preview.preamble.length > 0 && (
        <p className="quiet">On top of the file stands: {preview.preamble.join(" · ")}</p>
      )}
      {preview.warnings.map((warning) => (
        <Alert key={warning} type="warning" showIcon title={<Told>{warning}</Told>} />
      ))}
      <Lacks lacks={preview.lacks} named={(kind) => KIND_WORDS[kind as keyof typeof KIND_WORDS]} />
      <ColumnsTable
        columns={preview.columns}
        kinds={preview.kinds}
        named={(kind) => KIND_WORDS[kind as keyof typeof KIND_WORDS]}
        chosen={choices.columns ?? []}
        onChange={(columns) => onChange({ ...choices, columns })}
      />
      <Sample preview={preview} />
      <ImportFaults preview={preview} />
    </>
  );
}

const MARKS = [
  { value: "start", label: "the start of its hour" },
  { value: "end", label: "the end of its hour" },
] as const;

function Settings({ preview, choices, onChange }: Props) {
  const { dialect } = preview;
  return (
    <section className={styles["settings"]} aria-label="How the file is read">
      <label>
        A time in the file is
        <Select
          value={dialect.stampMarks}
          options={[...MARKS]}
          className="select-l"
          onChange={(stampMarks) => onChange({ ...choices, stampMarks })}
        />
        {dialect.stampMarksAssumed && (
          <span className={styles["assumed"]}>assumed, the file does not say: please check</span>
        )}
      </label>
      <ClockZone value={dialect.timeZone} onChange={(timeZone) => onChange({ ...choices, timeZone })} />
      <HowWritten
        written={dialect}
        book={preview.book}
        choices={choices}
        onChange={(settled) => onChange({ ...choices, ...settled })}
        onSheet={(sheet) => onChange({ sheet })}
      />
      {preview.columns.some(({ kind }) => kind === "wind") && (
        <WindHeight
          heightM={dialect.windHeightM}
          isAssumed={dialect.windHeightAssumed}
          onChange={(windHeightM) => onChange({ ...choices, windHeightM })}
        />
      )}
    </section>
  );
}

/** What is typed stands as it is typed; the file is read anew with each height that can be. */
function WindHeight({
  heightM,
  isAssumed,
  onChange,
}: {
  heightM: number;
  isAssumed: boolean;
  onChange(heightM: number): void;
}) {
  const [typed, setTyped] = useState<number | null>(heightM);
  return (
    <label>
      Its wind sensor stands
      <QuantityInput
        quantity="length"
        value={typed}
        onChange={(value) => {
          setTyped(value);
          if (value !== null && value >= LEAST_WIND_M && value <= MOST_WIND_M) onChange(value);
        }}
      />
      {isAssumed && (
        <span className={styles["assumed"]}>above ground: assumed, the file does not say; plans count with 2 m</span>
      )}
    </label>
  );
}

/** Heights that the contract takes, m. */
const [LEAST_WIND_M, MOST_WIND_M] = [0.5, 200];

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
    <section className={styles["scroll"]} tabIndex={0} aria-label="First rows">
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
