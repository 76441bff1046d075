export type { Board, BoardZone } from "./board.ts";
export { decide, getBoard, takeBackDecision } from "./endpoints.ts";
