/** What a file is, by its first bytes. */

/** Workbooks since 2007 are packed. */
export function isZip([a, b, c, d]: Uint8Array): boolean {
  return a === 0x50 && b === 0x4b && c === 3 && d === 4;
}

/** Workbooks of before 2007. */
export function isOldBook([a, b, c, d]: Uint8Array): boolean {
  return a === 0xd0 && b === 0xcf && c === 0x11 && d === 0xe0;
}

/** Some workbooks are one text. */
export function isXmlBook(bytes: Uint8Array): boolean {
  const start = markupAt(bytes);
  return /schemas-microsoft-com:office:spreadsheet|<office:document\b/.test(start);
}

/** Many programs call a page with a table in it a workbook. */
export function isPage(bytes: Uint8Array): boolean {
  return /<(html|table)\b/i.test(markupAt(bytes));
}

/** How a text of tags begins; nothing for another text. */
function markupAt(bytes: Uint8Array): string {
  const start = new TextDecoder("windows-1252").decode(bytes.subarray(0, 20_000));
  return /^[^\w<]{0,8}\s*</.test(start) ? start : "";
}
