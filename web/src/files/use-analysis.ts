import { type Endpoint } from "@sprunel/contract/basics";
import { useQuery } from "@tanstack/react-query";
import type { z } from "zod";
import { askFollowed } from "../http/api.ts";
import { useFollowed } from "../http/use-followed.ts";
import type { ChosenFile } from "./chosen-file.ts";

/** What a laboratory's file tells, read as somebody settled it. */
export function useAnalysis<B extends z.ZodType, A extends z.ZodType>(
  endpoint: Endpoint<z.ZodObject, z.ZodObject, B, A>,
  file: ChosenFile | null,
  choices: object,
) {
  const { step, follow } = useFollowed();
  const preview = useQuery({
    queryKey: ["exchange", "analysis", endpoint.path, file?.id, choices],
    queryFn: ({ signal }) => {
      const body = { ...choices, fileName: file?.name ?? "", contentBase64: file?.contentBase64 ?? "" } as z.input<B>;
      return follow((onStep) => askFollowed(endpoint, { body, signal } as never, onStep));
    },
    enabled: file !== null,
    placeholderData: (before, query) => (query?.queryKey[3] === file?.id ? before : undefined),
  });
  return { ...preview, step };
}
