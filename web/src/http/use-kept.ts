import { useMutation } from "@tanstack/react-query";
import { useEffect, useRef } from "react";
import { KEPT_KEY, type KeptCall, type KeptKind } from "./kept.ts";

export interface Then {
  onSuccess?(): void;
  onError?(error: Error): void;
}

/** Sends what must not be lost. Where the server does not answer it waits for it, and whoever typed it can go on. */
export function useKept<Vars>(kind: KeptKind, callOf: (vars: Vars) => KeptCall) {
  const mutation = useMutation<unknown, Error, KeptCall>({ mutationKey: [KEPT_KEY, kind] });
  const waiting = useRef<Then | null>(null);
  const { isPaused, isPending, error } = mutation;
  useEffect(() => {
    if (!isPaused) return;
    const then = waiting.current;
    waiting.current = null;
    then?.onSuccess?.();
  }, [isPaused]);
  return {
    isPending: isPending && !isPaused,
    error,
    mutate(vars: Vars, then: Then = {}): void {
      waiting.current = then;
      const once = (done: () => void) => (): void => {
        // Told already when it began to wait.
        if (waiting.current === then) done();
        waiting.current = null;
      };
      mutation.mutate(callOf(vars), {
        onSuccess: once(() => then.onSuccess?.()),
        onError: (failure) => once(() => then.onError?.(failure))(),
      });
    },
  };
}
