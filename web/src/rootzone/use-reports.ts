import { zoneReportsSchema, type NewZoneReport } from "@sprunel/contract/rootzone";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { getJson, sendJson } from "../http/api.ts";

const keyOf = (zoneId: number) => ["rootzone", "reports", zoneId];

export function useZoneReports(zoneId: number) {
  return useQuery({
    queryKey: keyOf(zoneId),
    queryFn: ({ signal }) => getJson(`/api/zones/${zoneId}/reports`, zoneReportsSchema, signal),
  });
}

export function useAddReport(zoneId: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (report: NewZoneReport) => sendJson("POST", `/api/zones/${zoneId}/reports`, report, zoneReportsSchema),
    onSuccess: (answer) => client.setQueryData(keyOf(zoneId), answer),
  });
}

export function useStrikeReport(zoneId: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, reason }: { id: number; reason: string }) =>
      sendJson("POST", `/api/zones/${zoneId}/reports/${id}/strikes`, { reason }, zoneReportsSchema),
    onSuccess: (answer) => client.setQueryData(keyOf(zoneId), answer),
  });
}
