import { newSourceSchema, type NewSource, type Source } from "@sprunel/contract/water";
import type { Writer } from "../scope/scope.ts";

interface SourceRow {
  id: number;
  site_id: number;
  version: number;
  name: string;
  definition: string;
  actor: string;
}

/** All SQL about sources of water. */
export function sourceStore({ db, actor, into }: Writer) {
  return {
    async list(siteId: number): Promise<Source[]> {
      return (await db<SourceRow>("source").where({ site_id: siteId }).orderBy("id")).map(fromRow);
    },
    async find(id: number): Promise<Source | null> {
      const row = await db<SourceRow>("source").where({ id }).first();
      return row ? fromRow(row) : null;
    },
    async add(siteId: number, { name, ...definition }: NewSource): Promise<number> {
      const [id = 0] = await into<SourceRow>({ table: "source", zones: [] }).insert({
        site_id: siteId,
        version: 1,
        name,
        definition: JSON.stringify(definition),
        actor,
      });
      return id;
    },
    /** @returns false when the record is no longer at this version */
    async update(id: number, version: number, { name, ...definition }: NewSource): Promise<boolean> {
      const brought = await db<{ zone_id: number; source_id: number }>("source_dose")
        .where({ source_id: id })
        .distinct("zone_id");
      // Whoever changes the analysis of a digestate changes what it brought.
      const changed = await into<SourceRow>({ table: "source", zones: brought.map(({ zone_id }) => zone_id) })
        .where({ id, version })
        .update({ version: version + 1, name, definition: JSON.stringify(definition), actor });
      return changed === 1;
    },
    /** The source of a report's name; a new one of unknown limits where nobody has described it yet. */
    async named(siteId: number, name: string): Promise<number> {
      const row = await db<SourceRow>("source").where({ site_id: siteId, name }).first("id");
      return row?.id ?? this.add(siteId, { ...UNDESCRIBED, name });
    },
  };
}

const UNDESCRIBED: Omit<NewSource, "name"> = {
  kind: "well",
  maxFlowLh: null,
  priceM3: null,
  licenceM3Year: null,
  storage: null,
  turn: null,
  analysis: null,
};

function fromRow(row: SourceRow): Source {
  const { name, ...definition } = newSourceSchema.parse({ name: row.name, ...(JSON.parse(row.definition) as object) });
  return { id: row.id, version: row.version, name, ...definition };
}
