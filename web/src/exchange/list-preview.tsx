import type { ListPreview } from "@sprunel/contract/exchange";
import Checkbox from "antd/es/checkbox";
import Collapse from "antd/es/collapse";
import { useDates } from "../units/dates.tsx";
import { useUnits } from "../units/use-units.tsx";
import { useSiteTime } from "../place/use-site-time.ts";
import { ColumnsTable, Lacks } from "../files/columns-table.tsx";
import { Counts } from "../files/counts.tsx";
import { SetAsideDownload } from "../files/set-aside.tsx";
import { FaultRows, REASONS } from "../files/fault-rows.tsx";
import { ClockZone, HowWritten, Remembered } from "../files/file-settings.tsx";
import styles from "../files/files.module.css";
import { QuantityInput } from "../units/quantity-input.tsx";
import { Silent, type Props } from "./list-silent.tsx";
import { FIELD_WORDS, FLAG_WORDS, wordsOf } from "./list-words.ts";

/** What the program makes of a list; whatever it guessed can be settled here. */
export function ListPreviewParts({ preview, choices, onChange }: Props) {
  const { counts, stored, dialect } = preview;
  return (
    <>
      <Counts
        of={[
          ["rows good", counts.accepted],
          ["flagged: some value set aside or guessed", counts.flagged],
          ["rejected", counts.rejected],
          ["lines that are no data", counts.notData],
          ["stored already", stored.alreadyThere],
          ["cannot be at this site", stored.refused.length],
        ]}
      />
      <Remembered by={preview.rememberedFrom} />
      <Offers preview={preview} choices={choices} onChange={onChange} />
      <section className={styles["settings"]} aria-label="How the file is read">
        {preview.list === "readings" && (
          <ClockZone value={dialect.timeZone} onChange={(timeZone) => onChange({ ...choices, timeZone })} />
        )}
        <HowWritten
          written={preview.list === "shelf" ? { ...dialect, dateOrder: undefined } : dialect}
          book={preview.book}
          choices={choices}
          onChange={(settled) => onChange({ ...choices, ...settled })}
          onSheet={(sheet) => onChange({ sheet })}
        />
        {preview.list === "readings" && !preview.columns.some(({ kind }) => kind === "drippers") && (
          <label>
            Drippers over the tray
            <QuantityInput
              live
              unit=""
              value={choices.drippersOnTray ?? null}
              onChange={(drippersOnTray) => {
                const { drippersOnTray: _before, ...rest } = choices;
                onChange(drippersOnTray === null ? rest : { ...rest, drippersOnTray });
              }}
            />
            <span className="quiet">empty: as the text on top says</span>
          </label>
        )}
      </section>
      <Silent preview={preview} choices={choices} onChange={onChange} />
      {preview.preamble.length > 0 && (
        <p className="quiet">On top of the file stands: {preview.preamble.join(" · ")}</p>
      )}
      <Lacks lacks={preview.lacks} named={wordsOf} />
      <ColumnsTable
        columns={preview.columns}
        kinds={preview.kinds}
        named={wordsOf}
        chosen={choices.columns ?? []}
        onChange={(columns) => onChange({ ...choices, columns })}
      />
      <Sample preview={preview} />
      <Faults preview={preview} />
    </>
  );
}

/** What was likely meant: taken only line by line, when somebody agrees. */
function Offers({ preview, choices, onChange }: Props) {
  const accepted = choices.acceptOffers ?? [];
  // A line may be several rows, and is agreed to as a whole.
  const offered = new Map<number, string[]>();
  for (const { line, flags } of preview.flagged)
    for (const { raw, offer } of flags)
      if (offer) offered.set(line, [...(offered.get(line) ?? []), offerWords(raw, offer)]);
  if (offered.size === 0) return null;
  const toggle = (line: number): void =>
    onChange({
      ...choices,
      acceptOffers: accepted.includes(line) ? accepted.filter((other) => other !== line) : [...accepted, line],
    });
  return (
    <section aria-label="Likely slips">
      <h2>Likely slips</h2>
      <p className="quiet">Set aside unless you agree.</p>
      {[...offered].map(([line, words]) => (
        <div key={line}>
          <Checkbox checked={accepted.includes(line)} onChange={() => toggle(line)}>
            Line {line}: {words.join("; ")}
          </Checkbox>
        </div>
      ))}
    </section>
  );
}

function offerWords(raw: string, offer: Readonly<Record<string, number | readonly number[]>>): string {
  const meant = Object.entries(offer).map(([field, value]) => {
    const unit = FIELD_WORDS[field]?.unit ?? (field === "massKg" ? "kg" : "");
    const shown =
      typeof value === "number" ? Number(value.toPrecision(4)) : value.map((end) => Number(end.toFixed(1))).join("–");
    return `${wordsOf(field)} ${shown} ${unit}`.trim();
  });
  return `“${raw}” is meant as ${meant.join(", ")}`;
}

/** The first rows as they are stored, in the person's units. */
function Sample({ preview }: { preview: ListPreview }) {
  const { show } = useUnits();
  const dates = useDates();
  const { moment } = useSiteTime();
  const fields = [...new Set(preview.sample.flatMap(({ values }) => Object.keys(values)))].filter((field) =>
    preview.sample.some(({ values }) => values[field] !== null && values[field] !== ""),
  );
  const unitOf = (field: string): string => {
    const { unit, quantity } = FIELD_WORDS[field] ?? {};
    return quantity ? show(quantity, 0).unit : (unit ?? "");
  };
  const cell = (field: string, value: string | number | null | undefined): string => {
    if (value === null || value === undefined) return "–";
    if (typeof value === "string") return textOf(field, value);
    const quantity = FIELD_WORDS[field]?.quantity;
    return quantity ? show(quantity, value).text : String(Number(value.toPrecision(4)));
  };
  const textOf = (field: string, value: string): string =>
    field === "at" ? moment(value) : /^\d{4}-\d{2}-\d{2}$/.test(value) ? dates.show(value, "year") : value;
  if (preview.sample.length === 0) return null;
  return (
    <section className={styles["scroll"]} tabIndex={0} aria-label="First rows">
      <h2>The first rows, as they will be stored</h2>
      <table className={styles["table"]}>
        <thead>
          <tr>
            <th scope="col">line</th>
            {fields.map((field) => (
              <th key={field} scope="col">
                {wordsOf(field)}
                {unitOf(field) && `, ${unitOf(field)}`}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {preview.sample.map(({ line, values }, at) => (
            <tr key={at}>
              <td>{line}</td>
              {fields.map((field) => (
                <td key={field}>{cell(field, values[field])}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

function Faults({ preview }: { preview: ListPreview }) {
  const { rejected, flagged, stored } = preview;
  const setAside = [
    ...rejected.map(({ line, reason, detail }) => ({ line, what: detail, why: REASONS[reason] ?? reason })),
    ...flagged.flatMap(({ line, flags }) =>
      flags.map(({ code, kind, raw, taken }) => ({
        line,
        what: `${wordsOf(kind)}: ${raw}`,
        why: `${FLAG_WORDS[code] ?? code}${taken === undefined ? "" : ` (${taken})`}`,
      })),
    ),
    ...stored.refused.map(({ line, message }) => ({ line, what: "", why: message })),
  ].sort((a, b) => a.line - b.line);
  return (
    <>
      <SetAsideDownload fileName={preview.fileName} rows={setAside} />
      <Collapse
        items={[
          {
            key: "rejected",
            label: `Rejected rows (${rejected.length})`,
            children: (
              <FaultRows
                rows={rejected.map((row) => [
                  `line ${row.line}`,
                  `${REASONS[row.reason] ?? row.reason} (${row.detail})`,
                ])}
              />
            ),
          },
          {
            key: "flagged",
            label: `Flagged rows (${flagged.length})`,
            children: (
              <FaultRows
                rows={flagged.flatMap(({ line, flags }) =>
                  flags.map(({ code, kind, raw, taken }) => [
                    `line ${line}`,
                    `${wordsOf(kind)} “${raw}”: ${FLAG_WORDS[code] ?? code}${taken === undefined ? "" : ` (${taken})`}`,
                  ]),
                )}
              />
            ),
          },
          {
            key: "refused",
            label: `Rows that cannot be at this site (${stored.refused.length})`,
            children: <FaultRows rows={stored.refused.map(({ line, message }) => [`line ${line}`, message])} />,
          },
        ]}
      />
    </>
  );
}
