import type { Main as TypedMain } from "@sprunel/contract/plan";
import type { Main } from "@sprunel/core/schedule";
import { spanOf, type ClockSpan } from "@sprunel/core/time";

/**
 * What the zones share with its times in seconds, as a day is planned over it.
 *
 * @throws {DomainError} for what is no time of day
 */
export function mainInSeconds({ hands, tariff, rules, runs, ...shared }: TypedMain): Main {
  const spans = (some: readonly ClockSpan[], path: string) => some.map((span, at) => spanOf(span, `${path}.${at}`));
  return {
    ...shared,
    hands: hands && { ...hands, hours: spans(hands.hours, "hands.hours") },
    tariff: tariff.map(({ start, end, ...price }, at) => ({ ...spanOf({ start, end }, `tariff.${at}`), ...price })),
    rules: rules.map((rule, at) => ({
      ...rule,
      dry: spans(rule.dry, `rules.${at}.dry`),
      wet: spans(rule.wet, `rules.${at}.wet`),
    })),
    runs: runs.map(({ start, end, ...run }, at) => ({ ...spanOf({ start, end }, `runs.${at}`), ...run })),
  };
}
