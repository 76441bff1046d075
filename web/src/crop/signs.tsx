import type { PlantingTime, ZoneCrop } from "@sprunel/contract/crop";
import type { BoardZone } from "@sprunel/contract/today";
import Button from "antd/es/button";
import Select from "antd/es/select";
import { useState } from "react";
import { Faults } from "../forms/faults.tsx";
import { faultsOf } from "../forms/form-errors.ts";
import styles from "./crop.module.css";
import { ofPlanting, useAddSign, useTakeSignBack } from "./use-crop.ts";
import { useDates } from "../units/dates.tsx";
import { DateInput } from "../forms/date-input.tsx";

/** A stage that is seen to begin wins over the count of days: in one tap for today, or for the day on which it was seen. */
export function Signs({
  zone,
  crop,
  planting,
  today,
}: {
  zone: BoardZone;
  crop: ZoneCrop;
  planting: PlantingTime;
  today: string;
}) {
  const dates = useDates();
  const add = useAddSign(zone.id);
  const back = useTakeSignBack(zone.id);
  const [opened, setOpened] = useState(false);
  const seen = planting.stages.filter((stage) => stage.seen);
  const at = planting.stages.findIndex(({ id }) => id === crop.now?.stageId);
  const next = at === -1 ? undefined : planting.stages[at + 1];
  const say = (stageId: string, on: string): void => add.mutate({ stageId, on, ...ofPlanting(crop) });
  const faults = [add.error, back.error].flatMap((error) =>
    error ? faultsOf(error).map(({ message }) => message) : [],
  );
  return (
    <>
      <h2>Seen</h2>
      {seen.length === 0 ? (
        <p className="quiet">Nothing was seen yet: each stage goes by what drives it.</p>
      ) : (
        <ul className={styles["seen"]}>
          {seen.map(({ id, name, from }) => (
            <li key={id}>
              <span>
                <strong>{name}</strong> from {dates.show(from, "weekday")}
              </span>
              <Button
                type="link"
                size="small"
                aria-label={`Take back: ${name}`}
                loading={back.isPending && back.variables.stageId === id}
                onClick={() => back.mutate({ stageId: id, ...ofPlanting(crop) })}
              >
                take back
              </Button>
            </li>
          ))}
        </ul>
      )}
      <div className={styles["actions"]}>
        {next && (
          <Button type="primary" size="large" loading={add.isPending} onClick={() => say(next.id, today)}>
            {next.name} seen today
          </Button>
        )}
        <Button size="large" onClick={() => setOpened(!opened)}>
          Seen on another day
        </Button>
      </div>
      {opened && <OtherDay planting={planting} today={today} saving={add.isPending} onSay={say} />}
      <Shifts shifts={add.data?.shifts ?? back.data?.shifts ?? []} />
      <Faults faults={faults} error={add.error ?? back.error} />
    </>
  );
}

/** What has moved by what was just said. */
function Shifts({ shifts }: { shifts: ZoneCrop["shifts"] }) {
  const dates = useDates();
  if (shifts.length === 0) return null;
  return (
    <p role="status">
      Water, feed and dates are worked out anew:{" "}
      {shifts.map(({ stage, before, after }, at) => (
        <span key={stage}>
          {at > 0 && "; "}
          {stage.toLowerCase()} from {dates.show(after, "day")}{" "}
          <span className="quiet">(was {dates.show(before, "day")})</span>
        </span>
      ))}
      .
    </p>
  );
}

function OtherDay({
  planting,
  today,
  saving,
  onSay,
}: {
  planting: PlantingTime;
  today: string;
  saving: boolean;
  onSay(stageId: string, on: string): void;
}) {
  // The first stage begins with planting.
  const stages = planting.stages.slice(1);
  const [stageId, setStage] = useState(stages[0]?.id ?? "");
  const [on, setOn] = useState(today);
  return (
    <div className={styles["other"]}>
      <Select
        aria-label="Stage that was seen"
        value={stageId}
        options={stages.map(({ id, name }) => ({ value: id, label: name }))}
        onChange={setStage}
        className="select-m"
      />
      <DateInput
        label="Seen on"
        value={on}
        from={planting.plantedOn}
        until={today}
        onChange={(date) => setOn(date ?? "")}
      />
      <Button loading={saving} disabled={on === ""} onClick={() => onSay(stageId, on)}>
        Say it
      </Button>
    </div>
  );
}
