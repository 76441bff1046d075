import type { OpenFinding } from "@sprunel/contract/advice";
import { lazy, Suspense, useState, type ReactNode } from "react";
import { newKey } from "../forms/new-key.ts";
import { ProblemNote } from "../parts/problem.tsx";
import { useBoard } from "../place/use-board.ts";
import { Mark } from "../parts/mark.tsx";
import { useSiteTime } from "../place/use-site-time.ts";
import { usePlace } from "../place/use-place.ts";
import { useUnits } from "../units/use-units.tsx";
import { useWorking } from "../working/use-working.ts";
import styles from "./advice.module.css";
import { decisionWords, findingWords, proposalWords } from "./finding-words.ts";
import { useDecide, useTakeBack } from "./use-decide.ts";
import { useDates } from "../units/dates.tsx";

const DecisionDialog = lazy(async () => ({ default: (await import("./decision-dialog.tsx")).DecisionDialog }));

/** Causes that a change of the plan cures. */
const DRAIN_CAUSES: readonly string[] = ["drain-low", "drain-high", "salt"];

interface Props {
  readonly zoneId: number;
  /** named where several zones are shown */
  readonly zoneName?: string;
  readonly entry: OpenFinding;
  /** a way on, as to the station */
  readonly more?: ReactNode;
}

/** What is off, why, the one computed cure, and what a person makes of it. */
export function FindingCard({ zoneId, zoneName, entry, more }: Props) {
  const dates = useDates();
  const { finding, proposal, decision, about } = entry;
  const { show } = useUnits();
  const working = useWorking();
  const { date } = usePlace();
  const shownDate = useBoard(date).data?.date;
  const decide = useDecide(zoneId);
  const back = useTakeBack(zoneId);
  // One key for what is said of this finding: pressed twice, it is said once.
  const [key, setKey] = useState(newKey);
  const { date: dateOf } = useSiteTime();
  const [dialog, setDialog] = useState<"changed" | "dismissed" | null>(null);
  if (!shownDate) return null;
  const words = findingWords(finding, show);
  const subject = { key, cause: finding.cause, about, date: shownDate };
  const title = zoneName ? `${zoneName}: ${words.title}` : words.title.charAt(0).toUpperCase() + words.title.slice(1);
  return (
    <article className={`${styles["card"]} ${decision ? styles["decided"] : ""}`} aria-label={title}>
      <Mark kind={decision ? "steady" : finding.mark} />
      <div>
        <h3>{title}</h3>
        <p className="quiet">{words.reason}</p>
        {decision ? (
          <p>{decisionWords(decision, dateOf, dates)}</p>
        ) : (
          <>
            {proposal && (
              <p>
                <button
                  type="button"
                  className={styles["cure"]}
                  data-figure="correction"
                  data-zone={zoneId}
                  title="How it was computed (w)"
                  onClick={() => working.open({ zoneId, figure: "correction" })}
                >
                  {proposalWords(proposal, show, dates.show(proposal.fromDate, "weekday"))}
                </button>
              </p>
            )}
            {!proposal && DRAIN_CAUSES.includes(finding.cause) && (
              <p>Over the last days the plan fits the plants: let it stand and read again tomorrow.</p>
            )}
            <p>{words.next}</p>
          </>
        )}
        {decide.error && <ProblemNote error={decide.error} />}
        {back.isError && <ProblemNote error={back.error} />}
        <div className={styles["actions"]}>
          {proposal && !decision && (
            <button
              type="button"
              disabled={decide.isPending}
              onClick={() => decide.mutate({ verdict: "accepted", ...subject })}
            >
              Accept
            </button>
          )}
          {proposal && (
            <button type="button" onClick={() => setDialog("changed")}>
              Change
            </button>
          )}
          {!decision && (
            <button type="button" onClick={() => setDialog("dismissed")}>
              Not now
            </button>
          )}
          {decision && (
            <button
              type="button"
              disabled={back.isPending}
              onClick={() => back.mutate(decision.id, { onSuccess: () => setKey(newKey()) })}
            >
              Take it back
            </button>
          )}
          {more}
        </div>
      </div>
      {dialog && (
        <Suspense>
          <DecisionDialog
            kind={dialog}
            title={title}
            zoneId={zoneId}
            subject={subject}
            proposal={proposal}
            onClose={() => setDialog(null)}
          />
        </Suspense>
      )}
    </article>
  );
}
