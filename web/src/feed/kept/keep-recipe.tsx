import type { FeedTarget, ZoneFeed } from "@sprunel/contract/feed";
import Button from "antd/es/button";
import Input from "antd/es/input";
import { useState } from "react";
import { ProblemNote } from "../../parts/problem.tsx";
import styles from "../feed.module.css";
import { useKeepRecipe } from "./use-recipes.ts";
import { newKey } from "../../forms/new-key.ts";

/** Keeps what is mixed now under a name; the same name again makes its next version. */
export function KeepRecipe({ feed, zoneName, target }: { feed: ZoneFeed; zoneName: string; target: FeedTarget }) {
  const [name, setName] = useState(`${zoneName}${feed.stage ? `, ${feed.stage.toLowerCase()}` : ""}`);
  // One key for one version: pressed twice, or sent again after a lost answer, it is still one.
  const [key, setKey] = useState(newKey);
  const keep = useKeepRecipe(feed.zoneId);
  const [kept, setKept] = useState<number | null>(null);
  return (
    <section aria-label="Keep the recipe of now">
      <h2>Keep the recipe of now</h2>
      <div className={styles["keep"]}>
        <Input aria-label="Name of the recipe" value={name} onChange={(event) => setName(event.target.value)} />
        <Button
          type="primary"
          loading={keep.isPending}
          onClick={() =>
            keep.mutate(
              { key, name, target, wishes: feed.settings.wishes },
              {
                onSuccess: ({ recipes }) => {
                  setKey(newKey());
                  setKept(Math.max(...recipes.filter((one) => one.name === name.trim()).map((one) => one.version)));
                },
              },
            )
          }
        >
          Keep it
        </Button>
      </div>
      <p className="quiet">The same name again makes its next version; none is ever written over.</p>
      {kept !== null && keep.isSuccess && <p role="status">Kept as version {kept}.</p>}
      {keep.isError && <ProblemNote error={keep.error} />}
    </section>
  );
}
