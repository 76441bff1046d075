import type { Site } from "@sprunel/contract/site";
import type { Scope } from "../../scope/scope.ts";
import type { StoredZone } from "../../scope/zone-store.ts";

/** Where a list's rows go, inside one transaction. */
export interface ListPlace {
  readonly scope: Scope;
  readonly site: Site;
  readonly zones: ReadonlyMap<string, StoredZone>;
  readonly nowMs: number;
  /** date at the site */
  readonly today: string;
}
export interface ListedRow<V> {
  readonly line: number;
  readonly values: V;
}
/** What became of every row: one that cannot be at this site says so. */
export class StoredRows {
  added = 0;
  alreadyThere = 0;
  readonly refused: { line: number; message: string }[] = [];
  count(isNew: boolean): void {
    if (isNew) this.added++;
    else this.alreadyThere++;
  }
  refuse(line: number, message: string): void {
    this.refused.push({ line, message });
  }
}
