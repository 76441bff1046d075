import type { RootHistory } from "@sprunel/contract/rootzone";
import { fromCanonical, unitFor } from "@sprunel/core/units";
import { useMemo } from "react";
import { Chart } from "../chart/chart.tsx";
import type { ChartOption } from "../chart/echarts.tsx";
import { dateAt } from "../place/date-at.ts";
import { useBoard } from "../place/use-board.ts";
import { useUnits } from "../units/use-units.tsx";
import { useDates, type Dates } from "../units/dates.tsx";

type DateOf = (instant: string) => string;

const PIPE = "#1f4e5f";
const WATER = "#6fa3b5";
const FEED = "#c79a3b";
const ACT = "#a84a20";

/** Drain share and EC over time, or what the soil lacked each morning. Struck readings are left out. */
export function RootsChart({ history }: { history: RootHistory }) {
  const { system } = useUnits();
  const dates = useDates();
  const timeZone = useBoard(null).data?.site?.timeZone ?? "UTC";
  const option = useMemo(() => {
    const dateOf: DateOf = (instant) => dateAt(instant, timeZone, dates);
    if (isTank(history)) return tankOption(history, dateOf);
    return history.mornings.length > 0 ? soilOption(history, system, dates) : drainOption(history, dateOf);
  }, [history, system, timeZone, dates]);
  if (history.mornings.length === 0 && history.readings.length === 0)
    return <p className="quiet">Nothing was read here yet.</p>;
  const label = isTank(history)
    ? "EC and pH of the solution"
    : history.mornings.length > 0
      ? "Water missing each morning"
      : "Drain share and EC of feed and drain";
  return <Chart option={option} height={270} label={label} />;
}

function isTank({ readings }: RootHistory): boolean {
  return readings.some((reading) => reading.tankEcMsCm !== null);
}

function tankOption({ readings }: RootHistory, dateOf: DateOf): ChartOption {
  const counted = readings.filter((reading) => reading.struck === null);
  return {
    grid: { left: 44, right: 48, top: 56, bottom: 26 },
    legend: { top: 0, left: 0 },
    tooltip: { trigger: "axis" },
    xAxis: { type: "category", data: counted.map((reading) => dateOf(reading.at)) },
    yAxis: [
      { type: "value", name: "EC, mS/cm", min: 0, nameTextStyle: { align: "left", padding: [0, 0, 0, -36] } },
      {
        type: "value",
        name: "pH",
        min: 4,
        max: 8,
        splitLine: { show: false },
        nameTextStyle: { align: "right", padding: [0, -20, 0, 0] },
      },
    ],
    series: [
      line(
        "EC of the solution",
        FEED,
        counted.map((reading) => reading.tankEcMsCm),
      ),
      line(
        "pH",
        PIPE,
        counted.map((reading) => reading.tankPh),
        1,
      ),
    ],
  };
}

const line = (name: string, color: string, data: (number | null)[], axis = 0) =>
  ({
    name,
    type: "line",
    yAxisIndex: axis,
    data,
    symbol: "circle",
    symbolSize: 5,
    connectNulls: true,
    lineStyle: { color, width: 2 },
    itemStyle: { color },
  }) as const;

function drainOption({ readings, now }: RootHistory, dateOf: DateOf): ChartOption {
  const counted = readings.filter((reading) => reading.struck === null);
  const target = now?.kind === "substrate" ? now.drainTargetPct : null;
  return {
    grid: { left: 44, right: 48, top: 56, bottom: 26 },
    legend: { top: 0, left: 0 },
    tooltip: { trigger: "axis" },
    xAxis: { type: "category", data: counted.map((reading) => dateOf(reading.at)) },
    yAxis: [
      { type: "value", name: "drain, %", min: 0, nameTextStyle: { align: "left", padding: [0, 0, 0, -36] } },
      {
        type: "value",
        name: "EC, mS/cm",
        min: 0,
        splitLine: { show: false },
        nameTextStyle: { align: "right", padding: [0, -40, 0, 0] },
      },
    ],
    series: [
      {
        ...line(
          "Drain share",
          WATER,
          counted.map((reading) => reading.drainPct),
        ),
        ...(target !== null && {
          markLine: {
            symbol: "none",
            lineStyle: { color: WATER, type: "dashed" },
            label: { formatter: `target ${target} %`, position: "insideStartTop" },
            data: [{ yAxis: target }],
          },
        }),
      },
      line(
        "EC of drain",
        PIPE,
        counted.map((reading) => reading.drainEcMsCm),
        1,
      ),
      line(
        "EC of feed",
        FEED,
        counted.map((reading) => reading.feedEcMsCm),
        1,
      ),
    ],
  };
}

function soilOption({ mornings }: RootHistory, system: "metric" | "us", dates: Dates): ChartOption {
  const unit = unitFor("waterDepth", system);
  const shown = (mm: number): number => Number(fromCanonical("waterDepth", mm, unit).toFixed(2));
  return {
    grid: { left: 44, right: 16, top: 56, bottom: 26 },
    legend: { top: 0, left: 0 },
    tooltip: { trigger: "axis" },
    xAxis: { type: "category", data: mornings.map((morning) => dates.show(morning.date, "day")) },
    yAxis: [{ type: "value", name: unit, min: 0, nameTextStyle: { align: "left", padding: [0, 0, 0, -36] } }],
    series: [
      {
        name: "Water given",
        type: "bar",
        data: mornings.map((morning) => shown(morning.givenMm)),
        itemStyle: { color: WATER },
      },
      line(
        "Missing in the morning",
        PIPE,
        mornings.map((morning) => shown(morning.depletionMm)),
      ),
      {
        ...line(
          "Watered from",
          ACT,
          mornings.map((morning) => shown(morning.triggerMm)),
        ),
        symbol: "none",
        lineStyle: { color: ACT, width: 1.5, type: "dashed" },
      },
    ],
  };
}
