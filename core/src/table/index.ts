export type { ListTable } from "./list.ts";
export { matchZone } from "./zone-name.ts";
