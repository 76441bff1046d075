import type { WeatherPreview } from "@sprunel/contract/climate";
import Collapse from "antd/es/collapse";
import { KIND_WORDS } from "./kind-words.ts";
import { SetAsideDownload } from "../files/set-aside.tsx";
import { FaultRows, lineRanges, REASONS } from "../files/fault-rows.tsx";

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
  const setAside = [
    ...preview.rejected.map(({ line, reason, detail }) => ({ line, what: detail, why: REASONS[reason] ?? reason })),
    ...preview.flagged.flatMap(({ line, flags: found }) =>
      found.map(({ code, kind, raw }) => ({ line, what: `${KIND_WORDS[kind]}: ${raw}`, why: FLAGS[code] ?? code })),
    ),
  ].sort((a, b) => a.line - b.line);
  return (
    <>
      <SetAsideDownload fileName={preview.fileName} rows={setAside} />
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
            children: <FaultRows rows={[...flags].map(([what, lines]) => [what, `line ${lineRanges(lines)}`])} />,
          },
          {
            key: "gaps",
            label: `Gaps (${preview.gaps.length})`,
            children: (
              <FaultRows
                rows={preview.gaps.map((gap) => [
                  `${gap.hours} h`,
                  `${gap.fromUtc.replace("T", " ").replace(":00Z", "")} to ${gap.toUtc.replace("T", " ").replace(":00Z", "")} UTC`,
                ])}
              />
            ),
          },
        ]}
      />
    </>
  );
}

function Rejected({ preview }: { preview: WeatherPreview }) {
  return (
    <FaultRows
      rows={preview.rejected.map((row) => [`line ${row.line}`, `${REASONS[row.reason] ?? row.reason} (${row.detail})`])}
    />
  );
}
