import type { Board, BoardZone } from "@sprunel/contract/today";
import { daysBetween } from "@sprunel/core/time";
import Button from "antd/es/button";
import { Link } from "react-router";
import styles from "../advice/advice.module.css";
import { useAddSign } from "../crop/use-crop.ts";
import { Faults } from "../forms/faults.tsx";
import { faultsOf } from "../forms/form-errors.ts";
import { usePlace } from "../place/use-place.ts";
import { useDates } from "../units/dates.tsx";

/** A stage that is foreseen within so many days is asked about on the morning's walk. */
const SOON_DAYS = 3;

type Next = NonNullable<NonNullable<BoardZone["crop"]>["next"]>;

/** Stages that are about to begin: seen today, in one tap. */
export function ToLookFor({ board }: { board: Board }) {
  if (board.date !== board.today) return null;
  const soon = board.zones.flatMap((zone) => {
    const { crop } = zone;
    return crop?.next && daysBetween(board.today, crop.next.on) <= SOON_DAYS
      ? [{ zone, version: crop.version, next: crop.next }]
      : [];
  });
  if (soon.length === 0) return null;
  return (
    <section className={styles["decide"]} aria-label="To look for">
      <h2 className={styles["head"]}>
        <span>To look for</span>
      </h2>
      {soon.map(({ zone, version, next }) => (
        <Soon key={zone.id} zone={zone} version={version} next={next} today={board.today} />
      ))}
    </section>
  );
}

function Soon({ zone, version, next, today }: { zone: BoardZone; version: number; next: Next; today: string }) {
  const dates = useDates();
  const { addressOf } = usePlace();
  const add = useAddSign(zone.id);
  return (
    <article className={styles["look"]}>
      <p>
        <strong>
          {zone.name}: {next.name.toLowerCase()}?
        </strong>
        <br />
        <span className="quiet">foreseen for {dates.show(next.on, "weekday")}</span>
      </p>
      <p className={styles["answers"]}>
        <Button
          type="link"
          loading={add.isPending}
          onClick={() => add.mutate({ stageId: next.stageId, on: today, version })}
        >
          Seen today
        </Button>
        <Link to={addressOf({ zoneId: zone.id, station: "crop" })}>Open Crop</Link>
      </p>
      <Faults faults={add.error ? faultsOf(add.error).map(({ message }) => message) : []} error={add.error} />
    </article>
  );
}
