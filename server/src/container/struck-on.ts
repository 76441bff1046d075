import { CFB, utils, type WorkBook } from "@e965/xlsx";
import { isOldBook, isZip } from "./kinds.ts";
import { cellsStyled, partNamed, struckInOpenDocument, struckInXmlBook } from "./struck-markup.ts";
import { struckInBinaryBook, struckInOldBook } from "./struck-records.ts";
import { placeOf, type Struck } from "./struck.ts";
import { unpacked } from "./unpacked.ts";

/** What the package tells of a packed workbook beside its own types. */
interface ParsedBook extends WorkBook {
  readonly Styles?: {
    readonly Fonts?: readonly { readonly strike?: unknown }[];
    readonly CellXf?: readonly { readonly fontId?: number }[];
  };
}

/** How workbooks of before 2007 are packed; the package has no types for it. */
interface Container {
  read(bytes: Uint8Array, options: { readonly type: "array" }): object;
  find(packed: object, path: string): { readonly content: Uint8Array | readonly number[] } | null;
}
const container = CFB as Container;

/** What the fonts of a sheet strike through, in any kind of workbook. */
export function struckOn(bytes: Uint8Array, book: ParsedBook, name: string): Struck {
  const at = book.SheetNames.indexOf(name);
  if (isOldBook(bytes)) return struckInOldBook(oldStream(bytes), at);
  if (!isZip(bytes)) {
    const whole = text(bytes);
    return whole.includes("<office:document")
      ? struckInOpenDocument([beforeBody(whole)], whole, name)
      : struckInXmlBook(whole, name);
  }
  const open = unpacked(bytes, ["styles.xml", "content.xml"]);
  if (open["content.xml"]) {
    const content = text(open["content.xml"]);
    return struckInOpenDocument([text(open["styles.xml"]), beforeBody(content)], content, name);
  }
  const of = book.Workbook?.Sheets?.[at] as { readonly id?: string; readonly strRelID?: string } | undefined;
  const id = of?.id ?? of?.strRelID ?? "";
  const relations = Object.values(unpacked(bytes, ["xl/_rels/workbook.xml.rels", "xl/_rels/workbook.bin.rels"]));
  const path = partNamed(text(relations[0]), id);
  if (path?.endsWith(".bin")) {
    const { "xl/styles.bin": styles, [path]: sheet } = unpacked(bytes, ["xl/styles.bin", path]);
    return styles && sheet ? struckInBinaryBook(styles, sheet) : new Map();
  }
  const fonts = book.Styles?.Fonts ?? [];
  const styles = (book.Styles?.CellXf ?? []).flatMap(({ fontId = 0 }, style) =>
    fonts[fontId]?.strike ? [String(style)] : [],
  );
  if (styles.length === 0 || path === undefined) return new Map();
  const cells = cellsStyled(text(unpacked(bytes, [path])[path]), new Set(styles)).map((cell) =>
    utils.decode_cell(cell),
  );
  return new Map(cells.map(({ r, c }) => [placeOf(r, c), null]));
}

const text = (part: Uint8Array | undefined): string => new TextDecoder().decode(part);

/** The styles of an OpenDocument stand before its cells. */
const beforeBody = (content: string): string => content.slice(0, content.search(/<office:body\b/));

function oldStream(bytes: Uint8Array): Uint8Array {
  const packed = container.read(bytes, { type: "array" });
  const stream = container.find(packed, "/Workbook") ?? container.find(packed, "/Book");
  return Uint8Array.from(stream?.content ?? []);
}
