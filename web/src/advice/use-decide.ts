import { takeBackDecision } from "@sprunel/contract/today";
import type { NewDecision } from "@sprunel/contract/advice";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { ask } from "../http/api.ts";
import { useKept } from "../http/use-kept.ts";

export function useDecide(zoneId: number) {
  return useKept("decision", (decision: NewDecision) => ({ params: { id: zoneId }, body: decision }));
}

export function useTakeBack(zoneId: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (decisionId: number) => ask(takeBackDecision, { params: { id: zoneId, decisionId } }),
    onSuccess: () => client.invalidateQueries(),
  });
}
