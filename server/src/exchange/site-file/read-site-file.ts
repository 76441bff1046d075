import { siteFileSchema, type SiteFile } from "@sprunel/contract/exchange";
import { z } from "zod";
import { pauseRowNotes, resumeRowNotes } from "../../database/row-notes.ts";
import { badInput } from "../../http/problems.ts";
import type { Scope } from "../../scope/scope.ts";
import type { SitePlace, ZoneList, ZonePlace } from "../../scope/site-file-part.ts";
import { siteStore } from "../../scope/site-store.ts";
import { zoneStore } from "../../scope/zone-store.ts";
import { sourceStore } from "../../water/source-store.ts";
import { filePartsOf } from "./file-parts.ts";
import { zoneAsToday } from "./older-versions.ts";
import { HEAD, ORDER, ZONE_LISTS, ZONE_VALUES, type FileRooms } from "./names.ts";

const shape = siteFileSchema.shape;
const zoneSchema = shape.zones.element;
const headSchema = siteFileSchema.pick({ format: true, version: true, exportedAt: true, site: true });
const describedSchema = zoneSchema.omit(
  Object.fromEntries(ZONE_LISTS.map((name) => [name, true])) as Record<ZoneList, true>,
);
const NAMES: readonly string[] = [...HEAD, ...ORDER];

/**
 * Reads a site out of the text of its file into an empty folder, some rows at a time. Whoever calls does it in a transaction:
 * a fault is found where it stands, after what stands before it was stored.
 *
 * @throws 422 with the place in the file for what cannot be read
 */
export async function readSiteFile(scope: Scope, rooms: FileRooms, text: AsyncIterable<Uint8Array>): Promise<void> {
  const head: Partial<Record<keyof SiteFile, unknown>> = {};
  const seen: string[] = [];
  let site = null as FiledSite | null;
  let zone = null as ZoneReader | null;

  for await (const part of filePartsOf(text)) {
    const [name, at, ofZone] = part.path;
    if (seen.at(-1) !== name) {
      const after = seen.at(-1);
      if (after !== undefined && NAMES.indexOf(name) < NAMES.indexOf(after))
        throw badInput([
          {
            path: name,
            message: `${name} stands behind ${after}, but a site file is read in the order in which it is written: ${NAMES.join(", ")}.`,
          },
        ]);
      seen.push(name);
    }
    if (!("rows" in part) && at === undefined) {
      head[name as keyof SiteFile] = part.value;
      continue;
    }
    site ??= await addSite(scope, head);
    if (zone && zone.at !== at) await zone.end();
    if (at !== undefined) {
      if (zone?.at !== at) zone = new ZoneReader(scope, rooms, site, at);
      if ("rows" in part) await zone.add(ofZone as ZoneList, part.rows, part.first);
      else if (ofZone) zone.tell(ofZone, part.value);
      continue;
    }
    zone = null;
    if (!("rows" in part) || name === "zones") continue;
    const list = name as keyof FileRooms["ofSite"];
    await rooms.ofSite[list].in(scope, site, rowsOf(shape[list], part.rows, [list], part.first), part.first);
  }
  await zone?.end();
  if (!site) await addSite(scope, head);
  needAll(shape, ORDER, seen, []);
  await resumeRowNotes(scope.db);
}

/** One zone of the file: what it is, then its lists. It is stored when the first of them comes, or at its end. */
class ZoneReader {
  readonly at: number;
  readonly #values: Record<string, unknown> = {};
  readonly #scope: Scope;
  readonly #rooms: FileRooms;
  readonly #site: FiledSite;
  readonly #seen = new Set<string>();
  #place: ZonePlace | null = null;

  constructor(scope: Scope, rooms: FileRooms, site: FiledSite, at: number) {
    this.#scope = scope;
    this.#rooms = rooms;
    this.#site = site;
    this.at = at;
  }

  tell(name: string, value: unknown): void {
    if (this.#place)
      throw badInput([
        {
          path: `${this.#place.path}.${name}`,
          message: `${name} of a zone stands behind its lists; it must stand first.`,
        },
      ]);
    this.#values[name] = value;
  }

  async add(list: ZoneList, rows: readonly unknown[], first: number): Promise<void> {
    const place = await this.#stored();
    this.#seen.add(list);
    const read = rowsOf(zoneSchema.shape[list], rows, ["zones", this.at, list], first);
    await this.#rooms.ofZone[list].in(this.#scope, place, read, first);
  }

  async end(): Promise<void> {
    await this.#stored();
    needAll(zoneSchema.shape, ZONE_LISTS, [...this.#seen], ["zones", this.at]);
  }

  async #stored(): Promise<ZonePlace> {
    if (this.#place) return this.#place;
    const file = checked(describedSchema, zoneAsToday(this.#values, this.#site.version), ["zones", this.at]);
    const { name, house, definition, layout, unconfirmed, plantings, demand, archived } = file;
    const path = `zones.${this.at}`;
    const sources = await sourceStore(this.#scope).list(this.#site.siteId);
    const waters = file.waters.map(({ source, sharePct }, at) => {
      const found = sources.find((candidate) => candidate.name === source);
      if (!found)
        throw badInput([
          { path: `${path}.waters.${at}.source`, message: `The file holds no source of water ${source}.` },
        ]);
      return { sourceId: found.id, sharePct };
    });
    const described = { name, house, definition, layout, unconfirmed, plantings, waters, demand };
    const zoneId = await zoneStore(this.#scope).add(this.#site.siteId, described);
    if (archived) await zoneStore(this.#scope).archive(zoneId, true);
    this.#place = { ...this.#site, zoneId, path };
    for (const value of ZONE_VALUES) {
      const held = file[value];
      if (held !== null) await this.#rooms.valuesOfZone[value].in(this.#scope, this.#place, held);
    }
    return this.#place;
  }
}

/** Where the site's rows belong, and in which version they are written. */
type FiledSite = SitePlace & { readonly version: number };

async function addSite(scope: Scope, head: object): Promise<FiledSite> {
  const { site, version } = checked(headSchema, head, []);
  const siteId = await siteStore(scope).add(site);
  // One change: that the site was read. What it holds came from elsewhere, with the record of its own changes.
  await pauseRowNotes(scope.db);
  return { siteId, productIds: new Map<string, string>(), version };
}

/** The rows of one list as its contract reads them; faults are told with their place in the whole file. */
function rowsOf(schema: z.ZodType, rows: readonly unknown[], path: readonly PropertyKey[], first: number): unknown[] {
  const found = schema.safeParse(rows);
  if (found.success) return found.data as unknown[];
  throw new z.ZodError(
    found.error.issues.map(({ path: [row, ...inRow], ...issue }) => ({
      ...issue,
      path: [...path, first + Number(row), ...inRow],
    })),
  );
}

function checked<Schema extends z.ZodType>(
  schema: Schema,
  value: unknown,
  path: readonly PropertyKey[],
): z.output<Schema> {
  const found = schema.safeParse(value);
  if (found.success) return found.data;
  throw new z.ZodError(found.error.issues.map((issue) => ({ ...issue, path: [...path, ...issue.path] })));
}

/** What the contract wants and the file does not name at all. */
function needAll(
  schemas: Readonly<Record<string, z.ZodType>>,
  names: readonly string[],
  seen: readonly string[],
  path: readonly PropertyKey[],
): void {
  for (const name of names) if (!seen.includes(name)) checked(schemas[name] as z.ZodType, undefined, [...path, name]);
}
