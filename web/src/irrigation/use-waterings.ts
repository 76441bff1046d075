import { strikeWatering, type NewWatering } from "@sprunel/contract/irrigation";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { ask } from "../http/api.ts";
import { useKept } from "../http/use-kept.ts";

export function useAddWaterings() {
  return useKept("waterings", (waterings: NewWatering[]) => ({ body: { waterings } }));
}

export function useStrikeWatering(zoneId: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (strike: { startUtc: string; reason: string }) =>
      ask(strikeWatering, { params: { id: zoneId }, body: strike }),
    onSuccess: () => client.invalidateQueries(),
  });
}
