import { stationSchema, type Station } from "@sprunel/contract/advice";
import { useCallback, useMemo } from "react";
import { useNavigate, useParams, useSearchParams } from "react-router";

/** Where a person is: a zone (or all of them) at a station (or at the board), on a date (or today). Each can change without losing the others. */
export interface Place {
  readonly zoneId: number | null;
  readonly station: Station | null;
  readonly date: string | null;
}

function placeAddress({ zoneId, station, date }: Place): string {
  const path = zoneId === null ? `/${station ?? ""}` : `/zones/${zoneId}/${station ?? "run"}`;
  return date === null ? path : `${path}?date=${date}`;
}

export function usePlace(): Place & { go(change: Partial<Place>): void; addressOf(change: Partial<Place>): string } {
  const params = useParams();
  const [search] = useSearchParams();
  const navigate = useNavigate();
  const zoneId = params["zoneId"] === undefined ? null : Number(params["zoneId"]);
  const station = stationSchema.safeParse(params["station"]).data ?? null;
  const asked = search.get("date");
  const date = asked !== null && /^\d{4}-\d{2}-\d{2}$/.test(asked) ? asked : null;
  const place = useMemo(() => ({ zoneId, station, date }), [zoneId, station, date]);
  const addressOf = useCallback((change: Partial<Place>) => placeAddress({ ...place, ...change }), [place]);
  const go = useCallback((change: Partial<Place>) => void navigate(addressOf(change)), [navigate, addressOf]);
  return { ...place, go, addressOf };
}
