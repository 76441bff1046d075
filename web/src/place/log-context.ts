import { createContext, use } from "react";

/** What can be logged from anywhere. */
export interface LogEntry {
  readonly kind: "reading" | "pick" | "sign";
  readonly zoneId: number;
}
interface Log {
  open(entry: LogEntry): void;
}

/** The shell provides it: its dialogs are of rooms that lie above a place. */
export const LogContext = createContext<Log | null>(null);

export function useLog(): Log {
  const log = use(LogContext);
  if (!log) throw new Error("useLog must be called inside LogProvider");
  return log;
}
