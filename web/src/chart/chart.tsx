import { lazy, Suspense } from "react";
import type { ChartOption } from "./echarts.tsx";

const Canvas = lazy(async () => ({ default: (await import("./echarts.tsx")).EChart }));

/** The one way to draw a chart: the library comes when the first chart is looked at. */
export function Chart({ option, height, label }: { option: ChartOption; height: number; label: string }) {
  return (
    <figure role="img" aria-label={label} style={{ margin: 0, height }}>
      <Suspense>
        <Canvas option={option} />
      </Suspense>
    </figure>
  );
}
