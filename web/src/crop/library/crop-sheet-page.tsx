import { addressOf as fileAddress } from "@sprunel/contract/basics";
import { cropDefinitionSchema, getCropFile, type CropDefinition, type LibraryCrop } from "@sprunel/contract/crop";
import Button from "antd/es/button";
import Input from "antd/es/input";
import { Outline } from "../../parts/outline.tsx";
import { useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { Faults } from "../../forms/faults.tsx";
import { faultsOf, type Fault } from "../../forms/form-errors.ts";
import { StaleEdit, staleOf } from "../../forms/stale-edit.tsx";
import { useDraft } from "../../forms/use-draft.ts";
import { ProblemNote } from "../../parts/problem.tsx";
import { usePlace } from "../../place/use-place.ts";
import { differences } from "./crop-figures.ts";
import { FiguresTable, PracticesTable, StagesTable } from "./crop-tables.tsx";
import styles from "./library.module.css";
import { useAddOwnCrop, useChangeOwnCrop, useCrop, useRemoveOwnCrop } from "./use-library.ts";

/** A crop with every figure and where it is from; one's own can be changed. */
export function CropSheetPage() {
  const { cropId = "" } = useParams();
  const crop = useCrop(cropId);
  if (crop.isError && !crop.data) return <ProblemNote error={crop.error} onRetry={() => void crop.refetch()} />;
  if (!crop.data) return <Outline />;
  return <Sheet key={crop.data.id} found={crop.data} />;
}

function Sheet({ found }: { found: LibraryCrop }) {
  const { addressOf } = usePlace();
  const draft = useDraft<CropDefinition>({ version: found.version, value: found.crop });
  const isOwn = found.version !== null;
  const crop = draft.value;
  const base = found.basedOn?.crop ?? null;
  const [faults, setFaults] = useState<Fault[]>([]);
  return (
    <div className={styles["page"]}>
      <h1>{isOwn ? crop.name || "Without a name" : found.crop.name}</h1>
      <p className="quiet">
        <Link to="/crops">All crops</Link> · {crop.group}
        {found.basedOn &&
          ` · yours, from ${found.basedOn.crop.name}: ${differWords(differences(crop, found.basedOn.crop))}`}
        {found.zones.map(({ id, name }) => (
          <span key={id}>
            {" · "}
            <Link to={addressOf({ zoneId: id, station: "crop" })}>{name}</Link>
          </span>
        ))}
      </p>
      <Actions found={found} />
      {isOwn && (
        <label>
          Name <Input value={crop.name} onChange={({ target }) => draft.set({ ...crop, name: target.value })} />
        </label>
      )}
      <StagesTable
        crop={crop}
        base={base}
        feeds={found.feeds}
        faults={faults}
        {...(isOwn && { onChange: draft.set })}
      />
      <FiguresTable crop={crop} base={base} faults={faults} {...(isOwn && { onChange: draft.set })} />
      <PracticesTable crop={crop} />
      {isOwn && <Save found={found} draft={draft} onFaults={setFaults} />}
    </div>
  );
}

function differWords(count: number): string {
  if (count === 0) return "no figure differs";
  return count === 1 ? "one figure differs" : `${count} figures differ`;
}

function Actions({ found }: { found: LibraryCrop }) {
  const navigate = useNavigate();
  const add = useAddOwnCrop();
  const remove = useRemoveOwnCrop(found.id);
  const [name, setName] = useState<string | null>(null);
  const begin = (): void =>
    add.mutate(
      { basedOn: found.id, name: name ?? "" },
      {
        onSuccess: ({ id }) => {
          setName(null);
          void navigate(`/crops/${id}`);
        },
      },
    );
  const problem = add.error ?? remove.error;
  return (
    <>
      <div className={styles["actions"]}>
        {name === null ? (
          <Button
            type={found.version === null ? "primary" : "default"}
            size="large"
            onClick={() => setName(`${found.crop.name}, ours`)}
          >
            Begin a crop of your own from it
          </Button>
        ) : (
          <>
            <Input
              aria-label="Name of your crop"
              value={name}
              onChange={({ target }) => setName(target.value)}
              onPressEnter={begin}
            />
            <Button type="primary" loading={add.isPending} onClick={begin}>
              Begin it
            </Button>
            <Button onClick={() => setName(null)}>Not now</Button>
          </>
        )}
        <a href={fileAddress(getCropFile, { id: found.id })} download={`${found.id}.json`}>
          Save as a file
        </a>
        {found.version !== null && found.zones.length === 0 && (
          <Button
            type="link"
            danger
            loading={remove.isPending}
            onClick={() => remove.mutate(undefined, { onSuccess: () => void navigate("/crops") })}
          >
            Delete it
          </Button>
        )}
      </div>
      <Faults faults={problem ? faultsOf(problem).map(({ message }) => message) : []} error={problem} />
    </>
  );
}

function Save({
  found,
  draft,
  onFaults,
}: {
  found: LibraryCrop;
  draft: ReturnType<typeof useDraft<CropDefinition>>;
  onFaults(faults: Fault[]): void;
}) {
  const change = useChangeOwnCrop(found.id);
  const [stray, setStray] = useState<string[]>([]);
  const save = (version: number): void => {
    const checked = cropDefinitionSchema.safeParse(draft.value);
    const wrong = checked.success ? [] : faultsOf(checked.error);
    onFaults(wrong);
    setStray(
      wrong.length > 0
        ? [`${wrong.length === 1 ? "One figure" : `${wrong.length} figures`} cannot be: ${wrong[0]?.message ?? ""}`]
        : [],
    );
    if (checked.success)
      change.mutate(
        { version, crop: checked.data },
        { onError: (error) => setStray(faultsOf(error).map(({ message }) => message)) },
      );
  };
  const newer = staleOf(change.error) as { version: number; crop: CropDefinition } | null;
  if (!draft.changed && stray.length === 0) return null;
  return (
    <div className={styles["sticky"]}>
      <Faults faults={newer ? [] : stray} error={newer ? null : change.error} />
      {newer ? (
        <StaleEdit
          mine={draft.value}
          theirs={newer.crop}
          onKeepMine={() => save(newer.version)}
          onTakeTheirs={() => {
            change.reset();
            draft.take({ version: newer.version, value: newer.crop });
          }}
        />
      ) : (
        <Button type="primary" size="large" loading={change.isPending} onClick={() => save(draft.version ?? 1)}>
          Save the crop
        </Button>
      )}
    </div>
  );
}
