import { importList, previewList, type ListChoices, type ListFile, type ListKind } from "@sprunel/contract/exchange";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import type { ChosenFile } from "../files/chosen-file.ts";
import { ask, askFollowed } from "../http/api.ts";
import { useFollowed } from "../http/use-followed.ts";

/** What an import of the list would do, read as chosen. */
export function useListPreview(list: ListKind, file: ChosenFile | null, choices: ListChoices) {
  const { step, follow } = useFollowed();
  const preview = useQuery({
    queryKey: ["site", "list-preview", list, file?.id, choices],
    queryFn: ({ signal }) =>
      follow((onStep) => askFollowed(previewList, { body: bodyOf(list, file, choices), signal }, onStep)),
    enabled: file !== null,
    placeholderData: (before, query) =>
      query?.queryKey[2] === list && query.queryKey[3] === file?.id ? before : undefined,
  });
  return { ...preview, step };
}

export function useListImport(list: ListKind) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ file, choices }: { file: ChosenFile; choices: ListChoices }) =>
      ask(importList, { body: bodyOf(list, file, choices) }),
    onSuccess: () => client.invalidateQueries(),
  });
}

function bodyOf(list: ListKind, file: ChosenFile | null, choices: ListChoices): ListFile {
  return { list, fileName: file?.name ?? "", contentBase64: file?.contentBase64 ?? "", choices };
}
