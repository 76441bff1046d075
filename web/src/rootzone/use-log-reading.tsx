import { createContext, lazy, Suspense, use, useCallback, useMemo, useState, type ReactNode } from "react";
import { useBoard } from "../plan/use-board.ts";

interface LogReading {
  open(zoneId: number): void;
}

const LogReadingContext = createContext<LogReading | null>(null);
const LogReadingDialog = lazy(async () => ({ default: (await import("./log-reading-dialog.tsx")).LogReadingDialog }));

/** Lets a reading be logged from anywhere, for any zone; readings are of now, whichever day is looked at. */
export function LogReadingProvider({ children }: { children: ReactNode }) {
  const [zoneId, setZoneId] = useState<number | null>(null);
  const board = useBoard(null).data;
  const zone = board?.zones.find((candidate) => candidate.id === zoneId);
  const close = useCallback(() => setZoneId(null), []);
  const value = useMemo(() => ({ open: setZoneId }), []);
  return (
    <LogReadingContext value={value}>
      {children}
      {zone && board && (
        <Suspense>
          <LogReadingDialog zone={zone} now={board.now} onClose={close} />
        </Suspense>
      )}
    </LogReadingContext>
  );
}

export function useLogReading(): LogReading {
  const log = use(LogReadingContext);
  if (!log) throw new Error("useLogReading must be called inside LogReadingProvider");
  return log;
}
