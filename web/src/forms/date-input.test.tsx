import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { describe, expect, it } from "vitest";
import { DatesProvider } from "../units/dates.tsx";
import { ClockInput, clockTyped } from "./clock-input.tsx";
import { DateInput } from "./date-input.tsx";

let kept: string | null = null;

function Field({ form = "dmy", start = null }: { form?: "dmy" | "mdy" | "ymd"; start?: string | null }) {
  const [value, setValue] = useState<string | null>(start);
  return (
    <DatesProvider form={form}>
      <DateInput
        label="Planted on"
        value={value}
        onChange={(next) => {
          kept = next;
          setValue(next);
        }}
      />
      <button type="button">elsewhere</button>
    </DatesProvider>
  );
}
const field = () => screen.getByRole("textbox", { name: "Planted on" });
async function typed(text: string): Promise<void> {
  await userEvent.clear(field());
  await userEvent.type(field(), text);
  await userEvent.click(screen.getByRole("button", { name: "elsewhere" }));
}

describe("a date that is typed", () => {
  it.each([
    ["dmy", "3/4/2026", "2026-04-03", "3 Apr 2026"],
    ["dmy", "3.4.26", "2026-04-03", "3 Apr 2026"],
    ["mdy", "3/4/2026", "2026-03-04", "Mar 4, 2026"],
    ["ymd", "2026-04-03", "2026-04-03", "2026-04-03"],
    ["dmy", "2026-04-03", "2026-04-03", "3 Apr 2026"],
  ] as const)("in a site of %s, %s, is understood as it is written there", async (form, text, date, shown) => {
    render(<Field form={form} />);
    await typed(text);
    expect(kept).toBe(date);
    expect(field()).toHaveValue(shown);
  });

  it("that is none stays as it was typed, and no check can take it for one", async () => {
    render(<Field start="2026-04-03" />);
    await typed("31/6/2026");
    expect(field()).toHaveValue("31/6/2026");
    expect(screen.getByRole("alert")).toHaveTextContent("“31/6/2026” is no date; write it as 16 Jun 2026.");
    expect(kept).toBe("31/6/2026");
  });

  it("can be taken away", async () => {
    render(<Field start="2026-04-03" />);
    await userEvent.clear(field());
    await userEvent.click(screen.getByRole("button", { name: "elsewhere" }));
    expect(kept).toBeNull();
  });
});

describe("a time of day that is typed", () => {
  it.each([
    ["8:15", "08:15"],
    ["0815", "08:15"],
    ["830", "08:30"],
    ["8.15", "08:15"],
    ["8", "08:00"],
    ["3:20 pm", "15:20"],
    ["12 am", "00:00"],
    ["23:59", "23:59"],
  ])("%s is %s", (text, clock) => expect(clockTyped(text)).toBe(clock));

  it.each(["25:00", "8:61", "13 pm", "noon", "-1"])("%s is none", (text) => expect(clockTyped(text)).toBeNull());

  it("stays to be corrected when it is none", async () => {
    const Clock = () => {
      const [value, setValue] = useState<string | null>("08:15");
      return (
        <ClockInput
          label="Start"
          value={value}
          onChange={(next) => {
            kept = next;
            setValue(next);
          }}
        />
      );
    };
    render(<Clock />);
    await userEvent.clear(screen.getByLabelText("Start"));
    await userEvent.type(screen.getByLabelText("Start"), "25:00");
    await userEvent.tab();
    expect(screen.getByRole("alert")).toHaveTextContent("“25:00” is no time of day");
    expect(screen.getByLabelText("Start")).toHaveValue("25:00");
  });
});
