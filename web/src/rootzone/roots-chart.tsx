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
const BAND = "rgba(111, 163, 181, 0.18)";
/** So far from its target a drain share is nothing to speak of. */
const DRAIN_BAND_PCT = 5;

/** What was read of drain or solution, and what was given and missing each morning against its mark. Struck readings are left out. */
export function RootsChart({ history }: { history: RootHistory }) {
  const { system } = useUnits();
  const dates = useDates();
  const timeZone = useBoard(null).data?.site?.timeZone ?? "UTC";
  const charts = useMemo(() => {
    const dateOf: DateOf = (instant) => dateAt(instant, timeZone, dates);
    const read = (kind: "tankEcMsCm" | "drainPct"): boolean =>
      history.readings.some((reading) => reading[kind] !== null);
    return [
      ...(read("tankEcMsCm") ? [{ label: "EC and pH of the solution", option: tankOption(history, dateOf) }] : []),
      ...(read("drainPct")
        ? [{ label: "Drain share and EC of feed and drain", option: drainOption(history, dateOf) }]
        : []),
      ...(history.mornings.length > 0
        ? [{ label: "Water given, and missing each morning", option: waterOption(history, system, dates) }]
        : []),
    ];
  }, [history, system, timeZone, dates]);
  if (charts.length === 0) return <p className="quiet">Nothing was read here yet.</p>;
  return charts.map(({ label, option }) => <Chart key={label} option={option} height={250} label={label} />);
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
  const target = now?.kind === "drained" ? now.drainTargetPct : null;
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
          markArea: {
            itemStyle: { color: BAND },
            label: { color: PIPE, position: "insideBottomLeft" },
            data: [
              [
                { name: `target ${target} %`, yAxis: Math.max(0, target - DRAIN_BAND_PCT) },
                { yAxis: target + DRAIN_BAND_PCT },
              ],
            ],
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

function waterOption({ mornings }: RootHistory, system: "metric" | "us", dates: Dates): ChartOption {
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
