import { DomUtils, ElementType, parseDocument } from "htmlparser2";
import { decodeText } from "@sprunel/core/table";
import { missingPart } from "./not-opened.ts";
import type { Opened } from "./opened.ts";

type Document = ReturnType<typeof parseDocument>;
type Node = Document["children"][number];
type Element = ReturnType<typeof DomUtils.getElementsByTagName>[number];

interface PageTable {
  readonly name: string;
  readonly rows: readonly (readonly string[])[];
}

/**
 * A table of a page; the one with most cells where none is asked for.
 *
 * @throws {DomainError} for a page without one
 */
export function pageTable(bytes: Uint8Array, asked?: string): Opened {
  const tables = tablesOf(pageText(bytes));
  const fullest = [...tables].sort((a, b) => b.rows.flat().length - a.rows.flat().length)[0];
  const table = asked === undefined ? fullest : tables.find(({ name }) => name === asked);
  const parts = tables.map(({ name }) => name);
  if (!table) throw missingPart("page", "table", parts, asked);
  return { kind: "page,", parts, part: table.name, rows: table.rows, texts: table.rows.flat() };
}

/** A page as text, in the encoding that it names or that its bytes tell. */
function pageText(bytes: Uint8Array): string {
  const start = new TextDecoder("windows-1252").decode(bytes.subarray(0, 4000));
  const named = /<meta\b[^>]*charset\s*=\s*["']?([\w-]+)/i.exec(start)?.[1];
  try {
    if (named !== undefined && !/^utf-?(8|16)$/i.test(named)) return new TextDecoder(named).decode(bytes);
  } catch {
    // A name that nobody knows tells nothing.
  }
  return decodeText(bytes).text;
}

/** The tables of a page that hold no table themselves, each with what stands above it, by their captions or their number. */
function tablesOf(html: string): readonly PageTable[] {
  const page = parseDocument(html);
  const strokes = struckClasses(page);
  const tables: PageTable[] = [];
  let above: string[][] = [];
  const walk = (nodes: readonly Node[]): void => {
    for (const node of nodes) {
      const holdsTables = isElement(node) && tablesIn(node.children).length > 0;
      if (holdsTables) walk(node.children);
      else if (isElement(node) && node.name === "table") {
        tables.push({ name: nameOf(node, tables), rows: [...above, ...rowsOf(node, strokes)] });
        above = [];
      } else if (!isElement(node) || !SILENT.has(node.name)) {
        const text = plain(textOf(node, strokes));
        if (text !== "") above.push([text]);
      }
    }
  };
  walk(page.children);
  return tables.filter(({ rows }) => rows.length > 0);
}

const SILENT = new Set(["head", "title", "script", "style"]);
const tablesIn = (nodes: Node[]): readonly Element[] => DomUtils.getElementsByTagName("table", nodes);

/** Names of tables are chosen from, and sent back. */
const MOST_NAME = 80;

function nameOf(table: Element, before: readonly PageTable[]): string {
  const [caption] = DomUtils.getElementsByTagName("caption", table);
  const called = caption ? plain(DomUtils.textContent(caption)).slice(0, MOST_NAME) : "";
  const isTaken = before.some(({ name }) => name === called);
  return called === "" || isTaken ? `Table ${before.length + 1}` : called;
}

/** What a cell covers beside itself stays empty, as in a workbook. */
function rowsOf(table: Element, strokes: ReadonlySet<string>): readonly (readonly string[])[] {
  const taken = new Set<string>();
  return DomUtils.getElementsByTagName("tr", table).map((tr, row) => {
    const cells: string[] = [];
    let column = 0;
    for (const cell of DomUtils.getChildren(tr).filter(isElement)) {
      if (!["td", "th"].includes(cell.name)) continue;
      while (taken.has(`${row} ${column}`)) column++;
      const [wide, high] = [spanOf(cell, "colspan"), spanOf(cell, "rowspan")];
      for (let down = 1; down < high; down++)
        for (let across = 0; across < wide; across++) taken.add(`${row + down} ${column + across}`);
      while (cells.length < column) cells.push("");
      cells[column] = plain(textOf(cell, strokes));
      column += wide;
    }
    return cells;
  });
}

const MOST_SPAN = 1000;
const spanOf = ({ attribs }: Element, name: "colspan" | "rowspan"): number =>
  Math.min(Math.max(1, Number.parseInt(attribs[name] ?? "1") || 1), MOST_SPAN);

const isElement = (node: Node): node is Element => node.type === ElementType.Tag;

/** A cell's text; between two tildes each what is struck through in it. */
function textOf(node: Node, strokes: ReadonlySet<string>): string {
  if (node.type === ElementType.Text) return node.data;
  if (!isElement(node)) return "";
  if (node.name === "br") return " ";
  const text = node.children.map((child) => textOf(child, strokes)).join("");
  return isStruck(node, strokes) && plain(text) !== "" && !text.includes("~~") ? ` ~~${plain(text)}~~ ` : text;
}

function isStruck({ name, attribs }: Element, strokes: ReadonlySet<string>): boolean {
  const classes = (attribs["class"] ?? "").split(/\s+/);
  return (
    ["s", "del", "strike"].includes(name) ||
    STRUCK.test(attribs["style"] ?? "") ||
    classes.some((one) => strokes.has(one))
  );
}

const STRUCK = /text-decoration[\w-]*\s*:[^;}]*line-through/i;

/** Classes that the page's own styles strike through. */
function struckClasses(page: Document): ReadonlySet<string> {
  const styles = DomUtils.getElementsByTagName("style", page)
    .map((style) => DomUtils.textContent(style))
    .join("\n");
  const rules = styles.matchAll(/([^{}]*)\{([^{}]*)\}/g);
  return new Set(
    [...rules].flatMap(([, selectors = "", rule = ""]) =>
      STRUCK.test(rule) ? [...selectors.matchAll(/\.([\w-]+)/g)].flatMap(([, name]) => name ?? []) : [],
    ),
  );
}

const plain = (text: string): string => text.replace(/\s+/g, " ").trim();
