import Modal from "antd/es/modal";
import { useCallback, useEffect, useMemo, useRef, type ReactNode } from "react";
import { useBlocker, type Location } from "react-router";

interface LeaveGuard {
  /** something was typed that is not saved */
  touched(): void;
  /** it is saved, or thrown away */
  settled(): void;
  /** to be shown on the page */
  readonly question: ReactNode;
}

/** Asks before a page is left on which something was typed that is not saved: by a link, a key, the browser's own buttons. */
export function useLeaveGuard(): LeaveGuard {
  const dirty = useRef(false);
  const blocker = useBlocker(
    useCallback(
      ({ currentLocation, nextLocation }: { currentLocation: Location; nextLocation: Location }) =>
        dirty.current && formAt(currentLocation) !== formAt(nextLocation),
      [],
    ),
  );
  useEffect(() => {
    const ask = (event: BeforeUnloadEvent): void => {
      if (dirty.current) event.preventDefault();
    };
    window.addEventListener("beforeunload", ask);
    return () => window.removeEventListener("beforeunload", ask);
  }, []);
  const marks = useMemo(
    () => ({ touched: () => void (dirty.current = true), settled: () => void (dirty.current = false) }),
    [],
  );
  return {
    ...marks,
    question: blocker.state === "blocked" && (
      <Modal
        open
        title="What you typed here is not saved"
        okText="Stay here"
        cancelText="Leave, and lose it"
        closable={false}
        onOk={() => blocker.reset()}
        onCancel={() => {
          dirty.current = false;
          blocker.proceed();
        }}
      />
    ),
  };
}

/** The day and the part of a page that is shown may change around a form; its page and zone may not. */
function formAt({ pathname, search }: Location): string {
  return `${pathname} ${new URLSearchParams(search).get("zone") ?? ""}`;
}
