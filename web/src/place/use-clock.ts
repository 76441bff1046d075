import { getClock, setPace, startAgain, type Clock, type Pace } from "@sprunel/contract/basics";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { answerInPlace } from "../http/answer-in-place.ts";
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
    onSuccess: (clock: Clock) => answerInPlace(client, ["clock"], clock),
  });
}

export function useStartAgain() {
  return useMutation({ mutationFn: () => ask(startAgain, {}) });
}

/** How many seconds of the program's time a second of this browser is; where nobody steers it they are the same. */
export const FASTNESS: Readonly<Record<Pace, number>> = { paused: 0, real: 1, "minute-a-second": 60 };

/**
 * The program's time now, counted on from when it was last told.
 *
 * @param nowMs what the server said
 * @param askedAt when it said so, by this browser
 * @param pace null for the real clock; while it is not known nothing is counted on
 */
export function countedOn(nowMs: number, askedAt: number, pace: Pace | null | undefined): number {
  if (pace === undefined) return nowMs;
  return nowMs + Math.max(0, Date.now() - askedAt) * (pace === null ? 1 : FASTNESS[pace]);
}
