import {
  getRootStation,
  getRootHistory,
  strikeReading,
  type RootStation,
  type NewReading,
  type NewRound,
  type Strike,
} from "@sprunel/contract/rootzone";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { ask } from "../http/api.ts";
import { useKept } from "../http/use-kept.ts";

export function useRootHistory(zoneId: number, date: string | null) {
  return useQuery({
    queryKey: ["rootzone", "history", zoneId, date],
    queryFn: ({ signal }) => ask(getRootHistory, { params: { id: zoneId }, query: { date }, signal }),
  });
}

export function useRootStation(date: string | null) {
  return useQuery({
    queryKey: ["rootzone", "station", date],
    queryFn: ({ signal }) => ask(getRootStation, { query: { date }, signal }),
  });
}

/** What was last read of one zone, by kind, the newest first. */
export type LastOfZone = RootStation["zones"][number]["past"];

export function lastOf({ zones }: RootStation, zoneId: number): LastOfZone {
  return zones.find((zone) => zone.zoneId === zoneId)?.past ?? {};
}

export function useAddRound() {
  return useKept("round", (readings: NewRound["readings"]) => ({ body: { readings } }));
}

export function useAddReading(zoneId: number) {
  return useKept("reading", (reading: NewReading) => ({ params: { id: zoneId }, body: reading }));
}

export function useStrike(zoneId: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (strike: Strike) => ask(strikeReading, { params: { id: zoneId }, body: strike }),
    onSuccess: () => client.invalidateQueries(),
  });
}
