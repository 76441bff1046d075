import { cropDefinitionSchema, type CropDefinition } from "@sprunel/contract/crop";
import type { Writer } from "../scope/scope.ts";

interface OwnCropRow {
  id: string;
  based_on: string | null;
  crop: string;
  version: number;
  actor: string;
}

/** A crop of one's own. */
export interface OwnCrop {
  readonly id: string;
  readonly basedOn: string | null;
  readonly version: number;
  readonly crop: CropDefinition;
}

/** All SQL about crops of one's own. */
export function ownCropStore({ db, actor, into }: Writer) {
  return {
    async all(): Promise<OwnCrop[]> {
      return (await db<OwnCropRow>("own_crop").orderBy("id")).map(fromRow);
    },
    async find(id: string): Promise<OwnCrop | null> {
      const row = await db<OwnCropRow>("own_crop").where({ id }).first();
      return row ? fromRow(row) : null;
    },
    async add(id: string, basedOn: string | null, crop: CropDefinition): Promise<void> {
      // Nothing grows it yet.
      await into<OwnCropRow>({ table: "own_crop", zones: [] }).insert({
        id,
        based_on: basedOn,
        crop: JSON.stringify(crop),
        version: 1,
        actor,
      });
    },
    /**
     * @param zones that grow it
     * @returns false when it is no longer at this version
     */
    async update(id: string, version: number, crop: CropDefinition, zones: readonly number[]): Promise<boolean> {
      const changed = await into<OwnCropRow>({ table: "own_crop", zones })
        .where({ id, version })
        .update({ crop: JSON.stringify(crop), version: version + 1, actor });
      return changed === 1;
    },
    /** One that stands nowhere. */
    async remove(id: string): Promise<void> {
      await into<OwnCropRow>({ table: "own_crop", zones: [] }).where({ id }).delete();
    },
  };
}

/** Crops read most lately, by their rows: every request asks for the same ones. */
const known = new Map<string, OwnCrop>();
const MOST_KNOWN = 200;

function fromRow(row: OwnCropRow): OwnCrop {
  const key = JSON.stringify(row);
  const found = known.get(key) ?? {
    id: row.id,
    basedOn: row.based_on,
    version: row.version,
    crop: cropDefinitionSchema.parse(JSON.parse(row.crop)),
  };
  if (known.size >= MOST_KNOWN) known.clear();
  known.set(key, found);
  return found;
}
