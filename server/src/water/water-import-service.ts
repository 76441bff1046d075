import type { WaterFile, WaterPreview, WaterSample } from "@sprunel/contract/exchange";
import type { WaterReport } from "@sprunel/contract/water";
import { matchZone } from "@sprunel/core/table";
import { checkReport, readWaterTable, type WaterSample as ReadSample } from "@sprunel/core/water";
import type { Knex } from "knex";
import { feedStore } from "../feed/feed-store.ts";
import { zoneReportStore } from "../rootzone/zone-report-store.ts";
import type { SetUpService } from "../site/set-up-service.ts";
import { zoneStore } from "../site/zone-store.ts";

export type WaterImportService = ReturnType<typeof waterImportService>;

/** Where samples may go, and what is there already. */
interface Known {
  readonly zones: ReadonlyMap<string, number>;
  isThere(sample: Omit<WaterSample, "fate">): boolean | Promise<boolean>;
}

/** Lab files: looked at first; a doubtful balance is told, an impossible one stored only when a person insists. */
export function waterImportService(db: Knex, setUp: SetUpService) {
  async function judge(file: WaterFile, siteId: number, trx: Knex): Promise<WaterPreview> {
    const table = readWaterTable(Buffer.from(file.contentBase64, "base64"));
    const zones = new Map((await zoneStore(trx).list()).map(({ name, id }) => [name, id]));
    const reports = await feedStore(trx).reports(siteId);
    const known: Known = {
      zones,
      isThere: (sample) =>
        sample.zone === null
          ? reports.some((report) => isSame(report, sample))
          : zoneReportStore(trx).has(zones.get(sample.zone) ?? 0, zoneReportOf(file, sample)),
    };
    const samples: WaterSample[] = [];
    for (const sample of table.samples) samples.push(await sampleAsAsked(sample, file, known));
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
      return judge(file, (await setUp.site()).id, db);
    },

    /** Stores what the preview called stored, or nothing; a second time adds nothing. */
    async commit(file: WaterFile): Promise<WaterPreview> {
      const { id } = await setUp.site();
      return db.transaction(async (trx) => {
        const preview = await judge(file, id, trx);
        const zones = new Map((await zoneStore(trx).list()).map((zone) => [zone.name, zone.id]));
        for (const sample of preview.samples) {
          if (sample.fate !== "stored") continue;
          const { source, zone, takenOn, ions, ph, ecMsCm } = sample;
          if (zone !== null) await zoneReportStore(trx).add(zones.get(zone) ?? 0, zoneReportOf(file, sample));
          else if (ph !== null) await feedStore(trx).addReport(id, { sourceName: source, takenOn, ions, ph, ecMsCm });
        }
        return preview;
      });
    },
  };
}

function isSame(report: WaterReport, { source, takenOn, ions }: Omit<WaterSample, "fate">): boolean {
  return (
    report.sourceName === source && report.takenOn === takenOn && JSON.stringify(report.ions) === JSON.stringify(ions)
  );
}

function zoneReportOf({ of }: WaterFile, { takenOn, ions, ph, ecMsCm }: Omit<WaterSample, "fate">) {
  return { kind: of === "extract" ? of : ("drain" as const), takenOn, ions, ph, ecMsCm };
}

async function sampleAsAsked(sample: ReadSample, file: WaterFile, known: Known): Promise<WaterSample> {
  const [line] = sample.lines;
  const slip = sample.check?.slip;
  const mended =
    slip && file.acceptOffers?.includes(line) ? { ...sample.ions, [slip.ion]: slip.offerMmolL } : sample.ions;
  const check =
    sample.check && mended !== sample.ions ? checkReport(mended, sample.ph ?? 7, sample.ecMsCm) : sample.check;
  const isWater = file.of === undefined || file.of === "source";
  const match = isWater ? null : matchZone(sample.source, [...known.zones.keys()]);
  const read = {
    source: sample.source,
    zone: match && "zone" in match ? match.zone : null,
    takenOn: sample.takenOn,
    lines: [...sample.lines] as [number, number],
    ph: sample.ph,
    ecMsCm: sample.ecMsCm,
    ions: mended,
    belowDetection: [...sample.belowDetection],
    notTested: [...sample.notTested],
    hardnessMmolL: sample.hardnessMmolL,
    check,
  };
  // Without a pH no recipe can be made of a water, and without a name nobody finds it again.
  const hasPlace = isWater ? sample.ph !== null && sample.source !== "" : read.zone !== null;
  const agreed = hasPlace && check !== null && (check.verdict !== "refused" || (file.insist?.includes(line) ?? false));
  const isThere = hasPlace && (await known.isThere(read));
  return { ...read, fate: isThere ? "already-there" : agreed ? "stored" : "refused" };
}
