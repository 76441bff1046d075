import type { ChangeKind } from "@sprunel/contract/changes";
import { Link } from "react-router";
import { useSiteTime } from "../place/use-site-time.ts";
import { useLastChange } from "./use-changes.ts";

/** Who changed a record last, and the way to all that changed it. */
export function ChangedBy({ kind, recordKey }: { kind: ChangeKind; recordKey: string }) {
  const last = useLastChange(kind, recordKey).data;
  const { moment } = useSiteTime();
  if (!last) return null;
  const did = last.records.find((record) => record.kind === kind && record.key === recordKey)?.did ?? "changed";
  return (
    <p className="quiet">
      Last {did} {moment(last.at)} by {last.by} ·{" "}
      <Link to={`/changes?${new URLSearchParams({ kind, key: recordKey }).toString()}`}>all its changes</Link>
    </p>
  );
}
