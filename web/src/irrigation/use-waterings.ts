import { addWaterings, strikeWatering, type NewWatering } from "@sprunel/contract/irrigation";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { ask } from "../http/api.ts";

export function useAddWaterings() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (waterings: NewWatering[]) => ask(addWaterings, { body: { waterings } }),
    // What was given changes root zones, stores and tanks: everything is asked anew.
    onSuccess: () => client.invalidateQueries(),
  });
}

export function useStrikeWatering(zoneId: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (strike: { startUtc: string; reason: string }) =>
      ask(strikeWatering, { params: { id: zoneId }, body: strike }),
    onSuccess: () => client.invalidateQueries(),
  });
}
