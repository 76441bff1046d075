import type { ListChoices, ListPreview } from "@sprunel/contract/exchange";
import Checkbox from "antd/es/checkbox";
import Collapse from "antd/es/collapse";
import Select from "antd/es/select";
import { ClockInput } from "../forms/clock-input.tsx";
import { DateInput } from "../forms/date-input.tsx";
import { useSetUp } from "../place/use-set-up.ts";
import { useUnits } from "../units/use-units.tsx";
import { ColumnsTable, Lacks } from "../files/columns-table.tsx";
import { Counts } from "../files/counts.tsx";
import { SetAsideDownload } from "../files/set-aside.tsx";
import { FaultRows, REASONS } from "../files/fault-rows.tsx";
import { ClockZone, DateOrder, DecimalChoice, Remembered, SheetChoice } from "../files/file-settings.tsx";
import styles from "../files/files.module.css";
import { QuantityInput } from "../units/quantity-input.tsx";
import { FIELD_WORDS, FLAG_WORDS, wordsOf } from "./list-words.ts";

interface Props {
  readonly preview: ListPreview;
  readonly choices: ListChoices;
  onChange(choices: ListChoices): void;
}

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
        {preview.list !== "shelf" && (
          <DateOrder
            value={dialect.dateOrder}
            isAssumed={dialect.dateOrderAssumed}
            onChange={(dateOrder) => onChange({ ...choices, dateOrder })}
          />
        )}
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
        <DecimalChoice
          decimal={preview.dialect.decimal}
          isAssumed={preview.dialect.decimalAssumed}
          book={preview.book}
          onChange={(decimal) => onChange({ ...choices, decimal })}
        />
        <SheetChoice book={preview.book} onChange={(sheet) => onChange({ sheet })} />
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

/** What the file does not say of any of its rows, and somebody can: whose they are, and at which time of day. */
function Silent({ preview, choices, onChange }: Props) {
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

/** What was likely meant: taken only line by line, when somebody agrees. */
function Offers({ preview, choices, onChange }: Props) {
  const accepted = choices.acceptOffers ?? [];
  const offered = preview.flagged.filter(({ flags }) => flags.some(({ offer }) => offer));
  if (offered.length === 0) return null;
  const toggle = (line: number): void =>
    onChange({
      ...choices,
      acceptOffers: accepted.includes(line) ? accepted.filter((other) => other !== line) : [...accepted, line],
    });
  return (
    <section aria-label="Likely slips">
      <h2>Likely slips</h2>
      <p className="quiet">Set aside unless you agree.</p>
      {offered.map(({ line, flags }) => (
        <div key={line}>
          <Checkbox checked={accepted.includes(line)} onChange={() => toggle(line)}>
            Line {line}: {flags.flatMap(({ raw, offer }) => (offer ? [offerWords(raw, offer)] : [])).join("; ")}
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
  const fields = [...new Set(preview.sample.flatMap(({ values }) => Object.keys(values)))].filter((field) =>
    preview.sample.some(({ values }) => values[field] !== null && values[field] !== ""),
  );
  const unitOf = (field: string): string => {
    const { unit, quantity } = FIELD_WORDS[field] ?? {};
    return quantity ? show(quantity, 0).unit : (unit ?? "");
  };
  const cell = (field: string, value: string | number | null | undefined): string => {
    if (value === null || value === undefined) return "–";
    if (typeof value === "string") return field === "at" ? value.slice(0, 16).replace("T", " ") : value;
    const quantity = FIELD_WORDS[field]?.quantity;
    return quantity ? show(quantity, value).text : String(Number(value.toPrecision(4)));
  };
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
          {preview.sample.map(({ line, values }) => (
            <tr key={line}>
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
