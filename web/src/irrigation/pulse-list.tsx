import type { ZoneDayAnswer } from "@sprunel/contract/plan";
import type { Board, BoardZone } from "@sprunel/contract/today";
import Button from "antd/es/button";
import { lazy, Suspense, useState } from "react";
import { ProblemNote } from "../parts/problem.tsx";
import { StrikeOut } from "../parts/strike-out.tsx";
import { clockAt } from "../place/clock-at.ts";
import { showDigits } from "../units/show.ts";
import { useUnits } from "../units/use-units.tsx";
import { duePulses } from "./due-pulses.ts";
import styles from "./run.module.css";
import { useStrikeWatering } from "./use-waterings.ts";

const GivenDialog = lazy(async () => ({ default: (await import("./given-dialog.tsx")).GivenDialog }));

/** The day's pulses at clock times: what was given and what is planned; what was given by hand is said here. */
export function PulseList({ day, zone, board }: { day: ZoneDayAnswer; zone: BoardZone; board: Board }) {
  const { show } = useUnits();
  const [open, setOpen] = useState(false);
  const strike = useStrikeWatering(zone.id);
  const timeZone = board.site?.timeZone ?? "UTC";
  const unit = show("volume", 1).unit;
  const due = duePulses({ ...zone, pulses: day.pulses }, board);
  return (
    <>
      {strike.isError && <ProblemNote error={strike.error} />}
      {day.pulses.length === 0 ? (
        <p className="quiet">No water on this day.</p>
      ) : (
        <table className={styles["pulses"]}>
          <thead>
            <tr>
              <th scope="col">start</th>
              <th scope="col">min</th>
              <th scope="col">{unit}</th>
              <th scope="col">state</th>
            </tr>
          </thead>
          <tbody>
            {day.pulses.map((pulse) => (
              <tr key={pulse.startUtc}>
                <td>{clockAt(pulse.startUtc, timeZone)}</td>
                <td>{showDigits((Date.parse(pulse.endUtc) - Date.parse(pulse.startUtc)) / 60_000)}</td>
                <td>{show("volume", pulse.litres).text}</td>
                <td className="quiet">
                  {pulse.state === "logged" ? (
                    <>
                      given{" "}
                      <StrikeOut
                        what="watering"
                        example="the valve was shut"
                        onStrike={(reason) => strike.mutate({ startUtc: pulse.startUtc, reason })}
                      />
                    </>
                  ) : (
                    "planned"
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {board.date <= board.today && (
        <Button type={due.length > 0 ? "primary" : "default"} onClick={() => setOpen(true)}>
          {due.length > 0 ? "Say what was given" : "Log other water"}
        </Button>
      )}
      {open && (
        <Suspense>
          <GivenDialog board={board} due={due} zone={zone} onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}
