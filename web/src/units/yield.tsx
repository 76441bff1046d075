import type { SoldAs } from "@sprunel/contract/basics";
import { Amount, Measure, useUnits } from "./use-units.tsx";

/** What came off the ground, as its crop is sold: in mass, or in heads and pots. */
export function Yield({ soldAs, perM2 }: { soldAs: SoldAs; perM2: number }) {
  const { show } = useUnits();
  if (soldAs.kind === "mass") return <Amount quantity="yield" value={perM2} />;
  const { text, unit } = show("density", perM2);
  return <Measure text={text} unit={`${soldAs.many}/${unit.replace("per ", "")}`} />;
}
