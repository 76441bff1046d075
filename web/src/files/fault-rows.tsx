import type { ReactNode } from "react";
import styles from "./files.module.css";

/** Lines of a file on the left, what is to say of them on the right. */
export function FaultRows({ rows }: { rows: readonly (readonly [what: string, where: ReactNode])[] }) {
  if (rows.length === 0) return <p className="quiet">None.</p>;
  return (
    <table className={styles["table"]}>
      <tbody>
        {rows.map(([what, where], at) => (
          <tr key={`${what} ${at}`}>
            <th scope="row">{what}</th>
            <td className={styles["where"]}>{where}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Why a row of any file may be left out. */
export const REASONS: Record<string, string> = {
  "bad-time": "the date or time does not exist or cannot be read",
  "time-does-not-exist": "summer time skips this hour",
  "off-the-hour": "not on the full hour",
  duplicate: "the row stands in the file twice",
  conflict: "same place and time as an earlier row, with another value",
  "field-count": "more or fewer cells than the header",
  empty: "a time and nothing else",
  "unknown-zone": "no zone has this name",
  "ambiguous-zone": "the name is equally near to two zones",
  "no-amount": "no mass above zero",
  "crate-weight": "what a crate weighs is not known",
  "no-name": "no product is named",
  "no-analysis": "its analysis cannot be read",
};

/** 1140, 1141, 1142 → 1140–1142 */
export function lineRanges(lines: readonly number[]): string {
  const ranges: [number, number][] = [];
  for (const line of lines) {
    const last = ranges.at(-1);
    if (last && line === last[1] + 1) last[1] = line;
    else ranges.push([line, line]);
  }
  return ranges.map(([from, to]) => (from === to ? `${from}` : `${from}–${to}`)).join(", ");
}
