import type { ZoneCrop } from "@sprunel/contract/crop";
import { getZoneCrop } from "@sprunel/contract/crop";
import { getSetUp } from "@sprunel/contract/site";
import { screen, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { FakeServer } from "../testing/fake-server.ts";
import { renderPage } from "../testing/render-page.tsx";
import { board, setUp } from "../testing/sample-site.ts";
import { zoneCrop } from "../testing/sample-stations.ts";

type Practice = ZoneCrop["practices"][number];
const of = (id: string, on: string, more: Partial<Practice> = {}): Practice => ({
  ...{ id, on, name: id, until: null, water: null, sign: null, source: "a book", assumed: false },
  ...more,
});

async function shown(practices: Practice[]) {
  const server = new FakeServer().on(getZoneCrop, zoneCrop({ practices })).on(getSetUp, setUp([]));
  renderPage("/zones/1/crop", { server, shown: board() });
  await screen.findByRole("region", { name: "Stand" });
  return screen.queryByRole("region", { name: "In the field" });
}

describe("what is done in the field", () => {
  it("says when, how deep the water is kept, what to look for, and where that is from", async () => {
    const field = await shown([
      of("Keep it shallow", "2026-05-20", { until: "2026-06-03", water: { kind: "pond", cm: 3 } }),
      of("Dry in turn", "2026-06-04", { water: { kind: "tube", cm: 15 }, sign: "water at the mark" }),
      of("Drain", "2026-08-20", { water: { kind: "drain" }, assumed: true }),
    ]);
    if (!field) throw new Error("it is not there");
    const lines = within(field).getAllByRole("listitem");
    expect(lines.map((line) => line.dataset["when"])).toEqual(["over", "now", "ahead"]);
    expect(lines[0]).toHaveTextContent(/Wed 20 May to 3 Jun\s*Keep it shallow, 3(\.0)?\s*cm deep/);
    expect(lines[1]).toHaveTextContent(/flooded again at 15\s*cm below the soil.*when: water at the mark.*a book/);
    expect(lines[2]).toHaveTextContent(/no more water.*assumed/);
  });

  it("is one day's work, or a span of days, where no water is kept by it", async () => {
    const field = await shown([
      of("Weed", "2026-06-10", { until: "2026-06-20" }),
      of("Dress", "2026-06-12"),
      of("Look", "2026-06-16"),
    ]);
    if (!field) throw new Error("it is not there");
    const lines = within(field).getAllByRole("listitem");
    expect(lines.map((line) => line.dataset["when"])).toEqual(["now", "over", "now"]);
  });

  it("is not spoken of for crops without such times", async () => {
    expect(await shown([])).toBeNull();
  });
});
