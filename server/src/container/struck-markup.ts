import { DomUtils, Parser, parseDocument } from "htmlparser2";
import { placeOf, type Struck } from "./struck.ts";

const IN_XML = { xmlMode: true } as const;

/** Parts of a text whose letters have forms of their own, as a packed workbook keeps it, that are struck through. */
export function struckRuns(rich: string): readonly string[] {
  if (!rich.includes("<strike")) return [];
  const runs = DomUtils.getElementsByTagName("r", parseDocument(rich, IN_XML));
  return runs.flatMap((run) => {
    const [strike] = DomUtils.getElementsByTagName("strike", run);
    return strike && isOn(strike.attribs["val"]) ? DomUtils.textContent(run) : [];
  });
}

const isOn = (value: string | undefined): boolean => value === undefined || value === "1" || value === "true";

/** Cells of a sheet of today's workbook that have one of some styles. */
export function cellsStyled(sheet: string, styles: ReadonlySet<string>): readonly string[] {
  return [...sheet.matchAll(/<(?:\w+:)?c\b[^>]*>/g)].flatMap(([tag]) =>
    styles.has(/\bs="(\d+)"/.exec(tag)?.[1] ?? "") ? (/\br="([A-Z]+\d+)"/.exec(tag)?.[1] ?? []) : [],
  );
}

/** Where a workbook keeps the part that it names so. */
export function partNamed(relations: string, id: string): string | undefined {
  const relation = DomUtils.getElementsByTagName("Relationship", parseDocument(relations, IN_XML)).find(
    ({ attribs }) => attribs["Id"] === id,
  );
  return relation?.attribs["Target"]?.replace(/^\/?(xl\/)?/, "xl/");
}

/**
 * Struck cells of a sheet of an OpenDocument spreadsheet.
 *
 * Source: OASIS, OpenDocument 1.3, part 3: style:text-line-through-style, table:table-cell.
 *
 * @param styles texts that hold its styles
 * @param content the text that holds its cells
 */
export function struckInOpenDocument(styles: readonly string[], content: string, sheet: string): Struck {
  const struck = new Map<string, readonly string[] | null>();
  const isStruck = openDocumentStrokes(styles);
  if (!isStruck) return struck;
  let isSheet = false;
  let [row, column] = [0, 0];
  const ofColumns: (string | undefined)[] = [];
  let ofRow: Attributes = {};
  let cell: Attributes | undefined;
  let [text, parts, isRemark]: [string, string[], boolean] = ["", [], false];
  const spans: boolean[] = [];
  const times = (of: Attributes, what: "rows" | "columns"): number => Number(of[`table:number-${what}-repeated`] ?? 1);

  const begin: Starts = {
    "table:table": (of) => {
      isSheet = of["table:name"] === sheet;
      [ofColumns.length, row] = [0, 0];
    },
    "table:table-column": (of) => {
      for (let at = 0; at < Math.min(times(of, "columns"), MOST_ALIKE); at++)
        ofColumns.push(of["table:default-cell-style-name"]);
    },
    "table:table-row": (of) => {
      [ofRow, column] = [of, 0];
    },
    "table:table-cell": (of) => {
      [cell, text, parts] = [of, "", []];
    },
    "office:annotation": () => {
      isRemark = true;
    },
    "text:span": (of) => spans.push(isStruck("text", of["text:style-name"])),
  };
  const end: Ends = {
    "text:span": () => spans.pop(),
    "office:annotation": () => {
      isRemark = false;
    },
    "table:covered-table-cell": (of) => {
      column += times(of, "columns");
    },
    "table:table-cell": (of) => {
      const style = of["table:style-name"] ?? ofRow["table:default-cell-style-name"] ?? ofColumns[column];
      const isAll = isStruck("table-cell", style);
      const wide = times(of, "columns");
      if (isSheet && text.trim() !== "" && (isAll || parts.length > 0))
        for (let down = 0; down < Math.min(times(ofRow, "rows"), MOST_ALIKE); down++)
          for (let across = 0; across < Math.min(wide, MOST_ALIKE); across++)
            struck.set(placeOf(row + down, column + across), isAll ? null : parts);
      column += wide;
      cell = undefined;
    },
    "table:table-row": () => {
      row += times(ofRow, "rows");
    },
  };
  walk(content, begin, end, (letters) => {
    if (!cell || isRemark) return;
    text += letters;
    if (spans.includes(true)) parts.push(letters);
  });
  return struck;
}

/** Which styles strike through, of what they are named for; undefined where none does. */
function openDocumentStrokes(texts: readonly string[]): ((family: string, name?: string) => boolean) | undefined {
  if (!texts.some((text) => /text-line-through-(?:style|type)="(?!none)/.test(text))) return undefined;
  const styles = texts.flatMap((text) => DomUtils.getElementsByTagName("style:style", parseDocument(text, IN_XML)));
  const byName = new Map(
    styles.map((style) => [keyOf(style.attribs["style:family"], style.attribs["style:name"]), style]),
  );
  const strikes = (family: string, name: string | undefined, deep: number): boolean => {
    const style = byName.get(keyOf(family, name));
    if (!style || deep > MOST_PARENTS) return false;
    const [properties] = DomUtils.getElementsByTagName("style:text-properties", style);
    const line =
      properties?.attribs["style:text-line-through-type"] ?? properties?.attribs["style:text-line-through-style"];
    return line === undefined ? strikes(family, style.attribs["style:parent-style-name"], deep + 1) : line !== "none";
  };
  return (family, name) => strikes(family, name, 0);
}

const keyOf = (family = "", name = ""): string => `${family} ${name}`;

/**
 * Struck cells of a sheet of a workbook of 2003 that is one text.
 *
 * Source: Microsoft, XML Spreadsheet Reference: ss:StrikeThrough, ss:Index, ss:Span, ss:MergeAcross.
 */
export function struckInXmlBook(book: string, sheet: string): Struck {
  const struck = new Map<string, readonly string[] | null>();
  if (!/StrikeThrough|<(?:html:)?S>/.test(book)) return struck;
  const styles = new Map<string, boolean>();
  const isStruck = (...names: readonly (string | undefined)[]): boolean =>
    styles.get(names.find((name) => name !== undefined) ?? "Default") ?? false;
  let style: string | undefined;
  let isSheet = false;
  let [row, column] = [-1, -1];
  const ofColumns: (string | undefined)[] = [];
  let ofRow: Attributes = {};
  let [isData, isStroke, parts]: [boolean, boolean, string[]] = [false, false, []];
  const next = (of: Attributes, last: number): number => (of["ss:Index"] ? Number(of["ss:Index"]) - 1 : last + 1);

  const begin: Starts = {
    Style: (of) => {
      style = of["ss:ID"] ?? "";
      styles.set(style, isStruck(of["ss:Parent"]));
    },
    Font: (of) => {
      if (style !== undefined && !isData) styles.set(style, of["ss:StrikeThrough"] === "1");
    },
    Worksheet: (of) => {
      isSheet = of["ss:Name"] === sheet;
      [row, ofColumns.length] = [-1, 0];
    },
    Column: (of) => {
      const at = next(of, ofColumns.length - 1);
      for (let more = 0; more <= Math.min(Number(of["ss:Span"] ?? 0), MOST_ALIKE); more++)
        ofColumns[at + more] = of["ss:StyleID"];
    },
    Row: (of) => {
      [ofRow, row, column] = [of, next(of, row), -1];
    },
    Cell: (of) => {
      [column, parts] = [next(of, column), []];
    },
    Data: () => {
      isData = true;
    },
    S: () => {
      isStroke = isData;
    },
  };
  const end: Ends = {
    Style: () => {
      style = undefined;
    },
    S: () => {
      isStroke = false;
    },
    Data: () => {
      isData = false;
    },
    Cell: (of) => {
      const isAll = isStruck(of["ss:StyleID"], ofRow["ss:StyleID"], ofColumns[column]);
      if (isSheet && (isAll || parts.length > 0)) struck.set(placeOf(row, column), isAll ? null : parts);
      column += Number(of["ss:MergeAcross"] ?? 0);
    },
    Row: (of) => {
      row += Number(of["ss:Span"] ?? 0);
    },
  };
  walk(book, begin, end, (letters) => {
    if (isStroke) parts.push(letters);
  });
  return struck;
}

type Attributes = Readonly<Record<string, string | undefined>>;
type Starts = Readonly<Record<string, (of: Attributes) => void>>;
/** with what stood at the beginning of the same element */
type Ends = Readonly<Record<string, (of: Attributes) => void>>;

/** A name without the prefixes that programs write or leave out. */
const bare = (name: string): string => name.replace(/^(ss|html):/, "");

/** More cells alike are not noted one by one, nor more styles that rest on another. */
const MOST_ALIKE = 100_000;
const MOST_PARENTS = 20;

function walk(xml: string, begin: Starts, end: Ends, letters: (text: string) => void): void {
  const open: Attributes[] = [];
  const parser = new Parser(
    {
      onopentag: (name, of) => {
        open.push(of);
        begin[bare(name)]?.(of);
      },
      onclosetag: (name) => {
        const of = open.pop() ?? {};
        end[bare(name)]?.(of);
      },
      ontext: letters,
    },
    IN_XML,
  );
  parser.end(xml);
}
