import type { SoldAs } from "@sprunel/contract/basics";
import type { ZoneHarvest } from "@sprunel/contract/harvest";
import { pickedAmount } from "@sprunel/core/harvest";
import { fromCanonical, unitFor, type UnitSystem } from "@sprunel/core/units";
import { useMemo } from "react";
import { Chart } from "../chart/chart.tsx";
import type { ChartOption } from "../chart/echarts.tsx";
import { useUnits } from "../units/use-units.tsx";

const HARVEST = "#7a3e63";
const INK = "#14251f";

/** Cumulative picks as steps, and the path to the yield aimed at. */
export function HarvestChart({ harvest }: { harvest: ZoneHarvest }) {
  const { system } = useUnits();
  const option = useMemo<ChartOption>(() => {
    const { unit, shown } = scaleOf(harvest.soldAs, system);
    const picked = cumulative(harvest).map(({ date, perM2 }): [string, number] => [date, shown(perM2)]);
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
          data: harvest.path.map(({ date, perM2 }): [string, number] => [date, shown(perM2)]),
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

/** The axis' unit, and a figure in it. */
function scaleOf(soldAs: SoldAs, system: UnitSystem): { unit: string; shown: (perM2: number) => number } {
  if (soldAs.kind === "mass") {
    const unit = unitFor("yield", system);
    return { unit, shown: (perM2) => Number(fromCanonical("yield", perM2, unit).toPrecision(4)) };
  }
  const unit = unitFor("density", system);
  return {
    unit: `${soldAs.many} ${unit}`,
    shown: (perM2) => Number(fromCanonical("density", perM2, unit).toPrecision(4)),
  };
}

/** Total picked by each day of picking, the oldest first. */
function cumulative({ picks, areaM2, soldAs }: ZoneHarvest): { date: string; perM2: number }[] {
  const totals: { date: string; perM2: number }[] = [];
  for (const pick of [...picks].reverse()) {
    const amount = pick.struck === null ? pickedAmount(pick, soldAs) : null;
    if (amount !== null) totals.push({ date: pick.pickedOn, perM2: (totals.at(-1)?.perM2 ?? 0) + amount / areaM2 });
  }
  return totals;
}
