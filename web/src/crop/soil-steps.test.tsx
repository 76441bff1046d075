import { addSoilStep, getSoilSteps, getZoneCrop, strikeSoilStep } from "@sprunel/contract/crop";
import { getSetUp } from "@sprunel/contract/site";
import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { FakeServer, refusal } from "../testing/fake-server.ts";
import { renderPage } from "../testing/render-page.tsx";
import { board, setUp } from "../testing/sample-site.ts";
import { zoneCrop } from "../testing/sample-stations.ts";

const manure = {
  ...{ id: 3, kind: "manure" as const, on: "2026-06-10", waitDays: 30, note: "cattle manure, 30 t/ha" },
  readyOn: "2026-07-10",
};
async function opened(system: "soil-drip" | "substrate" = "soil-drip") {
  const shown = board();
  const zones = shown.zones.map((zone) => ({ ...zone, system }));
  const server = new FakeServer()
    .on(getZoneCrop, zoneCrop())
    .on(getSetUp, setUp([]))
    .on(getSoilSteps, { zoneId: 1, steps: [manure] })
    .on(addSoilStep, { zoneId: 1, steps: [manure] })
    .on(strikeSoilStep, { zoneId: 1, steps: [] });
  const page = renderPage("/zones/1/crop", { server, shown: { ...shown, zones } });
  await screen.findByRole("region", { name: "The next crop" });
  return { ...page, server };
}

describe("the soil before planting", () => {
  it("tells what was done and until when nothing is planted", async () => {
    await opened();
    const soil = within(screen.getByRole("region", { name: "The soil before planting" }));
    expect(await soil.findByRole("listitem")).toHaveTextContent(
      /Wed 10 Jun manure spread: cattle manure, 30 t\/ha · nothing is planted before Fri 10 Jul/,
    );
  });

  it("is not asked of plants in bags", async () => {
    await opened("substrate");
    expect(screen.queryByRole("region", { name: "The soil before planting" })).toBeNull();
  });

  it("takes a step with its usual wait, and keeps what was typed when the server refuses", async () => {
    const { user, server } = await opened();
    server.on(addSoilStep, refusal(422, "Melon bags is planted on 2026-07-01, and this waits until 2026-07-10."));
    await user.click(screen.getByRole("button", { name: "Plan or note a step" }));
    const form = within(screen.getByRole("group", { name: "A step of the soil" }));
    await user.click(form.getByRole("combobox", { name: "What is done to the soil" }));
    await user.click(await screen.findByTitle("beds wetted through"));
    expect(form.getByLabelText("Days until planting")).toHaveValue("2");
    await user.type(form.getByLabelText("What it is"), "60 mm");
    await user.click(form.getByRole("button", { name: "Put it down" }));
    expect(await form.findByText(/is planted on 1 Jul 2026/)).toBeVisible();
    expect(form.getByLabelText("What it is")).toHaveValue("60 mm");
    expect(server.sent(addSoilStep)[0]).toMatchObject({ kind: "wetting", waitDays: 2, note: "60 mm" });
  });

  it("brings a pH to a target by lime, with its sum, and plans the step by it", async () => {
    const { user, server } = await opened();
    await user.click(screen.getByRole("button", { name: "Bring the pH to a target" }));
    const form = within(screen.getByRole("group", { name: "The pH to a target" }));
    expect(form.getByRole("button", { name: "Plan it" })).toBeDisabled();
    await user.type(form.getByLabelText("pH of the soil test"), "5.5");
    // One pH of loam: 7 t/ha
    expect(form.getByRole("status")).toHaveTextContent(/7.?000\s*kg\/ha of lime.*90 days before planting/);
    await user.click(form.getByRole("button", { name: "Plan it" }));
    const step = within(screen.getByRole("group", { name: "A step of the soil" }));
    expect(step.getByLabelText("Days until planting")).toHaveValue("90");
    await user.click(step.getByRole("button", { name: "Put it down" }));
    await waitFor(() => expect(server.sent(addSoilStep)).toHaveLength(1));
    expect(server.sent(addSoilStep)[0]).toMatchObject({
      kind: "lime",
      note: expect.stringMatching(/7.?000 kg\/ha/) as string,
    });
  });

  it("names a pH that no soil has, and says what free lime does to sulphur", async () => {
    const { user } = await opened();
    await user.click(screen.getByRole("button", { name: "Bring the pH to a target" }));
    const form = within(screen.getByRole("group", { name: "The pH to a target" }));
    await user.type(form.getByLabelText("pH of the soil test"), "55");
    expect(form.getByRole("alert")).toHaveTextContent(/must be 3 to 10/);
    await user.clear(form.getByLabelText("pH of the soil test"));
    await user.type(form.getByLabelText("pH of the soil test"), "7.5");
    expect(form.getByText(/Free lime was not tested/)).toBeVisible();
  });

  it("lets a step be taken out", async () => {
    const { user, server } = await opened();
    await user.click(await screen.findByRole("button", { name: "Take out: manure spread of 2026-06-10" }));
    await waitFor(() => expect(server.calls.some(({ endpoint }) => endpoint.path === strikeSoilStep.path)).toBe(true));
  });
});
