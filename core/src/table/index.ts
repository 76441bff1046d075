export type { ListTable } from "./list.ts";
export { typedNumber } from "./number.ts";
export { matchZone } from "./zone-name.ts";
