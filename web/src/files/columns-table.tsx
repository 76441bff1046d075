import Alert from "antd/es/alert";
import Select from "antd/es/select";
import styles from "./files.module.css";

export interface FileColumn {
  readonly column: number;
  readonly header: string;
  readonly kind: string;
  readonly unit: string;
  readonly unitAssumed: boolean;
  readonly unknownUnit: string | null;
  readonly certainty: number;
  readonly because: string;
  readonly examples: readonly string[];
}

interface ChosenColumn {
  readonly column: number;
  readonly kind: string;
  readonly unit: string;
}

/** What no column is taken for, in words. */
export function Lacks({ lacks, named }: { lacks: readonly (readonly string[])[]; named(kind: string): string }) {
  return lacks.map((group) => (
    <Alert
      key={group.join()}
      type="warning"
      showIcon
      title={
        group.length === 1
          ? `No column is known as the ${named(group[0] ?? "")}. Set the one that is, below.`
          : `No column is known as any of ${group.map(named).join(", ")}. Set the one that is, below.`
      }
    />
  ));
}

/** Below this a guess is shown as one to look at. */
const SURE = 0.6;

/** What each column of a file means, and its unit; whatever was guessed can be settled here, one column at a time. */
export function ColumnsTable({
  columns,
  kinds,
  named,
  chosen,
  onChange,
  title = "Columns",
}: {
  columns: readonly FileColumn[];
  /** of a table that lies across they are rows */
  title?: string;
  /** what a column may mean, and in what units */
  kinds: readonly { readonly kind: string; readonly units: readonly string[] }[];
  named(kind: string): string;
  /** those that somebody set; the others are guessed anew each time */
  chosen: readonly ChosenColumn[];
  onChange(columns: ChosenColumn[]): void;
}) {
  const unitsOf = (kind: string): readonly string[] => kinds.find((known) => known.kind === kind)?.units ?? [];
  const change = (column: number, kind: string, unit: string): void =>
    onChange([...chosen.filter((one) => one.column !== column), { column, kind, unit }]);
  return (
    <section className={`${styles["scroll"]} ${styles["columns"]}`} tabIndex={0} role="region" aria-label={title}>
      <h2>{title}</h2>
      <table className={styles["table"]}>
        <thead>
          <tr>
            <th scope="col">in the file</th>
            <th scope="col" className={styles["examples"]}>
              first cells
            </th>
            <th scope="col">means</th>
            <th scope="col">unit</th>
          </tr>
        </thead>
        <tbody>
          {columns.map((column) => (
            <tr key={column.column}>
              <th scope="row">{column.header || `without a name, ${column.column}`}</th>
              <td className={`quiet ${styles["examples"]}`}>{column.examples.join(" · ")}</td>
              <td>
                <Select
                  aria-label={`${column.header || `column ${column.column}`} means`}
                  value={column.kind}
                  options={[...kinds.map(({ kind }) => kind), "ignore"].map((kind) => ({
                    value: kind,
                    label: named(kind),
                  }))}
                  className="select-m"
                  onChange={(kind) => change(column.column, kind, "")}
                />
                {column.kind === "ignore" && column.certainty < SURE && <div className="quiet">{column.because}</div>}
                {column.kind !== "ignore" && column.certainty < SURE && (
                  <div className={styles["assumed"]}>guessed, {column.because}: please check</div>
                )}
              </td>
              <td>
                <UnitOf
                  column={column}
                  units={unitsOf(column.kind)}
                  onChange={(unit) => change(column.column, column.kind, unit)}
                />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

function UnitOf({
  column,
  units,
  onChange,
}: {
  column: FileColumn;
  units: readonly string[];
  onChange(unit: string): void;
}) {
  if (units.length === 0) return null;
  const { header, unit, unknownUnit, unitAssumed } = column;
  // One that is written in another way than those offered stands among them as it is written.
  const offered = unit === "" || units.includes(unit) ? units : [unit, ...units];
  return (
    <>
      <Select
        aria-label={`Unit of ${header}`}
        {...(unit !== "" && { value: unit })}
        placeholder="choose"
        status={unknownUnit === null ? "" : "error"}
        options={offered.map((one) => ({ value: one, label: one.replace(/([mM])2\b/g, "$1²") }))}
        className="select-s"
        onChange={onChange}
      />
      {unknownUnit !== null && (
        <div className={styles["assumed"]}>“{unknownUnit}” is not understood: its values wait until you choose</div>
      )}
      {unitAssumed && <div className={styles["assumed"]}>assumed: please check</div>}
    </>
  );
}
