import Button from "antd/es/button";
import { ApiError } from "../http/api.ts";
import styles from "./stale-edit.module.css";

interface Props {
  readonly mine: object;
  readonly theirs: object;
  onKeepMine(): void;
  onTakeTheirs(): void;
}

/** The newer record that came with a refusal, when somebody saved in between. */
export function staleOf(error: Error | null): { readonly version: number } | null {
  if (!(error instanceof ApiError) || error.problem.status !== 409) return null;
  const { current } = error.problem;
  const isRecord = typeof current === "object" && current !== null && "version" in current;
  return isRecord && typeof current.version === "number" ? { ...current, version: current.version } : null;
}

/** A record as a person sees it. */
export function withoutIdentity<T extends object>(record: T): Omit<T, "id" | "version" | "archived"> {
  const {
    id: _id,
    version: _version,
    archived: _archived,
    ...rest
  } = record as T & { id?: unknown; version?: unknown; archived?: unknown };
  return rest;
}

/** Somebody saved in between: both versions side by side, and a choice. */
export function StaleEdit({ mine, theirs, onKeepMine, onTakeTheirs }: Props) {
  const rows = differences(mine, theirs);
  return (
    <section role="alert" className={styles["stale"]}>
      <h3>Somebody else changed this since you opened it. Nothing was saved yet.</h3>
      <table>
        <thead>
          <tr>
            <th scope="col">value</th>
            <th scope="col">yours</th>
            <th scope="col">saved meanwhile</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.path}>
              <th scope="row">{row.path}</th>
              <td>{row.mine}</td>
              <td>{row.theirs}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className={styles["actions"]}>
        <Button type="primary" onClick={onKeepMine}>
          Save mine over it
        </Button>
        <Button onClick={onTakeTheirs}>Take the saved one</Button>
      </div>
    </section>
  );
}

function differences(mine: object, theirs: object, path = ""): { path: string; mine: string; theirs: string }[] {
  const [left, right] = [mine as Record<string, unknown>, theirs as Record<string, unknown>];
  return [...new Set([...Object.keys(left), ...Object.keys(right)])].flatMap((key) => {
    const [a, b] = [left[key], right[key]];
    const word = Array.isArray(mine) ? String(Number(key) + 1) : inWords(key);
    const name = path ? `${path}, ${word}` : word;
    // Lists as well: in what order a record writes its fields is no difference.
    if (typeof a === "object" && typeof b === "object" && a && b) return differences(a, b, name);
    return JSON.stringify(a) === JSON.stringify(b) ? [] : [{ path: name, mine: words(a), theirs: words(b) }];
  });
}

/** A field's name as words: `insideDiameterMm` is the inside diameter, mm. */
function inWords(key: string): string {
  return key.replace(/([a-z])([A-Z])/g, (_, before: string, after: string) => `${before} ${after.toLowerCase()}`);
}

function words(value: unknown): string {
  if (value === null || value === undefined) return "–";
  return typeof value === "string" || typeof value === "number" ? String(value) : JSON.stringify(value);
}
