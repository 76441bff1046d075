import { lazy, Suspense, useCallback, useMemo, useState, type ReactNode } from "react";
import { WorkingContext, type AskedFigure } from "../working/use-working.ts";

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
