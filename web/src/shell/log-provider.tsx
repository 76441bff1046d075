import { lazy, Suspense, useCallback, useMemo, useState, type ReactNode } from "react";
import { LogContext, type LogEntry } from "../place/log-context.ts";
import { useBoard } from "../place/use-board.ts";
import { useNoting } from "../place/use-noting.ts";

const LogReadingDialog = lazy(async () => ({
  default: (await import("../rootzone/log-reading-dialog.tsx")).LogReadingDialog,
}));
const LogPickDialog = lazy(async () => ({ default: (await import("../harvest/log-pick-dialog.tsx")).LogPickDialog }));

/** Lets a reading or a pick be logged for any zone, of the day that is looked at unless somebody says otherwise. */
export function LogProvider({ children }: { children: ReactNode }) {
  const [entry, setEntry] = useState<LogEntry | null>(null);
  const board = useBoard(null).data;
  const noting = useNoting();
  const zone = board?.zones.find((candidate) => candidate.id === entry?.zoneId);
  const close = useCallback(() => setEntry(null), []);
  const value = useMemo(() => ({ open: setEntry }), []);
  return (
    <LogContext value={value}>
      {children}
      {entry && zone && noting && (
        <Suspense>
          {entry.kind === "reading" ? (
            <LogReadingDialog zone={zone} noting={noting} onClose={close} />
          ) : (
            <LogPickDialog zone={zone} noting={noting} onClose={close} />
          )}
        </Suspense>
      )}
    </LogContext>
  );
}
