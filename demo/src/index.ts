export { site, zones } from "./quillbrook.ts";
export { HISTORY_DAYS } from "./story.ts";
