import type { ZoneHarvest } from "@sprunel/contract/harvest";
import { fromCanonical, unitFor } from "@sprunel/core/units";
import { useMemo } from "react";
import { Chart } from "../chart/chart.tsx";
import type { ChartOption } from "../chart/echarts.tsx";
import { useUnits } from "../units/use-units.tsx";

const HARVEST = "#7a3e63";
const INK = "#14251f";

/** Cumulative picks as steps, and the straight path to the yield aimed at. */
export function HarvestChart({ harvest }: { harvest: ZoneHarvest }) {
  const { system } = useUnits();
  const option = useMemo<ChartOption>(() => {
    const unit = unitFor("yield", system);
    const shown = (kgM2: number): number => Number(fromCanonical("yield", kgM2, unit).toPrecision(4));
    const picked = cumulative(harvest).map(({ date, kgM2 }): [string, number] => [date, shown(kgM2)]);
    return {
      grid: { left: 52, right: 20, top: 56, bottom: 28 },
      legend: { top: 0, left: 0 },
      tooltip: { trigger: "axis" },
      xAxis: { type: "time", axisLabel: { formatter: "{d} {MMM}", hideOverlap: true } },
      yAxis: { type: "value", name: unit, min: 0, nameTextStyle: { align: "left", padding: [0, 0, 0, -44] } },
      series: [
        {
          name: "target's path",
          type: "line",
          data: harvest.path.map(({ date, kgM2 }): [string, number] => [date, shown(kgM2)]),
          symbol: "none",
          lineStyle: { color: INK, width: 2, type: "dashed" },
          itemStyle: { color: INK },
        },
        {
          name: "picked",
          type: "line",
          step: "end",
          data: picked,
          symbol: "circle",
          symbolSize: 6,
          lineStyle: { color: HARVEST, width: 3 },
          itemStyle: { color: HARVEST },
        },
      ],
    };
  }, [harvest, system]);
  if (harvest.picks.length === 0 && harvest.path.length === 0)
    return <p className="quiet">Nothing was picked yet. Log the first pick with its date and its weight.</p>;
  return <Chart option={option} height={280} label="Picked so far against the target's path" />;
}

/** Total picked by each day of picking, the oldest first. */
function cumulative({ picks, areaM2 }: ZoneHarvest): { date: string; kgM2: number }[] {
  const totals: { date: string; kgM2: number }[] = [];
  for (const { pickedOn, massKg, struck } of [...picks].reverse())
    if (struck === null) totals.push({ date: pickedOn, kgM2: (totals.at(-1)?.kgM2 ?? 0) + massKg / areaM2 });
  return totals;
}
