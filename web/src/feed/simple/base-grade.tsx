import type { Ion } from "@sprunel/contract/basics";
import type { LibraryProduct, ZoneFeed } from "@sprunel/contract/feed";
import Select from "antd/es/select";
import { Outline } from "../../parts/outline.tsx";
import { useState } from "react";
import { ProblemNote } from "../../parts/problem.tsx";
import styles from "../feed.module.css";
import { Reasons, Sums } from "../recipe/recipe-facts.tsx";
import { Tanks } from "../mix/tanks.tsx";
import { recipeInput, targetOf, useProducts } from "../use-feed.ts";
import { useRecipe } from "../recipe/use-recipe.ts";

/** Three bags are set by these; ammonium, sulphate and trace elements come along as the grade has them. */
const SET_BY: readonly Ion[] = ["NO3", "H2PO4", "K", "Ca", "Mg"];
/** What a base grade leaves to bring: calcium, and the magnesium that it lacks. */
const BESIDE = ["calcium-nitrate", "magnesium-sulphate-7w"];

/** A base grade with calcium nitrate and magnesium sulphate, as near to the target as the three come. */
export function BaseGrade({ feed }: { feed: ZoneFeed }) {
  const library = useProducts().data?.products;
  const target = targetOf(feed);
  const [chosen, setChosen] = useState("grade-6-10-28");
  const known = new Map([
    ...(library ?? []).map((product) => [product.id, product] as const),
    ...feed.shelf.map(({ product }) => [product.id, product] as const),
  ]);
  const bases = [...known.values()].filter(isBase);
  const base = known.get(chosen) ?? bases[0];
  const priceOf = (id: string): number | null => feed.shelf.find(({ product }) => product.id === id)?.priceKg ?? null;
  const shelf = [base, ...BESIDE.map((id) => known.get(id))].flatMap((product) =>
    product ? [{ product, priceKg: priceOf(product.id), stockKg: null, version: 1 }] : [],
  );
  const macros = target && {
    ...target,
    ions: Object.fromEntries(Object.entries(target.ions).filter(([ion]) => SET_BY.includes(ion as Ion))),
  };
  const wishes = { ...feed.settings.wishes, locks: {} };
  const solved = useRecipe(macros && library ? recipeInput({ ...feed, shelf }, macros, { wishes }) : null);
  if (!target) return <p>A base grade is fitted to a target: see Targets.</p>;
  if (!library) return <Outline />;
  return (
    <section aria-label="Base grade">
      <div className={styles["keep"]}>
        <Select
          aria-label="Base grade"
          value={base?.id ?? null}
          options={bases.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={setChosen}
        />
      </div>
      <p className="quiet">
        Fitted to nitrate, phosphate, potassium, calcium and magnesium; the rest comes along as the grade has it.
      </p>
      {solved.isError && <ProblemNote error={solved.error} />}
      {solved.data && (
        <div className={styles["narrow"]}>
          <Tanks recipe={solved.data} tanks={feed.tanks} />
          <Sums recipe={solved.data} unmeasured={feed.water?.unmeasured ?? []} />
          <Reasons recipe={solved.data} />
        </div>
      )}
    </section>
  );
}

/** Phosphate and potassium in one bag, and no calcium. */
function isBase({ composition: { K = 0, H2PO4 = 0, NO3 = 0, Ca = 0 } }: LibraryProduct): boolean {
  return K > 0 && H2PO4 > 0 && NO3 > 0 && Ca === 0;
}
