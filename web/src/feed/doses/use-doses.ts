import {
  getDosePlan,
  getKeptProgrammes,
  getNutrientBooks,
  getWeekOfDoses,
  keepProgramme,
  noteLeafTaken,
  recordDose,
  saveNutrientRules,
  saveProgramme,
  strikeLeafTaken,
  takeDoseBack,
  type DoseProgramme,
  type NewDoseRecord,
  type NewKeptProgramme,
  type NewLeafTaken,
  type NutrientRules,
} from "@sprunel/contract/feed";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { ask } from "../../http/api.ts";

export function useDosePlan(zoneId: number, date: string | null) {
  return useQuery({
    queryKey: ["doses", "zone", zoneId, date],
    queryFn: ({ signal }) => ask(getDosePlan, { params: { id: zoneId }, query: { date }, signal }),
  });
}

export function useWeekOfDoses(date: string | null) {
  return useQuery({
    queryKey: ["doses", "week", date],
    queryFn: ({ signal }) => ask(getWeekOfDoses, { query: { date }, signal }),
  });
}

/** What is said of doses draws from the shelf too: all of feed is asked anew. */
function useDoseChange<Sent, Answer>(mutationFn: (sent: Sent) => Promise<Answer>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn,
    onSettled: async () => {
      await client.invalidateQueries({ queryKey: ["doses"] });
      await client.invalidateQueries({ queryKey: ["feed"] });
    },
  });
}

export function useSaveProgramme(id: number) {
  return useDoseChange((body: { programme: DoseProgramme; version: number | null }) =>
    ask(saveProgramme, { params: { id }, body }),
  );
}

export function useKeptProgrammes() {
  return useQuery({
    queryKey: ["doses", "kept"],
    queryFn: ({ signal }) => ask(getKeptProgrammes, { signal }),
  });
}

export function useKeepProgramme(id: number) {
  return useDoseChange((body: NewKeptProgramme) => ask(keepProgramme, { params: { id }, body }));
}

export function useNutrientBooks() {
  return useQuery({
    queryKey: ["doses", "books"],
    queryFn: ({ signal }) => ask(getNutrientBooks, { signal }),
  });
}

export function useSaveNutrientRules() {
  return useDoseChange((body: NutrientRules & { version: number | null }) => ask(saveNutrientRules, { body }));
}

export function useRecordDose(id: number) {
  return useDoseChange((body: NewDoseRecord) => ask(recordDose, { params: { id }, body }));
}

export function useNoteLeaf(id: number) {
  return useDoseChange((body: NewLeafTaken) => ask(noteLeafTaken, { params: { id }, body }));
}

export function useStrikeLeaf(id: number) {
  return useDoseChange((record: number) => ask(strikeLeafTaken, { params: { id, record } }));
}

export function useTakeDoseBack(id: number) {
  return useDoseChange((record: number) => ask(takeDoseBack, { params: { id, record } }));
}
