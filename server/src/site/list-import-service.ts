import type { ListChoices, ListFile, ListKind, ListPreview } from "@sprunel/contract/exchange";
import type { Site } from "@sprunel/contract/site";
import { readShelfList } from "@sprunel/core/feed";
import { readPickList } from "@sprunel/core/harvest";
import { readReadingList, readSoilList } from "@sprunel/core/rootzone";
import type { ListTable } from "@sprunel/core/table";
import { localDate } from "@sprunel/core/time";
import type { Knex } from "knex";
import { storeShelf } from "../feed/shelf-list-store.ts";
import { storePicks } from "../harvest/pick-list-store.ts";
import { storeReadings } from "../rootzone/reading-list-store.ts";
import { storeSoilTests } from "../rootzone/soil-list-store.ts";
import type { SetUpService } from "./set-up-service.ts";
import type { ListedRow, ListPlace, StoredRows } from "./list-place.ts";
import { zoneStore } from "./zone-store.ts";

export type ListImportService = ReturnType<typeof listImportService>;

interface ReadList {
  readonly table: ListTable<string, object>;
  store(place: ListPlace): Promise<StoredRows>;
}

const SAMPLE_ROWS = 6;

/** Lists from files: a preview does all that the import does, and takes it back; so it cannot promise another thing. */
export function listImportService(db: Knex, setUp: SetUpService, clock: () => number, changed: () => void) {
  async function run(file: ListFile, site: Site, trx: Knex): Promise<ListPreview> {
    const zones = new Map((await zoneStore(trx).list()).map((zone) => [zone.name, zone]));
    const timeZone = file.choices.timeZone ?? site.timeZone;
    const { table, store } = readAsked(file, { ...file.choices, timeZone, zones: [...zones.keys()] });
    const stored = await store({
      trx,
      site,
      zones,
      nowMs: clock(),
      today: localDate(clock(), site.timeZone),
    });
    return {
      list: file.list,
      fileName: file.fileName,
      dialect: { ...table.dialect, timeZone },
      columns: table.columns.map((column) => ({ ...column, examples: [...column.examples] })),
      kinds: table.kinds.map(({ kind, units }) => ({ kind, units: [...units] })),
      preamble: [...table.preamble],
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
    async preview(file: ListFile): Promise<ListPreview> {
      const site = await setUp.site();
      const trx = await db.transaction();
      try {
        return await run(file, site, trx);
      } finally {
        await trx.rollback();
      }
    },

    /** Stores what the preview promised, or nothing; a second time adds nothing. */
    async commit(file: ListFile): Promise<ListPreview> {
      const site = await setUp.site();
      const answer = await db.transaction((trx) => run(file, site, trx));
      changed();
      return answer;
    },
  };
}

type Choices = ListChoices & { readonly timeZone: string; readonly zones: readonly string[] };

const READERS: Record<ListKind, (bytes: Uint8Array, choices: Choices) => ReadList> = {
  readings: (bytes, choices) => listOf(readReadingList(bytes, choices), choices, storeReadings),
  "soil-tests": (bytes, choices) => listOf(readSoilList(bytes, choices), choices, storeSoilTests),
  picks: (bytes, choices) => listOf(readPickList(bytes, choices), choices, storePicks),
  shelf: (bytes, choices) => listOf(readShelfList(bytes, choices), choices, storeShelf),
};

function readAsked(file: ListFile, choices: Choices): ReadList {
  return READERS[file.list](Buffer.from(file.contentBase64, "base64"), choices);
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

/** A row's values as a table shows them. */
function cellsOf(values: object): Record<string, string | number | null> {
  return Object.fromEntries(
    Object.entries(values).flatMap(([field, value]: [string, unknown]) => {
      if (field === "atMs") return [["at", new Date(value as number).toISOString()]];
      if (Array.isArray(value)) return [[field, value.join("–")]];
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
  );
}
