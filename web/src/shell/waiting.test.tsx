import { getHealth } from "@sprunel/contract/basics";
import { getZoneDay } from "@sprunel/contract/plan";
import { addReading, getRootHistory, getRootStation, getZoneReports } from "@sprunel/contract/rootzone";
import { onlineManager } from "@tanstack/react-query";
import { act, screen, waitFor, within } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { serverSigns } from "../http/api.ts";
import { keptWords, refusedCalls, watchServer } from "../http/kept.ts";
import { refusal } from "../testing/fake-server.ts";
import { renderPage } from "../testing/render-page.tsx";
import { rootHistory, zoneDay } from "../testing/sample-site.ts";
import { rootStation } from "../testing/sample-stations.ts";

let forget = (): void => undefined;
beforeEach(() => {
  forget = watchServer(serverSigns);
});
afterEach(() => {
  forget();
  onlineManager.setOnline(true);
  refusedCalls.set([]);
});

async function opened() {
  const page = renderPage("/zones/1/roots");
  page.server
    .on(getRootHistory, rootHistory)
    .on(getZoneReports, { zoneId: 1, reports: [] })
    .on(getZoneDay, zoneDay())
    .on(getRootStation, rootStation)
    .on(getHealth, { status: "ok", version: "1", troubles: [] })
    .on(addReading, rootHistory);
  await screen.findByRole("heading", { level: 1 });
  return page;
}
type Page = Awaited<ReturnType<typeof opened>>;

async function logged({ user }: Page, share: string): Promise<void> {
  await user.keyboard("l");
  const dialog = within(await screen.findByRole("dialog"));
  await user.type(dialog.getByLabelText("Drain share"), `${share}{Enter}`);
  await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
}
/** The server is there again: the next ping finds it. */
const found = () => act(() => onlineManager.setOnline(true));

describe("what is saved while the server does not answer", () => {
  it("waits and is told, the dialog closes, and it is sent once and in order when the server is back", async () => {
    const page = await opened();
    page.server.lose();
    await logged(page, "26");
    expect(await screen.findByText("Waiting for the server: 1 reading.")).toBeVisible();
    await logged(page, "27");
    expect(await screen.findByText("Waiting for the server: 2 readings.")).toBeVisible();
    page.server.find();
    found();
    await waitFor(() => expect(page.server.sent(addReading)).toMatchObject([{ drainPct: 26 }, { drainPct: 27 }]));
    await waitFor(() => expect(screen.queryByText(/Waiting for the server/)).toBeNull());
  });

  it("is kept and shown when the server refuses it then, until somebody has seen to it", async () => {
    const page = await opened();
    page.server.lose();
    await logged(page, "26");
    await screen.findByText("Waiting for the server: 1 reading.");
    page.server.find();
    page.server.on(addReading, refusal(409, "Another value was noted at 08:10 already: 25."));
    found();
    expect(await screen.findByText(/The server refused 1 reading: Another value was noted/)).toBeVisible();
    expect(localStorage.getItem("sprunel.refused")).toContain("26");
    await page.user.click(screen.getByText(/The server refused/));
    await page.user.click(screen.getByRole("button", { name: "I have seen to it" }));
    expect(screen.queryByText(/The server refused/)).toBeNull();
    expect(localStorage.getItem("sprunel.refused")).toBeNull();
  });
});

describe("what waits, in words", () => {
  it("is counted by kind", () => {
    expect(keptWords(["reading", "mix", "reading"])).toBe("2 readings and 1 mix");
    expect(keptWords(["decision"])).toBe("1 decision");
  });
});
