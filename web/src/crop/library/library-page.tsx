import { cropFileSchema, type CropLibrary } from "@sprunel/contract/crop";
import { CROP_GROUPS } from "@sprunel/core/crop";
import Input from "antd/es/input";
import { Outline } from "../../parts/outline.tsx";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import { FileButton } from "../../files/file-button.tsx";
import { Faults } from "../../forms/faults.tsx";
import { faultsOf } from "../../forms/form-errors.ts";
import { ProblemNote } from "../../parts/problem.tsx";
import styles from "./library.module.css";
import { useCropLibrary, useImportCrop } from "./use-library.ts";

/** Every crop that can be planted: one's own first, then the library by groups. */
export function LibraryPage() {
  const library = useCropLibrary();
  const [sought, setSought] = useState("");
  if (library.isError && !library.data)
    return <ProblemNote error={library.error} onRetry={() => void library.refetch()} />;
  if (!library.data) return <Outline />;
  const found = library.data.crops.filter(({ name, group }) =>
    `${name} ${group}`.toLowerCase().includes(sought.trim().toLowerCase()),
  );
  const own = found.filter((crop) => crop.own);
  const groups = CROP_GROUPS.filter((group) => found.some((crop) => !crop.own && crop.group === group));
  return (
    <div className={styles["page"]}>
      <h1>Crops</h1>
      <p className="quiet">
        Stages, water, feed and bands of each. Begin one of your own from the nearest; what you change stays visible.
      </p>
      <div className={styles["bar"]}>
        <Input
          allowClear
          aria-label="Find a crop"
          placeholder="Find a crop"
          value={sought}
          onChange={({ target }) => setSought(target.value)}
        />
        <Import />
      </div>
      {own.length > 0 && <Group name="your own" crops={own} />}
      {groups.map((group) => (
        <Group key={group} name={group} crops={found.filter((crop) => !crop.own && crop.group === group)} />
      ))}
      {found.length === 0 && <p>No crop is called so. Begin one of your own from the nearest in the library.</p>}
    </div>
  );
}

function Group({ name, crops }: { name: string; crops: CropLibrary["crops"] }) {
  return (
    <section aria-label={name}>
      <h2 className={styles["group"]}>{name}</h2>
      <ul className={styles["crops"]}>
        {crops.map(({ id, name: crop, days, zones, assumed, figures }) => (
          <li key={id}>
            <Link to={`/crops/${id}`}>
              <strong>{crop}</strong>
              <span>
                {days} days{zones > 0 && ` · in ${zones} ${zones === 1 ? "zone" : "zones"}`}
              </span>
              <span>
                {assumed === 0 ? "all figures published" : `${figures - assumed} of ${figures} figures published`}
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Reads a crop's file: whole, or not at all with the place of what cannot be. */
function Import() {
  const navigate = useNavigate();
  const read = useImportCrop();
  const [faults, setFaults] = useState<string[]>([]);
  const take = (bytes: Uint8Array): void => {
    const file = parsed(new TextDecoder().decode(bytes));
    const checked = cropFileSchema.safeParse(file);
    if (!checked.success) {
      setFaults(faultsOf(checked.error).map(({ path, message }) => (path ? `${path}: ${message}` : message)));
      return;
    }
    setFaults([]);
    read.mutate(checked.data, { onSuccess: ({ id }) => void navigate(`/crops/${id}`) });
  };
  return (
    <>
      <FileButton accept=".json" onBytes={take}>
        Read a crop’s file
      </FileButton>
      <div className={styles["faults"]}>
        <Faults
          faults={faults.length > 0 ? faults : read.error ? faultsOf(read.error).map(({ message }) => message) : []}
          error={read.error}
        />
      </div>
    </>
  );
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return null;
  }
}
