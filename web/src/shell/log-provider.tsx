import { lazy, Suspense, useCallback, useMemo, useState, type ReactNode } from "react";
import { LogContext, type LogEntry } from "../place/log-context.ts";
import { useBoard } from "../place/use-board.ts";
import { useNoting } from "../place/use-noting.ts";

const LogReadingDialog = lazy(async () => ({
  default: (await import("../rootzone/log-reading-dialog.tsx")).LogReadingDialog,
}));
const LogPickDialog = lazy(async () => ({ default: (await import("../harvest/log-pick-dialog.tsx")).LogPickDialog }));

const LogSignDialog = lazy(async () => ({ default: (await import("../crop/log-sign-dialog.tsx")).LogSignDialog }));

const DIALOGS = { reading: LogReadingDialog, pick: LogPickDialog, sign: LogSignDialog } as const satisfies Record<
  LogEntry["kind"],
  unknown
>;

/** Lets a reading, a pick or a sign be logged for any zone, of the day that is looked at unless somebody says otherwise. */
export function LogProvider({ children }: { children: ReactNode }) {
  const [entry, setEntry] = useState<LogEntry | null>(null);
  const board = useBoard(null).data;
  const noting = useNoting();
  const zone = board?.zones.find((candidate) => candidate.id === entry?.zoneId);
  const Dialog = entry ? DIALOGS[entry.kind] : null;
  const close = useCallback(() => setEntry(null), []);
  const value = useMemo(() => ({ open: setEntry }), []);
  return (
    <LogContext value={value}>
      {children}
      {Dialog && zone && noting && (
        <Suspense>
          <Dialog zone={zone} noting={noting} onClose={close} />
        </Suspense>
      )}
    </LogContext>
  );
}
