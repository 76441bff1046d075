import styles from "./files.module.css";

/** How many rows are good, flagged, rejected, and what else is counted. */
export function Counts({ of }: { of: readonly (readonly [name: string, value: number])[] }) {
  return (
    <dl className={styles["counts"]}>
      {of.map(([name, value]) => (
        <div key={name}>
          <dt>{name}</dt>
          <dd>{value}</dd>
        </div>
      ))}
    </dl>
  );
}
