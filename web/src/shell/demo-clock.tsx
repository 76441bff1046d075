import { getHealth, type Clock, type Pace } from "@sprunel/contract/basics";
import { useQueryClient } from "@tanstack/react-query";
import Button from "antd/es/button";
import Popconfirm from "antd/es/popconfirm";
import { useEffect, useRef, useState } from "react";
import { ask } from "../http/api.ts";
import { ProblemNote } from "../parts/problem.tsx";
import tab from "../parts/tab.module.css";
import { clockAt } from "../place/clock-at.ts";
import { dateAt } from "../place/date-at.ts";
import { FASTNESS, useClock, useSetPace, useStartAgain } from "../place/use-clock.ts";
import styles from "./demo-clock.module.css";
import { useDates } from "../units/dates.tsx";

const HOUR_MS = 3_600_000;
const TICK_MS = 500;
/** How often it is asked whether the demonstration stands again. */
const ASK_MS = 700;
const NAMES: Readonly<Record<Pace, string>> = {
  paused: "pause",
  real: "real time",
  "minute-a-second": "a minute a second",
};

/** The demonstration's time: shown, paused, let go, or begun anew. Nothing where the clock is the real one. */
export function DemoClock({ timeZone }: { timeZone: string }) {
  const clock = useClock();
  if (!clock.data?.pace) return null;
  return <Control clock={clock.data} pace={clock.data.pace} askedAt={clock.dataUpdatedAt} timeZone={timeZone} />;
}

function Control({
  clock,
  pace,
  askedAt,
  timeZone,
}: {
  clock: Clock;
  pace: Pace;
  /** of this browser, in ms: only to count on from the server's time */
  askedAt: number;
  timeZone: string;
}) {
  const dates = useDates();
  const shownMs = useRunning(Date.parse(clock.now), askedAt, FASTNESS[pace]);
  const set = useSetPace();
  const again = useStartAgain();
  const [beginning, setBeginning] = useState(false);
  const refused = set.error ?? again.error;
  useHourly(Date.parse(clock.now));
  const begin = (): void =>
    again.mutate(undefined, {
      onSuccess: () => {
        setBeginning(true);
        void waitForIt().then(() => {
          window.location.assign("/");
        });
      },
    });
  if (beginning)
    return (
      <footer className={styles["bar"]} role="status">
        Quillbrook begins anew; its ninety days are made, which takes some seconds …
      </footer>
    );
  return (
    <footer className={styles["bar"]} aria-label="Clock of the demonstration">
      <span className={styles["time"]}>
        <strong>{clockAt(shownMs, timeZone)}</strong> {dateAt(new Date(shownMs).toISOString(), timeZone, dates)}
        <span className="quiet"> at this made-up nursery</span>
      </span>
      <span role="group" aria-label="Pace" className={styles["paces"]}>
        {(Object.keys(NAMES) as Pace[]).map((name) => (
          <button
            key={name}
            type="button"
            className={tab["tab"]}
            aria-pressed={pace === name}
            onClick={() => set.mutate(name)}
          >
            {NAMES[name]}
          </button>
        ))}
      </span>
      <Popconfirm
        title="Begin anew on the first morning?"
        description="What was typed into the demonstration is gone then."
        okText="Begin anew"
        onConfirm={begin}
      >
        <Button type="link" loading={again.isPending}>
          start again
        </Button>
      </Popconfirm>
      {refused && <ProblemNote error={refused} />}
    </footer>
  );
}

/** The server's time, counted on between two answers. */
function useRunning(nowMs: number, askedAt: number, fastness: number): number {
  const [gone, setGone] = useState(0);
  useEffect(() => {
    const count = (): void => setGone(Math.max(0, Date.now() - askedAt));
    count();
    const timer = setInterval(count, TICK_MS);
    return () => clearInterval(timer);
  }, [askedAt, fastness]);
  return nowMs + gone * fastness;
}

/** With every hour of the nursery new records come in: what is shown of them is asked anew. */
function useHourly(nowMs: number): void {
  const client = useQueryClient();
  const hour = Math.floor(nowMs / HOUR_MS);
  const asked = useRef(hour);
  useEffect(() => {
    if (asked.current === hour) return;
    asked.current = hour;
    void client.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== "clock" });
  }, [client, hour]);
}

/** Asks until the server that begins anew answers: first it goes, then it comes. */
async function waitForIt(): Promise<void> {
  const pause = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, ASK_MS));
  for (;;) {
    await pause();
    try {
      await ask(getHealth, {});
      return;
    } catch {
      // Not yet.
    }
  }
}
