import {
  addOwnCrop,
  changeOwnCrop,
  getCrop,
  getCropLibrary,
  importCrop,
  removeOwnCrop,
  type CropDefinition,
  type CropFile,
} from "@sprunel/contract/crop";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { ask } from "../../http/api.ts";

export function useCropLibrary() {
  return useQuery({
    queryKey: ["crops"],
    queryFn: ({ signal }) => ask(getCropLibrary, { signal }),
  });
}

export function useCrop(id: string) {
  return useQuery({
    queryKey: ["crops", id],
    queryFn: ({ signal }) => ask(getCrop, { params: { id }, signal }),
  });
}

/** A crop's figures move plans everywhere: all is asked anew. */
function useChange<Sent, Answer>(mutationFn: (sent: Sent) => Promise<Answer>) {
  const client = useQueryClient();
  return useMutation({ mutationFn, onSuccess: () => client.invalidateQueries() });
}

export function useAddOwnCrop() {
  return useChange((body: { basedOn: string; name: string }) => ask(addOwnCrop, { body }));
}

export function useChangeOwnCrop(id: string) {
  return useChange((body: { version: number; crop: CropDefinition }) => ask(changeOwnCrop, { params: { id }, body }));
}

export function useRemoveOwnCrop(id: string) {
  return useChange(() => ask(removeOwnCrop, { params: { id } }));
}

export function useImportCrop() {
  return useChange((body: CropFile) => ask(importCrop, { body }));
}
