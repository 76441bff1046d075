import { QueryClient } from "@tanstack/react-query";
import { ApiError, serverSigns } from "./http/api.ts";
import { keepsRefused, waitsForServer, watchServer } from "./http/kept.ts";

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
