import { createAsyncStoragePersister } from "@tanstack/query-async-storage-persister";
import { QueryClient } from "@tanstack/react-query";
import { persistQueryClient } from "@tanstack/react-query-persist-client";
import { del, get, set } from "idb-keyval";
import { ApiError, serverSigns } from "./http/api.ts";
import { keepsRefused, kindOf, waitsForServer, watchServer } from "./http/kept.ts";

/** What waits is never too old to be sent. */
const FOR_EVER_MS = Number.MAX_SAFE_INTEGER;

/** A refusal stays a refusal; only a lost server is asked again. What is kept waits for it, also when the page is closed. */
export function createQueryClient(): QueryClient {
  const client = new QueryClient({
    defaultOptions: {
      queries: {
        staleTime: 15_000,
        networkMode: "always",
        retry: (failures, error) => !(error instanceof ApiError) && failures < 2,
        retryDelay: 500,
      },
      mutations: { networkMode: "always" },
    },
  });
  waitsForServer(client);
  keepsRefused(client);
  watchServer(serverSigns);
  return client;
}

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
  await client.resumePausedMutations();
}
