import { feedWishesSchema, type FeedWishes, type ZoneFeed } from "@sprunel/contract/feed";
import type { SourceState } from "@sprunel/contract/water";
import type { Recipe } from "@sprunel/core/feed/recipe";
import Button from "antd/es/button";
import Checkbox from "antd/es/checkbox";
import Select from "antd/es/select";
import Slider from "antd/es/slider";
import { StaleEdit, staleOf } from "../../forms/stale-edit.tsx";
import type { useDraft } from "../../forms/use-draft.ts";
import { ProblemNote } from "../../parts/problem.tsx";
import { useSaveZone, useSetUp } from "../../place/use-set-up.ts";
import { QuantityInput } from "../../units/quantity-input.tsx";
import shared from "../feed.module.css";
import styles from "./recipe.module.css";
import { ionName } from "../../words/ion-names.ts";
import { useSaveSettings } from "../use-feed.ts";

const LIMITED = ["Na", "Cl", "B", "urea"] as const;

interface Props {
  readonly feed: ZoneFeed;
  readonly wished: ReturnType<typeof useDraft<FeedWishes>>;
  readonly buysAll: boolean;
  onBuysAll(buysAll: boolean): void;
  readonly mixes: boolean;
  onMixes(mixes: boolean): void;
  /** waters with a report */
  readonly waters: readonly SourceState[];
  readonly recipe: Recipe | null;
}

/** What the recipe must keep beside its target, and what it may do: buy, and mix waters. */
export function Wishes(props: Props) {
  const { feed, wished, waters, recipe, mixes } = props;
  const { value: wishes, set: onWishes, changed } = wished;
  const save = useSaveSettings(feed.zoneId);
  const { version: _version, ...settings } = feed.settings;
  const stale = staleOf(save.error);
  const keep = (version: number | null): void => save.mutate({ version, settings: { ...settings, wishes } });
  return (
    <section aria-label="Limits and freedoms">
      <h2>Must and may</h2>
      <div className={styles["wishes"]}>
        <label>
          NH₄ at most
          <QuantityInput
            live
            label="NH₄ at most"
            unit="% of N"
            value={wishes.nh4ShareMostPct}
            onChange={(nh4ShareMostPct) => onWishes({ ...wishes, nh4ShareMostPct })}
          />
        </label>
        {LIMITED.map((ion) => (
          <label key={ion}>
            {ionName(ion)} at most
            <QuantityInput
              live
              label={`${ionName(ion)} at most`}
              unit={ion === "B" ? "µmol/L" : "mmol/L"}
              value={wishes.limits[ion] ?? null}
              onChange={(value) => {
                const { [ion]: _before, ...others } = wishes.limits;
                onWishes({ ...wishes, limits: value === null ? others : { ...others, [ion]: value } });
              }}
            />
          </label>
        ))}
      </div>
      <Settled {...props} />
      <div>
        <Checkbox checked={props.buysAll} onChange={(event) => props.onBuysAll(event.target.checked)}>
          With all that could be bought
        </Checkbox>
        {props.buysAll && (
          <p className="quiet">What has no price yet counts as dear as the dearest product on the shelf.</p>
        )}
      </div>
      {waters.length > 1 && (
        <div>
          <Checkbox checked={mixes} onChange={(event) => props.onMixes(event.target.checked)}>
            Mix the waters as the recipe needs them
          </Checkbox>
          {mixes && recipe?.waters && <Mixed zoneId={feed.zoneId} waters={waters} shares={recipe.waters} />}
        </div>
      )}
      {changed && (
        <div className={shared["actions"]}>
          <Button type="primary" loading={save.isPending} onClick={() => keep(wished.version)}>
            Keep these limits
          </Button>
          <Button onClick={() => onWishes(wished.saved)}>Back to the saved ones</Button>
        </div>
      )}
      {stale ? (
        <StaleEdit
          mine={wishes}
          theirs={wishesOf(stale)}
          onKeepMine={() => keep(stale.version)}
          onTakeTheirs={() => {
            wished.take({ version: stale.version, value: wishesOf(stale) });
            save.reset();
          }}
        />
      ) : (
        save.isError && <ProblemNote error={save.error} />
      )}
    </section>
  );
}

function wishesOf(newer: object): FeedWishes {
  return feedWishesSchema.parse("wishes" in newer ? newer.wishes : undefined);
}

/** Amounts that a person has settled; the recipe solves around them. */
function Settled({ feed, wished: { value: wishes, set: onWishes }, recipe }: Props) {
  const set = (id: string, gM3: number | null): void => {
    const others = Object.entries(wishes.locks).filter(([other]) => other !== id);
    onWishes({ ...wishes, locks: Object.fromEntries(gM3 === null ? others : [...others, [id, gM3]]) });
  };
  const free = feed.shelf.filter(({ product }) => !(product.id in wishes.locks));
  const now = (id: string): number =>
    (recipe?.lines ?? []).reduce((sum, line) => (line.productId === id ? sum + line.gM3 : sum), 0);
  return (
    <>
      {Object.entries(wishes.locks).map(([id, gM3]) => {
        const name = feed.shelf.find(({ product }) => product.id === id)?.product.name ?? id;
        return (
          <div key={id} className={styles["settled"]}>
            <span>{name}</span>
            <QuantityInput
              live
              label={`${name}, settled`}
              quantity="dose"
              value={gM3}
              onChange={(value) => set(id, value)}
            />
            <Slider
              ariaLabelForHandle={`${name}, settled, to drag`}
              min={0}
              max={Math.max(1, 2 * Math.max(gM3, feed.settings.wishes.locks[id] ?? 0))}
              step={gM3 < 10 ? 0.01 : 1}
              value={gM3}
              onChange={(value: number) => set(id, value)}
            />
            <Button type="link" size="small" onClick={() => set(id, null)}>
              free again
            </Button>
          </div>
        );
      })}
      <Select
        aria-label="Settle the amount of a product"
        placeholder="Settle the amount of a product"
        value={null}
        options={free.map(({ product }) => ({ value: product.id, label: product.name }))}
        className="wide"
        onChange={(id: string | null) => id !== null && set(id, Math.round(now(id)))}
      />
    </>
  );
}

/** The shares that the recipe has found, and a way to drink of them from now on. */
function Mixed({
  zoneId,
  waters,
  shares,
}: {
  zoneId: number;
  waters: readonly SourceState[];
  shares: NonNullable<Recipe["waters"]>;
}) {
  const zone = useSetUp().data?.zones.find((candidate) => candidate.id === zoneId);
  const save = useSaveZone();
  const rounded = waters.map(({ source }, at) => ({
    source,
    sharePct: Math.round(shares[at]?.sharePct ?? 0),
  }));
  // Rounding leaves the rest to the first water.
  const rest = 100 - rounded.reduce((sum, { sharePct }) => sum + sharePct, 0);
  const whole = rounded.map((entry, at) => (at === 0 ? { ...entry, sharePct: entry.sharePct + rest } : entry));
  const adopt = (): void => {
    if (!zone) return;
    const { id, version, archived: _archived, ...record } = zone;
    const drunk = whole.filter(({ sharePct }) => sharePct > 0);
    save.mutate({
      existing: { id, version },
      record: { ...record, waters: drunk.map(({ source, sharePct }) => ({ sourceId: source.id, sharePct })) },
    });
  };
  return (
    <>
      <p>
        <strong>{whole.map(({ source, sharePct }) => `${sharePct} % ${source.name}`).join(", ")}</strong>
      </p>
      <Button loading={save.isPending} onClick={adopt}>
        Drink in these shares from now on
      </Button>
      {save.isError && <ProblemNote error={save.error} />}
    </>
  );
}
