import type { ZoneFeed } from "@sprunel/contract/feed";
import type { Recipe } from "@sprunel/core/feed/recipe";
import Button from "antd/es/button";
import { lazy, Suspense, useState } from "react";
import { Link } from "react-router";
import { useNoting } from "../../place/use-noting.ts";
import { useSiteTime } from "../../place/use-site-time.ts";
import { useUnits } from "../../units/use-units.tsx";
import shared from "../feed.module.css";
import styles from "./mix.module.css";
import { CAUTIONS } from "../cautions.ts";
import { weighed } from "./masses.ts";

const MixDialog = lazy(async () => ({ default: (await import("./mix-dialog.tsx")).MixDialog }));

interface Props {
  readonly zoneId: number;
  readonly recipe: Recipe;
  readonly feed: ZoneFeed;
  /** the weigh sheet is of the saved target and the whole shelf */
  readonly unsaved: boolean;
}

/** To the weigh sheet, and the mix into the book: the shelf goes down by what was weighed. */
export function MixPanel({ zoneId, recipe, feed, unsaved }: Props) {
  const noting = useNoting();
  const [open, setOpen] = useState(false);
  const [logged, setLogged] = useState(false);
  return (
    <>
      <div className={shared["actions"]}>
        {unsaved ? (
          <p className="quiet">Keep the target, with all products ticked, to print or log it.</p>
        ) : (
          <>
            <Link to={`/zones/${zoneId}/feed/sheet`}>
              <Button type="primary">Weigh sheet</Button>
            </Link>
            <Button onClick={() => setOpen(true)}>Log this mix</Button>
          </>
        )}
      </div>
      {logged && <p role="status">In the book; the shelf has gone down by what was weighed.</p>}
      {open && noting && (
        <Suspense>
          <MixDialog
            zoneId={zoneId}
            recipe={recipe}
            tanks={feed.tanks}
            noting={noting}
            onClose={() => setOpen(false)}
            onLogged={() => setLogged(true)}
          />
        </Suspense>
      )}
      <MixBook feed={feed} />
      <div className={styles["caution"]}>
        {CAUTIONS.map((caution) => (
          <p key={caution}>{caution}</p>
        ))}
      </div>
    </>
  );
}

/** What was mixed of late, with the lots that went in. */
function MixBook({ feed: { mixes, shelf } }: { feed: ZoneFeed }) {
  const { system } = useUnits();
  const { moment } = useSiteTime();
  const [last] = mixes;
  if (!last) return null;
  const nameOf = (id: string): string => shelf.find(({ product }) => product.id === id)?.product.name ?? id;
  return (
    <details className={styles["mixes"]}>
      <summary>
        Last mixed {moment(last.mixedAt)}, {last.lines.length} {last.lines.length === 1 ? "product" : "products"}
      </summary>
      {mixes.map(({ id, mixedAt, lines }) => (
        <p key={id}>
          <strong>{moment(mixedAt)}</strong>{" "}
          {lines
            .map(({ productId, tankId, kg, lot }) => {
              const mass = weighed(kg, system);
              return `${tankId} ${nameOf(productId).toLowerCase()} ${mass.text} ${mass.unit}${lot ? ` (lot ${lot})` : ""}`;
            })
            .join(", ")}
        </p>
      ))}
    </details>
  );
}
