import type { Zone } from "@sprunel/contract/site";
import Button from "antd/es/button";
import Input from "antd/es/input";
import { useState } from "react";
import { EditDialog } from "../forms/edit-dialog.tsx";
import { faultsOf } from "../forms/form-errors.ts";
import { ProblemNote } from "../parts/problem.tsx";
import { useArchiveZone, useCopyZone, useDeleteZone } from "../place/use-set-up.ts";
import { QuantityInput } from "../units/quantity-input.tsx";
import { namesLike } from "./names-like.ts";
import styles from "./set-up.module.css";

const MOST_COPIES = 100;

/** Zones like this one; and what becomes of a zone that is no longer grown in. */
export function ZoneActions({
  zone,
  zones,
  onOpen,
}: {
  zone: Zone;
  zones: readonly Zone[];
  onOpen(which: number | "new"): void;
}) {
  const [copying, setCopying] = useState(false);
  const archive = useArchiveZone();
  const remove = useDeleteZone();
  const next = zones.find(({ id, archived }) => id !== zone.id && !archived)?.id ?? "new";
  const toggle = (archived: boolean): void =>
    archive.mutate({ id: zone.id, archived }, { onSuccess: () => archived && onOpen(next) });
  return (
    <section aria-label="This zone" className={styles["zoneActions"]}>
      <Button onClick={() => setCopying(true)}>Zones like this one</Button>
      {zone.archived ? (
        <Button loading={archive.isPending} onClick={() => toggle(false)}>
          Take it back
        </Button>
      ) : (
        <Button loading={archive.isPending} onClick={() => toggle(true)}>
          Put it aside
        </Button>
      )}
      <Button loading={remove.isPending} onClick={() => remove.mutate(zone.id, { onSuccess: () => onOpen(next) })}>
        Delete it, if nothing was noted
      </Button>
      {(archive.error ?? remove.error) && <ProblemNote error={(archive.error ?? remove.error) as Error} />}
      {copying && <CopyDialog zone={zone} zones={zones} onClose={() => setCopying(false)} />}
    </section>
  );
}

function CopyDialog({ zone, zones, onClose }: { zone: Zone; zones: readonly Zone[]; onClose(): void }) {
  const taken = zones.map(({ name }) => name);
  const [count, setCount] = useState<number | null>(1);
  const [typed, setTyped] = useState<Readonly<Record<number, string>>>({});
  const [faults, setFaults] = useState<readonly string[]>([]);
  const copy = useCopyZone();
  const many = Math.min(MOST_COPIES, Math.max(0, Math.floor(count ?? 0)));
  const names = namesLike(zone.name, taken, many).map((name, at) => typed[at] ?? name);
  const save = (): void => {
    setFaults(many === 0 ? ["How many zones? Type 1 to 100."] : []);
    if (many > 0)
      copy.mutate(
        { id: zone.id, names },
        { onSuccess: onClose, onError: (error) => setFaults(faultsOf(error).map(({ message }) => message)) },
      );
  };
  return (
    <EditDialog
      title={`Zones like ${zone.name}`}
      okText={many === 1 ? "Add one zone" : `Add ${many} zones`}
      width={460}
      saving={copy}
      faults={faults}
      onSave={save}
      onClose={onClose}
    >
      <p className="quiet">Each with its own name; size, crop, water, lines and tanks as here, to be changed later.</p>
      <label className={styles["copies"]}>
        How many
        <QuantityInput label="How many" unit="zones" value={count} onChange={setCount} most={MOST_COPIES} />
      </label>
      {names.map((name, at) => (
        <Input
          key={at}
          aria-label={`Name of zone ${at + 1}`}
          value={name}
          maxLength={60}
          className={styles["copyName"] ?? ""}
          onChange={(event) => setTyped({ ...typed, [at]: event.target.value })}
        />
      ))}
    </EditDialog>
  );
}
