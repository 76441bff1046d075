import { decide, takeBackDecision } from "@sprunel/contract/today";
import type { NewDecision } from "@sprunel/contract/advice";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { ask } from "../http/api.ts";

export function useDecide(zoneId: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (decision: NewDecision) => ask(decide, { params: { id: zoneId }, body: decision }),
    // A correction changes the plans of today and of the days to come.
    onSuccess: () => client.invalidateQueries(),
  });
}

export function useTakeBack(zoneId: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (decisionId: number) => ask(takeBackDecision, { params: { id: zoneId, decisionId } }),
    onSuccess: () => client.invalidateQueries(),
  });
}
