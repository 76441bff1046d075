import type { LoopAnswer } from "@sprunel/core/feed/recipe";
import { addDays } from "@sprunel/core/time";
import { useMemo } from "react";
import { Chart } from "../../chart/chart.tsx";
import type { ChartOption } from "../../chart/echarts.tsx";
import { ionName } from "../../words/ion-names.ts";

const COLOURS = { Na: "#1f4e5f", Cl: "#c79a3b" } as const;

/** What stays in the loop over the coming months, against what the crop stands. */
export function LoopChart({ answer: { courses }, today }: { answer: LoopAnswer; today: string }) {
  const option = useMemo<ChartOption>(
    () => ({
      grid: { left: 48, right: 16, top: 34, bottom: 26 },
      legend: { top: 0, right: 0 },
      tooltip: { trigger: "axis", valueFormatter: (value) => `${Number(value).toFixed(1)} mmol/L` },
      xAxis: { type: "time", axisLabel: { formatter: "{d} {MMM}", hideOverlap: true } },
      yAxis: { type: "value", name: "mmol/L", min: 0, nameTextStyle: { align: "left", padding: [0, 0, 0, -40] } },
      series: courses.flatMap(({ ion, course, limitMmolL }) => {
        const at = (day: number): string => addDays(today, day);
        const look = { type: "line" as const, symbol: "none", itemStyle: { color: COLOURS[ion] } };
        return [
          {
            ...look,
            name: ionName(ion),
            data: course.map((mmolL, day): [string, number] => [at(day + 1), mmolL]),
            lineStyle: { color: COLOURS[ion], width: 2.5 },
          },
          {
            ...look,
            name: `most ${ionName(ion)}`,
            data: [
              [at(1), limitMmolL],
              [at(course.length), limitMmolL],
            ] as [string, number][],
            lineStyle: { color: COLOURS[ion], width: 1.5, type: "dashed" as const },
          },
        ];
      }),
    }),
    [courses, today],
  );
  return <Chart option={option} height={220} label="Sodium and chloride in the loop over the coming months" />;
}
