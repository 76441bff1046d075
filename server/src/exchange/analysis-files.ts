import type { AnalysisFile, OrganicPreview, TissueFile, TissuePreview } from "@sprunel/contract/exchange";
import type { Follower } from "../http/served.ts";
import { toldOf } from "../imports/like-before.ts";
import type { Scope } from "../scope/scope.ts";

/** Laboratories' files that fill a form; what a person takes over of them is kept by its own room. */
export function analysisFiles(scope: Scope) {
  const sent = async ({ contentBase64, sheet, fileName: _name, ...choices }: AnalysisFile) => ({
    ...{ bytes: Buffer.from(contentBase64, "base64"), sheet },
    choices: { ...choices, today: await scope.site.dateOr(undefined) },
  });
  return {
    async organic(file: AnalysisFile, follower: Follower): Promise<OrganicPreview> {
      const table = await scope.pool.run("organic-table", await sent(file), follower);
      const { decimal, decimalAssumed, dateOrder, dateOrderAssumed, takenOn, analysis, missing, remarks } = table;
      return {
        ...told(table),
        ...{ decimal, decimalAssumed, dateOrder, dateOrderAssumed },
        ...{ takenOn, analysis, missing: [...missing], remarks: [...remarks] },
      };
    },
    async tissue(file: TissueFile, follower: Follower): Promise<TissuePreview> {
      const sheet = await scope.pool.run("tissue-sheet", await sent(file), follower);
      const { decimal, decimalAssumed, rows, lines } = sheet;
      return {
        ...told(sheet),
        ...{ decimal, decimalAssumed, lines: [...lines] },
        rows: rows.map((row) => ({ ...row, examples: [...row.examples] })),
      };
    },
  };
}

function told(table: Parameters<typeof toldOf>[0]) {
  const { rememberedFrom: _notKept, ...rest } = toldOf(table, null);
  return rest;
}
