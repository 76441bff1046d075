import { decide, takeBackDecision } from "@sprunel/contract/today";
import type { OpenFinding } from "@sprunel/contract/advice";
import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { refusal } from "../testing/fake-server.ts";
import { renderPage } from "../testing/render-page.tsx";
import { board, boardZone } from "../testing/sample-site.ts";

const low: OpenFinding = {
  station: "roots",
  about: "2026-06-16T05:30:00.000Z",
  finding: { cause: "drain-low", mark: "act", drainPct: 12, targetPct: 28, drainEcMsCm: 4.3 },
  proposal: {
    correction: { demandFactor: 1.22, drainSharePct: null },
    fromDate: "2026-06-17",
    before: { litres: 900, pulses: 5, minutes: 20 },
    after: { litres: 1100, pulses: 6, minutes: 24 },
  },
  decision: null,
};
const accepted: OpenFinding = {
  ...low,
  decision: {
    ...{ id: 7, verdict: "accepted", decidedAt: "2026-06-16T06:00:00.000Z", fromDate: "2026-06-17", reason: null },
    correction: { demandFactor: 1.22, drainSharePct: null },
  },
};

async function shown(finding: OpenFinding) {
  const page = renderPage("/", { shown: board({ zones: [boardZone({ mark: "act", findings: [finding] })] }) });
  const card = within(await screen.findByRole("article", { name: /too little drain/ }));
  return { ...page, card };
}

describe("what is off, on its card", () => {
  it("is accepted under one key, however often it is pressed", async () => {
    const { server, user, card } = await shown(low);
    server.on(decide, board({ zones: [boardZone({ mark: "act", findings: [low] })] }));
    const accept = card.getByRole("button", { name: "Accept" });
    await user.click(accept);
    await waitFor(() => expect(server.sent(decide)).toHaveLength(1));
    await user.click(accept);
    await waitFor(() => expect(server.sent(decide)).toHaveLength(2));
    const [first, second] = server.sent(decide) as { key: string }[];
    expect(first).toMatchObject({ verdict: "accepted", cause: "drain-low", about: low.about, date: "2026-06-16" });
    expect(second?.key).toBe(first?.key);
  });

  it("is left only with a reason, which is sent with what it is about", async () => {
    const { server, user, card } = await shown(low);
    server.on(decide, board());
    await user.click(card.getByRole("button", { name: "Not now" }));
    const dialog = within(await screen.findByRole("dialog"));
    await user.click(dialog.getByRole("button", { name: "Not now" }));
    expect(await dialog.findByText("The reason is empty; type at least one letter.")).toBeVisible();
    expect(server.sent(decide)).toEqual([]);
    await user.type(dialog.getByRole("textbox"), "tray had moved");
    await user.click(dialog.getByRole("button", { name: "Not now" }));
    await waitFor(() =>
      expect(server.sent(decide)).toMatchObject([
        { verdict: "dismissed", cause: "drain-low", about: low.about, date: "2026-06-16", reason: "tray had moved" },
      ]),
    );
  });

  it("is changed to a person's own figures, from the computed ones on", async () => {
    const { server, user, card } = await shown(low);
    server.on(decide, board());
    await user.click(card.getByRole("button", { name: "Change" }));
    const dialog = within(await screen.findByRole("dialog"));
    const factor = dialog.getByLabelText("The plants take up");
    expect(factor).toHaveValue("1.22");
    await user.clear(factor);
    await user.type(factor, "1.1");
    await user.click(dialog.getByRole("button", { name: "Use these" }));
    await waitFor(() =>
      expect(server.sent(decide)).toMatchObject([
        { verdict: "changed", correction: { demandFactor: 1.1, drainSharePct: null } },
      ]),
    );
  });

  it("that was decided on says so, is taken back, and says why it cannot be", async () => {
    const { server, user, card } = await shown(accepted);
    expect(card.queryByRole("button", { name: "Accept" })).toBeNull();
    expect(card.getByText(/Accepted on 16 Jun.*at 1\.22 times the model/)).toBeVisible();
    server.on(takeBackDecision, refusal(409, "Somebody took it back before."));
    await user.click(card.getByRole("button", { name: "Take it back" }));
    expect(await card.findByText("Somebody took it back before.")).toBeVisible();
    expect(server.calls.find(({ endpoint }) => endpoint.path === takeBackDecision.path)?.params).toEqual({
      id: "1",
      decisionId: "7",
    });
  });

  it("asks to wait where the last days fit the plan, and only for the drain", async () => {
    const { card } = await shown({ ...low, proposal: null });
    expect(card.getByText(/let it stand and read again tomorrow/)).toBeVisible();
    expect(card.queryByRole("button", { name: "Accept" })).toBeNull();
  });
});
