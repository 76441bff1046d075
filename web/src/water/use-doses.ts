import { addDose, getDoses, strikeDose, type NewDose } from "@sprunel/contract/water";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { answerInPlace } from "../http/answer-in-place.ts";
import { ask } from "../http/api.ts";

const keyOf = (zoneId: number) => ["water", "doses", zoneId];

export function useDoses(zoneId: number) {
  return useQuery({
    queryKey: keyOf(zoneId),
    queryFn: ({ signal }) => ask(getDoses, { params: { id: zoneId }, signal }),
  });
}

function useDoseChange<T>(zoneId: number, send: (change: T) => Promise<unknown>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: send,
    onSuccess: (answer) => answerInPlace(client, keyOf(zoneId), answer),
  });
}

export function useAddDose(zoneId: number) {
  return useDoseChange(zoneId, (dose: NewDose) => ask(addDose, { params: { id: zoneId }, body: dose }));
}

export function useStrikeDose(zoneId: number) {
  return useDoseChange(zoneId, ({ id, reason }: { id: number; reason: string }) =>
    ask(strikeDose, { params: { id: zoneId, doseId: id }, body: { reason } }),
  );
}
