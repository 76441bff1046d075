import type { Figure } from "@sprunel/contract/plan";
import { createContext, lazy, Suspense, use, useCallback, useMemo, useState, type ReactNode } from "react";

export interface AskedFigure {
  readonly zoneId: number;
  readonly figure: Figure;
}
interface Working {
  open(asked: AskedFigure): void;
}

const WorkingContext = createContext<Working | null>(null);
const WorkingDrawer = lazy(async () => ({ default: (await import("./working-drawer.tsx")).WorkingDrawer }));

/** Lets any figure open how it was computed. */
export function WorkingProvider({ children }: { children: ReactNode }) {
  const [asked, setAsked] = useState<AskedFigure | null>(null);
  const close = useCallback(() => setAsked(null), []);
  const working = useMemo(() => ({ open: setAsked }), []);
  return (
    <WorkingContext value={working}>
      {children}
      {asked && (
        <Suspense>
          <WorkingDrawer asked={asked} onClose={close} />
        </Suspense>
      )}
    </WorkingContext>
  );
}

export function useWorking(): Working {
  const working = use(WorkingContext);
  if (!working) throw new Error("useWorking must be called inside WorkingProvider");
  return working;
}
