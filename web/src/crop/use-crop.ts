import {
  addSign,
  dropNext,
  getCropStation,
  getZoneCrop,
  missNight,
  planNext,
  setNights,
  takeMissedNightBack,
  takeSignBack,
  takeStageFit,
  type NewSign,
  type NextPlanting,
} from "@sprunel/contract/crop";
import type { NightProgramme } from "@sprunel/contract/site";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { ask } from "../http/api.ts";

export function useCropStation(date: string | null) {
  return useQuery({
    queryKey: ["crop", "station", date],
    queryFn: ({ signal }) => ask(getCropStation, { query: { date }, signal }),
  });
}

export function useZoneCrop(zoneId: number, date: string | null) {
  return useQuery({
    queryKey: ["crop", "zone", zoneId, date],
    queryFn: ({ signal }) => ask(getZoneCrop, { params: { id: zoneId }, query: { date }, signal }),
  });
}

/** What is said of a crop moves what plants drink and are fed: everything is asked anew. */
export function useCropChange<Sent, Answer>(mutationFn: (sent: Sent) => Promise<Answer>) {
  const client = useQueryClient();
  return useMutation({ mutationFn, onSettled: () => client.invalidateQueries() });
}

/** At which version of the zone's record something is said. */
interface AtVersion {
  readonly version: number;
}
const at = ({ version }: AtVersion) => ({ version: String(version) });

export function useAddSign(id: number) {
  return useCropChange((sign: NewSign) => ask(addSign, { params: { id }, body: sign }));
}

export function useTakeSignBack(id: number) {
  return useCropChange(({ stageId, ...said }: AtVersion & { stageId: string }) =>
    ask(takeSignBack, { params: { id, stageId }, query: at(said) }),
  );
}

export function useSetNights(id: number) {
  return useCropChange((body: AtVersion & { nights: NightProgramme[] }) => ask(setNights, { params: { id }, body }));
}

export function useMissNight(id: number) {
  return useCropChange((body: AtVersion & { on: string }) => ask(missNight, { params: { id }, body }));
}

export function useTakeMissedNightBack(id: number) {
  return useCropChange(({ on, ...said }: AtVersion & { on: string }) =>
    ask(takeMissedNightBack, { params: { id, on }, query: at(said) }),
  );
}

export function useTakeStageFit(id: number) {
  return useCropChange((body: AtVersion & { stageId: string }) => ask(takeStageFit, { params: { id }, body }));
}

export function usePlanNext(id: number) {
  return useCropChange((body: NextPlanting) => ask(planNext, { params: { id }, body }));
}

export function useDropNext(id: number) {
  return useCropChange((said: AtVersion) => ask(dropNext, { params: { id }, query: at(said) }));
}
