export type { ListTable } from "./list.ts";
export { decodeText } from "./decode.ts";
export { decimalMark, typedNumber } from "./number.ts";
export { asTable, type Source, type Table, type TableRecord } from "./read-table.ts";
export { matchZone } from "./zone-name.ts";
export type { SheetTold } from "./sheet.ts";
