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

/** A stage moves what the plant drinks and is fed: everything is asked anew. */
export function useAddSign(zoneId: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (sign: NewSign) => ask(addSign, { params: { id: zoneId }, body: sign }),
    onSettled: () => client.invalidateQueries(),
  });
}

export function useTakeSignBack(zoneId: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ stageId, version }: { stageId: string; version: number }) =>
      ask(takeSignBack, { params: { id: zoneId, stageId }, query: { version: String(version) } }),
    onSettled: () => client.invalidateQueries(),
  });
}

export function useSetNights(zoneId: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: { version: number; nights: NightProgramme[] }) =>
      ask(setNights, { params: { id: zoneId }, body }),
    onSettled: () => client.invalidateQueries(),
  });
}

export function useMissNight(zoneId: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: { on: string; version: number }) => ask(missNight, { params: { id: zoneId }, body }),
    onSettled: () => client.invalidateQueries(),
  });
}

export function useTakeMissedNightBack(zoneId: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ on, version }: { on: string; version: number }) =>
      ask(takeMissedNightBack, { params: { id: zoneId, on }, query: { version: String(version) } }),
    onSettled: () => client.invalidateQueries(),
  });
}

export function useTakeStageFit(zoneId: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: { stageId: string; version: number }) => ask(takeStageFit, { params: { id: zoneId }, body }),
    onSettled: () => client.invalidateQueries(),
  });
}

export function usePlanNext(zoneId: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: NextPlanting) => ask(planNext, { params: { id: zoneId }, body }),
    onSettled: () => client.invalidateQueries(),
  });
}

export function useDropNext(zoneId: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ version }: { version: number }) =>
      ask(dropNext, { params: { id: zoneId }, query: { version: String(version) } }),
    onSettled: () => client.invalidateQueries(),
  });
}
