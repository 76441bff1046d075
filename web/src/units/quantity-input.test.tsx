import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { describe, expect, it } from "vitest";
import { clockAt } from "../place/clock-at.ts";
import { QuantityInput } from "./quantity-input.tsx";
import { UnitsProvider } from "./use-units.tsx";

let kept: number | null = null;
const keep = (value: number | null): void => {
  kept = value;
};
function Typed({ start }: { start: number | null }) {
  const [value, setValue] = useState(start);
  const change = (typed: number | null): void => {
    keep(typed);
    setValue(typed);
  };
  return <QuantityInput label="Depth" quantity="depth" value={value} onChange={change} />;
}

describe("a field for a quantity", () => {
  it("shows and takes a person's own unit, and keeps the canonical one", async () => {
    render(
      <UnitsProvider siteSystem="us">
        <Typed start={25.4} />
      </UnitsProvider>,
    );
    const field = screen.getByLabelText("Depth");
    expect(field).toHaveValue("10");
    expect(screen.getByText("in")).toBeVisible();
    const user = userEvent.setup({ delay: null });
    await user.clear(field);
    await user.type(field, "12");
    expect(kept).toBeCloseTo(30.48, 6);
  });

  it("is empty where nothing is known, never zero, and can be emptied again", async () => {
    render(
      <UnitsProvider siteSystem="metric">
        <Typed start={null} />
      </UnitsProvider>,
    );
    const field = screen.getByLabelText("Depth");
    expect(field).toHaveValue("");
    const user = userEvent.setup({ delay: null });
    await user.type(field, "8");
    expect(kept).toBe(8);
    await user.clear(field);
    expect(kept).toBeNull();
  });
});

describe("the clock at the site", () => {
  it.each([
    ["2026-06-16T06:10:59.000Z", "Europe/Paris", "08:10"],
    ["2026-10-25T01:30:00.000Z", "Europe/Paris", "02:30"],
    ["2026-06-16T23:59:59.000Z", "UTC", "23:59"],
  ])("%s in %s is %s", (instant, zone, shown) => {
    expect(clockAt(instant, zone)).toBe(shown);
    expect(clockAt(Date.parse(instant), zone)).toBe(shown);
  });
});
