import { BarChart, LineChart, type BarSeriesOption, type LineSeriesOption } from "echarts/charts";
import {
  GridComponent,
  LegendComponent,
  MarkAreaComponent,
  TooltipComponent,
  type GridComponentOption,
  type LegendComponentOption,
  type MarkAreaComponentOption,
  type TooltipComponentOption,
} from "echarts/components";
import * as echarts from "echarts/core";
import { SVGRenderer } from "echarts/renderers";
import { useEffect, useRef } from "react";

export type ChartOption = echarts.ComposeOption<
  | BarSeriesOption
  | LineSeriesOption
  | GridComponentOption
  | LegendComponentOption
  | MarkAreaComponentOption
  | TooltipComponentOption
>;

echarts.use([BarChart, LineChart, GridComponent, LegendComponent, MarkAreaComponent, TooltipComponent, SVGRenderer]);

const QUIET = "#56655e";
const LINE = "#ddd6c8";
const axis = {
  axisLine: { lineStyle: { color: LINE } },
  axisTick: { show: false },
  axisLabel: { color: QUIET, fontSize: 13 },
  nameTextStyle: { color: QUIET, fontSize: 13 },
  splitLine: { lineStyle: { color: LINE } },
};

echarts.registerTheme("sprunel", {
  textStyle: { fontFamily: '"Atkinson Hyperlegible Next Variable", system-ui, sans-serif', color: "#14251f" },
  categoryAxis: { ...axis, splitLine: { show: false } },
  valueAxis: axis,
  legend: { textStyle: { color: QUIET, fontSize: 13 }, itemWidth: 14, itemHeight: 10 },
  tooltip: { backgroundColor: "#fffdf8", borderColor: LINE, textStyle: { color: "#14251f" } },
});

export function EChart({ option }: { option: ChartOption }) {
  const box = useRef<HTMLDivElement>(null);
  const chart = useRef<echarts.ECharts>(undefined);
  useEffect(() => {
    const element = box.current;
    if (!element) return;
    const made = echarts.init(element, "sprunel", { renderer: "svg" });
    chart.current = made;
    const observer = new ResizeObserver(() => made.resize());
    observer.observe(element);
    return () => {
      observer.disconnect();
      made.dispose();
    };
  }, []);
  useEffect(() => {
    chart.current?.setOption({ animation: false, ...option }, { notMerge: true });
  }, [option]);
  return <div ref={box} className="full" />;
}
