import { chargeBalance, type ChargeBalance } from "../../chemistry/ions.ts";
import { ecMsCm } from "../../chemistry/solution.ts";
import type { Stage } from "../../crop/crop.ts";
import { PUBLISHED_TARGETS, STEINER, type PublishedTarget } from "./published-targets.ts";

/** What a stage should drink, as published or as assumed from it; null where nobody has said what. */
export function stageTarget({ feed }: Pick<Stage, "feed">): PublishedTarget | null {
  return PUBLISHED_TARGETS.find(({ id }) => id === feed) ?? null;
}

/** For a crop that the library knows nothing of: Steiner's (1984) general solution at half strength, without trace elements. Strength assumed. */
export const GENERAL_TARGET: Pick<PublishedTarget, "ions" | "ph"> = {
  ions: Object.fromEntries(Object.entries(STEINER).map(([ion, amount]) => [ion, amount / 2])),
  ph: 5.8,
};

interface TargetCheck {
  readonly charge: ChargeBalance;
  /** computed from the ions at the target's pH, mS/cm */
  readonly ecMsCm: number;
  /** computed against stated, %; null where none is stated */
  readonly ecOffPct: number | null;
}

/** What a target's own figures say of each other: charges, and the EC that its ions conduct against the one stated. */
export function checkTarget({
  ions,
  ph,
  statedEcMsCm,
}: Pick<PublishedTarget, "ions" | "ph" | "statedEcMsCm">): TargetCheck {
  const ec = ecMsCm(ions, ph);
  return {
    charge: chargeBalance(ions),
    ecMsCm: ec,
    ecOffPct: statedEcMsCm === null ? null : (100 * (ec - statedEcMsCm)) / statedEcMsCm,
  };
}
