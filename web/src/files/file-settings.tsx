import Select from "antd/es/select";
import styles from "./files.module.css";

const ORDERS = [
  { value: "ymd", label: "year, month, day" },
  { value: "dmy", label: "day, month, year" },
  { value: "mdy", label: "month, day, year" },
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

/** In which order a file writes day, month and year. */
export function DateOrder({
  value,
  isAssumed,
  onChange,
}: {
  value: (typeof ORDERS)[number]["value"];
  isAssumed: boolean;
  onChange(order: (typeof ORDERS)[number]["value"]): void;
}) {
  return (
    <label>
      Dates are written
      <Select value={value} options={[...ORDERS]} className="select-m" onChange={onChange} />
      {isAssumed && <span className={styles["assumed"]}>assumed, both orders fit: please check</span>}
    </label>
  );
}

/** Which sheet of a workbook is read. */
export function SheetChoice({
  book,
  onChange,
}: {
  book: { readonly sheets: readonly string[]; readonly sheet: string } | null;
  onChange(sheet: string): void;
}) {
  if (!book || book.sheets.length < 2) return null;
  return (
    <label>
      Its sheet
      <Select
        value={book.sheet}
        options={book.sheets.map((sheet) => ({ value: sheet, label: sheet }))}
        className="select-m"
        onChange={onChange}
      />
    </label>
  );
}

/** Which mark stands before a file's decimals; numbers of a workbook are numbers, and have none. */
export function DecimalChoice({
  decimal,
  isAssumed,
  book,
  onChange,
}: {
  decimal: "." | ",";
  isAssumed: boolean;
  book: object | null;
  onChange(decimal: "." | ","): void;
}) {
  if (book) return null;
  return (
    <label>
      Its decimal mark
      <Select
        value={decimal}
        options={[
          { value: "." as const, label: "point, as 1.5" },
          { value: "," as const, label: "comma, as 1,5" },
        ]}
        className="select-m"
        onChange={onChange}
      />
      {isAssumed && (
        <span className={styles["assumed"]}>assumed, its numbers can be read either way: please check</span>
      )}
    </label>
  );
}
