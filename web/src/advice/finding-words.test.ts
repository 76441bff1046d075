import type { Decision, Finding, Proposal } from "@sprunel/contract/advice";
import type { Quantity } from "@sprunel/core/units";
import { describe, expect, it } from "vitest";
import type { Dates } from "../units/dates.tsx";
import { showQuantity } from "../units/show.ts";
import { decisionWords, findingWords, proposalWords } from "./finding-words.ts";

const metric = (quantity: Quantity, value: number) => showQuantity(quantity, value, "metric");
const us = (quantity: Quantity, value: number) => showQuantity(quantity, value, "us");
const said = (finding: Finding, show = metric) => findingWords(finding, show);
const drain = { mark: "act", drainPct: 12, targetPct: 28, drainEcMsCm: 4.3 } as const;

describe("what is off, in words", () => {
  it("names the drain with its target, and its EC only where that was read", () => {
    expect(said({ cause: "drain-low", ...drain })).toMatchObject({
      title: "too little drain",
      reason: "Drain 12 % of a target of 28 %, at EC 4.3 mS/cm.",
    });
    expect(said({ cause: "drain-high", ...drain, drainPct: 51, drainEcMsCm: null })).toMatchObject({
      title: "too much drain",
      reason: "Drain 51 % of a target of 28 %.",
    });
  });

  it("tells on which side the feed at the dripper is, and by how much", () => {
    const at = (dripEcMsCm: number) => said({ cause: "dosing", mark: "act", dripEcMsCm, feedEcMsCm: 2 });
    expect(at(1.7)).toMatchObject({
      title: "the feed arrives too weak",
      reason: /1\.7 mS\/cm, 15 % under the mixed 2/,
    });
    expect(at(2.3)).toMatchObject({
      title: "the feed arrives too strong",
      reason: /2\.3 mS\/cm, 15 % over the mixed 2/,
    });
  });

  it("tells on which side the water is, and looks for the fitting fault", () => {
    const of = (givenL: number) => said({ cause: "delivery", mark: "act", givenL, plannedL: 1000 });
    expect(of(770)).toMatchObject({ title: "23 % less water than planned", next: "Check filter, pressure and valve." });
    expect(of(1230)).toMatchObject({ title: "23 % more water than planned", next: /leak or an open flush valve/ });
  });

  it("is in the units of whoever reads", () => {
    const dry: Finding = { cause: "too-dry", mark: "act", depletionMm: 25.4, triggerMm: 12.7 };
    expect(said(dry).reason).toMatch(/^25 L\/m² short, with the trigger at 1[23] L\/m²\.$|^25\.4/);
    expect(said(dry, us).reason).toMatch(/^1\.00? in short, with the trigger at 0\.50? in\.$/);
  });

  it("names salt, a window and a reading that is missing", () => {
    expect(said({ cause: "salt", mark: "act", drainEcMsCm: 4.5, feedEcMsCm: 2.3 }).reason).toBe(
      "Drain EC 4.5 mS/cm over a feed of 2.3 mS/cm.",
    );
    expect(said({ cause: "window-short", mark: "act", unmetL: 600 }).reason).toMatch(/^600 L do not fit/);
    expect(said({ cause: "no-drain-reading", mark: "watch", days: 4 }).reason).toMatch(/for 4 days/);
  });
});

describe("a computed cure, in words", () => {
  const water = (litres: number, pulses: number) => ({ litres, pulses, minutes: 20 });
  const proposal: Proposal = {
    correction: { demandFactor: 1.22, drainSharePct: null },
    fromDate: "2026-06-21",
    before: water(900, 1),
    after: water(1100, 6),
  };
  const words = (more: Partial<Proposal> = {}) => proposalWords({ ...proposal, ...more }, metric, "Sun 21 Jun");

  it("is the first day with it beside the day as it would have been", () => {
    expect(words()).toMatch(/^From Sun 21 Jun: 1.100 L in 6 pulses, not 900 L in 1 pulse\.$/);
  });

  it("is told by the uptake where no day is known yet, and says what runs out against salt", () => {
    expect(words({ before: null })).toBe("From Sun 21 Jun: 1.22 times the modelled uptake.");
    expect(words({ correction: { demandFactor: 1, drainSharePct: 43 } })).toMatch(
      /, letting 43 % run out against salt\.$/,
    );
  });
});

describe("a decision, in words", () => {
  const decision: Decision = {
    ...{ id: 1, verdict: "accepted", decidedAt: "2026-06-20T08:00:00.000Z", fromDate: "2026-06-21", reason: null },
    correction: { demandFactor: 1.22, drainSharePct: null },
  };
  const words = (more: Partial<Decision>) =>
    decisionWords({ ...decision, ...more }, () => "20 Jun", { show: (date: string) => date } as unknown as Dates);

  it("tells who accepted, who changed and who left it, and why", () => {
    expect(words({})).toBe("Accepted on 20 Jun, in force from 2026-06-21 at 1.22 times the model.");
    expect(words({ verdict: "changed" })).toMatch(/^Changed on 20 Jun/);
    expect(words({ verdict: "dismissed", reason: "tray had moved" })).toBe("Left on 20 Jun: tray had moved");
  });
});
