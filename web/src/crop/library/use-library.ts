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
import { useQuery } from "@tanstack/react-query";
import { ask } from "../../http/api.ts";
import { useCropChange } from "../use-crop.ts";

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

export function useAddOwnCrop() {
  return useCropChange((body: { basedOn: string; name: string }) => ask(addOwnCrop, { body }));
}

export function useChangeOwnCrop(id: string) {
  return useCropChange((body: { version: number; crop: CropDefinition }) =>
    ask(changeOwnCrop, { params: { id }, body }),
  );
}

export function useRemoveOwnCrop(id: string) {
  return useCropChange(() => ask(removeOwnCrop, { params: { id } }));
}

export function useImportCrop() {
  return useCropChange((body: CropFile) => ask(importCrop, { body }));
}
