import type { Migration } from "./migration.ts";

/** Crops that were weighed before and are counted by the piece now. */
const BY_PIECE = ["lettuce-butterhead", "cyclamen"];

interface OldPlanting {
  readonly cropId: string;
  readonly targetKgM2?: number | null;
}

/** Aims are in kg or in pieces, as the crop is sold: an aim in kg of what is sold by the piece is asked anew. A pick may be counted without being weighed. */
export const yieldAsSold: Migration = {
  name: "020-yield-as-sold",
  async up(db) {
    const zones = await db<{ id: number; plantings: string }>("zone").select("id", "plantings");
    for (const { id, plantings } of zones) {
      const aimed = (JSON.parse(plantings) as OldPlanting[]).map(({ targetKgM2 = null, ...planting }) => ({
        ...planting,
        targetPerM2: BY_PIECE.includes(planting.cropId) ? null : targetKgM2,
      }));
      await db("zone")
        .where({ id })
        .update({ plantings: JSON.stringify(aimed) });
    }
    await db.raw("ALTER TABLE pick RENAME COLUMN mass_kg TO weighed_kg");
    await db.raw("ALTER TABLE pick ADD COLUMN mass_kg REAL");
    await db.raw("UPDATE pick SET mass_kg = weighed_kg");
    await db.raw("ALTER TABLE pick DROP COLUMN weighed_kg");
  },
};
