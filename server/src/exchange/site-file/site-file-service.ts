import { SITE_FILE_FORMAT, SITE_FILE_VERSION } from "@sprunel/contract/exchange";
import type { Readable } from "node:stream";
import type { Source } from "@sprunel/contract/water";
import { badInput } from "../../http/problems.ts";
import type { Module } from "../../scope/module.ts";
import type { Scope } from "../../scope/scope.ts";
import type { ZonePlace } from "../../scope/site-file-part.ts";
import { iso } from "../../scope/site-file-part.ts";
import { zoneStore, type ZoneRecord } from "../../scope/zone-store.ts";
import { sourceStore } from "../../water/source-store.ts";
import type { Incoming } from "./incoming.ts";
import { ORDER, ZONE_LISTS, ZONE_VALUES, type FileRooms } from "./names.ts";
import { readSiteFile } from "./read-site-file.ts";

/** A whole site out of the database and into an empty one, all of it or nothing. Every room brings its own part. */
export function siteFileService(scope: Scope, modules: readonly Module[], incoming: Incoming) {
  const parts = modules.flatMap(({ siteFile }) => siteFile ?? []);
  const rooms: FileRooms = {
    ofSite: Object.assign({}, ...parts.map((part) => part.ofSite)) as FileRooms["ofSite"],
    ofZone: Object.assign({}, ...parts.map((part) => part.ofZone)) as FileRooms["ofZone"],
    valuesOfZone: Object.assign({}, ...parts.map((part) => part.valuesOfZone)) as FileRooms["valuesOfZone"],
  };

  async function* zoneText(zone: ZoneRecord, sources: readonly Source[], place: ZonePlace): AsyncGenerator<string> {
    const { id: _id, version: _version, houseId: _house, waters, ...described } = zone;
    const named = waters.flatMap(({ sourceId, sharePct }) => {
      const source = sources.find((candidate) => candidate.id === sourceId);
      return source ? [{ source: source.name, sharePct }] : [];
    });
    const values: Record<string, unknown> = {};
    for (const name of ZONE_VALUES) values[name] = await rooms.valuesOfZone[name].out(scope, place);
    // An object that goes on: its closing brace comes after the lists.
    yield JSON.stringify({ ...described, waters: named, ...values }).slice(0, -1);
    for (const name of ZONE_LISTS) {
      yield `,${JSON.stringify(name)}:`;
      yield* listText(rooms.ofZone[name].out(scope, place));
    }
    yield "}";
  }

  return {
    /** The file's name and its text, piece by piece as it is read: a site of any size is never held whole. */
    async write(): Promise<{ readonly fileName: string; readonly text: AsyncIterable<string> }> {
      const { id: siteId, version: _version, ...site } = await scope.site.current();
      const exportedAt = iso(scope.clock());
      async function* text(): AsyncGenerator<string> {
        const place = { siteId, productIds: new Map<string, string>() };
        const sources = await sourceStore(scope).list(siteId);
        const head = { format: SITE_FILE_FORMAT, version: SITE_FILE_VERSION, exportedAt, site };
        yield JSON.stringify(head).slice(0, -1);
        for (const name of ORDER) {
          yield `,${JSON.stringify(name)}:`;
          if (name !== "zones") {
            yield* listText(rooms.ofSite[name].out(scope, place));
            continue;
          }
          yield "[";
          for (const [at, zone] of (await zoneStore(scope).all()).entries()) {
            if (at > 0) yield ",";
            yield* zoneText(zone, sources, { ...place, zoneId: zone.id, path: `zones.${at}` });
          }
          yield "]";
        }
        yield "}";
      }
      return { fileName: fileName(site.name, exportedAt), text: inPieces(text()) };
    },

    /** @throws 422 when a site stands here already, or for what cannot be read */
    async read(text: Readable): Promise<void> {
      await refuseOver(scope);
      await incoming.hold(text, (held) =>
        scope.transaction(async (inner) => {
          await refuseOver(inner);
          await readSiteFile(inner, rooms, held);
        }),
      );
    },
  };
}

async function refuseOver(scope: Pick<Scope, "site">): Promise<void> {
  if (await scope.site.find())
    throw badInput([
      {
        path: "",
        message:
          "This data folder already holds a site, and a file is only read into an empty one. Name another folder in SPRUNEL_DATA; nothing was changed.",
      },
    ]);
}

async function* listText(rows: AsyncIterable<unknown>): AsyncGenerator<string> {
  let before = "[";
  for await (const row of rows) {
    yield before + JSON.stringify(row);
    before = ",";
  }
  yield before === "[" ? "[]" : "]";
}

const PIECE_LENGTH = 65_536;

/** Small pieces put together, so that each is worth sending. */
async function* inPieces(text: AsyncIterable<string>): AsyncGenerator<string> {
  let piece = "";
  for await (const part of text) {
    piece += part;
    if (piece.length < PIECE_LENGTH) continue;
    yield piece;
    piece = "";
  }
  yield piece;
}

/** What every file system takes: plain letters and digits. */
function fileName(site: string, exportedAt: string): string {
  const plain = site
    .normalize("NFKD")
    .replace(/[^A-Za-z0-9]+/g, "-")
    .replace(/^-|-$/g, "")
    .toLowerCase();
  return `${plain || "site"}-${exportedAt.slice(0, 10)}.json`;
}
