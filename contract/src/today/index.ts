export { boardSchema, type Board, type BoardZone } from "./board.ts";
