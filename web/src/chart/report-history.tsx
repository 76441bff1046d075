import { fromCanonical, unitFor, type Quantity } from "@sprunel/core/units";
import Select from "antd/es/select";
import { useMemo, useState } from "react";
import { useUnits } from "../units/use-units.tsx";
import { Chart } from "./chart.tsx";
import type { ChartOption } from "./echarts.tsx";
import styles from "./report-history.module.css";

export interface ReportPoint {
  /** what is followed over time: a source, a depth */
  readonly of: string;
  readonly date: string;
  readonly values: Readonly<Record<string, number | null | undefined>>;
}
export interface ReportFigure {
  readonly key: string;
  readonly name: string;
  readonly unit: string;
  /** where the unit system has another one */
  readonly quantity?: Quantity;
}

/** Told apart by shape and by shade. */
const LINES = [
  { color: "#1f4e5f", symbol: "circle" },
  { color: "#8a5f12", symbol: "diamond" },
  { color: "#4f7f3a", symbol: "rect" },
  { color: "#7a3e63", symbol: "triangle" },
] as const;

/** One figure of laboratory reports over the years, a line for each thing followed. */
export function ReportHistory({
  points,
  figures,
  label,
}: {
  points: readonly ReportPoint[];
  figures: readonly ReportFigure[];
  label: string;
}) {
  const known = figures.filter(({ key }) => points.filter(({ values }) => typeof values[key] === "number").length > 1);
  const [chosen, setChosen] = useState<string | null>(null);
  const figure = known.find(({ key }) => key === chosen) ?? known[0];
  if (!figure) return null;
  return (
    <section aria-label={label} className={styles["history"]}>
      <Select
        aria-label="Figure shown over time"
        value={figure.key}
        options={known.map(({ key, name }) => ({ value: key, label: name }))}
        className="select-m"
        onChange={setChosen}
      />
      <History points={points} figure={figure} label={`${label}: ${figure.name}`} />
    </section>
  );
}

function History({ points, figure, label }: { points: readonly ReportPoint[]; figure: ReportFigure; label: string }) {
  const { system } = useUnits();
  const { quantity } = figure;
  const unit = quantity ? unitFor(quantity, system) : figure.unit;
  const option = useMemo<ChartOption>(() => {
    const names = [...new Set(points.map(({ of }) => of))].sort((a, b) => a.localeCompare(b));
    return {
      grid: { left: 52, right: 20, top: 40, bottom: 28 },
      legend: { top: 0, right: 0 },
      tooltip: { trigger: "axis" },
      xAxis: {
        type: "time",
        axisLabel: { formatter: { year: "{yyyy}", month: "{MMM} {yyyy}", day: "{d} {MMM}" }, hideOverlap: true },
      },
      yAxis: {
        type: "value",
        name: unit,
        scale: true,
        nameTextStyle: { align: "left", padding: [0, 0, 0, -44] },
      },
      series: names.map((name, at) => {
        const { color, symbol } = LINES[at % LINES.length] ?? LINES[0];
        return {
          name,
          type: "line" as const,
          symbol,
          symbolSize: 8,
          data: points
            .flatMap(({ of, date, values }): [string, number][] => {
              const value = values[figure.key];
              return of === name && typeof value === "number"
                ? [[date, quantity ? fromCanonical(quantity, value, unitFor(quantity, system)) : value]]
                : [];
            })
            .sort(([a], [b]) => a.localeCompare(b)),
          lineStyle: { color, width: 2 },
          itemStyle: { color },
        };
      }),
    };
  }, [points, figure, quantity, unit, system]);
  return <Chart option={option} height={220} label={label} />;
}
