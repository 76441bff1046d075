import { correctionSchema, type Correction, type Decision } from "@sprunel/contract/advice";
import type { ZoneDecision } from "@sprunel/core/advice";
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
  key: string | null;
  taken_back_at_ms: number | null;
  actor: string;
}
interface NewStoredDecision {
  readonly key?: string;
  readonly takenBackAtMs?: number | null;
  readonly zoneId: number;
  readonly cause: string;
  readonly about: string;
  readonly verdict: Decision["verdict"];
  readonly fromDate: string;
  readonly correction: Correction | null;
  readonly reason: string | null;
  readonly decidedAtMs: number;
}

/** All SQL about what was decided. Decisions are only ever added, a later one about the same thing standing over an earlier, and taken back. */
export function decisionStore({ db, actor, into }: Writer) {
  return {
    /** Those that stand, in the order in which they were taken. */
    async upTo(fromDate: string): Promise<ZoneDecision[]> {
      const rows = await db<DecisionRow>("decision")
        .where("from_date", "<=", fromDate)
        .whereNull("taken_back_at_ms")
        .orderBy("id");
      return rows.map(fromRow);
    },
    /** Every one of a zone, in the order in which they were taken. */
    async all(zoneId: number): Promise<(ZoneDecision & { readonly takenBackAtMs: number | null })[]> {
      const rows = await db<DecisionRow>("decision").where({ zone_id: zoneId }).orderBy("id");
      return rows.map((row) => ({ ...fromRow(row), takenBackAtMs: row.taken_back_at_ms }));
    },
    /** @returns the date from which on it was in force; null where the zone has no such decision that stands */
    async takeBack(zoneId: number, id: number, atMs: number): Promise<string | null> {
      const row = await db<DecisionRow>("decision")
        .where({ zone_id: zoneId, id })
        .whereNull("taken_back_at_ms")
        .first();
      if (!row) return null;
      await into<DecisionRow>({ table: "decision", zones: [zoneId], from: row.from_date })
        .where({ id })
        .update({ taken_back_at_ms: atMs });
      return row.from_date;
    },
    async isKnown(key: string): Promise<boolean> {
      return (await db<DecisionRow>("decision").where({ key }).first("id")) !== undefined;
    },
    /** @param from the first date that is another with it */
    async add(decision: NewStoredDecision, from = decision.fromDate): Promise<void> {
      await into<DecisionRow>({ table: "decision", zones: [decision.zoneId], from }).insert({
        zone_id: decision.zoneId,
        cause: decision.cause,
        about: decision.about,
        verdict: decision.verdict,
        from_date: decision.fromDate,
        correction: decision.correction && JSON.stringify(decision.correction),
        reason: decision.reason,
        decided_at_ms: decision.decidedAtMs,
        key: decision.key ?? null,
        taken_back_at_ms: decision.takenBackAtMs ?? null,
        actor,
      });
    },
  };
}

function fromRow(row: DecisionRow): ZoneDecision {
  return {
    id: row.id,
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
