import { addSign } from "@sprunel/contract/crop";
import { decide } from "@sprunel/contract/today";
import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { FakeServer, refusal } from "../testing/fake-server.ts";
import { renderPage } from "../testing/render-page.tsx";
import { board, boardZone, emptyBoard, site } from "../testing/sample-site.ts";
import { zoneCrop } from "../testing/sample-stations.ts";

describe("the morning board", () => {
  it("shows each zone's litres, drain and stage, every number with its unit", async () => {
    renderPage("/");
    const [first] = await screen.findAllByRole("row");
    expect(first).toHaveTextContent("Melon bags");
    expect(first).toHaveTextContent(/3.321\s*L/);
    expect(first).toHaveTextContent(/27\s*% drain/);
    expect(first).toHaveTextContent("Fill");
  });

  it("reads in US units on a site that uses them", async () => {
    renderPage("/", { shown: board({ site: { ...site, unitSystem: "us" } }) });
    expect((await screen.findAllByRole("row"))[0]).toHaveTextContent(/877.?gal/);
  });

  it("says of a zone without weather what is missing, and shows no figure for it", async () => {
    renderPage("/", {
      shown: board({ zones: [boardZone({ missing: "no-weather", run: null, roots: null, pulses: [] })] }),
    });
    const row = (await screen.findAllByRole("row"))[0];
    expect(row).not.toHaveTextContent(/\b0.?L\b/);
    expect(row).toHaveTextContent(/weather/i);
    const decide = screen.getByRole("region", { name: "Decide" });
    expect(decide).toHaveTextContent("no zone has a plan: no weather is known");
    expect(decide).not.toHaveTextContent(/can run/);
    expect(within(decide).getByRole("link", { name: "Import weather" })).toHaveAttribute("href", "/weather");
  });

  it("says where nothing is planted that no zone has a plan, and where to say what grows", async () => {
    renderPage("/", {
      shown: board({ zones: [boardZone({ missing: "not-planted", run: null, roots: null, pulses: [] })] }),
    });
    const decide = await screen.findByRole("region", { name: "Decide" });
    expect(decide).toHaveTextContent("No zone has a plan: nothing is planted.");
    expect(within(decide).getByRole("link", { name: "Say what grows" })).toHaveAttribute("href", "/set-up");
  });

  it("offers to describe a site where there is none, and a first zone where there are none", async () => {
    const first = renderPage("/", { shown: emptyBoard });
    expect(await screen.findByRole("link", { name: "Describe your site" })).toHaveAttribute("href", "/set-up");
    first.unmount();
    renderPage("/", { shown: board({ zones: [] }) });
    expect(await screen.findByRole("link", { name: "Add the first zone" })).toBeVisible();
  });

  it("tells that the server does not answer, and asks again when told to", async () => {
    const server = new FakeServer();
    server.lose();
    renderPage("/", { server });
    expect(await screen.findByRole("alert")).toHaveTextContent("The server does not answer");
    expect(screen.getByRole("button", { name: "Try again" })).toBeEnabled();
  });
});

describe("a stage that is about to begin", () => {
  const melons = (on: string, outside: NonNullable<ReturnType<typeof boardZone>["crop"]>["outside"] = []) =>
    boardZone({
      crop: {
        ...{ name: "Netted melon", stage: "Fill", day: 21, days: 24, version: 5, outside },
        next: { stageId: "ripening", name: "Ripening", on },
      },
    });

  it("is asked about on the board, and taken in one tap at the version that was read", async () => {
    const { server, user } = renderPage("/", { shown: board({ zones: [melons("2026-06-18")] }) });
    server.on(addSign, zoneCrop());
    const asked = within(await screen.findByRole("region", { name: "To look for" }));
    expect(asked.getByText(/foreseen for Thu 18 Jun/)).toBeVisible();
    await user.click(asked.getByRole("button", { name: "Seen today" }));
    await waitFor(() => expect(server.sent(addSign)).toEqual([{ stageId: "ripening", on: "2026-06-16", version: 5 }]));
  });

  it("is not asked about weeks before", async () => {
    renderPage("/", { shown: board({ zones: [melons("2026-07-02")] }) });
    await screen.findAllByRole("row");
    expect(screen.queryByRole("region", { name: "To look for" })).toBeNull();
  });

  it("stands with what of yesterday's air was far outside what its crop does well in", async () => {
    renderPage("/", { shown: board({ zones: [melons("2026-07-02", [{ kind: "night", side: -1 }])] }) });
    expect((await screen.findAllByRole("row"))[0]).toHaveTextContent(/Fill.*too cold by night/);
  });
});

describe("deciding", () => {
  it("accepts a computed correction for the zone and reading it is about", async () => {
    const { server, user } = renderPage("/");
    server.on(decide, board());
    const card = within(await screen.findByRole("article", { name: /Dry bags/ }));
    await user.click(card.getByRole("button", { name: /^Accept/ }));
    await waitFor(() =>
      expect(server.sent(decide)).toEqual([
        {
          key: expect.any(String) as string,
          ...{ verdict: "accepted", cause: "drain-low", about: "2026-06-15T14:30:00.000Z", date: "2026-06-16" },
        },
      ]),
    );
  });

  it("lets nothing be dismissed without a reason, and keeps what was typed when the server refuses", async () => {
    const { server, user } = renderPage("/");
    server.on(
      decide,
      refusal(422, "This is no longer so.", { errors: [{ path: "about", message: "This is no longer so." }] }),
    );
    await user.click(
      within(await screen.findByRole("article", { name: /Dry bags/ })).getByRole("button", { name: "Not now" }),
    );
    const dialog = within(await screen.findByRole("dialog"));
    await user.click(dialog.getByRole("button", { name: "Not now" }));
    expect(await dialog.findByText(/The reason is empty/)).toBeVisible();
    expect(server.sent(decide)).toEqual([]);
    await user.type(dialog.getByRole("textbox"), "tray had moved");
    await user.click(dialog.getByRole("button", { name: "Not now" }));
    expect(await dialog.findByText(/This is no longer so/)).toBeVisible();
    expect(dialog.getByRole("textbox")).toHaveValue("tray had moved");
  });

  it("takes a person's own numbers in place of the computed ones", async () => {
    const { server, user } = renderPage("/");
    server.on(decide, board());
    await user.click(
      within(await screen.findByRole("article", { name: /Dry bags/ })).getByRole("button", { name: "Change" }),
    );
    const dialog = within(await screen.findByRole("dialog"));
    const factor = dialog.getByLabelText("The plants take up");
    expect(factor).toHaveValue("1.12");
    await user.clear(factor);
    await user.type(factor, "1.05{Enter}");
    await waitFor(() =>
      expect(server.sent(decide)).toMatchObject([
        { verdict: "changed", correction: { demandFactor: 1.05, drainSharePct: null } },
      ]),
    );
  });
});
