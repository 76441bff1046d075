import type { Ion } from "@sprunel/contract/basics";
import { feedTargetSchema, type FeedTarget, type FeedWishes, type ZoneFeed } from "@sprunel/contract/feed";
import type { SourceState } from "@sprunel/contract/water";
import type { Recipe, RecipeInput } from "@sprunel/core/feed/recipe";
import { mixWaters } from "@sprunel/core/water";
import Button from "antd/es/button";
import { Outline } from "../../parts/outline.tsx";
import { lazy, Suspense, useState } from "react";
import { StaleEdit, staleOf } from "../../forms/stale-edit.tsx";
import { useDraft } from "../../forms/use-draft.ts";
import { ProblemNote } from "../../parts/problem.tsx";
import { usePlace } from "../../place/use-place.ts";
import { useWaterStation } from "../../place/use-sources.ts";
import { StepsDrawer } from "../../working/steps-drawer.tsx";
import shared from "../feed.module.css";
import styles from "./recipe.module.css";
import { IonLadder } from "./ion-ladder.tsx";
import { MeterPanel } from "../meter-panel.tsx";
import { MixPanel } from "../mix/mix-panel.tsx";
import { Facts, Reasons, Sums } from "./recipe-facts.tsx";
import { KeepRecipe } from "../kept/keep-recipe.tsx";
import { ShelfTicks } from "../shelf/shelf-ticks.tsx";
import { Strength } from "./strength.tsx";
import { Tanks } from "../mix/tanks.tsx";
import { recipeInput, useProducts, useSaveTarget } from "../use-feed.ts";
import { useRecipe } from "./use-recipe.ts";
import { Wishes } from "./wishes.tsx";

const TanksDialog = lazy(async () => ({ default: (await import("../mix/tanks-dialog.tsx")).TanksDialog }));

/** The ion ladder beside the tanks: a target is changed, and the recipe solved anew while it is typed. */
export function RecipeView({
  zoneName,
  feed,
  draft,
  target,
}: {
  zoneName: string;
  feed: ZoneFeed;
  draft: ReturnType<typeof useDraft<FeedTarget | null>>;
  target: FeedTarget;
}) {
  const { date } = usePlace();
  const [leftOut, setLeftOut] = useState<ReadonlySet<string>>(new Set());
  const [explained, setExplained] = useState(false);
  const [tanksOpen, setTanksOpen] = useState(false);
  const wished = useDraft<FeedWishes>({ version: feed.settings.version, value: feed.settings.wishes });
  const wishes = wished.value;
  const [buysAll, setBuysAll] = useState(false);
  const [mixes, setMixes] = useState(false);
  const library = useProducts().data?.products ?? [];
  const waters = (useWaterStation(date).data?.sources ?? []).filter(({ report }) => report !== null);
  const question = recipeInput(mixes ? withFirstWater(feed, waters) : feed, target, {
    leftOut,
    wishes,
    bought: buysAll ? library : [],
    mixWith: mixes ? waters.slice(1).map(mixable) : [],
    waterPriceM3: waters[0]?.source.priceM3 ?? 0,
  });
  const solved = useRecipe(question);
  const save = useSaveTarget(feed.zoneId);
  const recipe: Recipe | null = (question && solved.data) ?? null;
  const { changed, saved } = draft;
  const stale = staleOf(save.error);
  const keep = (version: number | null): void => save.mutate({ version, target });
  const isTrial = changed || wished.changed || leftOut.size > 0 || buysAll || mixes;
  const change = (ion: Ion, value: number | null): void => {
    const { [ion]: _before, ...others } = target.ions;
    const ions = value === null ? others : { ...others, [ion]: value };
    draft.set(named({ ...target, ions }));
  };
  return (
    <>
      <div className={styles["columns"]}>
        <section aria-label="Ion ladder">
          <Strength target={target} onChange={(next) => draft.set(named(next))} />
          <IonLadder target={target} water={feed.water?.ions ?? {}} recipe={recipe} onChange={change} />
          {recipe && (
            <Sums recipe={recipe} unmeasured={feed.water?.unmeasured ?? []} onExplain={() => setExplained(true)} />
          )}
          {changed && (
            <div className={shared["actions"]}>
              <Button type="primary" loading={save.isPending} onClick={() => keep(draft.version)}>
                Keep this target
              </Button>
              <Button onClick={() => draft.set(saved)}>Back to the saved one</Button>
            </div>
          )}
          {stale ? (
            <StaleEdit
              mine={target}
              theirs={keptTarget(stale)}
              onKeepMine={() => keep(stale.version)}
              onTakeTheirs={() => {
                draft.take({ version: stale.version, value: keptTarget(stale) });
                save.reset();
              }}
            />
          ) : (
            save.isError && <ProblemNote error={save.error} />
          )}
          {recipe && <Reasons recipe={recipe} />}
          {recipe && question && !isTrial && <MeterPanel recipe={recipe} question={question} feed={feed} />}
        </section>
        <section aria-label="Recipe">
          {solved.isError && <ProblemNote error={solved.error} />}
          {!question && <p>There is no product on the shelf to make a feed of.</p>}
          {recipe ? (
            <>
              <Tanks recipe={recipe} tanks={feed.tanks} />
              <Button size="small" onClick={() => setTanksOpen(true)}>
                Tanks and scales
              </Button>
              <Facts recipe={recipe} feed={feed} />
              <MixPanel zoneId={feed.zoneId} recipe={recipe} feed={feed} unsaved={isTrial} />
              {saved && !isTrial && <KeepRecipe feed={feed} zoneName={zoneName} target={saved} />}
            </>
          ) : (
            solved.isPending && question && <Outline />
          )}
          <Wishes
            feed={feed}
            wished={wished}
            buysAll={buysAll}
            onBuysAll={setBuysAll}
            mixes={mixes}
            onMixes={setMixes}
            waters={waters}
            recipe={recipe}
          />
          <ShelfTicks feed={feed} recipe={recipe} leftOut={leftOut} onChange={setLeftOut} />
        </section>
      </div>
      {tanksOpen && (
        <Suspense>
          <TanksDialog feed={feed} onClose={() => setTanksOpen(false)} />
        </Suspense>
      )}
      {explained && recipe && (
        <StepsDrawer title="How the recipe adds up" steps={recipe.working} onClose={() => setExplained(false)} />
      )}
    </>
  );
}

function named(target: FeedTarget): FeedTarget {
  return target.name === undefined ? target : { ...target, name: changedName(target.name) };
}

/** A target of somebody else's is no longer it once it was changed. */
function changedName(name: string): string {
  return name.endsWith(CHANGED) ? name : `${name.slice(0, 120 - CHANGED.length)}${CHANGED}`;
}
const CHANGED = ", changed";

function keptTarget(newer: object): FeedTarget {
  const { ions, ph, name } = feedTargetSchema.loose().parse(newer);
  return { ions, ph, ...(name !== undefined && { name }) };
}

/** The zone's feed as if it drank of the first of these waters alone; the recipe mixes the others in. */
function withFirstWater(feed: ZoneFeed, [first]: readonly SourceState[]): ZoneFeed {
  if (!first?.report) return feed;
  const { unmeasured, ...water } = mixWaters([{ ...first.report, sharePct: 100 }]);
  return { ...feed, water: { ...water, unmeasured: [...unmeasured] } };
}

function mixable({ source, report }: SourceState): NonNullable<RecipeInput["mixWith"]>[number] {
  return {
    name: source.name,
    ions: report?.ions ?? {},
    ph: report?.ph ?? 7,
    mostSharePct: 100,
    ...(source.priceM3 !== null && { priceM3: source.priceM3 }),
  };
}
