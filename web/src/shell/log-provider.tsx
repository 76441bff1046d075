import { lazy, Suspense, useCallback, useMemo, useState, type ReactNode } from "react";
import { LogContext, type LogEntry } from "../place/log-context.ts";
import { useBoard } from "../place/use-board.ts";

const LogReadingDialog = lazy(async () => ({
  default: (await import("../rootzone/log-reading-dialog.tsx")).LogReadingDialog,
}));
const LogPickDialog = lazy(async () => ({ default: (await import("../harvest/log-pick-dialog.tsx")).LogPickDialog }));

/** Lets a reading or a pick be logged for any zone; readings are of now, whichever day is looked at. */
export function LogProvider({ children }: { children: ReactNode }) {
  const [entry, setEntry] = useState<LogEntry | null>(null);
  const board = useBoard(null).data;
  const zone = board?.zones.find((candidate) => candidate.id === entry?.zoneId);
  const close = useCallback(() => setEntry(null), []);
  const value = useMemo(() => ({ open: setEntry }), []);
  return (
    <LogContext value={value}>
      {children}
      {entry && zone && board && (
        <Suspense>
          {entry.kind === "reading" ? (
            <LogReadingDialog zone={zone} now={board.now} onClose={close} />
          ) : (
            <LogPickDialog zone={zone} today={board.today} onClose={close} />
          )}
        </Suspense>
      )}
    </LogContext>
  );
}
