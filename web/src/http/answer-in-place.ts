import type { QueryClient, QueryKey } from "@tanstack/react-query";

/**
 * Puts what a write answered in the place of what was asked before. A question that is still under way was asked before the
 * write: its answer would come later and put the old state back.
 */
export async function answerInPlace(client: QueryClient, queryKey: QueryKey, answer: unknown): Promise<void> {
  await client.cancelQueries({ queryKey, exact: true });
  client.setQueryData(queryKey, answer);
}
