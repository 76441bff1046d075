import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { beforeEach, describe, expect, it } from "vitest";
import { QuantityInput } from "./quantity-input.tsx";
import { UnitsProvider } from "./use-units.tsx";

let kept: number | null = null;

function Field({
  start = null,
  system = "metric",
  ...more
}: { start?: number | null; system?: "metric" | "us" } & Partial<Parameters<typeof QuantityInput>[0]>) {
  const [value, setValue] = useState<number | null>(start);
  return (
    <UnitsProvider siteSystem={system}>
      <QuantityInput
        label="Amount"
        unit="L"
        {...more}
        value={value}
        onChange={(next) => {
          kept = next;
          setValue(next);
        }}
      />
      <button type="button" onClick={() => setValue(7)}>
        from elsewhere
      </button>
    </UnitsProvider>
  );
}
const field = () => screen.getByRole("textbox", { name: "Amount" });

describe("a field for a number", () => {
  beforeEach(() => {
    localStorage.clear();
    kept = null;
  });

  it.each([
    ["1,9", 1.9],
    ["1.9", 1.9],
    ["-0,5", -0.5],
    ["1 234,5", 1234.5],
    ["", null],
  ])("takes %s as it is typed, and shows it plain once it is left", async (typed, value) => {
    render(<Field start={3} />);
    await userEvent.clear(field());
    if (typed) await userEvent.type(field(), typed);
    expect(field()).toHaveValue(typed);
    expect(kept).toBe(value);
    await userEvent.tab();
    expect(field()).toHaveValue(value === null ? "" : String(value));
  });

  it("asks which was meant where a mark can be read two ways, and passes nothing on before", async () => {
    render(<Field />);
    await userEvent.type(field(), "1.234");
    expect(kept).toBeNaN();
    expect(screen.getByRole("alert")).toHaveTextContent("Is 1.234 about 1.23 or 1 234?");
    await userEvent.click(screen.getByRole("button", { name: /^1\s234$/ }));
    expect(kept).toBe(1234);
    expect(screen.queryByRole("alert")).toBeNull();
  });

  it("asks nothing where only one of the two can be", async () => {
    render(<Field most={90} unit="°" />);
    await userEvent.type(field(), "43.412");
    expect(kept).toBe(43.412);
    expect(screen.queryByRole("alert")).toBeNull();
  });

  it("keeps what is no number to be corrected, and says so", async () => {
    render(<Field />);
    await userEvent.type(field(), "1,9x");
    await userEvent.tab();
    expect(field()).toHaveValue("1,9x");
    expect(field()).toHaveAttribute("aria-invalid", "true");
    expect(screen.getByRole("alert")).toHaveTextContent("“1,9x” is no number");
    expect(kept).toBeNaN();
  });

  it("lets a sum go on with the last number meanwhile", async () => {
    render(<Field live start={5} />);
    await userEvent.type(field(), "x");
    expect(field()).toHaveValue("5x");
    expect(kept).toBeNull();
    expect(screen.getByRole("alert")).toBeInTheDocument();
  });

  it("keeps the canonical unit of what is typed in another", async () => {
    render(<Field quantity="volume" system="us" />);
    await userEvent.type(field(), "1,5");
    expect(kept).toBeCloseTo(1.5 * 3.785411784, 9);
    await userEvent.tab();
    expect(field()).toHaveValue("1.5");
  });

  it("shows no more digits than count, and what comes from elsewhere", async () => {
    render(<Field start={1.2083333333333335} />);
    expect(field()).toHaveValue("1.20833");
    await userEvent.type(field(), "x");
    await userEvent.click(screen.getByRole("button", { name: "from elsewhere" }));
    expect(field()).toHaveValue("7");
  });
});
