import { addCatchTest, getZoneLines, saveZoneLines, strikeCatchTest } from "@sprunel/contract/irrigation";
import type { NewCatchTest, NewLines } from "@sprunel/contract/irrigation";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { ask } from "../http/api.ts";

export function useLines(zoneId: number) {
  return useQuery({
    queryKey: ["irrigation", "lines", zoneId],
    queryFn: ({ signal }) => ask(getZoneLines, { params: { id: zoneId }, signal }),
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
    ask(saveZoneLines, { params: { id: zoneId }, body: { ...lines, version } }),
  );
}

export function useAddCatchTest(zoneId: number) {
  return useLinesChange((test: NewCatchTest) => ask(addCatchTest, { params: { id: zoneId }, body: test }));
}

export function useStrikeCatchTest(zoneId: number) {
  return useLinesChange(({ id, reason }: { id: number; reason: string }) =>
    ask(strikeCatchTest, { params: { id: zoneId, testId: id }, body: { reason } }),
  );
}
