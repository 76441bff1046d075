import { previewTissue, type TissuePreview } from "@sprunel/contract/exchange";
import type { DoseProgramme } from "@sprunel/contract/feed";
import { MOST_STEP_PCT, stepFor, TISSUE_ROWS, UNCHANGED, type TissueRow } from "@sprunel/core/feed/doses";
import Button from "antd/es/button";
import Select from "antd/es/select";
import { useState } from "react";
import { AnalysisButton, AnalysisSettings, type AnalysisChoices } from "../../files/analysis-file.tsx";
import type { ChosenFile } from "../../files/chosen-file.ts";
import { Reading } from "../../files/reading.tsx";
import { useAnalysis } from "../../files/use-analysis.ts";
import { DateInput } from "../../forms/date-input.tsx";
import forms from "../../forms/forms.module.css";
import { ProblemNote } from "../../parts/problem.tsx";
import tables from "../../theme/tables.module.css";
import { trySum } from "../../sums/try-sum.ts";
import { showDigits } from "../../units/show.ts";
import { QuantityInput } from "../../units/quantity-input.tsx";
import styles from "./doses.module.css";

type Change = DoseProgramme["changes"][number];
type TissueLine = TissuePreview["lines"][number];

const ROW_WORDS: Readonly<Record<TissueRow, string>> = {
  found: "what was found",
  low: "band from",
  high: "band to",
  band: "the band, as 3 – 5",
  skip: "not read",
};
const NUTRIENT_WORDS: Readonly<Record<string, string>> = {
  N: "nitrogen (N)",
  P: "phosphorus (P)",
  K: "potassium (K)",
  ignore: "not read: bears on no dose",
};

/** A band that the sheet does not tell is typed; it stays with its line. */
type Bands = Readonly<Record<number, { readonly low?: number | null; readonly high?: number | null }>>;
interface Settled {
  readonly choices: AnalysisChoices;
  readonly rows: readonly { readonly row: number; readonly is: TissueRow }[];
  readonly bands: Bands;
}
const FRESH: Settled = { choices: {}, rows: [], bands: {} };

/** Results of leaf, sap or extract from a laboratory's sheet, and what they ask of the doses from a day on, together. */
export function TissueFile({ today, onTake, onDone }: { today: string; onTake(change: Change): void; onDone(): void }) {
  const [file, setFile] = useState<ChosenFile | null>(null);
  const [{ choices, rows, bands }, setSettled] = useState(FRESH);
  const [fromOn, setFromOn] = useState<string | null>(today);
  const preview = useAnalysis(previewTissue, file, { ...choices, ...(rows.length > 0 && { rows }) });
  const sheet = preview.error ? undefined : preview.data;
  const lines = (sheet?.lines ?? []).map((line) => judged({ ...line, ...bands[line.line] }));
  const moving = lines.filter((line) => line.step !== null && line.step !== UNCHANGED.N);
  const setRow = (row: number, is: TissueRow): void =>
    setSettled({ choices, bands, rows: [...rows.filter((one) => one.row !== row), { row, is }] });
  return (
    <div role="group" aria-label="Results from a file" className={styles["fromFile"]}>
      <p>
        A laboratory’s sheet as text or workbook: a nutrient a row or a nutrient a column, with the band in which each
        should lie.
      </p>
      <AnalysisButton
        file={file}
        onFile={(next) => {
          setFile(next);
          setSettled(FRESH);
        }}
      />
      {file && preview.isFetching && !preview.data && (
        <Reading fileName={file.name} step={preview.step} onStop={() => setFile(null)} />
      )}
      {file && preview.error && <ProblemNote error={preview.error} />}
      {sheet && <Rows rows={sheet.rows} onSet={setRow} />}
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
                  {line.found === null ? (line.unread ?? "–") : `${showDigits(line.found)} ${line.unit ?? ""}`}
                  {line.unread !== null && <small> is no single figure</small>}
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
                        setSettled({
                          ...{ choices, rows },
                          bands: { ...bands, [line.line]: { ...bands[line.line], [end]: value ?? null } },
                        })
                      }
                    />
                  </td>
                ))}
                <td>{asks(line)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {sheet && (
        <AnalysisSettings
          told={sheet}
          named={(kind) => NUTRIENT_WORDS[kind] ?? kind}
          choices={choices}
          onChange={(next) => setSettled({ rows, bands, choices: next })}
        />
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

/** What each row, or column, of figures was taken for; a person sets it where that is wrong. */
function Rows({ rows, onSet }: { rows: TissuePreview["rows"]; onSet(row: number, is: TissueRow): void }) {
  return (
    <div className={forms["fields"]} role="group" aria-label="Figures of the file">
      {rows.map(({ row, header, is, examples }) => (
        <label key={row}>
          {header || `figures ${row}`} <small>{examples.join(" · ")}</small>
          <Select
            aria-label={header || `figures ${row}`}
            value={is}
            options={TISSUE_ROWS.map((value) => ({ value, label: ROW_WORDS[value] }))}
            onChange={(next) => onSet(row, next)}
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
