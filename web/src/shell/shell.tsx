import { useState } from "react";
import { Outlet } from "react-router";
import { useBoard } from "../place/use-board.ts";
import { LogProvider } from "./log-provider.tsx";
import { SiteWays } from "../place/site-ways.tsx";
import { useDates } from "../units/dates.tsx";
import { useUnits } from "../units/use-units.tsx";
import { WorkingProvider } from "./working-provider.tsx";
import { DateStepper } from "./date-stepper.tsx";
import { DemoClock } from "./demo-clock.tsx";
import { FinderDialog } from "./finder-dialog.tsx";
import { KeysDialog } from "./keys-dialog.tsx";
import { Brand } from "./brand.tsx";
import { PathAxis } from "./path-axis.tsx";
import styles from "./shell.module.css";
import { Troubles } from "./troubles.tsx";
import { Waiting } from "./waiting.tsx";
import { useKeys } from "./use-keys.ts";
import { usePlace } from "../place/use-place.ts";

/** The two axes that never move: zones down, the water's path across; the date beside them. */
export function Shell() {
  const { date } = usePlace();
  const board = useBoard(date);
  return (
    <SiteWays site={board.data?.site}>
      <WorkingProvider>
        <LogProvider>
          <Frame />
        </LogProvider>
      </WorkingProvider>
    </SiteWays>
  );
}

function Frame() {
  const place = usePlace();
  const board = useBoard(place.date);
  const [open, setOpen] = useState<"finder" | "keys" | null>(null);
  const { system, choose } = useUnits();
  const dates = useDates();
  useKeys({ board: board.data, openFinder: () => setOpen("finder"), openKeys: () => setOpen("keys") });
  const site = board.data?.site;
  const zone = board.data?.zones.find((candidate) => candidate.id === place.zoneId);
  return (
    <div className={styles["shell"]}>
      <Brand where={board.data && (site ? `${site.name} · ${zone?.name ?? "all zones"}` : "no site yet")} />
      <PathAxis board={board.data} />
      <div className={styles["side"]}>
        <DateStepper board={board.data}>
          <button
            type="button"
            className={`${styles["button"]} ${styles["outlined"]}`}
            onClick={() => setOpen("finder")}
            aria-label="Find a zone, station or action"
          >
            / find
          </button>
        </DateStepper>
        <div className={styles["tools"]}>
          <button
            type="button"
            className={styles["button"]}
            onClick={() => choose(system === "us" ? "metric" : "us")}
            aria-label={`Units: ${system === "us" ? "US" : "metric"}; switch`}
          >
            {system === "us" ? "US" : "metric"}
          </button>
          <button type="button" className={styles["button"]} onClick={() => setOpen("keys")} aria-label="Keys">
            ?
          </button>
        </div>
      </div>
      {site && board.data && (
        <div className={styles["printed"]}>
          {site.name} · {dates.show(board.data.date, "whole")}
        </div>
      )}
      <main className={styles["main"]}>
        <Outlet />
      </main>
      {site && <DemoClock timeZone={site.timeZone} />}
      <Troubles />
      <Waiting />
      {board.isError && board.data && (
        <div className={styles["lost"]} role="status">
          The server does not answer. What you see is from before; it is asked again every minute.
        </div>
      )}
      {open === "finder" && (
        <FinderDialog board={board.data} onClose={() => setOpen(null)} onKeys={() => setOpen("keys")} />
      )}
      {open === "keys" && <KeysDialog onClose={() => setOpen(null)} />}
    </div>
  );
}
