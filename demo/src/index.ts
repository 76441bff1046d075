export { HISTORY_DAYS, site, zones } from "./quillbrook.ts";
