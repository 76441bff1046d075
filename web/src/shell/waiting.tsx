import { onlineManager, useMutationState } from "@tanstack/react-query";
import { useSyncExternalStore } from "react";
import { KEPT_KEY, keptWords, kindOf, refusedCalls, type KeptKind } from "../http/kept.ts";
import styles from "./shell.module.css";

/** What waits for the server, and what it has refused of it. */
export function Waiting() {
  const kinds = useMutationState<KeptKind | null>({
    filters: { mutationKey: [KEPT_KEY], status: "pending", predicate: ({ state }) => state.isPaused },
    select: kindOf,
  }).flatMap((kind) => kind ?? []);
  const isOnline = useSyncExternalStore(
    (listener) => onlineManager.subscribe(listener),
    () => onlineManager.isOnline(),
  );
  const refused = useSyncExternalStore(refusedCalls.subscribe, refusedCalls.list);
  if (kinds.length === 0 && refused.length === 0 && isOnline) return null;
  return (
    <div className={styles["waiting"]} role="status">
      {kinds.length > 0 ? (
        <div>
          <strong>Waiting for the server: {keptWords(kinds)}.</strong> Kept in this browser, and sent once it answers.
        </div>
      ) : (
        !isOnline && <div>The server does not answer. It is asked again every few seconds.</div>
      )}
      {refused.map(({ kind, call, words }, at) => (
        <details key={at}>
          <summary>
            The server refused {keptWords([kind])}: {words}
          </summary>
          <pre>{JSON.stringify(call.body, null, 1)}</pre>
          <button type="button" onClick={() => refusedCalls.set(refused.filter((_, other) => other !== at))}>
            I have seen to it
          </button>
        </details>
      ))}
    </div>
  );
}
