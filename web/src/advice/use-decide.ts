import type { NewDecision } from "@sprunel/contract/advice";
import { boardSchema } from "@sprunel/contract/today";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { sendJson } from "../http/api.ts";

export function useDecide(zoneId: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (decision: NewDecision) => sendJson("POST", `/api/zones/${zoneId}/decisions`, decision, boardSchema),
    // A correction changes the plans of today and of the days to come.
    onSuccess: () => client.invalidateQueries(),
  });
}
