import type { ChangeCount, ChangedField, ChangedRecord, ChangeKind, Did } from "@sprunel/contract/changes";
import diff from "microdiff";
import type { NoteCount, RowNote } from "../database/row-notes.ts";

/** What a change is of, whatever else went with it, in this order: a file with what it brought, a zone with what was set for it. */
const WHOLES: readonly ChangeKind[] = ["file_import", "weather_import", "site", "zone"];

/** Fields that are of the row and not of what people change. */
const OF_ROW = ["id", "key", "version", "actor", "site_id", "zone_id"] as const;
/** Fields that people know a record of each kind by, beside its zone. */
const KNOWN_BY: Readonly<Record<ChangeKind, readonly string[]>> = {
  catch_test: ["tested_on"],
  day_plan: ["date"],
  decision: ["cause", "about", "from_date"],
  dose_programme: ["planting"],
  dose_record: ["planned_on"],
  feed_settings: [],
  feed_target: ["planted_on", "stage_id"],
  file_import: ["file_name"],
  house: ["name"],
  kept_programme: ["name"],
  kept_recipe: ["name"],
  leaf_taken: ["taken_on"],
  main: [],
  mix: ["mixed_at_ms"],
  nutrient_rules: [],
  own_crop: [],
  own_product: [],
  pick: ["picked_on"],
  reading_strike: ["at_ms"],
  shelf_item: ["product_id"],
  site: ["name"],
  soil_step: ["kind"],
  source: ["name"],
  source_dose: ["given_on"],
  water_report: ["taken_on"],
  watering: ["start_ms"],
  weather_import: ["file_name"],
  zone: ["name"],
  zone_lines: [],
  zone_reading: ["kind", "at_ms", "source"],
  zone_report: ["taken_on"],
};
/** What is worked out of what people change, and kept beside it. */
const WORKED_OUT: Partial<Record<ChangeKind, readonly string[]>> = {
  day_plan: ["plan", "asked", "changes", "edited_at_version", "changed_at_ms"],
  kept_recipe: ["result"],
  file_import: ["heads"],
  weather_import: ["header"],
};
/** Fields that hold 0 for no and 1 for yes. */
const YES_OR_NO = new Set(["analysed", "archived", "basal", "struck"]);
/** Fields that hold JSON. */
const JSON_FIELDS = new Set([
  ...[
    "asked",
    "catches",
    "choices",
    "crop",
    "definition",
    "demand",
    "edits",
    "ions",
    "layout",
    "levels",
    "lines",
    "main",
  ],
  ...[
    "plantings",
    "product",
    "products",
    "programme",
    "report",
    "rules",
    "settings",
    "target",
    "unconfirmed",
    "waters",
  ],
]);

type Values = Record<string, unknown>;

/** What a transaction changed: what first, in which zone, and each record with its fields. */
export interface Changed {
  readonly kind: ChangeKind;
  readonly key: string;
  /** the one zone that all of it is of; null where there is none or several */
  readonly zoneId: number | null;
  readonly records: readonly ChangedRecord[];
  /** of kinds whose records are too many to keep each */
  readonly counts: readonly ChangeCount[];
}

/**
 * What people will want to know of rows that a transaction wrote, each record once however often it was written. A record that
 * is as it was, or whose worked out fields alone differ, is left out.
 *
 * @param counts of tables with so many rows that they are not told one by one
 * @returns null where nothing is left
 */
export function changedRecords(notes: readonly RowNote[], counts: readonly NoteCount[]): Changed | null {
  const first = new Map<string, RowNote>();
  const last = new Map<string, RowNote>();
  for (const note of notes) {
    const id = JSON.stringify([note.table, note.key]);
    if (!first.has(id)) first.set(id, note);
    last.set(id, note);
  }
  const zones = new Set<number>();
  const records: ChangedRecord[] = [];
  for (const [id, { table, key, before }] of first) {
    const after = last.get(id)?.after ?? null;
    const record = recordOf(table, key, before, after);
    if (!record) continue;
    records.push(record);
    const zone = table === "zone" ? key["id"] : (before ?? after)?.["zone_id"];
    if (typeof zone === "number") zones.add(zone);
  }
  const counted = counts.map(({ table: kind, ...done }) => ({ kind, ...done }));
  const whole = WHOLES.find((one) => records.some((record) => record.kind === one));
  const main = records.find((record) => !whole || record.kind === whole);
  const kind = main?.kind ?? counted[0]?.kind;
  if (!kind) return null;
  const [zoneId = null, another] = zones;
  return {
    ...{ kind, key: main?.key ?? "", records, counts: counted },
    zoneId: another === undefined && counted.length === 0 ? zoneId : null,
  };
}

function recordOf(
  table: ChangeKind,
  key: RowNote["key"],
  before: RowNote["before"],
  after: RowNote["after"],
): ChangedRecord | null {
  if (!before && !after) return null;
  const did: Did = before ? (after ? "changed" : "removed") : "added";
  const row = after ?? before ?? {};
  const known: ChangedRecord["known"] = {};
  for (const field of KNOWN_BY[table]) {
    const value = row[field];
    if (value !== null && value !== undefined) known[field] = value;
  }
  // What it is known by is told again only where that itself has changed.
  const left = new Set([...OF_ROW, ...(WORKED_OUT[table] ?? []), ...(did === "changed" ? [] : KNOWN_BY[table])]);
  const fields = fieldsOf(valuesOf(before, left), valuesOf(after, left));
  if (fields.length === 0 && (did === "changed" || WORKED_OUT[table])) return null;
  return { kind: table, key: keyOf(key), did, known, fields };
}

/** A site's own records are known by the rest of their key; its only one of a kind by the site. */
function keyOf({ site_id: site, ...rest }: RowNote["key"]): string {
  const known = Object.values(rest);
  return known.length > 0 ? known.join("/") : String(site);
}

function valuesOf(row: RowNote["before"], left: ReadonlySet<string>): Values {
  const values: Values = {};
  for (const [field, value] of Object.entries(row ?? {})) {
    if (left.has(field)) continue;
    const read = valueOf(field, value);
    if (!isNothing(read)) values[field] = read;
  }
  return values;
}

function valueOf(field: string, value: string | number | null): unknown {
  if (YES_OR_NO.has(field)) return value === 1;
  return JSON_FIELDS.has(field) && typeof value === "string" ? JSON.parse(value) : value;
}

/** Not known, or a list or form in which nothing stands. */
function isNothing(value: unknown): boolean {
  if (value === null || value === undefined || value === false) return true;
  return typeof value === "object" && Object.values(value).every(isNothing);
}

/** The difference of two records, field by field, down into what they hold. */
function fieldsOf(was: Values, is: Values): ChangedField[] {
  return diff(was, is).map((one) => ({
    path: one.path,
    ...("oldValue" in one && { was: one.oldValue as unknown }),
    ...("value" in one && { is: one.value as unknown }),
  }));
}
