import { createAsyncStoragePersister } from "@tanstack/query-async-storage-persister";
import type { QueryClient } from "@tanstack/react-query";
import { persistQueryClient } from "@tanstack/react-query-persist-client";
import { del, get, set } from "idb-keyval";
import { kindOf, readyToKeep, resumeKept } from "./http/kept.ts";

/** What waits is never too old to be sent. */
const FOR_EVER_MS = Number.MAX_SAFE_INTEGER;

/** Takes up what waited when the page was last closed, and writes down what waits from now on. */
export async function keepInBrowser(client: QueryClient): Promise<void> {
  const persister = createAsyncStoragePersister({
    storage: { getItem: (key) => get<string>(key), setItem: set, removeItem: del },
    key: "sprunel.waiting",
    throttleTime: 0,
  });
  const [, restored] = persistQueryClient({
    queryClient: client,
    persister,
    maxAge: FOR_EVER_MS,
    dehydrateOptions: {
      shouldDehydrateQuery: () => false,
      shouldDehydrateMutation: (mutation) => kindOf(mutation) !== null && mutation.state.status === "pending",
    },
  });
  await restored;
  await readyToKeep();
  await resumeKept(client);
}
