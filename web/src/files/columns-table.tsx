import Select from "antd/es/select";
import styles from "./files.module.css";

interface FileColumn<K extends string> {
  readonly column: number;
  readonly header: string;
  readonly kind: K;
  readonly unit: string;
  readonly unitAssumed: boolean;
  readonly examples: readonly string[];
}

/** What each column of a file means, and its unit; whatever was guessed can be settled here. */
export function ColumnsTable<K extends string>({
  columns,
  kinds,
  unitsOf,
  onChange,
}: {
  columns: readonly FileColumn<K>[];
  kinds: readonly { readonly value: K; readonly label: string }[];
  unitsOf(kind: K): readonly string[];
  onChange(columns: { column: number; kind: K; unit: string }[]): void;
}) {
  const change = (column: number, kind: K, unit: string): void =>
    onChange(
      columns.map((known) =>
        known.column === column ? { column, kind, unit } : { column: known.column, kind: known.kind, unit: known.unit },
      ),
    );
  return (
    <section className={styles["scroll"]} tabIndex={0} aria-label="Columns">
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
          {columns.map((column) => (
            <tr key={column.column}>
              <th scope="row">{column.header}</th>
              <td className="quiet">{column.examples.join(" · ")}</td>
              <td>
                <Select<K>
                  aria-label={`${column.header} means`}
                  value={column.kind}
                  options={[...kinds]}
                  className="select-m"
                  onChange={(kind) => change(column.column, kind, unitsOf(kind)[0] ?? "")}
                />
              </td>
              <td>
                {unitsOf(column.kind).length > 0 && (
                  <Select
                    aria-label={`Unit of ${column.header}`}
                    value={column.unit}
                    options={unitsOf(column.kind).map((unit) => ({ value: unit, label: unit }))}
                    className="select-s"
                    onChange={(unit) => change(column.column, column.kind, unit)}
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
