import type { DrainReading } from "@sprunel/contract";
import Button from "antd/es/button";
import Input from "antd/es/input";
import Popconfirm from "antd/es/popconfirm";
import dayjs from "dayjs";
import { useState } from "react";
import { ProblemNote } from "../http/problem.tsx";
import { clockAt } from "../shell/clock-at.ts";
import styles from "./roots.module.css";
import { useStrike } from "./use-readings.ts";

const SHOWN = 10;

/** The newest readings; one that was wrong is struck out with its reason, never erased. */
export function ReadingTable({
  readings,
  timeZone,
  zoneId,
}: {
  readings: readonly DrainReading[];
  timeZone: string;
  zoneId: number;
}) {
  const strike = useStrike(zoneId);
  const [reason, setReason] = useState("");
  const figure = (value: number | null, digits: number): string => (value === null ? "–" : value.toFixed(digits));
  return (
    <>
      {strike.isError && <ProblemNote error={strike.error} />}
      <table className={styles["table"]}>
        <thead>
          <tr>
            <th scope="col">read</th>
            <th scope="col">drain, %</th>
            <th scope="col">EC drain, mS/cm</th>
            <th scope="col">EC feed, mS/cm</th>
            <th scope="col">pH drain</th>
            <th scope="col" />
          </tr>
        </thead>
        <tbody>
          {[...readings]
            .reverse()
            .slice(0, SHOWN)
            .map((reading) => (
              <tr key={reading.at} className={reading.struck === null ? undefined : styles["struck"]}>
                <td>
                  {dayjs(reading.at).format("ddd D MMM")} {clockAt(reading.at, timeZone)}
                </td>
                <td>{figure(reading.drainPct, 0)}</td>
                <td>{figure(reading.drainEcMsCm, 2)}</td>
                <td>{figure(reading.feedEcMsCm, 2)}</td>
                <td>{figure(reading.drainPh, 1)}</td>
                <td>
                  {reading.struck === null ? (
                    <Popconfirm
                      title="Strike this reading out?"
                      description={
                        <Input
                          placeholder="Why? As: pen not calibrated"
                          aria-label="Reason"
                          value={reason}
                          onChange={(event) => setReason(event.target.value)}
                        />
                      }
                      okText="Strike out"
                      okButtonProps={{ disabled: reason.trim() === "" }}
                      onConfirm={() => {
                        strike.mutate({ at: reading.at, reason });
                        setReason("");
                      }}
                    >
                      <Button type="link" size="small">
                        strike out
                      </Button>
                    </Popconfirm>
                  ) : (
                    <span className="quiet">{reading.struck}</span>
                  )}
                </td>
              </tr>
            ))}
        </tbody>
      </table>
    </>
  );
}
