import { checkChanges, getChanges, type ChangeKind } from "@sprunel/contract/changes";
import { useInfiniteQuery, useQuery } from "@tanstack/react-query";
import { ask } from "../http/api.ts";

/** Which changes a page shows; null where all are meant. */
export interface ChangesShown {
  readonly from: string | null;
  readonly to: string | null;
  readonly by: string | null;
  readonly kind: ChangeKind | null;
  readonly zone: string | null;
  /** one record of the kind */
  readonly key: string | null;
}

/** The changes that are asked for, the newest first, and older ones as far as they are wanted. */
export function useChanges(shown: ChangesShown) {
  return useInfiniteQuery({
    queryKey: ["changes", "list", shown],
    queryFn: ({ signal, pageParam }) => ask(getChanges, { query: { ...shown, before: pageParam }, signal }),
    initialPageParam: null as string | null,
    getNextPageParam: ({ changes, more }) => (more ? String(changes.at(-1)?.id) : null),
  });
}

/** The last change of one record; nothing where none was kept. */
export function useLastChange(kind: ChangeKind, key: string) {
  return useQuery({
    queryKey: ["changes", "last", kind, key],
    queryFn: ({ signal }) => ask(getChanges, { query: { kind, key, most: "1" }, signal }),
    select: ({ changes }) => changes[0] ?? null,
  });
}

/** Whether the record is whole. */
export function useCheck() {
  return useQuery({ queryKey: ["changes", "check"], queryFn: ({ signal }) => ask(checkChanges, { signal }) });
}
