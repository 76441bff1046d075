import type { ReactNode } from "react";
import { Link } from "react-router";
import { usePlace } from "./use-place.ts";

/** To the set-up of the zone that is looked at; of the site where it is none, or of a new zone. */
export function SetUpLink({ of = "here", children }: { of?: "here" | "site" | "new"; children: ReactNode }) {
  const { zoneId } = usePlace();
  return <Link to={setUpAddress(of === "here" ? (zoneId ?? "site") : of)}>{children}</Link>;
}

/** @param which a zone's id, the site, or a zone that is yet to be added */
export function setUpAddress(which: number | "site" | "new"): string {
  return `/set-up?zone=${which}`;
}
