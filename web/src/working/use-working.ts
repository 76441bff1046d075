import type { Figure } from "@sprunel/contract/plan";
import { createContext, use } from "react";

export interface AskedFigure {
  readonly zoneId: number;
  readonly figure: Figure;
}
interface Working {
  open(asked: AskedFigure): void;
}

/** The shell provides it: what it opens looks a zone's day up. */
export const WorkingContext = createContext<Working | null>(null);

export function useWorking(): Working {
  const working = use(WorkingContext);
  if (!working) throw new Error("useWorking must be called inside WorkingProvider");
  return working;
}
