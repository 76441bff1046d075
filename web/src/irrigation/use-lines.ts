import { zoneLinesSchema, type NewCatchTest, type NewLines } from "@sprunel/contract/irrigation";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { getJson, sendJson } from "../http/api.ts";

export function useLines(zoneId: number) {
  return useQuery({
    queryKey: ["irrigation", "lines", zoneId],
    queryFn: ({ signal }) => getJson(`/api/zones/${zoneId}/lines`, zoneLinesSchema, signal),
  });
}

function useLinesChange<T>(send: (change: T) => Promise<unknown>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: send,
    onSuccess: () => client.invalidateQueries({ queryKey: ["irrigation", "lines"] }),
  });
}

export function useSaveLines(zoneId: number) {
  return useLinesChange(({ version, lines }: { version: number | null; lines: NewLines }) =>
    sendJson("PUT", `/api/zones/${zoneId}/lines`, { ...lines, version }, zoneLinesSchema),
  );
}

export function useAddCatchTest(zoneId: number) {
  return useLinesChange((test: NewCatchTest) =>
    sendJson("POST", `/api/zones/${zoneId}/catch-tests`, test, zoneLinesSchema),
  );
}

export function useStrikeCatchTest(zoneId: number) {
  return useLinesChange(({ id, reason }: { id: number; reason: string }) =>
    sendJson("POST", `/api/zones/${zoneId}/catch-tests/${id}/strikes`, { reason }, zoneLinesSchema),
  );
}
