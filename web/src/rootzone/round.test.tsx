import { addRound, getRootStation } from "@sprunel/contract/rootzone";
import { screen, waitFor } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { FakeServer, refusal } from "../testing/fake-server.ts";
import { renderPage } from "../testing/render-page.tsx";
import { rootStation } from "../testing/sample-stations.ts";

const NOW = "2026-06-16T06:10:00.000Z";

async function round() {
  const server = new FakeServer().on(getRootStation, rootStation).on(addRound, {});
  const page = renderPage("/roots?view=round", { server });
  await screen.findByLabelText("Melon bags: Jug under a dripper");
  return page;
}

describe("the round", () => {
  it("is typed by keys alone: Enter leads from field to field and from zone to zone, and writes it", async () => {
    const { user, server } = await round();
    await waitFor(() => expect(screen.getByLabelText("Melon bags: Jug under a dripper")).toHaveFocus());
    // 120 mL at each of 4 drippers, 132 mL in the tray: 27.5 % drained.
    await user.keyboard("120{Enter}4{Enter}132{Enter}3.05{Enter}");
    expect(screen.getByLabelText("Melon bags: Drain pH")).toHaveFocus();
    expect(screen.getByText("28 % drained")).toBeVisible();
    await user.keyboard("{Shift>}{Enter}{/Shift}");
    expect(screen.getByLabelText("Melon bags: Drain EC")).toHaveFocus();
    await user.keyboard("{Enter}{Enter}{Enter}{Enter}{Enter}");
    expect(screen.getByLabelText("Dry bags: Jug under a dripper")).toHaveFocus();
    await user.click(screen.getByRole("button", { name: "Write the round" }));
    expect(await screen.findByText("Written: readings of one zone.")).toBeVisible();
    expect(server.sent(addRound)).toEqual([{ readings: [{ zoneId: 1, at: NOW, drainEcMsCm: 3.05, drainPct: 27.5 }] }]);
  });

  it("shows beside each field what was read before, with its age", async () => {
    await round();
    expect(screen.getByText(/before 3\.04 mS\/cm · 16 h ago/)).toBeVisible();
    expect(screen.getByText(/before 24\.6 cm/)).toBeVisible();
  });

  it("asks about a value far from the zone's own past, and keeps it when Enter is pressed once more", async () => {
    const { user, server } = await round();
    const ec = screen.getByLabelText("Melon bags: Drain EC");
    await user.click(ec);
    await user.keyboard("0.31{Enter}");
    expect(ec).toHaveFocus();
    expect(screen.getByText(/Far from before/)).toBeVisible();
    await user.click(screen.getByRole("button", { name: "Write the round" }));
    expect(
      await screen.findByText(/0\.31 mS\/cm is far from the last readings, 2\.95 mS\/cm to 3\.10 mS\/cm/),
    ).toBeVisible();
    expect(server.sent(addRound)).toEqual([]);
    await user.click(ec);
    await user.keyboard("{Enter}");
    await user.click(screen.getByRole("button", { name: "Write the round" }));
    await waitFor(() => expect(server.sent(addRound)).toHaveLength(1));
  });

  it("says which jug cannot be, and writes nothing", async () => {
    const { user, server } = await round();
    await user.keyboard("100{Enter}1{Enter}180{Enter}");
    await user.click(screen.getByRole("button", { name: "Write the round" }));
    expect(
      (await screen.findAllByText(/180 mL drained, but the drippers over the tray gave only 100 mL/))[0],
    ).toBeVisible();
    expect(server.sent(addRound)).toEqual([]);
  });

  it("names a value that no pen can show, with the sensible range", async () => {
    const { user, server } = await round();
    await user.click(screen.getByLabelText("Melon bags: Drip pH"));
    await user.keyboard("58");
    await user.click(screen.getByRole("button", { name: "Write the round" }));
    expect(await screen.findByText(/Melon bags: .*pH.*3.*10/)).toBeVisible();
    expect(server.sent(addRound)).toEqual([]);
  });

  it("keeps what was typed when the page is left or the server refuses", async () => {
    const { user, server, unmount } = await round();
    server.on(addRound, refusal(500, "The disk is full.", { title: "Failed" }));
    await user.click(screen.getByLabelText("Lettuce tanks: Level"));
    await user.keyboard("22.5");
    await user.click(screen.getByRole("button", { name: "Write the round" }));
    expect(await screen.findByText("The disk is full.")).toBeVisible();
    unmount();
    await round();
    expect(screen.getByLabelText("Lettuce tanks: Level")).toHaveValue("22.5");
  });
});
