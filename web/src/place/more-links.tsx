import { Link } from "react-router";

/** What serves all stations stands below the zones. */
const LINKS: readonly (readonly [to: string, name: string])[] = [
  ["/set-up", "Set-up"],
  ["/weather", "Import weather"],
  ["/import/readings", "Import readings"],
  ["/import/soil-tests", "Import soil tests"],
  ["/import/picks", "Import picks"],
  ["/import/shelf", "Import the shelf"],
];

export function MoreLinks({ className }: { className: string | undefined }) {
  return (
    <nav className={className} aria-label="More">
      {LINKS.map(([to, name]) => (
        <Link key={to} to={to}>
          {name}
        </Link>
      ))}
    </nav>
  );
}
