import { dosesSchema, type NewDose } from "@sprunel/contract/water";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { getJson, sendJson } from "../http/api.ts";

const keyOf = (zoneId: number) => ["water", "doses", zoneId];

export function useDoses(zoneId: number) {
  return useQuery({
    queryKey: keyOf(zoneId),
    queryFn: ({ signal }) => getJson(`/api/zones/${zoneId}/doses`, dosesSchema, signal),
  });
}

function useDoseChange<T>(zoneId: number, send: (change: T) => Promise<unknown>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: send,
    onSuccess: (answer) => client.setQueryData(keyOf(zoneId), answer),
  });
}

export function useAddDose(zoneId: number) {
  return useDoseChange(zoneId, (dose: NewDose) => sendJson("POST", `/api/zones/${zoneId}/doses`, dose, dosesSchema));
}

export function useStrikeDose(zoneId: number) {
  return useDoseChange(zoneId, ({ id, reason }: { id: number; reason: string }) =>
    sendJson("POST", `/api/zones/${zoneId}/doses/${id}/strikes`, { reason }, dosesSchema),
  );
}
