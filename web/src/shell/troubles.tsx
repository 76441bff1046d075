import { getHealth } from "@sprunel/contract/basics";
import { useQuery } from "@tanstack/react-query";
import { ask } from "../http/api.ts";
import styles from "./shell.module.css";

const ASK_EVERY_MS = 60_000;

/** What the program does beside answering, and cannot do now: nobody would see it otherwise. */
export function Troubles() {
  const health = useQuery({
    queryKey: ["health"],
    queryFn: ({ signal }) => ask(getHealth, { signal }),
    refetchInterval: ASK_EVERY_MS,
  });
  const troubles = health.data?.troubles ?? [];
  if (troubles.length === 0) return null;
  return (
    <div className={styles["lost"]} role="status">
      {troubles.map(({ what, words }) => (
        <div key={what}>
          <strong>{what.charAt(0).toUpperCase() + what.slice(1)}:</strong> {words}
        </div>
      ))}
    </div>
  );
}
