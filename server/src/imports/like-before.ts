import type { ImportKind } from "@sprunel/contract/exchange";
import type { SheetTold } from "@sprunel/core/table";
import type { Writer } from "../scope/scope.ts";
import { importLog } from "./import-log.ts";

type Told = Pick<SheetTold<string>, "columns" | "kinds" | "lacks" | "book" | "preamble">;

interface Settled {
  readonly columns?: readonly { readonly column: number; readonly kind: string; readonly unit: string }[] | undefined;
}

interface Like<C extends Settled, R> {
  readonly kind: ImportKind;
  /** what is settled now */
  readonly asked: C;
  /** what of an earlier file's choices holds for the next one like it */
  kept(choices: unknown): C;
  read(choices: C): Promise<R>;
}

/** A file that was read, and by what. */
export interface Reading<C, R> {
  readonly read: R;
  readonly choices: C;
  /** of its columns: files with the same heads are read alike */
  readonly heads: string;
  /** who settled how a file like it is read; null where nobody has */
  readonly rememberedFrom: string | null;
}

/** Reads a file as it is asked for now, and where it is not, as somebody had one with the same heads read before. */
export async function readLikeBefore<C extends Settled, R extends { readonly table: Told }>(
  writer: Writer,
  { kind, asked, kept, read }: Like<C, R>,
): Promise<Reading<C, R>> {
  const first = await read(asked);
  const heads = first.table.columns.map(({ header }) => header).join("\t");
  const memory = await importLog(writer).choicesOf(kind, heads);
  if (!memory) return { read: first, choices: asked, heads, rememberedFrom: null };
  const before = kept(memory.choices);
  const columns = [
    ...(before.columns ?? []).filter(({ column }) => !asked.columns?.some((one) => one.column === column)),
    ...(asked.columns ?? []),
  ];
  const choices = { ...before, ...asked, columns };
  return { read: await read(choices), choices, heads, rememberedFrom: memory.by };
}

/** What a preview tells of any file. */
export function toldOf({ columns, kinds, lacks, book, preamble }: Told, rememberedFrom: string | null) {
  return {
    columns: columns.map((column) => ({ ...column, examples: [...column.examples] })),
    kinds: kinds.map(({ kind, units }) => ({ kind, units: [...units] })),
    lacks: lacks.map((group) => [...group]),
    book: book && { ...book, sheets: [...book.sheets] },
    preamble: [...preamble],
    rememberedFrom,
  };
}
