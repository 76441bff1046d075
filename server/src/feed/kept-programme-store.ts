import { newKeptProgrammeSchema, type NewKeptProgramme } from "@sprunel/contract/feed";
import type { Writer } from "../scope/scope.ts";

interface Row {
  id: number;
  key: string;
  site_id: number;
  name: string;
  version: number;
  kept_at_ms: number;
  made_in: string;
  programme: string;
  actor: string;
}

export interface StoredProgramme extends NewKeptProgramme {
  readonly id: number;
  readonly version: number;
  readonly keptAtMs: number;
  readonly madeIn: string;
}

/** All SQL about programmes of doses under a name; none is ever changed. */
export function keptProgrammeStore({ db, actor }: Writer) {
  return {
    /** Newest first. */
    async list(siteId: number): Promise<StoredProgramme[]> {
      const rows = await db<Row>("kept_programme")
        .where({ site_id: siteId })
        .orderBy([
          { column: "kept_at_ms", order: "desc" },
          { column: "id", order: "desc" },
        ]);
      return rows.map(({ id, key, name, version, kept_at_ms: keptAtMs, made_in: madeIn, programme }) => ({
        ...newKeptProgrammeSchema.parse({ key, name, programme: JSON.parse(programme) as unknown }),
        ...{ id, version, keptAtMs, madeIn },
      }));
    },
    /** The next version of its name; the same key a second time adds nothing. */
    async add(siteId: number, kept: Omit<StoredProgramme, "id" | "version">): Promise<void> {
      const { key, name, keptAtMs, madeIn, programme } = kept;
      const last = await db<Row>("kept_programme")
        .where({ site_id: siteId, name })
        .orderBy("version", "desc")
        .first("version");
      const version = (last?.version ?? 0) + 1;
      await db<Row>("kept_programme")
        .insert({
          ...{ key, site_id: siteId, name, version, kept_at_ms: keptAtMs, made_in: madeIn, actor },
          programme: JSON.stringify(programme),
        })
        .onConflict("key")
        .ignore();
    },
  };
}
