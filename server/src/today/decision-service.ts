import type { NewDecision, OpenFinding } from "@sprunel/contract/advice";
import { badInput, notFound } from "../http/problems.ts";
import type { Scope } from "../scope/scope.ts";
import type { PlanService } from "../plan/plan-service.ts";
import { decisionStore } from "../advice/decision-store.ts";

export type DecisionService = ReturnType<typeof decisionService>;

/** What a person makes of a finding: its computed correction accepted or changed, or left with a reason. */
export function decisionService(scope: Scope, plans: PlanService) {
  return {
    async decide(zoneId: number, decision: NewDecision, decidedAtMs = scope.clock()): Promise<void> {
      // Sent again after a lost answer: it is decided already, and the finding may be gone by now.
      if (await decisionStore(scope).isKnown(decision.key)) return;
      const { findings } = await plans.zoneDay(zoneId, decision.date);
      const entry = findings.find(({ finding, about }) => finding.cause === decision.cause && about === decision.about);
      if (!entry)
        throw badInput([
          {
            path: "about",
            message:
              "This is no longer so: a newer reading or plan has taken its place. Look at the board again; nothing was decided.",
          },
        ]);
      const fromDate = entry.proposal?.fromDate ?? decision.date;
      const stored = {
        key: decision.key,
        zoneId,
        cause: decision.cause,
        about: decision.about,
        verdict: decision.verdict,
        fromDate,
        correction: correctionOf(decision, entry),
        reason: decision.verdict === "dismissed" ? decision.reason : null,
        decidedAtMs,
      };
      const from = fromDate < decision.date ? fromDate : decision.date;
      await scope.transaction((inner) => decisionStore(inner).add(stored, from), { atMs: decidedAtMs });
    },

    /** As if it had not been taken; it stays on record. */
    async takeBack(zoneId: number, decisionId: number): Promise<void> {
      await scope.zone(zoneId);
      const fromDate = await scope.transaction((inner) =>
        decisionStore(inner).takeBack(zoneId, decisionId, scope.clock()),
      );
      if (fromDate === null) throw notFound(`A decision ${decisionId} of this zone that stands`);
    },
  };
}

function correctionOf(decision: NewDecision, { proposal }: OpenFinding) {
  if (decision.verdict === "dismissed") return null;
  if (!proposal)
    throw badInput([
      { path: "verdict", message: "Nothing was computed here that could be accepted; mend the cause or dismiss it." },
    ]);
  return decision.verdict === "changed" ? decision.correction : proposal.correction;
}
