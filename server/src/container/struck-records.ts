import { placeOf, type Struck } from "./struck.ts";

/** A record of a binary workbook. */
interface BookRecord {
  readonly id: number;
  readonly body: DataView;
}

/** Fonts carry it in the flags after their height. */
const isStruck = ({ body }: BookRecord): boolean => (body.getUint16(2, true) & 8) !== 0;

/**
 * Struck cells of a sheet of a workbook of before 2007.
 *
 * Source: Microsoft, [MS-XLS], 2.4: BoundSheet8, Font, XF and the records of cells.
 *
 * @param stream its stream "Workbook" or "Book"
 * @param sheetAt which sheet, counted from 0
 */
export function struckInOldBook(stream: Uint8Array, sheetAt: number): Struck {
  const fonts: boolean[] = [];
  const styles: boolean[] = [];
  const sheets: number[] = [];
  for (const record of oldRecords(stream, 0)) {
    if (record.id === 0x85) sheets.push(record.body.getUint32(0, true));
    if (record.id === 0x31) fonts.push(isStruck(record));
    if (record.id === 0xe0) {
      const font = record.body.getUint16(0, true);
      // No font has the number 4.
      styles.push(fonts[font < 4 ? font : font - 1] ?? false);
    }
  }
  const struck = new Map<string, null>();
  const start = sheets[sheetAt];
  if (start === undefined || !styles.includes(true)) return struck;
  for (const { id, body } of oldRecords(stream, start)) {
    const note = (column: number, style: number): void => {
      if (styles[style]) struck.set(placeOf(body.getUint16(0, true), column), null);
    };
    if (OLD_CELLS.has(id)) note(body.getUint16(2, true), body.getUint16(4, true));
    if (id === 0xbd)
      for (let at = 4, column = body.getUint16(2, true); at + 6 < body.byteLength; at += 6, column++)
        note(column, body.getUint16(at, true));
  }
  return struck;
}

/** Formula, label, number and the like: row, column and style stand first in all. */
const OLD_CELLS = new Set([0x06, 0xd6, 0xfd, 0x203, 0x204, 0x205, 0x27e]);

/** Records from a place to the end of what begins there; charts within are passed over. */
function* oldRecords(stream: Uint8Array, start: number): Generator<BookRecord> {
  const view = new DataView(stream.buffer, stream.byteOffset, stream.byteLength);
  let depth = 0;
  for (let at = start; at + 4 <= view.byteLength;) {
    const [id, length] = [view.getUint16(at, true), view.getUint16(at + 2, true)];
    if (at + 4 + length > view.byteLength) return;
    if (id === 0x809) depth++;
    if (depth === 1) yield { id, body: new DataView(stream.buffer, stream.byteOffset + at + 4, length) };
    if (id === 0x0a && --depth === 0) return;
    at += 4 + length;
  }
}

/**
 * Struck cells of a sheet of a binary workbook of today.
 *
 * Source: Microsoft, [MS-XLSB], 2.4: BrtFont, BrtXF, BrtRowHdr and the records of cells, long and short.
 */
export function struckInBinaryBook(styleSheet: Uint8Array, sheet: Uint8Array): Struck {
  const fonts: boolean[] = [];
  const styles: boolean[] = [];
  let ofCells = false;
  for (const record of binaryRecords(styleSheet)) {
    if (record.id === 43) fonts.push(isStruck(record));
    if (record.id === 617 || record.id === 618) ofCells = record.id === 617;
    if (record.id === 47 && ofCells) styles.push(fonts[record.body.getUint16(4, true)] ?? false);
  }
  const struck = new Map<string, null>();
  if (!styles.includes(true)) return struck;
  let [row, column] = [0, -1];
  for (const { id, body } of binaryRecords(sheet)) {
    if (id === 0) [row, column] = [body.getUint32(0, true), -1];
    // A short cell stands beside the one before it, and leaves its column out.
    const isShort = id >= 12 && id <= 18;
    if (!isShort && !(id >= 1 && id <= 11)) continue;
    column = isShort ? column + 1 : body.getUint32(0, true);
    // The style takes three bytes; the fourth holds flags.
    if (styles[body.getUint32(isShort ? 0 : 4, true) & 0xffffff]) struck.set(placeOf(row, column), null);
  }
  return struck;
}

function* binaryRecords(part: Uint8Array): Generator<BookRecord> {
  let at = 0;
  /** Seven bits a byte, the lowest first, as long as the eighth is set. */
  const number = (most: number): number => {
    let value = 0;
    for (let shift = 0; shift < most * 7; shift += 7) {
      const byte = part[at++] ?? 0;
      value |= (byte & 0x7f) << shift;
      if (byte < 0x80) break;
    }
    return value;
  };
  while (at < part.length) {
    const id = number(2);
    const length = number(4);
    if (at + length > part.length) return;
    yield { id, body: new DataView(part.buffer, part.byteOffset + at, length) };
    at += length;
  }
}
