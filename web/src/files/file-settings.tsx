import Select from "antd/es/select";
import styles from "./files.module.css";

const ORDERS = [
  { value: "ymd", label: "year, month, day" },
  { value: "dmy", label: "day, month, year" },
  { value: "mdy", label: "month, day, year" },
] as const;

const MARKS = [
  { value: ".", label: "point, as 1.5" },
  { value: ",", label: "comma, as 1,5" },
] as const;

/** Who settled how a file like this one is read. */
export function Remembered({ by }: { by: string | null }) {
  return by === null ? null : <p className="quiet">Read as {by} settled it for the last file with these columns.</p>;
}

/** In which zone a file's clock runs. */
export function ClockZone({ value, onChange }: { value: string; onChange(timeZone: string): void }) {
  const zones = Intl.supportedValuesOf("timeZone").map((zone) => ({ value: zone, label: zone }));
  return (
    <label>
      Its clock runs in
      <Select showSearch value={value} options={zones} className="select-l" onChange={onChange} />
    </label>
  );
}

/** How a file is written, as far as it was found. */
interface Written {
  readonly decimal: "." | ",";
  readonly decimalAssumed: boolean;
  /** left out where nobody need ask */
  readonly dateOrder?: DateOrder | undefined;
  readonly dateOrderAssumed?: boolean | undefined;
}

type DateOrder = (typeof ORDERS)[number]["value"];

/** What somebody settled of it. */
interface WrittenChoices {
  readonly decimal?: "." | "," | undefined;
  readonly dateOrder?: DateOrder | undefined;
}

/** How any file is written: its dates, its decimal mark and which of its sheets is read. */
export function HowWritten({
  written,
  book,
  choices,
  onChange,
  onSheet,
}: {
  written: Written;
  book: { readonly sheets: readonly string[]; readonly sheet: string } | null;
  choices: WrittenChoices;
  onChange(settled: WrittenChoices): void;
  onSheet(sheet: string): void;
}) {
  const { decimal, decimalAssumed, dateOrder, dateOrderAssumed = false } = written;
  // Numbers of a workbook are numbers; only its texts have a decimal mark.
  const hasMark = !book || decimalAssumed || decimal === "," || choices.decimal !== undefined;
  return (
    <>
      {dateOrder && (
        <label>
          Dates are written
          <Select
            value={dateOrder}
            options={[...ORDERS]}
            className="select-m"
            onChange={(chosen) => onChange({ dateOrder: chosen })}
          />
          {dateOrderAssumed && <span className={styles["assumed"]}>assumed, both orders fit: please check</span>}
        </label>
      )}
      {hasMark && (
        <label>
          Its decimal mark
          <Select
            value={decimal}
            options={[...MARKS]}
            className="select-m"
            onChange={(chosen) => onChange({ decimal: chosen })}
          />
          {decimalAssumed && (
            <span className={styles["assumed"]}>assumed, its numbers can be read either way: please check</span>
          )}
        </label>
      )}
      {book && book.sheets.length > 1 && (
        <label>
          Its sheet
          <Select
            value={book.sheet}
            options={book.sheets.map((sheet) => ({ value: sheet, label: sheet }))}
            className="select-m"
            onChange={onSheet}
          />
        </label>
      )}
    </>
  );
}
