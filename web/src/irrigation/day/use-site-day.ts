import {
  editSiteDay,
  getMain,
  getSiteDay,
  getWaterCalendarAddress,
  saveMain,
  type DayEdit,
  type Main,
  type SiteDay,
} from "@sprunel/contract/plan";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { refreshMs, useClock } from "../../place/use-clock.ts";
import { answerInPlace } from "../../http/answer-in-place.ts";
import { ask } from "../../http/api.ts";

const SOON_MS = 1000;

const keyOf = (date: string | null) => ["plan", "day", date] as const;

/** The day of all zones; asked again soon while a better plan is looked for. */
export function useSiteDay(date: string | null) {
  const pace = useClock().data?.pace;
  return useQuery({
    queryKey: keyOf(date),
    queryFn: ({ signal }) => ask(getSiteDay, { query: { date }, signal }),
    refetchInterval: ({ state: { data } }) => (data?.improving ? SOON_MS : refreshMs(pace)),
  });
}

/** A change of the day; its answer is the day as it is then. */
export function useEditDay(asked: string | null) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ day, edit }: { day: SiteDay; edit: DayEdit["edit"] }) =>
      ask(editSiteDay, { params: { date: day.date }, body: { version: day.version ?? 0, edit } }),
    onSuccess: async (day) => {
      await answerInPlace(client, keyOf(asked), day);
      // Nobody waits for the board here: until it were there, the next change would be ignored.
      void client.invalidateQueries({ queryKey: ["plan", "board"] });
    },
    // Whatever was in the way, it shows on the day as it is now.
    onError: () => client.invalidateQueries({ queryKey: keyOf(asked) }),
  });
}

export function useMain() {
  return useQuery({ queryKey: ["plan", "main"], queryFn: ({ signal }) => ask(getMain, { signal }) });
}

export function useSaveMain() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: Main & { version: number | null }) => ask(saveMain, { body }),
    onSuccess: () => client.invalidateQueries(),
  });
}

export function useWaterCalendar() {
  return useQuery({
    queryKey: ["plan", "calendar"],
    queryFn: ({ signal }) => ask(getWaterCalendarAddress, { signal }),
    staleTime: Infinity,
  });
}
