import { getCalendarAddress } from "@sprunel/contract/crop";
import { useQuery } from "@tanstack/react-query";
import Button from "antd/es/button";
import { useState } from "react";
import { ask } from "../http/api.ts";
import { ProblemNote } from "../parts/problem.tsx";
import styles from "./crop-of-all.module.css";

/** The address at which a telephone's calendar follows stages and nights. */
export function CalendarFeed() {
  const [opened, setOpened] = useState(false);
  const address = useQuery({
    queryKey: ["calendar address"],
    queryFn: ({ signal }) => ask(getCalendarAddress, { signal }),
    enabled: opened,
  });
  if (!opened)
    return (
      <Button type="link" className={styles["inline"] ?? ""} onClick={() => setOpened(true)}>
        In your telephone’s calendar
      </Button>
    );
  if (address.isError) return <ProblemNote error={address.error} onRetry={() => void address.refetch()} />;
  return (
    <span>
      Add this address as a calendar that is subscribed to:{" "}
      <code>{address.data ? `${window.location.origin}${address.data.path}` : "…"}</code> Who knows it reads these dates
      and nothing else.
    </span>
  );
}
