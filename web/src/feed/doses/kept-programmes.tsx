import { newKeptProgrammeSchema, programmeSchema, type DoseProgramme } from "@sprunel/contract/feed";
import Button from "antd/es/button";
import Input from "antd/es/input";
import Select from "antd/es/select";
import { useState } from "react";
import { FileButton } from "../../files/file-button.tsx";
import { Faults } from "../../forms/faults.tsx";
import { faultsOf } from "../../forms/form-errors.ts";
import { newKey } from "../../forms/new-key.ts";
import { useChecked } from "../../forms/use-checked.ts";
import styles from "./doses.module.css";
import { useKeepProgramme, useKeptProgrammes } from "./use-doses.ts";

/** Takes a programme up that was kept under a name, or one from a file; what is typed already gives way to it. */
export function TakeProgramme({ onTake }: { onTake(programme: DoseProgramme): void }) {
  const kept = useKeptProgrammes().data?.programmes ?? [];
  const [faults, setFaults] = useState<string[]>([]);
  const read = (bytes: Uint8Array): void => {
    const { programme, wrong } = programmeIn(new TextDecoder().decode(bytes));
    setFaults(wrong);
    if (programme) onTake(programme);
  };
  return (
    <div className={styles["line"]}>
      {kept.length > 0 && (
        <Select
          aria-label="Take up a programme that was kept"
          placeholder="take up a kept one"
          className="select-m"
          value={null}
          options={kept.map(({ id, name, version, madeIn }) => ({
            value: id,
            label: `${name}, version ${version}, of ${madeIn}`,
          }))}
          onChange={(id: number | null) => {
            const found = kept.find((one) => one.id === id);
            if (found) onTake(found.programme);
          }}
        />
      )}
      <FileButton accept=".json,application/json" onBytes={read}>
        Read one from a file
      </FileButton>
      <Faults faults={faults} error={null} />
    </div>
  );
}

function programmeIn(text: string): { programme: DoseProgramme | null; wrong: string[] } {
  let found: unknown;
  try {
    found = JSON.parse(text);
  } catch {
    return { programme: null, wrong: ["The file is no programme: it is not JSON."] };
  }
  const checked = programmeSchema.safeParse(found);
  if (checked.success) return { programme: checked.data, wrong: [] };
  return {
    programme: null,
    wrong: faultsOf(checked.error).map(({ path, message }) => (path ? `${path}: ${message}` : message)),
  };
}

/** Keeps what stands in the form under a name; the same name again makes its next version. */
export function KeepProgramme({ zoneId, typed }: { zoneId: number; typed: object }) {
  const keep = useKeepProgramme(zoneId);
  const [name, setName] = useState("");
  // One key for one version: pressed twice, or sent again after a lost answer, it is still one.
  const [key, setKey] = useState(newKey);
  const [done, setDone] = useState<string | null>(null);
  const { send, wrong } = useChecked(newKeptProgrammeSchema, keep, () => {
    setKey(newKey());
    setDone(name.trim());
  });
  return (
    <div className={styles["line"]}>
      <Input
        aria-label="Name to keep it under"
        placeholder="name to keep it under"
        className={styles["keptName"] ?? ""}
        value={name}
        onChange={({ target }) => setName(target.value)}
      />
      <Button loading={keep.isPending} onClick={() => send({ key, name, programme: typed })}>
        Keep it
      </Button>
      <a
        href={`data:application/json,${encodeURIComponent(JSON.stringify(typed, null, 2))}`}
        download="dose-programme.json"
      >
        As a file
      </a>
      {done !== null && <span role="status">Kept: {done}.</span>}
      <Faults {...wrong} />
    </div>
  );
}
