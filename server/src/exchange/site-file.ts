import { SITE_FILE_FORMAT, SITE_FILE_VERSION, type SiteFile, type ZoneFile } from "@sprunel/contract/exchange";
import type { Source } from "@sprunel/contract/water";
import { badInput } from "../http/problems.ts";
import type { Module } from "../scope/module.ts";
import type { Scope } from "../scope/scope.ts";
import type {
  ListPart,
  SiteList,
  SitePlace,
  ValuePart,
  ZoneList,
  ZonePlace,
  ZoneValue,
} from "../scope/site-file-part.ts";
import { iso } from "../scope/site-file-part.ts";
import { siteStore } from "../scope/site-store.ts";
import { zoneStore, type StoredZone } from "../scope/zone-store.ts";
import { sourceStore } from "../water/source-store.ts";

/** In this order the file is written and read: what is named stands before what names it. */
const ORDER: readonly (SiteList | "zones")[] = [
  "sources",
  "reports",
  "ownProducts",
  "shelf",
  "recipes",
  "zones",
  "weatherImports",
  "weather",
];
const ZONE_VALUES: readonly ZoneValue[] = ["lines", "target", "feedSettings"];
const ZONE_LISTS: readonly ZoneList[] = [
  "catchTests",
  "readings",
  "strikes",
  "waterings",
  "picks",
  "reports",
  "doses",
  "mixes",
  "decisions",
];

/** A whole site out of the database and into an empty one, all of it or nothing. Every room brings its own part. */
export function siteFileService(scope: Scope, modules: readonly Module[]) {
  const parts = modules.flatMap(({ siteFile }) => siteFile ?? []);
  const ofSite = Object.assign({}, ...parts.map((part) => part.ofSite)) as Record<
    SiteList,
    ListPart<unknown, SitePlace>
  >;
  const ofZone = Object.assign({}, ...parts.map((part) => part.ofZone)) as Record<
    ZoneList,
    ListPart<unknown, ZonePlace>
  >;
  const valuesOfZone = Object.assign({}, ...parts.map((part) => part.valuesOfZone)) as Record<
    ZoneValue,
    ValuePart<unknown, ZonePlace>
  >;

  async function* zoneText(zone: StoredZone, sources: readonly Source[], place: ZonePlace): AsyncGenerator<string> {
    const { id: _id, version: _version, houseId: _house, waters, ...described } = zone;
    const named = waters.flatMap(({ sourceId, sharePct }) => {
      const source = sources.find((candidate) => candidate.id === sourceId);
      return source ? [{ source: source.name, sharePct }] : [];
    });
    const values: Record<string, unknown> = {};
    for (const name of ZONE_VALUES) values[name] = await valuesOfZone[name].out(scope, place);
    // An object that goes on: its closing brace comes after the lists.
    yield JSON.stringify({ ...described, waters: named, ...values }).slice(0, -1);
    for (const name of ZONE_LISTS) {
      yield `,${JSON.stringify(name)}:`;
      yield* listText(ofZone[name].out(scope, place));
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
            yield* listText(ofSite[name].out(scope, place));
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

    /** @throws 422 when a site stands here already, or the file names what it does not hold */
    async read(file: SiteFile): Promise<void> {
      await scope.transaction(async (inner) => {
        if (await inner.site.find())
          throw badInput([
            {
              path: "",
              message:
                "This data folder already holds a site, and a file is only read into an empty one. Name another folder in SPRUNEL_DATA; nothing was changed.",
            },
          ]);
        const siteId = await siteStore(inner).add(file.site);
        const place = { siteId, productIds: new Map<string, string>() };
        for (const name of ORDER) {
          if (name !== "zones") await ofSite[name].in(inner, place, file[name]);
          else
            for (const [at, zone] of file.zones.entries())
              await readZone(inner, zone, { ...place, path: `zones.${at}` });
        }
      });
      scope.cache.allChanged();
    },
  };

  async function readZone(inner: Scope, file: ZoneFile, place: Omit<ZonePlace, "zoneId">): Promise<void> {
    const sources = await sourceStore(inner).list(place.siteId);
    const waters = file.waters.map(({ source, sharePct }, at) => {
      const found = sources.find((candidate) => candidate.name === source);
      if (!found)
        throw badInput([
          { path: `${place.path}.waters.${at}.source`, message: `The file holds no source of water ${source}.` },
        ]);
      return { sourceId: found.id, sharePct };
    });
    const { name, house, definition, layout, unconfirmed, plantings } = file;
    const zoneId = await zoneStore(inner).add(place.siteId, {
      name,
      house,
      definition,
      layout,
      unconfirmed,
      plantings,
      waters,
    });
    if (file.archived) await zoneStore(inner).archive(zoneId, true);
    const there = { ...place, zoneId };
    for (const value of ZONE_VALUES) {
      const held = file[value];
      if (held !== null) await valuesOfZone[value].in(inner, there, held);
    }
    for (const list of ZONE_LISTS) await ofZone[list].in(inner, there, file[list]);
  }
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
