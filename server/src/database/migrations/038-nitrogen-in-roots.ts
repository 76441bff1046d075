import type { Migration } from "./migration.ts";

/** Doses, programmes, soil tests and digestate bear on the nitrogen of the midnights after them. */
export const nitrogenInRoots: Migration = {
  name: "038-nitrogen-in-roots",
  async up(db) {
    const drops: readonly (readonly [table: string, after: (row: "NEW" | "OLD") => string])[] = [
      ["dose_record", (row) => `date > ${row}.done_on`],
      ["source_dose", (row) => `date > ${row}.given_on`],
      // One from before planting holds from its first day on, whenever that was.
      ["zone_report", (row) => `date > ${row}.taken_on`],
      ["dose_programme", () => "true"],
    ];
    for (const [table, after] of drops)
      for (const [event, row] of [
        ["INSERT", "NEW"],
        ["UPDATE", "NEW"],
        ["DELETE", "OLD"],
      ] as const)
        await db.raw(`CREATE TRIGGER checkpoint_${table}_${event.toLowerCase()} AFTER ${event} ON ${table} BEGIN
          DELETE FROM zone_checkpoint WHERE zone_id = ${row}.zone_id AND ${after(row)};
        END`);
    // Whoever changes the analysis of a digestate changes what it brought.
    await db.raw(`CREATE TRIGGER checkpoint_source_update AFTER UPDATE ON source BEGIN
      DELETE FROM zone_checkpoint WHERE zone_id IN (SELECT zone_id FROM source_dose WHERE source_id = NEW.id);
    END`);
  },
};
