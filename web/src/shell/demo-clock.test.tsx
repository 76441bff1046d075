import { getClock, getHealth, setPace, startAgain } from "@sprunel/contract/basics";
import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { FakeServer } from "../testing/fake-server.ts";
import { renderPage } from "../testing/render-page.tsx";

const now = "2026-06-16T04:10:00.000Z";
const bar = () => screen.findByRole("contentinfo", { name: "Clock of the demonstration" });

describe("the demonstration's clock", () => {
  it("is not there where the time is the real one", async () => {
    renderPage("/", { server: new FakeServer().on(getClock, { now, pace: null }) });
    await screen.findAllByRole("row");
    expect(screen.queryByRole("contentinfo")).toBeNull();
  });

  it("shows the site's time, and goes at the pace that is chosen", async () => {
    const server = new FakeServer().on(getClock, { now, pace: "paused" });
    server.on(setPace, { now, pace: "minute-a-second" });
    const { user } = renderPage("/", { server });
    const clock = within(await bar());
    expect(clock.getByText("06:10")).toBeVisible();
    expect(clock.getByRole("button", { name: "pause" })).toHaveAttribute("aria-pressed", "true");
    await user.click(clock.getByRole("button", { name: "a minute a second" }));
    await waitFor(() => expect(server.sent(setPace)).toEqual([{ pace: "minute-a-second" }]));
    await waitFor(() =>
      expect(clock.getByRole("button", { name: "a minute a second" })).toHaveAttribute("aria-pressed", "true"),
    );
  });

  it("begins anew only once that is confirmed, and says that it takes a while", async () => {
    const server = new FakeServer().on(getClock, { now, pace: "real" }).on(startAgain, {}).hold(getHealth);
    const { user } = renderPage("/", { server });
    await user.click(within(await bar()).getByRole("button", { name: "start again" }));
    expect(server.calls.some(({ endpoint }) => endpoint.path === startAgain.path)).toBe(false);
    await user.click(await screen.findByRole("button", { name: "Begin anew" }));
    expect(await screen.findByText(/Quillbrook begins anew/)).toBeVisible();
  });
});
