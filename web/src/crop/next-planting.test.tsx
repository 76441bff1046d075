import { dropNext, getZoneCrop, planNext, type ZoneCrop } from "@sprunel/contract/crop";
import { getSetUp } from "@sprunel/contract/site";
import { RAISING_STARTS } from "@sprunel/core/crop";
import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { FakeServer, refusal } from "../testing/fake-server.ts";
import { renderPage } from "../testing/render-page.tsx";
import { board, setUp } from "../testing/sample-site.ts";
import { zoneCrop } from "../testing/sample-stations.ts";

const next: NonNullable<ZoneCrop["next"]> = {
  cropId: "cucumber",
  cropName: "Cucumber",
  plantedOn: "2026-08-10",
  part: null,
  plants: 640,
  raising: RAISING_STARTS.seed,
  plan: {
    startFrom: 749,
    trays: 9,
    stockPlants: null,
    seedKgHa: null,
    steps: [
      { on: "2026-07-08", kind: "sow", litresDay: 2.2, ramp: [] },
      { on: "2026-08-10", kind: "plant", litresDay: null, ramp: [] },
    ],
  },
};

async function opened(more: Partial<ZoneCrop> = {}) {
  const answer = zoneCrop(more);
  const server = new FakeServer()
    .on(getZoneCrop, answer)
    .on(getSetUp, setUp([]))
    .on(planNext, answer)
    .on(dropNext, answer);
  const page = renderPage("/zones/1/crop", { server, shown: board() });
  const section = within(await screen.findByRole("region", { name: "The next crop" }));
  return { ...page, section };
}

describe("the next crop of a zone", () => {
  it("says what comes, how many to start from, and what is done when", async () => {
    const { section } = await opened({ next });
    expect(screen.getByRole("region", { name: "The next crop" })).toHaveTextContent(
      /Cucumber, 640 plants, from Mon 10 Aug · raised from seed: 749 seeds in 9 trays/,
    );
    expect(section.getByText("Wed 8 Jul")).toBeVisible();
    expect(section.getByText(/^sow/)).toHaveTextContent(/about 2\.2\s*L a day \(assumed\)/);
  });

  it("is planned with usual figures that one's own replace, at the version that was read", async () => {
    const { user, server, section } = await opened();
    expect(section.getByText("Nothing is planned after this.")).toBeVisible();
    await user.click(section.getByRole("button", { name: "Plan the next crop" }));
    await user.click(section.getByRole("button", { name: "Plan it" }));
    expect(await section.findByText(/date is missing/i)).toBeVisible();
    await user.type(section.getByLabelText("Planted on"), "2026-08-10");
    const up = section.getByLabelText("come up");
    await user.clear(up);
    await user.type(up, "80");
    await user.click(section.getByRole("button", { name: "Plan it" }));
    await waitFor(() => expect(server.sent(planNext)).toHaveLength(1));
    expect(server.sent(planNext)[0]).toMatchObject({
      version: 5,
      cropId: "melon-netted",
      plantedOn: "2026-08-10",
      raising: { way: "seed", startPct: 80, lossPct: 5 },
    });
  });

  it("tells why it cannot be, and keeps what was typed", async () => {
    const { user, server, section } = await opened({ next });
    const message = "The zone is not free on 2026-08-10: what stands is cleared on 2026-09-01.";
    server.on(planNext, refusal(422, "Check.", { errors: [{ path: "plantedOn", message }] }));
    await user.click(section.getByRole("button", { name: "Change it" }));
    await user.click(section.getByRole("button", { name: "Plan it" }));
    expect(
      await section.findByText("The zone is not free on 10 Aug 2026: what stands is cleared on 1 Sep 2026."),
    ).toBeVisible();
    expect(section.getByLabelText("come up")).toHaveValue("90");
  });

  it("is dropped in one press", async () => {
    const { user, server, section } = await opened({ next });
    await user.click(section.getByRole("button", { name: "Plan nothing" }));
    await waitFor(() => expect(server.calls.some(({ endpoint }) => endpoint.method === "delete")).toBe(true));
  });
});
