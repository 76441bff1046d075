import type { UseMutationResult } from "@tanstack/react-query";
import { useState } from "react";
import type { z } from "zod";
import { faultsOf } from "./form-errors.ts";
import { staleOf } from "./stale-edit.tsx";

/**
 * What is typed is checked before it is sent, and what is wrong is told either way; nothing typed is lost.
 *
 * @param onDone once it is written
 */
export function useChecked<Sent>(
  schema: z.ZodType<Sent>,
  mutation: Pick<UseMutationResult<unknown, Error, Sent>, "mutate" | "error">,
  onDone: () => void,
) {
  const [faults, setFaults] = useState<readonly string[]>([]);
  const send = (typed: unknown): void => {
    const checked = schema.safeParse(typed);
    setFaults(checked.success ? [] : faultsOf(checked.error).map(({ message }) => message));
    if (checked.success)
      mutation.mutate(checked.data, {
        onSuccess: onDone,
        onError: (error) => setFaults(staleOf(error) ? [] : faultsOf(error).map(({ message }) => message)),
      });
  };
  const isTold = faults.length > 0 || staleOf(mutation.error) !== null;
  return { send, wrong: { faults, error: isTold ? null : mutation.error } };
}
