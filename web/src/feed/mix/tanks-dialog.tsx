import { feedSettingsSchema, type ZoneFeed } from "@sprunel/contract/feed";
import Button from "antd/es/button";
import Checkbox from "antd/es/checkbox";
import Input from "antd/es/input";
import { useState } from "react";
import { EditDialog } from "../../forms/edit-dialog.tsx";
import { StaleEdit, staleOf, withoutIdentity } from "../../forms/stale-edit.tsx";
import { faultsOf } from "../../forms/form-errors.ts";
import tables from "../../theme/tables.module.css";
import { QuantityInput } from "../../units/quantity-input.tsx";
import shared from "../feed.module.css";
import styles from "./mix.module.css";
import { useSaveSettings } from "../use-feed.ts";

interface Row {
  readonly id: string;
  readonly volumeL: number | null;
  readonly dilution: number | null;
}

/** Up to three tanks with their dilution (1 is feed mixed directly), and the steps of the two scales. */
export function TanksDialog({ feed, onClose }: { feed: ZoneFeed; onClose(): void }) {
  const [{ version, ...before }] = useState(feed.settings);
  const [tanks, setTanks] = useState<readonly Row[]>(before.tanks);
  const [coarseG, setCoarse] = useState<number | null>(before.coarseG);
  const [fineG, setFine] = useState<number | null>(before.fineG);
  const [mixed, setMixed] = useState(before.mixed);
  const [faults, setFaults] = useState<readonly string[]>([]);
  const save = useSaveSettings(feed.zoneId);
  const set = (at: number, part: Partial<Row>): void =>
    setTanks(tanks.map((row, index) => (index === at ? { ...row, ...part } : row)));
  const stale = staleOf(save.error);
  const submit = (at = version): void => {
    const parsed = feedSettingsSchema.safeParse({
      tanks: tanks.map(({ id, volumeL, dilution }) => ({
        id,
        volumeL: volumeL ?? undefined,
        dilution: dilution ?? undefined,
      })),
      coarseG: coarseG ?? undefined,
      fineG: fineG ?? undefined,
      wishes: before.wishes,
      mixed,
    });
    if (!parsed.success) {
      setFaults(faultsOf(parsed.error).map(({ message }) => message));
      return;
    }
    setFaults([]);
    save.mutate({ version: at, settings: parsed.data }, { onSuccess: onClose });
  };
  return (
    <EditDialog
      title="Tanks and scales"
      width={600}
      saving={stale ? { ...save, error: null } : save}
      faults={faults}
      onSave={() => submit()}
      onClose={onClose}
    >
      {stale && (
        <StaleEdit
          mine={{ ...before, tanks, coarseG, fineG, mixed }}
          theirs={withoutIdentity(stale)}
          onKeepMine={() => submit(stale.version)}
          onTakeTheirs={onClose}
        />
      )}
      <table className={tables["table"]}>
        <thead>
          <tr>
            <th scope="col">tank</th>
            <th scope="col">holds</th>
            <th scope="col">one litre makes, of feed</th>
            <th scope="col" />
          </tr>
        </thead>
        <tbody>
          {tanks.map((tank, at) => (
            <tr key={at}>
              <td>
                <Input
                  value={tank.id}
                  aria-label={`Name of tank ${at + 1}`}
                  onChange={(event) => set(at, { id: event.target.value })}
                  className={styles["tankName"]}
                />
              </td>
              <td className={shared["shelfInput"]}>
                <QuantityInput
                  label={`Tank ${tank.id} holds`}
                  quantity="volume"
                  value={tank.volumeL}
                  onChange={(volumeL) => set(at, { volumeL })}
                />
              </td>
              <td className={shared["shelfInput"]}>
                <QuantityInput
                  label={`Dilution of tank ${tank.id}`}
                  unit="L"
                  value={tank.dilution}
                  onChange={(dilution) => set(at, { dilution })}
                />
              </td>
              <td>
                {tanks.length > 1 && (
                  <Button type="link" size="small" onClick={() => setTanks(tanks.filter((_, index) => index !== at))}>
                    remove
                  </Button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {tanks.length < 3 && (
        <Button
          size="small"
          onClick={() =>
            setTanks([...tanks, { id: ["A", "B", "C"][tanks.length] ?? "C", volumeL: 200, dilution: 100 }])
          }
        >
          One tank more
        </Button>
      )}
      <Checkbox checked={mixed} onChange={(event) => setMixed(event.target.checked)}>
        Its feed is mixed by recipe; without the tick it stands in no list of tanks, costs and orders
      </Checkbox>
      <div className={styles["scales"]}>
        <label>
          Scale for bags, from 1 kg
          <QuantityInput label="Step of the scale for bags" unit="g steps" value={coarseG} onChange={setCoarse} />
        </label>
        <label>
          Fine scale, under 1 kg
          <QuantityInput label="Step of the fine scale" unit="g steps" value={fineG} onChange={setFine} />
        </label>
      </div>
    </EditDialog>
  );
}
