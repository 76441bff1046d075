import { getZoneCrop, missNight, setNights, takeMissedNightBack, type ZoneCrop } from "@sprunel/contract/crop";
import { screen, waitFor } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { FakeServer, refusal } from "../testing/fake-server.ts";
import { renderPage } from "../testing/render-page.tsx";
import { board } from "../testing/sample-site.ts";
import { zoneCrop } from "../testing/sample-stations.ts";

const nights: NonNullable<ZoneCrop["nights"]> = {
  programmes: [{ kind: "cloth", fromOn: "2026-06-01", untilOn: null, start: "17:30", end: "08:00", wattsM2: null }],
  missed: ["2026-06-13"],
  counts: { of: "short", criticalH: 12, done: 14, needed: 42 },
  nextSwitch: { on: "2026-07-14", stage: "Flowering and sale" },
  tonight: {
    duskUtc: "2026-06-16T20:25:00.000Z",
    dawnUtc: "2026-06-17T03:50:00.000Z",
    darkH: 14.5,
    ownDarkH: 7.4,
    spans: [{ kind: "cloth", fromUtc: "2026-06-16T15:30:00.000Z", toUtc: "2026-06-17T06:00:00.000Z" }],
    kwhM2: null,
  },
  past: [
    { date: "2026-06-13", darkH: 7.4, counted: false, missed: true },
    { date: "2026-06-14", darkH: 14.5, counted: true, missed: false },
  ],
};

async function opened(more: Partial<ZoneCrop> = {}) {
  const answer = zoneCrop({ nights, ...more });
  const server = new FakeServer()
    .on(getZoneCrop, answer)
    .on(setNights, answer)
    .on(missNight, answer)
    .on(takeMissedNightBack, answer);
  const page = renderPage("/zones/1/crop", { server, shown: board() });
  await screen.findByRole("heading", { level: 1, name: /Melon bags/ });
  return page;
}

describe("the nights of a crop", () => {
  it("say first what is to be done tonight, by the site's clock, and how far the count is", async () => {
    await opened();
    const region = screen.getByRole("region", { name: "Nights" });
    expect(region).toHaveTextContent(/17:30 draw the cloth\s*08:00 open it/);
    expect(region).toHaveTextContent(/14 of 42 short days under 12 h counted; flowering and sale from Tue 14 Jul/);
    expect(region).toHaveTextContent(/14\.5 h of unbroken dark, 7\.4 h of the night’s own/);
  });

  it("take a night that was missed, and one back that was kept after all, at the version that was read", async () => {
    const { user, server } = await opened();
    await user.click(screen.getByRole("button", { name: /Night of 14 Jun: 14\.5 h dark, counted/ }));
    await user.click(screen.getByRole("button", { name: "It was missed" }));
    await waitFor(() =>
      expect(server.sent(missNight)).toEqual([{ on: "2026-06-14", planting: "2026-04-20", version: 5 }]),
    );
    await user.click(screen.getByRole("button", { name: /Night of 13 Jun.*missed/ }));
    await user.click(screen.getByRole("button", { name: "It was kept after all" }));
    await waitFor(() =>
      expect(server.calls.find(({ endpoint }) => endpoint.method === "delete")).toMatchObject({
        params: { id: "1", on: "2026-06-13" },
      }),
    );
  });

  it("plan lamps beside the cloth, and refuse an end before the start with what was typed kept", async () => {
    const { user, server } = await opened();
    await user.click(screen.getByRole("button", { name: "Plan cloth or lamps" }));
    const end = screen.getByRole("textbox", { name: "To the hour" });
    await user.clear(end);
    await user.type(end, "16:00");
    await user.click(screen.getByRole("button", { name: "Plan it" }));
    expect(await screen.findByText(/The end must come after the start, 17:30/)).toBeVisible();
    expect(server.sent(setNights)).toEqual([]);
    expect(end).toHaveValue("16:00");
    await user.clear(end);
    await user.type(end, "7:30");
    await user.click(screen.getByRole("button", { name: "Plan it" }));
    await waitFor(() => expect(server.sent(setNights)).toHaveLength(1));
    expect(server.sent(setNights)[0]).toMatchObject({
      version: 5,
      nights: [nights.programmes[0], { kind: "cloth", start: "17:30", end: "07:30", fromOn: "2026-06-16" }],
    });
  });

  it("tell why a night cannot have been missed", async () => {
    const { user, server } = await opened();
    const message = "No cloth and no lamps were planned for the night of 2026-06-14; it cannot have been missed.";
    server.on(missNight, refusal(422, "Check.", { errors: [{ path: "on", message }] }));
    await user.click(screen.getByRole("button", { name: /Night of 14 Jun/ }));
    await user.click(screen.getByRole("button", { name: "It was missed" }));
    expect(await screen.findByText(/planned for the night of 14 Jun 2026; it cannot have been missed/)).toBeVisible();
  });
});

describe("the air against the crop", () => {
  it("shows each day on its side of the band, and what lasted with what it does", async () => {
    const { air } = zoneCrop();
    if (!air) throw new Error("the sample has it");
    await opened({
      air: {
        ...air,
        outside: [
          {
            kind: "light",
            side: -1,
            days: 4,
            ofDays: 7,
            stageDays: 5,
            stageHours: null,
            consequence: "few flowers set, and fruit stays small",
          },
        ],
        lamps: { gapMolM2: 3.6, hours: 10, kwhM2: 0.37, umolM2S: 100, umolJ: 2.7 },
      },
    });
    expect(screen.getByRole("img", { name: "Warmth by night: 2 of 4 days outside" })).toBeVisible();
    const region = screen.getByRole("region", { name: "Air against the crop" });
    expect(region).toHaveTextContent(/Too dull on 4 of the last 7 days: few flowers set/);
    // 0.37 kWh a m² on 640 m²
    expect(region).toHaveTextContent(/burn 10 h a day for it and draw 237 kWh/);
  });

  it("says that nothing is judged while no air is known", async () => {
    const { air } = zoneCrop();
    await opened({ air: air && { ...air, days: [] } });
    expect(screen.getByText(/nothing is judged/)).toBeVisible();
  });
});

describe("what a sign has moved", () => {
  it("is listed once it is said", async () => {
    const { user, server } = await opened();
    const { addSign } = await import("@sprunel/contract/crop");
    server.on(addSign, zoneCrop({ shifts: [{ stage: "Ripening", before: "2026-07-02", after: "2026-06-16" }] }));
    await user.click(screen.getByRole("button", { name: "Ripening seen today" }));
    expect(await screen.findByText(/worked out anew/)).toHaveTextContent("ripening from 16 Jun (was 2 Jul)");
  });
});

describe("a stage that is steadily otherwise here", () => {
  it("is told with what was counted, and gone on with at the version that was read", async () => {
    const fits = [
      {
        ...{ stageId: "fill", stage: "Fill", next: "Ripening", of: 288, unit: "°C·d" },
        ...{ counted: [320, 330, 340], mean: 330 },
      },
    ];
    const { user, server } = await opened({ fits });
    const { takeStageFit } = await import("@sprunel/contract/crop");
    server.on(takeStageFit, zoneCrop());
    expect(
      screen.getByText(
        /Ripening was seen later than fill counts to, on 3 plantings: after 330 °C·d on average, not 288/,
      ),
    ).toBeVisible();
    await user.click(screen.getByRole("button", { name: "Go on with 330 °C·d" }));
    await waitFor(() =>
      expect(server.sent(takeStageFit)).toEqual([{ stageId: "fill", planting: "2026-04-20", version: 5 }]),
    );
  });
});
