import { useBoard } from "../place/use-board.ts";

/** What so much current costs, behind its kWh; nothing where the site has not said the price of it. */
export function Cost({ kwh }: { kwh: number }) {
  const site = useBoard(null).data?.site;
  if (!site || site.kwhPrice === null) return null;
  return <>, {`${(kwh * site.kwhPrice).toFixed(2)} ${site.currency}`}</>;
}
