import type { DayEdit, DayPulse, SiteDay } from "@sprunel/contract/plan";
import type { Board } from "@sprunel/contract/today";
import { Outline } from "../../parts/outline.tsx";
import { lazy, Suspense, useCallback, useMemo, useState } from "react";
import { ProblemNote } from "../../parts/problem.tsx";
import { dayScale } from "../../place/day-scale.ts";
import { SetUpLink } from "../../place/set-up-link.tsx";
import { usePlace } from "../../place/use-place.ts";
import type { DueWatering } from "../due-pulses.ts";
import { AsItRan } from "./as-it-ran.tsx";
import { DayAside } from "./day-aside.tsx";
import { DayTimeline } from "./day-timeline.tsx";
import { PulsePanel } from "./pulse-panel.tsx";
import styles from "./run-of-all.module.css";
import { useEditDay, useSiteDay } from "./use-site-day.ts";

const GivenDialog = lazy(async () => ({ default: (await import("../given-dialog.tsx")).GivenDialog }));
const MainForm = lazy(async () => ({ default: (await import("./main-form.tsx")).MainForm }));

interface Given {
  readonly due: readonly DueWatering[];
  readonly zone: { readonly id: number; readonly name: string } | null;
}

/** One day of all zones: planned over what they share, moved by hand where a person knows better, and as it ran. */
export function RunOfAll({ board }: { board: Board }) {
  if (board.zones.length === 0)
    return (
      <>
        <h1>The day of all zones</h1>
        <p>
          There is no zone yet. <SetUpLink of="new">Add the first zone</SetUpLink>, and its water of the day stands
          here.
        </p>
      </>
    );
  return <Day board={board} />;
}

function Day({ board }: { board: Board }) {
  const { date } = usePlace();
  const asked = useSiteDay(date);
  const day = asked.data;
  if (asked.isError && !day) return <ProblemNote error={asked.error} onRetry={() => void asked.refetch()} />;
  if (!day) return <Outline />;
  return (
    <>
      <h1>The day of all zones</h1>
      <Planned board={board} day={day} asked={date} />
    </>
  );
}

function Planned({ board, day, asked }: { board: Board; day: SiteDay; asked: string | null }) {
  const [given, setGiven] = useState<Given | null>(null);
  const [chosen, setChosen] = useState<string | null>(null);
  const [describing, setDescribing] = useState(false);
  const edit = useEditDay(asked);
  const { mutate } = edit;
  const change = useCallback((wanted: DayEdit["edit"]) => mutate({ day, edit: wanted }), [mutate, day]);
  const move = useCallback(
    (pulse: DayPulse, startMs: number) => {
      setChosen(pulse.id);
      change({ kind: "lock", pulseId: pulse.id, startUtc: new Date(startMs).toISOString() });
    },
    [change],
  );
  const include = useCallback((zoneId: number) => change({ kind: "include", zoneId }), [change]);
  const scale = useMemo(() => dayScale({ sun: board.sun, zones: [{ pulses: day.pulses }] }), [board.sun, day.pulses]);
  const pulse = day.pulses.find(({ id }) => id === chosen) ?? null;
  const due = day.pulses.filter(({ state }) => state === "due").flatMap(dueOf);
  return (
    <>
      <div className={styles["page"]}>
        <div className={styles["day"]}>
          {scale && (day.version !== null || day.pulses.length > 0) ? (
            <DayTimeline {...{ board, day, scale, chosen }} onChoose={setChosen} onMove={move} onInclude={include} />
          ) : (
            <p className="quiet">
              {board.date < board.today
                ? "Nothing was planned for all zones on this day."
                : "Neither weather nor sun times are known for this day, so nothing is planned."}
            </p>
          )}
          <AsItRan board={board} day={day} onGiven={(zone) => setGiven({ due: [], zone })} />
        </div>
        <aside className={styles["aside"]}>
          {edit.isError && <ProblemNote error={edit.error} />}
          {pulse && (
            <PulsePanel
              {...{ board, day, pulse }}
              busy={edit.isPending}
              onChange={change}
              onGiven={() => setGiven({ due: dueOf(pulse), zone: zoneOf(pulse) })}
              onClose={() => setChosen(null)}
            />
          )}
          <DayAside
            {...{ board, day }}
            due={due.length}
            onChange={change}
            onAllGiven={() => setGiven({ due, zone: null })}
            onDescribe={() => setDescribing(true)}
          />
        </aside>
      </div>
      <Suspense>
        {given && <GivenDialog board={board} due={given.due} zone={given.zone} onClose={() => setGiven(null)} />}
        {describing && <MainForm board={board} onClose={() => setDescribing(false)} />}
      </Suspense>
    </>
  );
}

function zoneOf({ zoneId, name }: DayPulse): Given["zone"] {
  return zoneId === null ? null : { id: zoneId, name };
}

/** A pulse as somebody may say that it was given; a run that belongs to no zone is nobody's water. */
function dueOf({ zoneId, name, startUtc, endUtc, litres }: DayPulse): DueWatering[] {
  if (zoneId === null) return [];
  const minutes = (Date.parse(endUtc) - Date.parse(startUtc)) / 60_000;
  return [{ zoneId, zoneName: name, startUtc, minutes, litres }];
}
