import {
  weatherChoicesSchema,
  type WeatherChoices,
  type WeatherFile,
  type WeatherImportAnswer,
  type WeatherPreview,
} from "@sprunel/contract/climate";
import type { Site } from "@sprunel/contract/site";
import {
  dayOfYear,
  periodExtraterrestrialMjM2,
  WEATHER_KINDS,
  WIND_HEIGHT_M,
  type WeatherKind,
  byKind,
  type WeatherFile as ReadWeather,
} from "@sprunel/core/climate";
import { localDate } from "@sprunel/core/time";
import { ProblemError } from "../http/problems.ts";
import type { Follower } from "../http/served.ts";
import { importLog } from "../imports/import-log.ts";
import { readLikeBefore, toldOf } from "../imports/like-before.ts";
import type { Scope } from "../scope/scope.ts";
import { weatherImportStore } from "./weather-import-store.ts";
import { weatherStore, type WeatherReading } from "./weather-store.ts";

/** What of a file's choices holds for the next one like it: not which sheet of its book it was. */
const keptSchema = weatherChoicesSchema.omit({ sheet: true }).strip();

interface ReadFile {
  readonly site: Site;
  readonly table: ReadWeather;
  readonly choices: WeatherChoices;
  readonly heads: string;
  readonly rememberedFrom: string | null;
}
interface Judged extends ReadFile {
  readonly stationId: number;
  fresh(): Iterable<WeatherReading>;
  readonly freshCount: number;
  readonly conflicts: readonly WeatherReading[];
  readonly alreadyThere: number;
}

/** Weather files: looked at first, stored as the look promised, and never twice. */
export function weatherImportService(scope: Scope) {
  /** The file as it is read by the choices made, those remembered of its header, and guesses. */
  async function read({ contentBase64, choices }: WeatherFile, site: Site, follower?: Follower): Promise<ReadFile> {
    const bytes = Buffer.from(contentBase64, "base64");
    const today = localDate(scope.clock(), site.timeZone);
    const { read, ...how } = await readLikeBefore(scope, {
      ...{ kind: "weather", asked: choices, kept: (before) => keptSchema.parse(before) },
      read: async ({ sheet, ...said }: WeatherChoices) => ({
        table: await scope.pool.run(
          "weather-file",
          { bytes, sheet, choices: { ...said, siteTimeZone: site.timeZone, today } },
          follower,
        ),
      }),
    });
    return { ...read, ...how, site };
  }

  /** What of it is new here. */
  async function judge(file: ReadFile, inner: Scope): Promise<Judged> {
    const store = weatherStore(inner);
    const { outsideId } = await store.stations(file.site.id);
    return { ...file, stationId: outsideId, ...(await compare(file.table, store, outsideId)) };
  }

  return {
    /** @throws {DomainError} for a file that holds no table of hourly weather */
    async preview(file: WeatherFile, follower: Follower): Promise<WeatherPreview> {
      const readFile = await read(file, await scope.site.current(), follower);
      follower.step("comparing it with what is stored");
      return previewOf(file.fileName, await judge(readFile, scope));
    },

    /** Stores everything the preview promised, or nothing. */
    async commit(file: WeatherFile): Promise<WeatherImportAnswer> {
      const site = await scope.site.current();
      const readFile = await read(file, site);
      const answer = await scope.transaction(async (inner) => {
        const judged = await judge(readFile, inner);
        if (judged.table.span === null) throw nothingToImport(judged.table);
        const imports = weatherImportStore(inner);
        if (judged.freshCount > 0 || judged.conflicts.length > 0) {
          const importId = await imports.add({
            stationId: judged.stationId,
            fileName: file.fileName,
            header: judged.heads,
            // What was only assumed is assumed again next time.
            choices: judged.choices,
            importedAtMs: scope.clock(),
          });
          await weatherStore(inner).add(judged.stationId, "imported", judged.fresh(), importId);
          await imports.addConflicts(importId, judged.conflicts);
          await importLog(inner).add({
            ...{ kind: "weather", fileName: file.fileName, heads: judged.heads, choices: judged.choices },
            ...{ rows: judged.table.series.hourMs.length, importedAtMs: scope.clock(), weatherImportId: importId },
          });
        }
        return previewOf(file.fileName, judged);
      });
      return { fileName: answer.fileName, counts: answer.counts, hours: answer.hours, stored: answer.stored };
    },
  };
}

function nothingToImport(table: ReadWeather): ProblemError {
  return new ProblemError({
    type: "/problems/bad-input",
    title: "Nothing to import",
    status: 422,
    detail: `None of the ${table.counts.dataRows} rows can be stored as they are read now. Check the columns, their units and how dates are written.`,
    errors: table.rejected
      .slice(0, 20)
      .map((row) => ({ path: `line ${row.line}`, message: `Line ${row.line}: ${row.reason} (${row.detail}).` })),
  });
}

/** What of a file is new to a station, what differs from what it has, and how much is there already. */
async function compare({ series }: ReadWeather, store: ReturnType<typeof weatherStore>, stationId: number) {
  const { hourMs, values, doubtful } = series;
  const there = await store.readings(stationId, "imported", hourMs[0] ?? 0, hourMs.at(-1) ?? -1);
  const isFresh = byKind(() => new Uint8Array(hourMs.length));
  const conflicts: WeatherReading[] = [];
  let [freshCount, alreadyThere] = [0, 0];
  for (const kind of WEATHER_KINDS) {
    const known = there.get(kind);
    values[kind].forEach((value, at) => {
      if (Number.isNaN(value)) return;
      const before = known?.get(hourMs[at] ?? NaN);
      if (before === undefined) {
        isFresh[kind][at] = 1;
        freshCount++;
      }
      // Values that went through another unit and back may differ in the last digit.
      else if (Math.abs(before - value) > 1e-6) conflicts.push(readingAt(kind, at));
      else alreadyThere++;
    });
  }
  function readingAt(kind: WeatherKind, at: number): WeatherReading {
    return { kind, hourMs: hourMs[at] ?? NaN, value: values[kind][at] ?? NaN, doubtful: doubtful[kind][at] === 1 };
  }
  function* fresh(): Generator<WeatherReading> {
    for (const kind of WEATHER_KINDS)
      for (let at = 0; at < hourMs.length; at++) if (isFresh[kind][at] === 1) yield readingAt(kind, at);
  }
  return { fresh, freshCount, conflicts, alreadyThere };
}

function previewOf(
  fileName: string,
  { table, site, choices, rememberedFrom, freshCount, conflicts, alreadyThere }: Judged,
): WeatherPreview {
  const { series, span, firstRows } = table;
  const hours = series.hourMs.length;
  const expected = span ? Math.round((span.lastMs - span.firstMs) / 3_600_000) + 1 : 0;
  const known = (kind: WeatherKind): Float64Array => series.values[kind].filter((value) => !Number.isNaN(value));
  const sum = (kind: WeatherKind): number => known(kind).reduce((total, value) => total + value, 0);
  const mean = (kind: WeatherKind): number | null => (known(kind).length > 0 ? sum(kind) / known(kind).length : null);
  return {
    fileName,
    dialect: {
      ...table.dialect,
      windHeightM: choices.windHeightM ?? WIND_HEIGHT_M,
      windHeightAssumed: choices.windHeightM === undefined,
    },
    ...toldOf(table, rememberedFrom),
    warnings: [...sunInTheDark(table, site), ...otherPlace(table, site)],
    counts: table.counts,
    notData: [...table.notData],
    rejected: [...table.rejected],
    flagged: table.flagged.map((row) => ({ line: row.line, flags: [...row.flags] })),
    hours: {
      firstUtc: span && instant(span.firstMs),
      lastUtc: span && instant(span.lastMs),
      expected,
      stored: hours,
      missing: expected - hours,
    },
    gaps: table.gaps.map((gap) => ({ fromUtc: instant(gap.fromMs), toUtc: instant(gap.toMs), hours: gap.hours })),
    totals: {
      rainMm: sum("rain"),
      radiationMjM2: sum("radiation"),
      meanAirTemperatureC: mean("airTemperature"),
      meanWindMs: mean("wind"),
    },
    clockChangeUtc: table.clockChangeMs === null ? null : instant(table.clockChangeMs),
    sample: firstRows.map((row) => ({
      line: row.line,
      stampUtc: instant(row.stampMs),
      hourStartUtc: instant(row.hourStartMs),
      values: { ...row.values },
    })),
    stored: { newValues: freshCount, alreadyThere, conflicts: conflicts.length },
  };
}

/** Light while the sun is below the horizon betrays a clock of another zone, or the wrong end of the hour. */
const DARK_SHARE = 0.02;

function sunInTheDark({ series }: ReadWeather, { latitudeDeg, longitudeDeg }: Site): string[] {
  let [all, dark] = [0, 0];
  series.values.radiation.forEach((radiation, at) => {
    const hourMs = series.hourMs[at] ?? NaN;
    if (Number.isNaN(radiation) || radiation === 0) return;
    const date = new Date(hourMs).toISOString().slice(0, 10);
    const utcH = (hourMs % 86_400_000) / 3_600_000;
    all += radiation;
    if (periodExtraterrestrialMjM2(latitudeDeg, dayOfYear(date), utcH + 0.5, longitudeDeg, 0) === 0) dark += radiation;
  });
  if (all === 0 || dark / all < DARK_SHARE) return [];
  return [
    `${Math.round((100 * dark) / all)} % of the sunlight stands in hours when the sun is down at your site. Check the zone of the file's clock, and whether a time is the start or the end of its hour.`,
  ];
}

/** A note on top may tell where the station stands. */
function otherPlace({ preamble }: ReadWeather, { longitudeDeg }: Site): string[] {
  const [, degrees, side] =
    /\blong(?:itude)?\b[^\d-]*(-?\d+(?:[.,]\d+)?)\s*°?\s*([EW])?/i.exec(preamble.join(" ")) ?? [];
  if (degrees === undefined) return [];
  const noted = Number(degrees.replace(",", ".")) * (side?.toUpperCase() === "W" ? -1 : 1);
  const apart = Math.abs(((noted - longitudeDeg + 540) % 360) - 180);
  return apart < 1
    ? []
    : [
        `The note on top of the file puts the station at longitude ${noted}°, your site lies at ${longitudeDeg}°. Is this your weather? If so, check the zone of the file's clock.`,
      ];
}

function instant(ms: number): string {
  return new Date(ms).toISOString().replace(".000Z", "Z");
}
