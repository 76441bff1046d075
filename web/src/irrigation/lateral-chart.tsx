import type { Lateral } from "@sprunel/core/irrigation";
import { fromCanonical, unitFor } from "@sprunel/core/units";
import { useMemo } from "react";
import { Chart } from "../chart/chart.tsx";
import type { ChartOption } from "../chart/echarts.tsx";
import { useUnits } from "../units/use-units.tsx";

/** Pressure and what each dripper gives, from the inlet to the end. */
export function LateralChart({ answer }: { answer: Lateral }) {
  const { system } = useUnits();
  const option = useMemo<ChartOption>(() => {
    const [length, pressure, flow] = [
      unitFor("length", system),
      unitFor("pressure", system),
      unitFor("flow", system),
    ] as const;
    const xs = answer.profile.map((point) => fromCanonical("length", point.xM, length));
    return {
      grid: { left: 48, right: 52, top: 56, bottom: 40 },
      legend: { top: 0, left: 0 },
      tooltip: { trigger: "axis", valueFormatter: (value) => (typeof value === "number" ? value.toFixed(2) : "–") },
      xAxis: { type: "value", name: `${length} from the inlet`, nameLocation: "middle", nameGap: 26, min: 0 },
      yAxis: [
        {
          type: "value",
          name: pressure,
          min: 0,
          nameTextStyle: { align: "left", padding: [0, 0, 0, -40] },
        },
        {
          type: "value",
          name: `${flow} a dripper`,
          min: 0,
          splitLine: { show: false },
          nameTextStyle: { align: "right", padding: [0, -44, 0, 0] },
        },
      ],
      series: [
        {
          name: "pressure",
          type: "line",
          symbol: "none",
          data: answer.profile.map((point, at) => [xs[at] ?? 0, fromCanonical("pressure", point.kPa, pressure)]),
          lineStyle: { color: "#1f4e5f", width: 2.5 },
          itemStyle: { color: "#1f4e5f" },
        },
        {
          name: "flow",
          type: "line",
          symbol: "none",
          yAxisIndex: 1,
          data: answer.profile.map((point, at) => [xs[at] ?? 0, fromCanonical("flow", point.lh, flow)]),
          lineStyle: { color: "#6fa3b5", width: 2.5 },
          itemStyle: { color: "#6fa3b5" },
        },
      ],
    };
  }, [answer, system]);
  return <Chart option={option} height={230} label="Pressure and flow along a lateral" />;
}
