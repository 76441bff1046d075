import { programmeSchema, type DoseProgramme } from "@sprunel/contract/feed";
import type { Writer } from "../scope/scope.ts";
import { keptVersions, type KeptVersion } from "./kept-versions.ts";

interface StoredProgramme extends KeptVersion {
  readonly programme: DoseProgramme;
}

/** Programmes of doses under a name. */
export function keptProgrammeStore(writer: Writer) {
  const kept = keptVersions(writer, "kept_programme", ["programme"]);
  return {
    /** Newest first. */
    async list(siteId: number): Promise<StoredProgramme[]> {
      return (await kept.list(siteId)).map(({ programme, ...version }) => ({
        ...version,
        programme: programmeSchema.parse(programme),
      }));
    },
    add: (siteId: number, programme: Omit<StoredProgramme, "id" | "version">): Promise<void> =>
      kept.add(siteId, programme),
  };
}
