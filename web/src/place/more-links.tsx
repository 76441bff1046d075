import { Link } from "react-router";
import { setUpAddress } from "./set-up-link.tsx";
import { usePlace } from "./use-place.ts";

/** What serves all stations stands below the zones. */
const LINKS: readonly (readonly [to: string, name: string])[] = [
  ["/weather", "Import weather"],
  ["/import/readings", "Import readings"],
  ["/import/soil-tests", "Import soil tests"],
  ["/import/water", "Import lab reports"],
  ["/import/picks", "Import picks"],
  ["/import/shelf", "Import the shelf"],
];

export function MoreLinks({ className }: { className: string | undefined }) {
  const { zoneId } = usePlace();
  return (
    <nav className={className} aria-label="More">
      <Link to={zoneId === null ? "/set-up" : setUpAddress(zoneId)}>Set-up</Link>
      {LINKS.map(([to, name]) => (
        <Link key={to} to={to}>
          {name}
        </Link>
      ))}
    </nav>
  );
}
