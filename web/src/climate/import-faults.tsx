import type { WeatherPreview } from "@sprunel/contract";
import Collapse from "antd/es/collapse";
import { KIND_WORDS } from "./kind-words.ts";
import styles from "./weather-import.module.css";

const REASONS: Record<string, string> = {
  "bad-time": "the date or time does not exist or cannot be read",
  "time-does-not-exist": "summer time skips this hour",
  "off-the-hour": "not on the full hour",
  duplicate: "the row stands in the file twice",
  conflict: "same time as an earlier row, with another value",
  "field-count": "more or fewer cells than the header",
  empty: "a time and nothing else",
};
const FLAGS: Record<string, string> = {
  missing: "missing",
  impossible: "impossible, set aside",
  stuck: "the same for 12 hours or more: kept, marked doubtful",
};

/** Every line that is not stored as it stands, and why. */
export function ImportFaults({ preview }: { preview: WeatherPreview }) {
  const flags = new Map<string, number[]>();
  for (const { line, flags: found } of preview.flagged)
    for (const flag of found) {
      const key = `${KIND_WORDS[flag.kind]}: ${FLAGS[flag.code] ?? flag.code}`;
      flags.set(key, [...(flags.get(key) ?? []), line]);
    }
  return (
    <Collapse
      items={[
        {
          key: "rejected",
          label: `Rejected rows (${preview.rejected.length})`,
          children: <Rejected preview={preview} />,
        },
        {
          key: "flagged",
          label: `Flagged rows (${preview.flagged.length})`,
          children: <Rows rows={[...flags].map(([what, lines]) => [what, `line ${lineRanges(lines)}`])} />,
        },
        {
          key: "gaps",
          label: `Gaps (${preview.gaps.length})`,
          children: (
            <Rows
              rows={preview.gaps.map((gap) => [
                `${gap.hours} h`,
                `${gap.fromUtc.replace("T", " ").replace(":00Z", "")} to ${gap.toUtc.replace("T", " ").replace(":00Z", "")} UTC`,
              ])}
            />
          ),
        },
      ]}
    />
  );
}

function Rejected({ preview }: { preview: WeatherPreview }) {
  return (
    <Rows
      rows={preview.rejected.map((row) => [`line ${row.line}`, `${REASONS[row.reason] ?? row.reason} (${row.detail})`])}
    />
  );
}

function Rows({ rows }: { rows: readonly (readonly [string, string])[] }) {
  if (rows.length === 0) return <p className="quiet">None.</p>;
  return (
    <table className={styles["table"]}>
      <tbody>
        {rows.map(([what, where]) => (
          <tr key={`${what} ${where}`}>
            <th scope="row">{what}</th>
            <td style={{ whiteSpace: "normal" }}>{where}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** 1140, 1141, 1142 → 1140–1142 */
function lineRanges(lines: readonly number[]): string {
  const ranges: [number, number][] = [];
  for (const line of lines) {
    const last = ranges.at(-1);
    if (last && line === last[1] + 1) last[1] = line;
    else ranges.push([line, line]);
  }
  return ranges.map(([from, to]) => (from === to ? `${from}` : `${from}–${to}`)).join(", ");
}
