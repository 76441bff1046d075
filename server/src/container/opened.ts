/** One table of a file that may hold several. */
export interface Opened {
  /** as "workbook, sheet" */
  readonly kind: string;
  /** names of all tables of the file, and of this one */
  readonly parts: readonly string[];
  readonly part: string;
  readonly rows: readonly (readonly string[])[];
  /** what the file keeps as text, not as numbers: only these tell which decimal mark people wrote */
  readonly texts: readonly string[];
}
