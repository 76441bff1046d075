import {
  addSign,
  addSoilStep,
  addStandStep,
  dropNext,
  getCropStation,
  getSoilSteps,
  getZoneCrop,
  missNight,
  planNext,
  removeStandStep,
  setNights,
  setStand,
  strikeSoilStep,
  takeMissedNightBack,
  takeSignBack,
  takeStageFit,
  type NewSign,
  type NewSoilStep,
  type NewStand,
  type NewStandStep,
  type NextPlanting,
  type ZoneCrop,
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

/** Of the planting that is named, else of the one that leads the zone. */
export function useZoneCrop(zoneId: number, date: string | null, planting: string | null = null) {
  return useQuery({
    queryKey: ["crop", "zone", zoneId, date, planting],
    queryFn: ({ signal }) => ask(getZoneCrop, { params: { id: zoneId }, query: { date, planting }, signal }),
  });
}

/** What is said of a crop moves what plants drink and are fed: everything is asked anew. */
export function useCropChange<Sent, Answer>(mutationFn: (sent: Sent) => Promise<Answer>) {
  const client = useQueryClient();
  return useMutation({ mutationFn, onSettled: () => client.invalidateQueries() });
}

/** Of which planting something is said, at which version of the zone's record. */
interface AtVersion {
  readonly version: number;
  readonly planting?: string | undefined;
}
const at = ({ version, planting }: AtVersion) => ({ version: String(version), planting: planting ?? null });

/** What every call about a page's planting says of it. */
export function ofPlanting({ version, planting }: ZoneCrop): AtVersion {
  return { version, planting: planting?.key };
}

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

export function useSetStand(id: number) {
  return useCropChange((body: NewStand) => ask(setStand, { params: { id }, body }));
}

export function useAddStandStep(id: number) {
  return useCropChange((body: NewStandStep) => ask(addStandStep, { params: { id }, body }));
}

export function useRemoveStandStep(id: number) {
  return useCropChange(({ kind, on, ...said }: AtVersion & Pick<NewStandStep["step"], "kind" | "on">) =>
    ask(removeStandStep, { params: { id, kind, on }, query: at(said) }),
  );
}

export function usePlanNext(id: number) {
  return useCropChange((body: NextPlanting) => ask(planNext, { params: { id }, body }));
}

export function useDropNext(id: number) {
  return useCropChange((said: AtVersion) => ask(dropNext, { params: { id }, query: at(said) }));
}

export function useSoilSteps(zoneId: number) {
  return useQuery({
    queryKey: ["crop", "soil", zoneId],
    queryFn: ({ signal }) => ask(getSoilSteps, { params: { id: zoneId }, signal }),
  });
}

export function useAddSoilStep(id: number) {
  return useCropChange((body: NewSoilStep) => ask(addSoilStep, { params: { id }, body }));
}

export function useStrikeSoilStep(id: number) {
  return useCropChange((step: number) => ask(strikeSoilStep, { params: { id, step } }));
}
