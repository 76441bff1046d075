import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { RowNote } from "../database/row-notes.ts";
import { changedRecords } from "./changed-records.ts";

const note = (over: Partial<RowNote>): RowNote => ({
  table: "pick",
  key: { id: 7 },
  before: null,
  after: { id: 7, zone_id: 3, picked_on: "2026-06-19", mass_kg: 40, grade: "class 1", brix_pct: null, actor: "ana" },
  ...over,
});
const zoneRow = (definition: object, name = "Bags") => ({
  ...{ id: 3, version: 1, site_id: 1, name, actor: "ana" },
  definition: JSON.stringify(definition),
});

describe("the records of a change", () => {
  it("tell what of a record is new, without what is not known and what is of the row", () => {
    expect(changedRecords([note({})], [])).toEqual({
      kind: "pick",
      key: "7",
      zoneId: 3,
      counts: [],
      records: [
        {
          ...{ kind: "pick", key: "7", did: "added", known: { picked_on: "2026-06-19" } },
          fields: [
            { path: ["mass_kg"], is: 40 },
            { path: ["grade"], is: "class 1" },
          ],
        },
      ],
    });
  });

  it("tell what a value was and is, down into what a field holds", () => {
    const before = zoneRow({ areaM2: 100, shape: { rows: 4 } });
    const after = zoneRow({ areaM2: 120, shape: { rows: 5 } }, "Bags east");
    const found = changedRecords([note({ table: "zone", key: { id: 3 }, before, after })], []);
    expect(found).toMatchObject({ kind: "zone", key: "3", zoneId: 3 });
    expect(found?.records[0]).toMatchObject({ did: "changed" });
    expect(found?.records[0]?.fields.toSorted((a, b) => a.path.length - b.path.length)).toEqual([
      { path: ["name"], was: "Bags", is: "Bags east" },
      { path: ["definition", "areaM2"], was: 100, is: 120 },
      { path: ["definition", "shape", "rows"], was: 4, is: 5 },
    ]);
  });

  it("tell a value that was taken away as one that was, and a record that is gone with all it held", () => {
    const before = { id: 7, zone_id: 3, brix_pct: 5.5 };
    const emptied = changedRecords([note({ before, after: { ...before, brix_pct: null } })], []);
    expect(emptied?.records[0]?.fields).toEqual([{ path: ["brix_pct"], was: 5.5 }]);
    const gone = changedRecords([note({ before, after: null })], []);
    expect(gone?.records).toMatchObject([{ did: "removed", fields: [{ was: 5.5 }] }]);
  });

  it("are one of each, from how it was before to how it was left", () => {
    const rows = [1, 2, 3].map((stock_kg) => ({ site_id: 1, product_id: "potash", stock_kg }));
    const key = { site_id: 1, product_id: "potash" };
    const notes = rows.slice(1).map((after, at) => note({ table: "shelf_item", key, before: rows[at] ?? null, after }));
    expect(changedRecords(notes, [])?.records).toEqual([
      {
        ...{ kind: "shelf_item", key: "potash", did: "changed", known: { product_id: "potash" } },
        fields: [{ path: ["stock_kg"], was: 1, is: 3 }],
      },
    ]);
  });

  it("are none where a record came and went, is as it was, or is worked out anew", () => {
    const row = { id: 7, zone_id: 3, mass_kg: 40 };
    expect(changedRecords([note({ after: row }), note({ before: row, after: null })], [])).toBeNull();
    expect(changedRecords([note({ before: row, after: { ...row, actor: "ben", version: 2 } })], [])).toBeNull();
    const day = { id: 1, site_id: 1, date: "2026-06-20", plan: "[]", edits: '{"shut":[],"missed":[]}' };
    const planned = (over: Partial<RowNote>) =>
      changedRecords([note({ table: "day_plan", key: { id: 1 }, ...over })], []);
    expect(planned({ after: day })).toBeNull();
    expect(planned({ before: day, after: { ...day, plan: "[1]" } })).toBeNull();
    expect(planned({ before: day, after: { ...day, edits: '{"shut":[3],"missed":[]}' } })?.records).toMatchObject([
      { known: { date: "2026-06-20" }, fields: [{ path: ["edits"], is: { shut: [3] } }] },
    ]);
  });

  it("are of a zone only where all are of the same one", () => {
    const other = note({ key: { id: 8 }, after: { id: 8, zone_id: 4, mass_kg: 1 } });
    const house = note({ table: "house", key: { id: 1 }, after: { id: 1, name: "Glass" } });
    expect(changedRecords([note({}), house], [])?.zoneId).toBe(3);
    expect(changedRecords([note({}), other], [])?.zoneId).toBeNull();
    expect(changedRecords([note({})], [{ table: "watering", added: 90, changed: 0, removed: 0 }])?.zoneId).toBeNull();
  });

  it("are of the zone where what was set for it came or went too", () => {
    const house = note({ table: "house", key: { id: 1 }, after: { id: 1, name: "Glass" } });
    const added = note({ table: "zone", key: { id: 3 }, after: zoneRow({}) });
    expect(changedRecords([house, added], [])).toMatchObject({ kind: "zone", key: "3", zoneId: 3 });
  });

  it("of a file are known by the file, and counted where they are many", () => {
    const file = note({ table: "file_import", key: { id: 2 }, after: { id: 2, kind: "picks", rows: 1 } });
    expect(changedRecords([note({}), file], [])).toMatchObject({ kind: "file_import", key: "2" });
    const counts = [{ table: "zone_reading" as const, added: 900, changed: 1, removed: 0 }];
    expect(changedRecords([], counts)).toEqual({
      ...{ kind: "zone_reading", key: "", zoneId: null, records: [] },
      counts: [{ kind: "zone_reading", added: 900, changed: 1, removed: 0 }],
    });
  });

  it("lead from what was to what is, whatever a record holds", () => {
    const key = fc.stringMatching(/^[a-z]{1,3}$/);
    const values = [fc.integer(), fc.string(), fc.boolean()];
    const tree = fc.object({ key, values, maxDepth: 3, maxKeys: 4, withSparseArray: false });
    fc.assert(
      fc.property(tree, tree, (was, is) => {
        const row = (tree: object) => ({ id: 3, definition: JSON.stringify({ areaM2: 100, tree }) });
        const notes = [note({ table: "zone", key: { id: 3 }, before: row(was), after: row(is) })];
        const fields = changedRecords(notes, [])?.records[0]?.fields ?? [];
        expect(applied({ definition: { areaM2: 100, tree: was } }, fields)).toEqual({
          definition: { areaM2: 100, tree: is },
        });
      }),
    );
  });
});

/** A record with its changed fields put in place. */
function applied(record: object, fields: readonly { path: readonly (string | number)[]; is?: unknown }[]): unknown {
  const done = structuredClone(record) as Record<string, unknown>;
  // Of a list the last go first: what is taken out moves what stands behind it.
  for (const { path, ...field } of [...fields].reverse()) {
    let at = done;
    for (const step of path.slice(0, -1)) at = at[step] as Record<string, unknown>;
    const name = path.at(-1) ?? "";
    if ("is" in field) Object.defineProperty(at, name, { value: field.is, ...OPEN });
    else if (Array.isArray(at)) at.splice(Number(name), 1);
    else Reflect.deleteProperty(at, name);
  }
  return done;
}

const OPEN = { enumerable: true, configurable: true, writable: true };
