import { render, screen, within } from "@testing-library/react";
import type { Balance } from "@sprunel/contract/rootzone";
import userEvent from "@testing-library/user-event";
import { describe, expect, it } from "vitest";
import { UnitsProvider } from "../units/use-units.tsx";
import { BalanceTable } from "./balance-table.tsx";

const nothing: Balance = {
  days: 1,
  givenMm: 0,
  rainMm: 0,
  reachedMm: 0,
  correctedMm: 0,
  takenMm: 0,
  shortMm: 0,
  drainMm: 0,
  lostMm: 0,
  overflowMm: 0,
  changeMm: 0,
  salt: null,
  nitrogen: null,
};
const day = { ...nothing, givenMm: 5, takenMm: 4, lostMm: 1 };
const planting = { ...day, days: 60, givenMm: 254, rainMm: 25.4, changeMm: -3 };

const shown = (siteSystem: "metric" | "us") =>
  render(
    <UnitsProvider siteSystem={siteSystem}>
      <BalanceTable balances={{ day, week: { ...day, days: 7 }, planting }} />
    </UnitsProvider>,
  );
const cells = (words: string): (string | null)[] =>
  within(screen.getByText(words).closest("tr") as HTMLElement)
    .getAllByRole("cell")
    .slice(1)
    .map(({ textContent }) => textContent);

describe("where the water went", () => {
  it("stands side by side for the day, the week and the planting, under their unit", () => {
    shown("metric");
    expect(screen.getByRole("columnheader", { name: "L/m²" })).toBeVisible();
    expect(cells("given")).toEqual(["5.0", "5.0", "254"]);
    expect(cells("stored (− drawn down)")).toEqual(["0", "0", "−3.0"]);
  });

  it("leaves out what is nothing in all of them", () => {
    shown("metric");
    expect(screen.queryByText("run over")).toBeNull();
    expect(screen.queryByText("missing")).toBeNull();
    expect(screen.getByText("rain")).toBeVisible();
  });

  it("is in inches for an American grower", () => {
    shown("us");
    expect(screen.getByRole("columnheader", { name: "in" })).toBeVisible();
    expect(cells("rain")).toEqual(["0", "0", "1.0"]);
  });

  it("tells the nitrogen and the salt in it in kg/ha when they are chosen", async () => {
    const books = { in: 1.2, reached: 0, freed: 0, corrected: 0, taken: 0.9, out: 0.2, change: 0.1 };
    render(
      <UnitsProvider siteSystem="metric">
        <BalanceTable
          balances={{
            day: { ...day, nitrogen: books, salt: { ...books, in: 12 } },
            week: { ...day, days: 7, nitrogen: books, salt: books },
            planting: { ...planting, nitrogen: books, salt: books },
          }}
        />
      </UnitsProvider>,
    );
    await userEvent.click(screen.getByText("Nitrogen"));
    const nitrogen = within(screen.getByRole("region", { name: "Balance of nitrogen" }));
    expect(nitrogen.getByRole("columnheader", { name: "kg/ha" })).toBeVisible();
    expect(nitrogen.getByText("with the water given").closest("tr")).toHaveTextContent("with the water given121212");
    expect(nitrogen.queryByText("in soil that roots grew into")).toBeNull();
    await userEvent.click(screen.getByText("Salt"));
    // 12 mS/cm · mm hold 7.68 g/m²
    const salt = within(screen.getByRole("region", { name: "Balance of salt" }));
    expect(salt.getByText("with the water given").closest("tr")).toHaveTextContent("with the water given76.87.687.68");
  });

  it("says nothing of nitrogen where nobody knows what was in the water", () => {
    shown("metric");
    expect(screen.queryByText("Nitrogen")).toBeNull();
    expect(screen.queryByText("Salt")).toBeNull();
  });
});
