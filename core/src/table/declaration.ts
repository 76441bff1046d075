import type { Meanings } from "./meaning.ts";

/** What a kind of file holds: what its columns may mean, and what makes a row of it. */
export interface Declaration<K extends string> {
  readonly meanings: Meanings<K>;
  /** of each of these groups a table should have one */
  readonly needs: readonly (readonly K[])[];
  /** what makes what row it is: a sum between the rows has none of them */
  readonly identity: readonly K[];
  /** which meanings hold a day with its hour, a day, and an hour */
  readonly times?: { readonly stamp?: K; readonly date?: K; readonly time?: K };
  /**
   * Meanings each of whose values may have a column of its own, as a zone or a grade has, known by the names of the site, by how they
   * are written, or else by their word; and how such columns are headed where they say nothing but a name
   */
  readonly spread?: {
    readonly by: readonly K[];
    readonly written?: Readonly<Partial<Record<K, RegExp>>>;
    readonly main?: string;
  };
  /** rows of limits and norms are read, too: figures are held against them */
  readonly bands?: boolean;
}
