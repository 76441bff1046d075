import type { Mark as MarkKind } from "@sprunel/contract/advice";

const WORDS: Record<MarkKind | "none", string> = { steady: "steady", watch: "watch", act: "act", none: "no data" };

/** Shape first, colour second: open ring steady, half disc watch, solid diamond act, dash no data. */
export function Mark({ kind, size = 14 }: { kind: MarkKind | "none"; size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 14 14" role="img" aria-label={WORDS[kind]} className="rigid">
      {kind === "steady" && <circle cx="7" cy="7" r="4.6" fill="none" stroke="var(--quiet)" strokeWidth="1.5" />}
      {kind === "watch" && (
        <>
          <circle cx="7" cy="7" r="5" fill="none" stroke="var(--watch)" strokeWidth="1.6" />
          <path d="M7 2a5 5 0 0 0 0 10z" fill="var(--watch)" />
        </>
      )}
      {kind === "act" && <path d="M7 .6 13.4 7 7 13.4.6 7z" fill="var(--act)" />}
      {kind === "none" && <path d="M3 7h8" stroke="var(--quiet)" strokeWidth="1.6" />}
    </svg>
  );
}
