import { correctionSchema, type Correction, type Decision } from "@sprunel/contract/advice";
import type { Writer } from "../scope/scope.ts";

interface DecisionRow {
  id: number;
  zone_id: number;
  cause: string;
  about: string;
  verdict: Decision["verdict"];
  from_date: string;
  correction: string | null;
  reason: string | null;
  decided_at_ms: number;
  actor: string;
}
export type StoredDecision = Decision & { readonly zoneId: number; readonly cause: string; readonly about: string };
interface NewStoredDecision {
  readonly zoneId: number;
  readonly cause: string;
  readonly about: string;
  readonly verdict: Decision["verdict"];
  readonly fromDate: string;
  readonly correction: Correction | null;
  readonly reason: string | null;
  readonly decidedAtMs: number;
}

/** All SQL about what was decided. Decisions are only ever added: a later one about the same thing stands over an earlier. */
export function decisionStore({ db, actor }: Writer) {
  return {
    /** In the order in which they were taken. */
    async upTo(fromDate: string): Promise<StoredDecision[]> {
      const rows = await db<DecisionRow>("decision").where("from_date", "<=", fromDate).orderBy("id");
      return rows.map(fromRow);
    },
    /** Every one of a zone, in the order in which they were taken. */
    async all(zoneId: number): Promise<StoredDecision[]> {
      return (await db<DecisionRow>("decision").where({ zone_id: zoneId }).orderBy("id")).map(fromRow);
    },
    async add(decision: NewStoredDecision): Promise<void> {
      await db<DecisionRow>("decision").insert({
        zone_id: decision.zoneId,
        cause: decision.cause,
        about: decision.about,
        verdict: decision.verdict,
        from_date: decision.fromDate,
        correction: decision.correction && JSON.stringify(decision.correction),
        reason: decision.reason,
        decided_at_ms: decision.decidedAtMs,
        actor,
      });
    },
  };
}

function fromRow(row: DecisionRow): StoredDecision {
  return {
    zoneId: row.zone_id,
    cause: row.cause,
    about: row.about,
    verdict: row.verdict,
    decidedAt: new Date(row.decided_at_ms).toISOString(),
    fromDate: row.from_date,
    correction: row.correction === null ? null : correctionSchema.parse(JSON.parse(row.correction)),
    reason: row.reason,
  };
}
