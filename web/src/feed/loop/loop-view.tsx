import type { FeedTarget, ZoneFeed } from "@sprunel/contract/feed";
import type { SolutionReport } from "@sprunel/contract/rootzone";
import type { BoardZone } from "@sprunel/contract/today";
import { USUAL_LOOP, closedLoop, withoutPrice, type LoopAnswer, type Recipe } from "@sprunel/core/feed/recipe";
import { Outline } from "../../parts/outline.tsx";
import { addDays } from "@sprunel/core/time";
import { useState } from "react";
import { useBoard } from "../../place/use-board.ts";
import { usePlace } from "../../place/use-place.ts";
import { useSetUp } from "../../place/use-set-up.ts";
import { useZoneReports } from "../../rootzone/use-reports.ts";
import { Answer } from "../../sums/answer.tsx";
import { complete, SumFields, type SumField } from "../../sums/sum-fields.tsx";
import { trySum } from "../../sums/try-sum.ts";
import { useWaterStation } from "../../place/use-sources.ts";
import { ionName } from "../../words/ion-names.ts";
import { FreshPart } from "./fresh-part.tsx";
import { LoopChart } from "./loop-chart.tsx";
import { LossTable } from "./loss-table.tsx";
import { recipeInput, targetOf } from "../use-feed.ts";
import { useRecipe } from "../recipe/use-recipe.ts";
import { useDates } from "../../units/dates.tsx";

type LoopKey =
  "water" | "volume" | "drainPct" | "inNa" | "nowNa" | "limitNa" | "takenNa" | "inCl" | "nowCl" | "limitCl" | "takenCl";

const LOOP: readonly SumField<LoopKey>[] = [
  { key: "water", label: "Water taken up, a day", quantity: "waterDepth", note: "of today’s plan, less the drain" },
  { key: "volume", label: "Water in the loop", quantity: "waterDepth", note: "root zone; add tanks and pipes" },
  { key: "drainPct", label: "Drain, of the feed", unit: "%" },
];
const staying = (ion: "Na" | "Cl"): readonly SumField<LoopKey>[] => [
  { key: `in${ion}`, label: `${ionName(ion)} that comes in`, unit: "mmol/L", note: "water and products of the recipe" },
  { key: `now${ion}`, label: `${ionName(ion)} in the loop now`, unit: "mmol/L", note: "newest drain report" },
  {
    key: `limit${ion}`,
    label: `${ionName(ion)} that the crop stands`,
    unit: "mmol/L",
    note: "usual 4 to 8; not confirmed",
  },
  { key: `taken${ion}`, label: `${ionName(ion)} taken up, of it`, unit: "%", note: "usual 3 to 10 %; not confirmed" },
];

const AHEAD_DAYS = 180;

/** Drain used again: how salt builds up, what to let off and what that costs, and what the fresh part must bring. */
export function LoopView({ zone, feed, onTry }: { zone: BoardZone; feed: ZoneFeed; onTry(target: FeedTarget): void }) {
  const target = targetOf(feed);
  const recipe = useRecipe(target && recipeInput(feed, target)).data;
  const reports = useZoneReports(zone.id);
  const setUp = useSetUp();
  const definition = setUp.data?.zones.find(({ id }) => id === zone.id)?.definition;
  if (!target) return <p>A closed loop needs a target first: see Targets.</p>;
  if (!recipe || !reports.data || !definition) return <Outline />;
  const drain = reports.data.reports.find(
    (report): report is SolutionReport & { id: number; struck: string | null } =>
      report.kind !== "soil" && report.struck === null && Object.keys(report.ions).length > 0,
  );
  const volume =
    "waterHeldLPlant" in definition
      ? (definition.waterHeldLPlant * definition.plants) / definition.areaM2
      : "fullLevelCm" in definition
        ? definition.fullLevelCm * 10
        : 20;
  return (
    <>
      <Salt
        zone={zone}
        feed={feed}
        recipe={recipe}
        drain={drain ?? null}
        volumeLM2={volume}
        areaM2={definition.areaM2}
      />
      <FreshPart target={target} drain={drain ?? null} onTry={onTry} />
    </>
  );
}

function Salt({
  zone,
  feed,
  recipe,
  drain,
  volumeLM2,
  areaM2,
}: {
  zone: BoardZone;
  feed: ZoneFeed;
  recipe: Recipe;
  drain: SolutionReport | null;
  volumeLM2: number;
  areaM2: number;
}) {
  const { date } = usePlace();
  const board = useBoard(null).data;
  const currency = board?.site?.currency ?? "";
  const today = board?.today ?? "";
  const sources = useWaterStation(date).data?.sources ?? [];
  const drainPct = zone.roots?.kind === "drained" ? (zone.roots.drain?.sharePct ?? zone.roots.drainTargetPct) : 0;
  const { Na = 0, Cl = 0, NO3 = 0, NH4 = 0, urea = 0 } = recipe.delivered.ions;
  const round = (value: number): number => Number(value.toPrecision(3));
  const [values, setValues] = useState<Readonly<Record<LoopKey, number | null>>>({
    water: feed.litresToday ? round((feed.litresToday / areaM2) * (1 - drainPct / 100)) : null,
    volume: round(volumeLM2),
    drainPct: round(drainPct),
    inNa: round(Na),
    nowNa: round(drain?.ions.Na ?? Na),
    limitNa: USUAL_LOOP.Na.limitMmolL,
    takenNa: USUAL_LOOP.Na.takenPct,
    inCl: round(Cl),
    nowCl: round(drain?.ions.Cl ?? Cl),
    limitCl: USUAL_LOOP.Cl.limitMmolL,
    takenCl: USUAL_LOOP.Cl.takenPct,
  });
  const typed = complete(values);
  const waterPriceM3 = feed.waters.reduce(
    (sum, { sourceId, sharePct }) =>
      sum + ((sources.find(({ source }) => source.id === sourceId)?.source.priceM3 ?? 0) * sharePct) / 100,
    0,
  );
  const noPrice = [
    ...feed.waters.flatMap(({ sourceId, name }) =>
      sources.find(({ source }) => source.id === sourceId)?.source.priceM3 == null ? [name] : [],
    ),
    ...withoutPrice(recipe.lines, feed.shelf),
  ];
  const sum =
    typed &&
    trySum(() =>
      closedLoop({
        ions: (["Na", "Cl"] as const).map((ion) => ({
          ion,
          incomingMmolL: typed[`in${ion}`],
          nowMmolL: typed[`now${ion}`],
          limitMmolL: typed[`limit${ion}`],
          uptakeShare: typed[`taken${ion}`] / 100,
        })),
        waterLM2Day: typed.water,
        volumeLM2: typed.volume,
        areaM2,
        nitrogenMmolL: NO3 + NH4 + urea,
        waterPriceM3,
        recipePriceM3: recipe.costPerM3,
        drainPct: typed.drainPct,
        days: AHEAD_DAYS,
      }),
    );
  return (
    <section aria-label="Sodium and chloride">
      <h2>Sodium and chloride, if the drain is used again</h2>
      <Answer title="Salt in the loop" sum={sum}>
        {(answer) => <Horizon answer={answer} today={today} />}
      </Answer>
      {sum && typeof sum !== "string" && (
        <>
          <LoopChart answer={sum} today={today} />
          <LossTable answer={sum} currency={currency} />
          {noPrice.length > 0 && <p className="act">Without the cost of {noPrice.join(", ")}: no price is known.</p>}
        </>
      )}
      <SumFields fields={LOOP} values={values} onChange={setValues} />
      <SumFields fields={staying("Na")} values={values} onChange={setValues} />
      <SumFields fields={staying("Cl")} values={values} onChange={setValues} />
    </section>
  );
}

function Horizon({ answer: { courses }, today }: { answer: LoopAnswer; today: string }) {
  const dates = useDates();
  const words = courses.map(({ ion, daysToLimit, limitMmolL }) => {
    const name = ionName(ion);
    if (daysToLimit === null) return `${name} never reaches ${limitMmolL} mmol/L`;
    if (daysToLimit === 0) return `${name} is over its ${limitMmolL} mmol/L now`;
    return `${name} reaches ${limitMmolL} mmol/L in ${Math.round(daysToLimit)} days, on ${dates.show(addDays(today, Math.round(daysToLimit)), "year")}`;
  });
  return <>{words.join("; ")}.</>;
}
