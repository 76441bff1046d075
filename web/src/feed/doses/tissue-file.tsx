import type { DoseProgramme } from "@sprunel/contract/feed";
import {
  MOST_STEP_PCT,
  readTissueSheet,
  stepFor,
  TISSUE_COLUMNS,
  UNCHANGED,
  type TissueColumn,
  type TissueLine,
  type TissueSheet,
} from "@sprunel/core/feed";
import Button from "antd/es/button";
import Select from "antd/es/select";
import { useState } from "react";
import { FileButton } from "../../files/file-button.tsx";
import { DateInput } from "../../forms/date-input.tsx";
import { Faults } from "../../forms/faults.tsx";
import forms from "../../forms/forms.module.css";
import tables from "../../theme/tables.module.css";
import { trySum } from "../../sums/try-sum.ts";
import { showDigits } from "../../units/show.ts";
import { QuantityInput } from "../../units/quantity-input.tsx";
import styles from "./doses.module.css";

type Change = DoseProgramme["changes"][number];

const COLUMN_WORDS: Readonly<Record<TissueColumn, string>> = {
  nutrient: "the nutrient",
  found: "what was found",
  unit: "its unit",
  low: "band from",
  high: "band to",
  band: "the band, as 3 – 5",
  skip: "not read",
};

/** A band that the sheet does not tell is typed; it stays with its line. */
type Bands = Readonly<Record<number, { readonly low?: number | null; readonly high?: number | null }>>;

/** Results of leaf, sap or extract from a laboratory's sheet, and what they ask of the doses from a day on, together. */
export function TissueFile({ today, onTake, onDone }: { today: string; onTake(change: Change): void; onDone(): void }) {
  const [bytes, setBytes] = useState<Uint8Array | null>(null);
  const [set, setSet] = useState<ReadonlyMap<number, TissueColumn>>(new Map());
  const [bands, setBands] = useState<Bands>({});
  const [fromOn, setFromOn] = useState<string | null>(today);
  const read = bytes && trySum(() => readTissueSheet(bytes, set));
  const sheet = typeof read === "string" ? null : read;
  const lines = (sheet?.lines ?? []).map((line) => judged({ ...line, ...bands[line.line] }));
  const twice = lines.filter(({ nutrient }, at) => lines.findIndex((one) => one.nutrient === nutrient) !== at);
  const moving = lines.filter((line) => !twice.includes(line) && line.step !== null && line.step !== UNCHANGED.N);
  return (
    <div role="group" aria-label="Results from a file" className={styles["fromFile"]}>
      <p>
        A laboratory’s sheet as CSV or text: a nutrient a row or a nutrient a column, with the band in which each should
        lie.
      </p>
      <FileButton
        accept=".csv,.txt,.tsv,text/csv,text/plain"
        onBytes={(next) => {
          setBytes(next);
          setSet(new Map());
          setBands({});
        }}
      >
        {bytes ? "Another file" : "Choose the file"}
      </FileButton>
      <Faults faults={typeof read === "string" ? [read] : []} error={null} />
      {sheet && <Columns sheet={sheet} onSet={(at, is) => setSet(new Map([...set, [at, is]]))} />}
      {lines.length > 0 && (
        <table className={tables["table"]}>
          <thead>
            <tr>
              <th scope="col">nutrient</th>
              <th scope="col">found</th>
              <th scope="col">band from</th>
              <th scope="col">band to</th>
              <th scope="col">asks of the doses</th>
            </tr>
          </thead>
          <tbody>
            {lines.map((line) => (
              <tr key={`${line.line} ${line.label}`}>
                <td>
                  {line.nutrient} <small>{line.label}</small>
                </td>
                <td>
                  {line.found === null ? "–" : `${showDigits(line.found)} ${line.unit ?? ""}`}
                  {line.below && <small> below what could be measured: half of that limit</small>}
                  {line.unit === null && <small> the sheet names no unit: is it that of the band?</small>}
                </td>
                {(["low", "high"] as const).map((end) => (
                  <td key={end}>
                    <QuantityInput
                      label={`Band ${end === "low" ? "from" : "to"}, ${line.nutrient}`}
                      unit={line.unit ?? ""}
                      value={line[end]}
                      onChange={(value) =>
                        setBands({ ...bands, [line.line]: { ...bands[line.line], [end]: value ?? null } })
                      }
                    />
                  </td>
                ))}
                <td>{twice.includes(line) ? "read twice: the first line counts" : asks(line)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {sheet && sheet.aside.length > 0 && (
        <details>
          <summary>
            {sheet.aside.length} {sheet.aside.length === 1 ? "line bears" : "lines bear"} on no dose of N, P or K
          </summary>
          <ul>
            {sheet.aside.map(({ line, text }) => (
              <li key={`${line} ${text}`}>{text}</li>
            ))}
          </ul>
        </details>
      )}
      <div className={forms["fields"]}>
        <label>
          for doses from
          <DateInput label="For doses from" value={fromOn} onChange={setFromOn} />
        </label>
      </div>
      <p className={forms["actions"]}>
        <Button
          type="primary"
          disabled={moving.length === 0 || fromOn === null}
          onClick={() => onTake(changeOf(moving, fromOn ?? ""))}
        >
          Change the doses
        </Button>
        <Button onClick={onDone}>Not now</Button>
      </p>
    </div>
  );
}

/** What each column was taken for; a person sets it where that is wrong. */
function Columns({ sheet, onSet }: { sheet: TissueSheet; onSet(at: number, is: TissueColumn): void }) {
  return (
    <div className={forms["fields"]} role="group" aria-label="Columns of the file">
      {sheet.columns.map(({ header, is, example }, at) => (
        <label key={`${at} ${header}`}>
          {header || `column ${at + 1}`} <small>{example}</small>
          <Select
            aria-label={`Column ${at + 1}`}
            value={is}
            options={TISSUE_COLUMNS.map((value) => ({ value, label: COLUMN_WORDS[value] }))}
            onChange={(next) => onSet(at, next)}
            className="select-m"
          />
        </label>
      ))}
    </div>
  );
}

interface Judged extends TissueLine {
  /** % of what was planned; null while a figure is missing */
  readonly step: number | null;
  readonly fault: string | null;
}

function judged(line: TissueLine): Judged {
  const { found: value, low, high } = line;
  if (value === null || low === null || high === null) return { ...line, step: null, fault: null };
  const tried = trySum(() => stepFor({ value, low, high }));
  return typeof tried === "string" ? { ...line, step: null, fault: tried } : { ...line, step: tried, fault: null };
}

function asks({ step, fault, found }: Judged): string {
  if (fault !== null) return fault;
  if (found === null) return "no figure was found";
  if (step === null) return "type the band, as the laboratory gives it";
  if (step === UNCHANGED.N) return "within its band: stays as it is";
  return `${step > UNCHANGED.N ? "+" : "−"}${Math.abs(step - UNCHANGED.N).toFixed(0)} %, ${MOST_STEP_PCT} % at most`;
}

/** All of them as one change, so that it is taken out as one. */
function changeOf(lines: readonly Judged[], fromOn: string): Change {
  return {
    fromOn,
    untilOn: null,
    factorPct: {
      ...UNCHANGED,
      ...Object.fromEntries(lines.map(({ nutrient, step }) => [nutrient, Number((step ?? 100).toFixed(1))])),
    },
    addKgHa: { N: 0, P: 0, K: 0 },
    why: lines
      .map(
        ({ nutrient, found, unit, low, high }) =>
          `${nutrient} ${showDigits(found ?? 0)} ${unit ?? ""}, band ${showDigits(low ?? 0)} to ${showDigits(high ?? 0)}`,
      )
      .join("; ")
      .slice(0, 200),
  };
}
