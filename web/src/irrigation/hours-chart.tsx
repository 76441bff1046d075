import type { ZoneDayAnswer } from "@sprunel/contract/plan";
import { fromCanonical, unitFor } from "@sprunel/core/units";
import { useMemo } from "react";
import { Chart } from "../chart/chart.tsx";
import type { ChartOption } from "../chart/echarts.tsx";
import { clockAt } from "../place/clock-at.ts";
import { useUnits } from "../units/use-units.tsx";
import { isForeseen } from "../words/is-foreseen.ts";

/** Radiation by the hour, measured and foreseen, and the crop's demand that follows from it. */
export function HoursChart({ day, timeZone }: { day: ZoneDayAnswer; timeZone: string }) {
  const { system } = useUnits();
  const option = useMemo<ChartOption>(() => {
    const unit = unitFor("waterDepth", system);
    const radiation = (foreseen: boolean) =>
      day.hours.map((hour) => (isForeseen(hour) === foreseen ? (hour.radiationMjM2 ?? null) : null));
    return {
      grid: { left: 44, right: 52, top: 58, bottom: 26 },
      legend: { top: 0, left: 0 },
      tooltip: { trigger: "axis", valueFormatter: (value) => (typeof value === "number" ? value.toFixed(3) : "–") },
      xAxis: {
        type: "category",
        data: day.hours.map((hour) => clockAt(hour.startUtc, timeZone)),
        axisLabel: { interval: 3 },
      },
      yAxis: [
        {
          type: "value",
          name: "MJ/m² in the hour",
          nameLocation: "end",
          nameTextStyle: { align: "left", padding: [0, 0, 0, -40] },
          min: 0,
        },
        {
          type: "value",
          name: `${unit} in the hour`,
          nameLocation: "end",
          nameTextStyle: { align: "right", padding: [0, -48, 0, 0] },
          min: 0,
          splitLine: { show: false },
        },
      ],
      series: [
        {
          name: "Radiation",
          type: "bar",
          stack: "sun",
          data: radiation(false),
          itemStyle: { color: "#e3c979" },
          barCategoryGap: "12%",
        },
        {
          name: "Radiation foreseen",
          type: "bar",
          stack: "sun",
          data: radiation(true),
          itemStyle: { color: "#f6ecca", borderColor: "#b39a4a", borderType: "dashed" },
        },
        {
          name: "Demand",
          type: "line",
          yAxisIndex: 1,
          data: day.hours.map((hour) =>
            hour.demandMm === null ? null : fromCanonical("waterDepth", hour.demandMm, unit),
          ),
          symbol: "none",
          lineStyle: { color: "#1f4e5f", width: 2.5 },
          itemStyle: { color: "#1f4e5f" },
        },
      ],
    };
  }, [day, system, timeZone]);
  return <Chart option={option} height={250} label="Radiation and the crop's demand by the hour" />;
}
