import { getClock, setPace, startAgain, type Clock, type Pace } from "@sprunel/contract/basics";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { ask } from "../http/api.ts";

/** Pulses pass and hours come in while a page stands open. */
const REFRESH_MS = 60_000;
/** Two minutes of a nursery whose time runs fast. */
const FAST_REFRESH_MS = 2000;

/** How often what depends on the time is asked anew. */
export function refreshMs(pace: Pace | null | undefined): number {
  return pace === "minute-a-second" ? FAST_REFRESH_MS : REFRESH_MS;
}

/** The server's time: no page takes it from anywhere else. */
export function useClock() {
  return useQuery({
    queryKey: ["clock"],
    queryFn: ({ signal }) => ask(getClock, { signal }),
    // A clock that nobody steers needs no asking: the board brings the time.
    refetchInterval: ({ state }) => (state.data?.pace ? refreshMs(state.data.pace) : false),
  });
}

export function useSetPace() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (pace: Pace) => ask(setPace, { body: { pace } }),
    onSuccess: (clock: Clock) => client.setQueryData(["clock"], clock),
  });
}

export function useStartAgain() {
  return useMutation({ mutationFn: () => ask(startAgain, {}) });
}
