import type { WaterFile, WaterPreview, WaterReport, WaterSample } from "@sprunel/contract";
import { checkReport, readWaterTable, type WaterSample as ReadSample } from "@sprunel/core";
import type { Knex } from "knex";
import { feedStore } from "../feed/feed-store.ts";
import type { SetUpService } from "../site/set-up-service.ts";

export type WaterImportService = ReturnType<typeof waterImportService>;

/** Lab files: looked at first; a doubtful balance is told, an impossible one stored only when a person insists. */
export function waterImportService(db: Knex, setUp: SetUpService) {
  function judge(file: WaterFile, known: readonly WaterReport[]): WaterPreview {
    const table = readWaterTable(Buffer.from(file.contentBase64, "base64"));
    const samples = table.samples.map((sample) => sampleAsAsked(sample, file, known));
    return {
      fileName: file.fileName,
      counts: table.counts,
      notData: [...table.notData],
      rejected: [...table.rejected],
      samples,
    };
  }
  return {
    async preview(file: WaterFile): Promise<WaterPreview> {
      const site = await setUp.site();
      return judge(file, await feedStore(db).reports(site.id));
    },

    /** Stores what the preview called stored, or nothing; a second time adds nothing. */
    async commit(file: WaterFile): Promise<WaterPreview> {
      const site = await setUp.site();
      return db.transaction(async (trx) => {
        const store = feedStore(trx);
        const preview = judge(file, await store.reports(site.id));
        for (const { source, takenOn, ions, ph, ecMsCm, fate } of preview.samples)
          if (fate === "stored" && ph !== null)
            await store.addReport(site.id, { sourceName: source, takenOn, ions, ph, ecMsCm });
        return preview;
      });
    },
  };
}

function sampleAsAsked(sample: ReadSample, file: WaterFile, known: readonly WaterReport[]): WaterSample {
  const [line] = sample.lines;
  const slip = sample.check?.slip;
  const mended =
    slip && file.acceptOffers?.includes(line) ? { ...sample.ions, [slip.ion]: slip.offerMmolL } : sample.ions;
  const check =
    sample.check && mended !== sample.ions ? checkReport(mended, sample.ph ?? 7, sample.ecMsCm) : sample.check;
  const there = known.some(
    (report) =>
      report.sourceName === sample.source &&
      report.takenOn === sample.takenOn &&
      JSON.stringify(report.ions) === JSON.stringify(mended),
  );
  // Without a pH no recipe can be made of it, and without a name nobody finds it again.
  const usable = sample.ph !== null && sample.source !== "" && check !== null;
  const agreed = usable && (check.verdict !== "refused" || (file.insist?.includes(line) ?? false));
  return {
    source: sample.source,
    takenOn: sample.takenOn,
    lines: [...sample.lines],
    ph: sample.ph,
    ecMsCm: sample.ecMsCm,
    ions: mended,
    belowDetection: [...sample.belowDetection],
    notTested: [...sample.notTested],
    hardnessMmolL: sample.hardnessMmolL,
    check,
    fate: there ? "already-there" : agreed ? "stored" : "refused",
  };
}
