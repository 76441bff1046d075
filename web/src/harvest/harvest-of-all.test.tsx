import { addPicks, getDayPicks } from "@sprunel/contract/harvest";
import { screen, waitFor } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { FakeServer, refusal } from "../testing/fake-server.ts";
import { renderPage } from "../testing/render-page.tsx";
import { dayPicks } from "../testing/sample-stations.ts";

interface Sent {
  picks: { zoneId: number; key: string; massKg: number | null; count: number | null; grade: string | null }[];
}

async function grid(address = "/harvest") {
  const server = new FakeServer().on(getDayPicks, dayPicks()).on(addPicks, {});
  const page = renderPage(address, { server });
  await screen.findByLabelText("Melon bags: mass");
  return page;
}

describe("the day's picks in one grid", () => {
  it("are typed for three zones by keys alone and written at once, each as its crop is sold", async () => {
    const { user, server } = await grid();
    await waitFor(() => expect(screen.getByLabelText("Melon bags: mass")).toHaveFocus());
    await user.keyboard("315.5{Enter}250{Enter}{Enter}");
    expect(screen.getByLabelText("Dry bags: mass")).toHaveFocus();
    await user.keyboard("80{Enter}{Enter}{Enter}");
    expect(screen.getByLabelText("Lettuce tanks: heads")).toHaveFocus();
    await user.keyboard("432");
    await user.click(screen.getByRole("button", { name: "Write 3 picks" }));
    expect(await screen.findByText("Written: 3 picks.")).toBeVisible();
    const [{ picks }] = server.sent(addPicks) as [Sent];
    expect(picks).toMatchObject([
      { zoneId: 1, massKg: 315.5, count: 250, grade: "class 1" },
      { zoneId: 2, massKg: 80, count: null, grade: null },
      { zoneId: 3, massKg: null, count: 432 },
    ]);
    expect(new Set(picks.map(({ key }) => key)).size).toBe(3);
    expect(screen.getByLabelText("Melon bags: mass")).toHaveValue("");
  });

  it("stand beside the pick before, what was noted already, and the target's path", async () => {
    await grid();
    expect(screen.getByText(/before 240 fruit/)).toBeVisible();
    expect(screen.getByText("120 heads")).toBeVisible();
    expect(screen.getByRole("group", { name: /Lettuce tanks/ })).toHaveTextContent(
      /1\.5\s*heads\/m² of 2\.1\s*heads\/m² by now/,
    );
  });

  it("are told at their zone when the server refuses one, and nothing that was typed is lost", async () => {
    const { user, server } = await grid();
    server.on(
      addPicks,
      refusal(422, "Check.", { errors: [{ path: "picks.1.massKg", message: "Netted melon counts by its mass." }] }),
    );
    await user.type(screen.getByLabelText("Melon bags: mass"), "20");
    await user.type(screen.getByLabelText("Dry bags: fruit"), "12");
    await user.click(screen.getByRole("button", { name: "Write 2 picks" }));
    expect(await screen.findByText("Netted melon counts by its mass.")).toBeVisible();
    expect(screen.getByRole("group", { name: /Dry bags/ })).toHaveTextContent("Netted melon counts by its mass.");
    expect(screen.getByLabelText("Melon bags: mass")).toHaveValue("20");
  });

  it("stay in the browser until they are written", async () => {
    const { user, unmount } = await grid();
    await user.type(screen.getByLabelText("Dry bags: mass"), "17");
    unmount();
    await grid();
    expect(screen.getByLabelText("Dry bags: mass")).toHaveValue("17");
  });

  it("are not noted of a day to come", async () => {
    const server = new FakeServer().on(getDayPicks, dayPicks({ date: "2026-06-18" }));
    renderPage("/harvest?date=2026-06-18", { server });
    expect(await screen.findByText(/This day is still to come/)).toBeVisible();
    expect(screen.queryByLabelText("Melon bags: mass")).toBeNull();
  });
});
