import { QueryClient } from "@tanstack/react-query";
import { ApiError } from "./http/api.ts";

/** A refusal stays a refusal; only a lost server is asked again. */
export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 15_000,
      retry: (failures, error) => !(error instanceof ApiError) && failures < 2,
      retryDelay: 500,
    },
  },
});
