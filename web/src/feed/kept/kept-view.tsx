import type { KeptRecipe, ZoneFeed } from "@sprunel/contract/feed";
import { compareRecipes, type ComparedRecipe } from "@sprunel/core/feed/recipe";
import Button from "antd/es/button";
import Select from "antd/es/select";
import { useState } from "react";
import { ProblemNote } from "../../parts/problem.tsx";
import { useSiteTime } from "../../place/use-site-time.ts";
import { useBoard } from "../../place/use-board.ts";
import { Price } from "../../units/use-units.tsx";
import { CompareTable } from "./compare-table.tsx";
import styles from "../feed.module.css";
import { recipeInput, targetOf } from "../use-feed.ts";
import { useRecipes, useUseRecipe } from "./use-recipes.ts";
import { useRecipe } from "../recipe/use-recipe.ts";

/** The recipes that were kept: versions, the zones that use each, and any two side by side, or against what a zone gets now. */
export function KeptView({ feed, zoneName }: { feed: ZoneFeed; zoneName: string }) {
  const book = useRecipes();
  const target = targetOf(feed);
  const now = useRecipe(target && recipeInput(feed, target)).data ?? null;
  const kept = book.data?.recipes ?? [];
  return (
    <>
      {book.isError && <ProblemNote error={book.error} onRetry={() => void book.refetch()} />}
      {kept.length === 0 ? (
        <p>
          None is kept yet. Keep one at Feed of a zone: it can be compared with later ones, and taken over by other
          zones.
        </p>
      ) : (
        <>
          <Book kept={kept} feed={feed} zoneName={zoneName} />
          <Compare kept={kept} now={now} zoneName={zoneName} />
        </>
      )}
    </>
  );
}

function Book({ kept, feed, zoneName }: { kept: readonly KeptRecipe[]; feed: ZoneFeed; zoneName: string }) {
  const currency = useBoard(null).data?.site?.currency ?? "";
  const use = useUseRecipe(feed.zoneId);
  const { date } = useSiteTime();
  return (
    <section aria-label="Kept recipes">
      <h2>Kept</h2>
      <table className={styles["book"]}>
        <thead>
          <tr>
            <th scope="col">recipe</th>
            <th scope="col">kept</th>
            <th scope="col">EC, pH</th>
            <th scope="col">cost</th>
            <th scope="col">zones that use it now</th>
            <th aria-label="use" />
          </tr>
        </thead>
        <tbody>
          {kept.map(({ id, name, version, keptAt, madeIn, result, usedBy }) => (
            <tr key={id}>
              <th scope="row">
                {name} <span className="quiet">version {version}</span>
              </th>
              <td>
                {date(keptAt)} <span className="quiet">in {madeIn}</span>
              </td>
              <td>
                {result.delivered.ecMsCm.toFixed(2)} mS/cm, {result.delivered.ph.toFixed(1)}
              </td>
              <td>
                <Price quantity="pricePerBulk" value={result.costPerM3} currency={currency} />
              </td>
              <td>{usedBy.map((zone) => zone.name).join(", ") || <span className="quiet">none</span>}</td>
              <td>
                {!usedBy.some((zone) => zone.id === feed.zoneId) && (
                  <Button
                    loading={use.isPending && use.variables.recipeId === id}
                    aria-label={`Use ${name}, version ${version}, in ${zoneName}`}
                    onClick={() =>
                      use.mutate({
                        recipeId: id,
                        targetVersion: feed.own?.version ?? null,
                        settingsVersion: feed.settings.version,
                      })
                    }
                  >
                    Use in {zoneName}
                  </Button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {use.isError && <ProblemNote error={use.error} />}
    </section>
  );
}

const NOW = 0;

function Compare({
  kept,
  now,
  zoneName,
}: {
  kept: readonly KeptRecipe[];
  now: ComparedRecipe | null;
  zoneName: string;
}) {
  const [chosen, setChosen] = useState<{ readonly left?: number; readonly right?: number }>({});
  // Until somebody chooses: the newest kept one, against what is solved now.
  const left = chosen.left ?? kept[0]?.id ?? NOW;
  const right = chosen.right ?? (now ? NOW : (kept[1]?.id ?? left));
  const options = [
    ...(now ? [{ value: NOW, label: `${zoneName}, now` }] : []),
    ...kept.map(({ id, name, version }) => ({ value: id, label: `${name}, version ${version}` })),
  ];
  const found = (id: number): ComparedRecipe | null => kept.find((one) => one.id === id)?.result ?? now;
  const nameOf = (id: number): string => options.find(({ value }) => value === id)?.label ?? "";
  const pair = [found(left), found(right)] as const;
  return (
    <section aria-label="Side by side">
      <h2>Side by side</h2>
      <div className={styles["keep"]}>
        <Select
          aria-label="First recipe"
          value={left}
          options={options}
          onChange={(id: number) => setChosen({ ...chosen, left: id })}
        />
        <Select
          aria-label="Second recipe"
          value={right}
          options={options}
          onChange={(id: number) => setChosen({ ...chosen, right: id })}
        />
      </div>
      {pair[0] && pair[1] && (
        <CompareTable names={[nameOf(left), nameOf(right)]} difference={compareRecipes(pair[0], pair[1])} />
      )}
    </section>
  );
}
