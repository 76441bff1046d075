export type { Board, BoardZone } from "./board.ts";
export { decide, getBoard } from "./endpoints.ts";
