import Button from "antd/es/button";
import styles from "./set-up.module.css";

interface Props {
  readonly mine: object;
  readonly theirs: object;
  onKeepMine(): void;
  onTakeTheirs(): void;
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
  return Object.keys(left).flatMap((key) => {
    const [a, b] = [left[key], right[key]];
    const name = path ? `${path} ${key}` : key;
    if (typeof a === "object" && typeof b === "object" && a && b && !Array.isArray(a)) return differences(a, b, name);
    return JSON.stringify(a) === JSON.stringify(b) ? [] : [{ path: name, mine: words(a), theirs: words(b) }];
  });
}

function words(value: unknown): string {
  return typeof value === "string" || typeof value === "number" ? String(value) : JSON.stringify(value);
}
