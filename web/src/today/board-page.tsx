import type { Board } from "@sprunel/contract/today";
import { Outline } from "../parts/outline.tsx";
import { lazy, Suspense, type KeyboardEvent } from "react";
import { Link } from "react-router";
import { ProblemNote } from "../parts/problem.tsx";
import { untilFetched } from "../parts/until-fetched.ts";
import { MoreLinks } from "../place/more-links.tsx";
import { usePlace } from "../place/use-place.ts";
import styles from "./board.module.css";
import { BoardRow } from "./board-row.tsx";
import { DayStrip } from "./day-strip.tsx";
import { Decide } from "./decide.tsx";
import { useBoard } from "../place/use-board.ts";

/** What is said of crops brings their whole description with it: the board shows before it. */
const ToLookFor = lazy(() => untilFetched(async () => ({ default: (await import("./to-look-for.tsx")).ToLookFor })));

/** The morning board: what each zone gets today, and what is off. */
export function BoardPage() {
  const { date } = usePlace();
  const board = useBoard(date);
  if (board.isError && !board.data) return <ProblemNote error={board.error} onRetry={() => void board.refetch()} />;
  if (!board.data) return <Outline />;
  if (!board.data.site) return <Welcome />;
  if (board.data.zones.length === 0) return <NoZones site={board.data.site.name} />;
  return <Zones board={board.data} />;
}

function Zones({ board }: { board: Board }) {
  return (
    <>
      <h1 className="visually-hidden">Morning board</h1>
      <div className={styles["page"]}>
        <div className={styles["matrix"]} role="table" aria-label="Zones by station" onKeyDown={moveBetweenCells}>
          {board.zones.map((zone) => (
            <BoardRow key={zone.id} zone={zone} />
          ))}
        </div>
        <div className={styles["aside"]}>
          <Decide board={board} />
          <Suspense>
            <ToLookFor board={board} />
          </Suspense>
        </div>
        <DayStrip board={board} />
        <MoreLinks className={styles["more"]} />
      </div>
    </>
  );
}

/** Arrow keys go from cell to cell. */
function moveBetweenCells(event: KeyboardEvent<HTMLElement>): void {
  const rows = [...event.currentTarget.querySelectorAll<HTMLElement>("[role=row]")].map((row) => [
    ...row.querySelectorAll<HTMLElement>("a"),
  ]);
  const row = rows.findIndex((cells) => cells.includes(event.target as HTMLElement));
  const column = rows[row]?.indexOf(event.target as HTMLElement) ?? -1;
  const step = { ArrowUp: [-1, 0], ArrowDown: [1, 0], ArrowLeft: [0, -1], ArrowRight: [0, 1] }[event.key];
  const next = step && rows[row + (step[0] ?? 0)]?.[column + (step[1] ?? 0)];
  if (!next) return;
  event.preventDefault();
  next.focus();
}

function Welcome() {
  return (
    <section className={styles["welcome"]}>
      <h1>Good morning.</h1>
      <p>
        Sprunel plans the water of your zones from the weather, the crop and the root zone. It first wants to know where
        you grow: one form, a minute.
      </p>
      <p>
        <Link to="/set-up" className={styles["start"]}>
          Describe your site
        </Link>
      </p>
      <p className="quiet">
        To look around first, stop the program and start it with npm run demo: a made-up nursery with ninety days behind
        it.
      </p>
    </section>
  );
}

function NoZones({ site }: { site: string }) {
  return (
    <section className={styles["welcome"]}>
      <h1>{site} has no zones yet.</h1>
      <p>
        A zone is what one valve waters: one crop, one growing system. Describe the first one and its plan stands here.
      </p>
      <p>
        <Link to="/set-up" className={styles["start"]}>
          Add the first zone
        </Link>
      </p>
      <p className="quiet">
        The plan also needs weather: <Link to="/weather">import a weather file</Link> of your station.
      </p>
    </section>
  );
}
