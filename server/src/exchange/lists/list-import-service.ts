import { listFileSchema, type ListChoices, type ListFile, type ListPreview } from "@sprunel/contract/exchange";
import type { Site } from "@sprunel/contract/site";
import type { ListTable } from "@sprunel/core/table";
import type { SoilTest } from "@sprunel/core/rootzone";
import { localDate } from "@sprunel/core/time";
import type { Follower } from "../../http/served.ts";
import { importLog } from "../../imports/import-log.ts";
import { readLikeBefore, toldOf, type Reading } from "../../imports/like-before.ts";
import { storeShelf } from "./shelf-list.ts";
import { storePicks } from "./pick-list.ts";
import { storeReadings } from "./reading-list.ts";
import { storeSoilTests } from "./soil-list.ts";
import type { Pool } from "../../pool/pool.ts";
import type { Scope } from "../../scope/scope.ts";
import type { ListedRow, ListPlace, StoredRows } from "./list-place.ts";

interface ReadList {
  readonly table: ListTable<string, object>;
  store(place: ListPlace): Promise<StoredRows>;
}

const SAMPLE_ROWS = 6;

/** Lists from files: a preview does all that the import does, and takes it back; so it cannot promise another thing. */
export function listImportService(scope: Scope) {
  /** Read before anything is written: a long file holds nobody up. */
  async function read(file: ListFile, site: Site, follower?: Follower): Promise<Reading<ListChoices, ReadList>> {
    const zones = (await scope.zones()).map(({ name }) => name);
    const today = localDate(scope.clock(), site.timeZone);
    return readLikeBefore(scope, {
      ...{ kind: file.list, asked: file.choices, kept: (before) => keptSchema.parse(before) },
      read: (choices: ListChoices) =>
        readAsked(
          scope.pool,
          file,
          { ...choices, timeZone: choices.timeZone ?? site.timeZone, zones, today },
          follower,
        ),
    });
  }

  async function run(
    file: ListFile,
    { read: { table, store }, choices, rememberedFrom }: Reading<ListChoices, ReadList>,
    site: Site,
    inner: Scope,
  ): Promise<ListPreview> {
    const zones = new Map((await inner.zones()).map((zone) => [zone.name, zone]));
    const timeZone = choices.timeZone ?? site.timeZone;
    const stored = await store({
      scope: inner,
      site,
      zones,
      nowMs: scope.clock(),
      today: localDate(scope.clock(), site.timeZone),
    });
    return {
      list: file.list,
      fileName: file.fileName,
      dialect: { ...table.dialect, timeZone },
      ...toldOf(table, rememberedFrom),
      counts: table.counts,
      notData: [...table.notData],
      rejected: [...table.rejected],
      flagged: table.rows
        .filter(({ flags }) => flags.length > 0)
        .map(({ line, flags }) => ({
          line,
          flags: flags.map(({ offer, ...flag }) => ({ ...flag, ...(offer && { offer: plainOffer(offer) }) })),
        })),
      sample: table.rows.slice(0, SAMPLE_ROWS).map(({ line, values }) => ({ line, values: cellsOf(values) })),
      stored: { added: stored.added, alreadyThere: stored.alreadyThere, refused: stored.refused },
    };
  }
  return {
    /** @throws {DomainError} for a file that holds no such list */
    async preview(file: ListFile, follower: Follower): Promise<ListPreview> {
      const site = await scope.site.current();
      const list = await read(file, site, follower);
      return scope.rehearsal((inner) => run(file, list, site, inner));
    },

    /** Stores what the preview promised, or nothing; a second time adds nothing. */
    async commit(file: ListFile): Promise<ListPreview> {
      const site = await scope.site.current();
      const list = await read(file, site);
      return scope.transaction((inner) =>
        importLog(inner).watched(
          () => run(file, list, site, inner),
          ({ stored }) =>
            stored.added === 0
              ? null
              : {
                  ...{ kind: file.list, fileName: file.fileName, heads: list.heads, choices: list.choices },
                  ...{ rows: stored.added, importedAtMs: scope.clock() },
                },
        ),
      );
    },
  };
}

/** What of a file's choices holds for the next one like it: no line of this one, and not whose it is. */
const keptSchema = listFileSchema.shape.choices
  .omit({ acceptOffers: true, zone: true, day: true, sheet: true })
  .strip();

type Choices = ListChoices & { readonly timeZone: string; readonly zones: readonly string[]; readonly today: string };

async function readAsked(pool: Pool, file: ListFile, choices: Choices, follower?: Follower): Promise<ReadList> {
  const bytes = Buffer.from(file.contentBase64, "base64");
  const { sheet } = file.choices;
  switch (file.list) {
    case "readings":
      return listOf(await pool.readList({ kind: "readings", bytes, sheet, choices }, follower), choices, storeReadings);
    case "soil-tests":
      return listOf(
        await pool.readList({ kind: "soil-tests", bytes, sheet, choices }, follower),
        choices,
        storeSoilTests,
      );
    case "picks":
      return listOf(await pool.readList({ kind: "picks", bytes, sheet, choices }, follower), choices, storePicks);
    case "shelf":
      return listOf(await pool.readList({ kind: "shelf", bytes, sheet, choices }, follower), choices, storeShelf);
  }
}

/** A list with the offers that were agreed to, and the way to store it. */
function listOf<V extends object>(
  table: ListTable<string, V>,
  { acceptOffers = [] }: Choices,
  storeRows: (rows: readonly ListedRow<V>[], place: ListPlace) => Promise<StoredRows>,
): ReadList {
  const agreed = new Set(acceptOffers);
  const rows = table.rows.map(({ line, values, flags }) => ({
    line,
    values: agreed.has(line) ? flags.reduce((mended, { offer }) => ({ ...mended, ...offer }), values) : values,
  }));
  return { table, store: (place) => storeRows(rows, place) };
}

function plainOffer(offer: Readonly<Record<string, number | readonly number[]>>): Record<string, number | number[]> {
  return Object.fromEntries(
    Object.entries(offer).map(([field, value]) => [field, typeof value === "number" ? value : [...value]]),
  );
}

/** A row's values as a table shows them; what lay below a limit as that. */
function cellsOf(values: object & Partial<Pick<SoilTest, "belowDetection">>): Record<string, string | number | null> {
  const { belowDetection = {}, ...others } = values;
  const below = Object.entries(belowDetection).map(([field, { limit }]) => [field, `<${Number(limit.toPrecision(3))}`]);
  return Object.fromEntries([
    ...Object.entries(others).flatMap(([field, value]: [string, unknown]) => {
      if (field === "atMs") return [["at", new Date(value as number).toISOString()]];
      if (Array.isArray(value)) return [[field, value.map((end) => Number(Number(end).toFixed(1))).join("–")]];
      if (field === "elementPct")
        return [
          [
            field,
            Object.entries(value as object)
              .map(([part, pct]) => `${part} ${Number(pct).toFixed(2)}`)
              .join(", "),
          ],
        ];
      return value === null || typeof value === "string" || typeof value === "number" ? [[field, value]] : [];
    }),
    ...below,
  ]) as Record<string, string | number | null>;
}
