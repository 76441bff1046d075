import {
  addCatchTest,
  getDripLines,
  saveDripLines,
  strikeCatchTest,
  type NewCatchTest,
  type NewDripLines,
} from "@sprunel/contract/irrigation";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { ask } from "../http/api.ts";

export function useDripLines(zoneId: number) {
  return useQuery({
    queryKey: ["irrigation", "lines", zoneId],
    queryFn: ({ signal }) => ask(getDripLines, { params: { id: zoneId }, signal }),
  });
}

function useDripLinesChange<T>(send: (change: T) => Promise<unknown>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: send,
    onSuccess: () => client.invalidateQueries({ queryKey: ["irrigation", "lines"] }),
  });
}

export function useSaveDripLines(zoneId: number) {
  return useDripLinesChange(({ version, lines }: { version: number | null; lines: NewDripLines }) =>
    ask(saveDripLines, { params: { id: zoneId }, body: { ...lines, version } }),
  );
}

export function useAddCatchTest(zoneId: number) {
  return useDripLinesChange((test: NewCatchTest) => ask(addCatchTest, { params: { id: zoneId }, body: test }));
}

export function useStrikeCatchTest(zoneId: number) {
  return useDripLinesChange(({ id, reason }: { id: number; reason: string }) =>
    ask(strikeCatchTest, { params: { id: zoneId, testId: id }, body: { reason } }),
  );
}
