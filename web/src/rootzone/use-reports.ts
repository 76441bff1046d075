import { addZoneReport, getZoneReports, strikeZoneReport, type NewZoneReport } from "@sprunel/contract/rootzone";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { answerInPlace } from "../http/answer-in-place.ts";
import { ask } from "../http/api.ts";

const keyOf = (zoneId: number) => ["rootzone", "reports", zoneId];

export function useZoneReports(zoneId: number) {
  return useQuery({
    queryKey: keyOf(zoneId),
    queryFn: ({ signal }) => ask(getZoneReports, { params: { id: zoneId }, signal }),
  });
}

export function useAddReport(zoneId: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (report: NewZoneReport) => ask(addZoneReport, { params: { id: zoneId }, body: report }),
    onSuccess: (answer) => answerInPlace(client, keyOf(zoneId), answer),
  });
}

export function useStrikeReport(zoneId: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, reason }: { id: number; reason: string }) =>
      ask(strikeZoneReport, { params: { id: zoneId, reportId: id }, body: { reason } }),
    onSuccess: (answer) => answerInPlace(client, keyOf(zoneId), answer),
  });
}
