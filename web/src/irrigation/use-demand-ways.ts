import { chooseDemandWay, getDemandWays, type DemandWays } from "@sprunel/contract/plan";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { ask } from "../http/api.ts";

export function useDemandWays(zoneId: number, date: string | null) {
  return useQuery({
    queryKey: ["plan", "demand-ways", zoneId, date],
    queryFn: ({ signal }) => ask(getDemandWays, { params: { id: zoneId }, query: { date }, signal }),
  });
}

export function useChooseDemandWay(zoneId: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ version, choice }: Pick<DemandWays, "version" | "choice">) =>
      ask(chooseDemandWay, { params: { id: zoneId }, body: { version, choice } }),
    onSuccess: () => client.invalidateQueries(),
  });
}
