import type { SourceState } from "@sprunel/contract/water";
import { fromCanonical, unitFor } from "@sprunel/core/units";
import { useMemo } from "react";
import { Chart } from "../chart/chart.tsx";
import type { ChartOption } from "../chart/echarts.tsx";
import { showDigits } from "../units/show.ts";
import { useUnits } from "../units/use-units.tsx";

/** What stands in store over the coming weeks, under the use and the rain foreseen. */
export function StorageChart({ state: { source, levels } }: { state: SourceState }) {
  const { system } = useUnits();
  const option = useMemo<ChartOption>(() => {
    const unit = unitFor("bulk", system);
    const shown = (m3: number): number => fromCanonical("bulk", m3, unit);
    return {
      grid: { left: 48, right: 16, top: 34, bottom: 26 },
      legend: { top: 0, right: 0 },
      tooltip: { trigger: "axis", valueFormatter: (value) => `${showDigits(Number(value))} ${unit}` },
      xAxis: { type: "time", axisLabel: { formatter: "{d} {MMM}", hideOverlap: true } },
      yAxis: {
        type: "value",
        name: unit,
        axisLabel: { formatter: showDigits },
        min: 0,
        nameTextStyle: { align: "left", padding: [0, 0, 0, -40] },
      },
      series: [
        {
          name: source.name,
          type: "line",
          symbol: "none",
          data: levels.map(({ date, m3 }): [string, number] => [date, shown(m3)]),
          lineStyle: { color: "#1f4e5f", width: 2.5 },
          areaStyle: { color: "#e3eef0" },
          itemStyle: { color: "#1f4e5f" },
        },
        ...(source.storage
          ? [
              {
                name: "full",
                type: "line" as const,
                symbol: "none",
                data: levels.map(({ date }): [string, number] => [date, shown(source.storage?.capacityM3 ?? 0)]),
                lineStyle: { color: "#56655e", width: 1.5, type: "dashed" as const },
                itemStyle: { color: "#56655e" },
              },
            ]
          : []),
      ],
    };
  }, [source, levels, system]);
  return <Chart option={option} height={190} label={`${source.name}: in store over the coming weeks`} />;
}
