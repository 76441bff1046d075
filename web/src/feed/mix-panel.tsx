import type { ZoneFeed } from "@sprunel/contract";
import type { Recipe } from "@sprunel/core";
import Button from "antd/es/button";
import dayjs from "dayjs";
import { useState } from "react";
import { Link } from "react-router";
import { ProblemNote } from "../http/problem.tsx";
import styles from "./feed.module.css";
import { CAUTIONS } from "./cautions.ts";
import { useLogMix } from "./use-feed.ts";

interface Props {
  readonly zoneId: number;
  readonly recipe: Recipe;
  readonly feed: ZoneFeed;
  /** the weigh sheet is of the saved target and the whole shelf */
  readonly unsaved: boolean;
}

/** To the weigh sheet, and the mix into the book: the shelf goes down by what was weighed. */
export function MixPanel({ zoneId, recipe, feed, unsaved }: Props) {
  const log = useLogMix(zoneId);
  // One key for one mix: pressed twice, or sent again after a lost answer, it is still one.
  const [key, setKey] = useState(() => crypto.randomUUID());
  const lines = recipe.lines.map(({ productId, tankId, kgPerTank }) => ({
    productId,
    tankId,
    kg: Number(kgPerTank.toFixed(4)),
    lot: null,
  }));
  const [last] = feed.mixes;
  return (
    <>
      <div className={styles["actions"]}>
        {unsaved ? (
          <p className="quiet">Keep the target, with all products ticked, to print or log it.</p>
        ) : (
          <>
            <Link to={`/zones/${zoneId}/feed/sheet`}>
              <Button type="primary">Weigh sheet</Button>
            </Link>
            <Button
              loading={log.isPending}
              onClick={() => log.mutate({ key, lines }, { onSuccess: () => setKey(crypto.randomUUID()) })}
            >
              Log this mix
            </Button>
          </>
        )}
      </div>
      {log.isError && <ProblemNote error={log.error} />}
      {log.isSuccess && <p role="status">In the book; the shelf has gone down by what was weighed.</p>}
      {last && (
        <p className="quiet">
          Last mixed {dayjs(last.mixedAt).format("D MMM HH:mm")}, {last.lines.length}{" "}
          {last.lines.length === 1 ? "product" : "products"}.
        </p>
      )}
      <div className={styles["caution"]}>
        {CAUTIONS.map((caution) => (
          <p key={caution}>{caution}</p>
        ))}
      </div>
    </>
  );
}
