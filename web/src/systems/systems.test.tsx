import type { Roots } from "@sprunel/contract/rootzone";
import { SYSTEM_NAMES, type System } from "@sprunel/contract/site";
import { fieldsOf, SYSTEMS } from "@sprunel/core/systems";
import { render, screen } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { SiteWays } from "../place/site-ways.tsx";
import { site } from "../testing/sample-site.ts";
import { showQuantity } from "../units/show.ts";
import type { Show, StoredRoots } from "./system-words.ts";
import type { VesselKind } from "./system-view.ts";
import { SYSTEM_VIEWS } from "./views.ts";
import { SYSTEM_WORDS } from "./words.ts";

const stored = (system: System, more: Partial<StoredRoots> = {}): StoredRoots => ({
  kind: "stored",
  system,
  depletionMm: 6,
  triggerMm: 12,
  availableMm: 24,
  levelCm: 20,
  levelAtTriggerCm: 15,
  ecMsCm: 1.8,
  ph: 5.9,
  readAt: null,
  ...more,
});
const metric: Show = (quantity, value) => showQuantity(quantity, value, "metric");
const state = (roots: StoredRoots, byWater = false): string => {
  const { key, sub } = SYSTEM_WORDS[roots.system].state(roots, metric, byWater);
  return `${key.text} ${key.unit}; ${sub}`;
};

function section(roots: Roots, vessel?: VesselKind) {
  const { Section } = SYSTEM_VIEWS[roots.system];
  return render(
    <SiteWays site={site}>
      <Section roots={roots} vessel={vessel} />
    </SiteWays>,
  );
}

describe("the state of a root zone in words", () => {
  it("is told as its grower says it: short, held, flooded, in the tube, by strength", () => {
    expect(state(stored("soil-drip"))).toBe("6.0 L/m² short; watered from 12 L/m²");
    expect(state(stored("soil-drip", { depletionMm: -3.27 }))).toMatch(/^3\.27 L\/m² over full/);
    expect(state(stored("sub-irrigated-bench"))).toBe("75 % of held; flooded at 50 %");
    expect(state(stored("basin", { levelCm: 4, levelAtTriggerCm: -15 }))).toBe(
      "4.0 cm flooded; flooded again at −15 cm",
    );
    expect(state(stored("basin", { levelCm: -8.5 }))).toMatch(/^−8\.5 cm in tube/);
    expect(state(stored("solution-tank"))).toBe("1.8 mS/cm; 20 cm deep · pH 5.9");
    expect(state(stored("solution-tank"), true)).toBe("20 cm deep; filled at 15 cm");
  });

  it("leaves what nobody knows unsaid, and never makes it a nought", () => {
    expect(state(stored("solution-tank", { ecMsCm: null, ph: null }))).toBe("20 cm deep; 20 cm deep, filled at 15 cm");
    expect(state(stored("solution-tank", { levelCm: null }), true)).not.toMatch(/\b0/);
    expect(state(stored("basin", { levelCm: null }))).toMatch(/^– /);
  });
});

describe.each(SYSTEM_NAMES)("%s", (system) => {
  it("is drawn with its state beside it", () => {
    const view = SYSTEMS[system].drains
      ? section({
          kind: "drained",
          system,
          heldPct: 74,
          drain: { on: "2026-06-16", at: "2026-06-16T06:00:00Z", sharePct: 27, ecMsCm: 3.1, feedEcMsCm: 2.4, ph: 6.1 },
          drainTargetPct: 25,
        })
      : section(stored(system));
    expect(screen.getByRole("img")).toBeVisible();
    expect(view.container.textContent).toMatch(
      SYSTEMS[system].drains ? /74 %.*drain 27 %, EC 3\.1 mS\/cm.*target 25 %/ : /\d/,
    );
  });

  it("asks for a stand of its own, and draws a cut across it from the layout that it starts with", () => {
    const { questions, cut } = SYSTEM_VIEWS[system];
    expect([questions.big, questions.planted].flat().map(({ label }) => label)).not.toContain("");
    const { vessel } = SYSTEMS[system].layout;
    if (vessel) expect(questions.vessels[vessel.kind]?.name).toBeTruthy();
    const figures = Object.fromEntries(fieldsOf(system).map(({ key, start }) => [key, start?.value]));
    const layout = { ...SYSTEMS[system].layout, beds: 2, lengthM: 10 };
    const { picture, words } = cut({ layout, figures }, (cm) => `${cm} cm`);
    const { container } = render(<svg>{picture}</svg>);
    expect(container.querySelectorAll("path, rect, circle").length).toBeGreaterThan(2);
    expect(words).not.toMatch(/undefined|NaN/);
  });
});

describe("a section", () => {
  it("says that no drain was read, and what it holds as unknown", () => {
    const { container } = section({
      kind: "drained",
      system: "substrate",
      heldPct: null,
      drain: null,
      drainTargetPct: 30,
    });
    expect(container.textContent).toContain("?");
    expect(container.textContent).toContain("no drain reading");
    expect(screen.getByRole("img")).toHaveAccessibleName("A bag that holds an unknown share of its water");
  });

  it("is of what the roots live in: a pot tapers, a film falls to its tank", () => {
    section({ kind: "drained", system: "substrate", heldPct: 50, drain: null, drainTargetPct: 30 }, "pot");
    expect(screen.getByRole("img")).toHaveAccessibleName("A pot that holds 50 % of its water");
    section(stored("solution-tank"), "film");
    expect(screen.getByRole("img", { name: "Channels that return to a tank" })).toBeVisible();
  });

  it("fills higher the less is missing", () => {
    const waterOf = (depletionMm: number): number => {
      const { container } = section(stored("soil-drip", { depletionMm }));
      const fill = container.querySelector('rect[fill="var(--water)"]');
      return Number(fill?.getAttribute("height"));
    };
    expect(waterOf(2)).toBeGreaterThan(waterOf(18));
    expect(waterOf(24)).toBe(0);
  });
});
