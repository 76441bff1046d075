import { waterFileSchema, type WaterFile, type WaterPreview, type WaterSample } from "@sprunel/contract/exchange";
import { matchZone } from "@sprunel/core/table";
import { checkReport, withHalfLimits, type WaterSample as ReadSample, type WaterTable } from "@sprunel/core/water";
import type { Follower } from "../http/served.ts";
import { importLog } from "../imports/import-log.ts";
import { readLikeBefore, toldOf, type Reading } from "../imports/like-before.ts";
import type { Scope } from "../scope/scope.ts";
import { reportStore } from "../water/report-store.ts";
import { zoneReportStore } from "../rootzone/zone-report-store.ts";

/** What of a file's choices holds for the next one like it. */
const settledSchema = waterFileSchema.pick({ columns: true, dateOrder: true, decimal: true }).strip();
type Settled = ReturnType<typeof settledSchema.parse>;

type ReadReport = Reading<Settled, { readonly table: WaterTable }>;

type Dated = Omit<WaterSample, "fate" | "takenOn"> & { readonly takenOn: string };

/** Where samples may go, and what is there already. */
interface Known {
  readonly zones: ReadonlyMap<string, number>;
  isThere(sample: Dated): boolean | Promise<boolean>;
}

/** Lab files: looked at first; a doubtful balance is told, an impossible one stored only when a person insists. */
export function waterImportService(scope: Scope) {
  /** As it is asked for now, and where it is not, as somebody had a file with the same heads read before. */
  const read = async (file: WaterFile, follower?: Follower): Promise<ReadReport> => {
    const today = await scope.site.dateOr(undefined);
    const bytes = Buffer.from(file.contentBase64, "base64");
    return readLikeBefore(scope, {
      ...{ kind: "water", asked: settledSchema.parse(file), kept: (before) => settledSchema.parse(before) },
      read: async (settled: Settled) => ({
        table: await scope.pool.run(
          "water-table",
          { bytes, sheet: file.sheet, choices: { ...settled, takenOn: file.takenOn, today, source: file.sourceName } },
          follower,
        ),
      }),
    });
  };

  async function judge(
    file: WaterFile,
    { read: { table }, rememberedFrom }: ReadReport,
    siteId: number,
    inner: Scope,
  ): Promise<WaterPreview> {
    const zones = new Map((await inner.zones()).map(({ name, id }) => [name, id]));
    const known: Known = {
      zones,
      isThere: (sample) =>
        sample.zone === null
          ? reportStore(inner).has(siteId, { ...figuresOf(sample), sourceName: sample.source, ph: sample.ph ?? 7 })
          : zoneReportStore(inner).has(zones.get(sample.zone) ?? 0, zoneReportOf(file, sample)),
    };
    const samples: WaterSample[] = [];
    for (const [at, sample] of table.samples.entries()) {
      const said = file.samples?.find((one) => one.at === at + 1);
      const judged = await sampleAsAsked({ ...sample, source: said?.is ?? sample.source }, file, known);
      samples.push(said?.leftOut === true ? { ...judged, fate: "left-out" } : judged);
    }
    return {
      fileName: file.fileName,
      counts: table.counts,
      notData: [...table.notData],
      rejected: [...table.rejected],
      ...toldOf(table, rememberedFrom),
      lies: table.lies,
      dateOrder: table.dateOrder,
      dateOrderAssumed: table.dateOrderAssumed,
      decimal: table.decimal,
      decimalAssumed: table.decimalAssumed,
      samples,
    };
  }
  return {
    async preview(file: WaterFile, follower: Follower): Promise<WaterPreview> {
      return judge(file, await read(file, follower), (await scope.site.current()).id, scope);
    },

    /** Stores what the preview called stored, or nothing; a second time adds nothing. */
    async commit(file: WaterFile): Promise<WaterPreview> {
      const { id } = await scope.site.current();
      const report = await read(file);
      const store = async (inner: Scope): Promise<WaterPreview> => {
        const preview = await judge(file, report, id, inner);
        const zones = new Map((await inner.zones()).map((zone) => [zone.name, zone.id]));
        for (const sample of preview.samples) {
          const { source, zone, takenOn, ph } = sample;
          if (sample.fate !== "stored" || takenOn === null) continue;
          const dated = { ...sample, takenOn };
          if (zone !== null) await zoneReportStore(inner).add(zones.get(zone) ?? 0, zoneReportOf(file, dated));
          else if (ph !== null) await reportStore(inner).add(id, { ...figuresOf(dated), sourceName: source, ph });
        }
        return preview;
      };
      return scope.transaction((inner) =>
        importLog(inner).watched(
          () => store(inner),
          ({ samples }) => {
            const rows = samples.filter(({ fate }) => fate === "stored").length;
            return rows === 0
              ? null
              : {
                  ...{ kind: "water", fileName: file.fileName, heads: report.heads, choices: report.choices },
                  ...{ rows, importedAtMs: scope.clock() },
                };
          },
        ),
      );
    },
  };
}

function zoneReportOf({ of }: WaterFile, sample: Dated) {
  return { kind: of === "extract" ? of : ("drain" as const), ...figuresOf(sample), ph: sample.ph };
}

/** As it is kept: half of its limit stands for what lay below it, and the report says so. */
function figuresOf({ takenOn, ions, ecMsCm, belowDetection, methods }: Dated) {
  const below = belowDetection.filter(({ limit }) => limit !== null);
  return {
    ...{ takenOn, ecMsCm, ions: withHalfLimits(ions, below) },
    ...(below.length > 0 && {
      limits: Object.fromEntries(below.map(({ analyte, limit }) => [analyte, `<${Number(limit?.toPrecision(3))}`])),
    }),
    ...(Object.keys(methods).length > 0 && { methods }),
  };
}

async function sampleAsAsked(sample: ReadSample, file: WaterFile, known: Known): Promise<WaterSample> {
  const [line] = sample.lines;
  const slip = sample.check?.slip;
  const mended =
    slip && file.acceptOffers?.includes(line) ? { ...sample.ions, [slip.ion]: slip.offerMmolL } : sample.ions;
  const check =
    sample.check && mended !== sample.ions
      ? checkReport(withHalfLimits(mended, sample.belowDetection), sample.ph ?? 7, sample.ecMsCm)
      : sample.check;
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
    setAside: [...sample.setAside],
    methods: sample.methods,
    hardnessMmolL: sample.hardnessMmolL,
    check,
  };
  // Without a pH no recipe can be made of a water, and without a name nobody finds it again.
  const hasPlace = isWater ? sample.ph !== null && sample.source !== "" : read.zone !== null;
  const agreed = hasPlace && check !== null && (check.verdict !== "refused" || (file.insist?.includes(line) ?? false));
  const { takenOn } = read;
  if (takenOn === null) return { ...read, fate: "refused" };
  const isThere = hasPlace && (await known.isThere({ ...read, takenOn }));
  return { ...read, fate: isThere ? "already-there" : agreed ? "stored" : "refused" };
}
