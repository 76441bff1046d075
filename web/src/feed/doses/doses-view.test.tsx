import {
  getDosePlan,
  getProducts,
  getWeekOfDoses,
  getZoneFeed,
  recordDose,
  saveProgramme,
  takeDoseBack,
  getFeedStation,
  type DosePlan,
  type PlannedDose,
} from "@sprunel/contract/feed";
import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { FakeServer, refusal } from "../../testing/fake-server.ts";
import { renderPage } from "../../testing/render-page.tsx";
import { board, site, zoneFeed } from "../../testing/sample-site.ts";
import { feedStation } from "../../testing/sample-stations.ts";

const none = { N: 0, P: 0, K: 0 };
const dose = (on: string, state: PlannedDose["state"], more: Partial<PlannedDose> = {}): PlannedDose => ({
  ...{ on, basal: false, onlyIf: null, state, record: null, nutrientsKgHa: { N: 6.25, P: 2.2, K: 14.2 } },
  products: [{ productId: "potassium-nitrate", name: "Potassium nitrate", kg: 1.28, gPlant: 1 }],
  ...more,
});
const plan: DosePlan = {
  ...{ zoneId: 1, date: "2026-06-16", missing: null, version: 3, unmet: [], warnings: [], fault: null, path: [] },
  planting: {
    ...{ key: "2026-04-20", cropName: "Netted melon", plantedOn: "2026-04-20", areaM2: 640, plants: 1280 },
    stages: [{ id: "fill", name: "Fill", from: "2026-06-08" }],
  },
  programme: {
    ...{ school: "ration", fromOn: "2026-05-01", yieldTHa: null, efficiencyPct: { N: 80, P: 100, K: 85 }, organic: [] },
    ...{ residuesKgHa: null, fixationKgHa: null, everyDays: 7, dressings: [], ppmN: 100, basalPct: 0 },
    ...{ largestNKgHa: null, shortestDays: null, lastOn: null, productIds: ["potassium-nitrate"] },
  },
  need: {
    ...{ yieldTHa: 70, aim: "planting", removalKgT: { N: 4.2, P: 0.44, K: 4.6 }, removalSource: "an extension table" },
    uptakeKgHa: { N: 294, P: 30.8, K: 322 },
    credits: [
      { kind: "soil", from: "soil, 0 to 50 cm", N: 20, P: 0, K: 0, doubt: "the test is of 2019: counted at half" },
    ],
    toGiveKgHa: { N: 342, P: 30.8, K: 379 },
    warnings: [],
    working: [
      {
        ...{ label: "Uptake of N", formula: "yield · removal", substituted: "70 × 4.2", value: 294 },
        ...{ unit: "kg/ha", source: "removal as given" },
      },
    ],
  },
  doses: [
    dose("2026-06-02", "given", { record: { id: 8, doneOn: "2026-06-03", reason: null } }),
    dose("2026-06-09", "skipped", { products: [], record: { id: 9, doneOn: "2026-06-09", reason: "too wet" } }),
    dose("2026-06-16", "due"),
    dose("2026-06-23", "planned"),
  ],
  schools: [
    {
      school: "ration",
      totalKgHa: { N: 342, P: 30.8, K: 379 },
      operations: 13,
      costM2: 0.19,
      largestNKgHa: 33,
      note: null,
    },
    {
      school: "dressings",
      totalKgHa: { N: 342, P: 30.8, K: 379 },
      operations: 4,
      costM2: null,
      largestNKgHa: 146,
      note: null,
    },
    {
      school: "constant",
      totalKgHa: none,
      operations: 63,
      costM2: 0.1,
      largestNKgHa: 8,
      note: "of the litres given so far",
    },
  ],
  ledger: { given: { N: 12, P: 4, K: 28 }, fed: none, water: none, credited: none, removed: null, left: null },
};

async function opened(more: Partial<DosePlan> = {}, units: "metric" | "us" = "metric") {
  const answer = { ...plan, ...more };
  const server = new FakeServer()
    .on(getZoneFeed, zoneFeed())
    .on(getProducts, { products: [] })
    .on(getDosePlan, answer)
    .on(saveProgramme, answer)
    .on(recordDose, answer)
    .on(takeDoseBack, answer);
  const shown = board({ site: { ...site, unitSystem: units } });
  const page = renderPage("/zones/1/feed?view=doses", { server, shown });
  await screen.findByRole("navigation", { name: "Parts of the feed" });
  return { ...page, server };
}
const row = (name: RegExp) => screen.getByRole("row", { name });

describe("the doses of a zone", () => {
  it("tell the need from left to right, each figure with its working, a doubtful credit marked", async () => {
    const { user } = await opened();
    const need = within(await screen.findByRole("region", { name: "Need" }));
    expect(need.getAllByRole("heading").map(({ textContent }) => textContent)).toEqual([
      ...["Aim", "is taken up", "is there already", "is to be given"],
    ]);
    expect(need.getByText(/the test is of 2019: counted at half/)).toBeVisible();
    const [uptake] = need.getAllByRole("button", { name: /294/ });
    if (!uptake) throw new Error("the uptake has no working");
    await user.click(uptake);
    expect(await screen.findByText(/70 × 4\.2/)).toBeVisible();
  });

  it("stand in order with their bags, and what became of each", async () => {
    await opened();
    expect(await screen.findByRole("row", { name: /Tue 2 Jun.*given.*on 3 Jun/ })).toBeVisible();
    expect(row(/Tue 9 Jun.*skipped.*too wet/)).toBeVisible();
    expect(row(/Tue 16 Jun.*due/)).toHaveTextContent(/1\.28\s*kg Potassium nitrate \(1\.0? ?g a plant\)/);
    expect(within(row(/Tue 23 Jun/)).queryByRole("button", { name: "Note it" })).toBeNull();
  });

  it("are noted as they really were", async () => {
    const { user, server } = await opened();
    await user.click(
      within(await screen.findByRole("row", { name: /Tue 16 Jun/ })).getByRole("button", { name: "Note it" }),
    );
    const form = within(screen.getByRole("group", { name: "Dose of 2026-06-16" }));
    const kg = form.getByLabelText("Potassium nitrate");
    expect(kg).toHaveValue("1.28");
    await user.clear(kg);
    await user.type(kg, "1.5");
    await user.click(form.getByRole("button", { name: "Given" }));
    await waitFor(() => expect(server.sent(recordDose)).toHaveLength(1));
    expect(server.sent(recordDose)[0]).toMatchObject({
      ...{ plannedOn: "2026-06-16", doneOn: "2026-06-16", state: "given" },
      products: [{ productId: "potassium-nitrate", kg: 1.5 }],
    });
  });

  it("are skipped with a reason only, and what was typed stays when the server refuses", async () => {
    const { user, server } = await opened();
    await user.click(
      within(await screen.findByRole("row", { name: /Tue 16 Jun/ })).getByRole("button", { name: "Note it" }),
    );
    const form = within(screen.getByRole("group", { name: "Dose of 2026-06-16" }));
    await user.click(form.getByRole("button", { name: "Skipped" }));
    expect(await form.findByText("Say why the dose was skipped.")).toBeVisible();
    expect(server.sent(recordDose)).toHaveLength(0);
    server.on(recordDose, refusal(422, "Nothing stood in Melon bags on 2026-06-16."));
    await user.type(form.getByLabelText("Why it was skipped"), "leaf too dark");
    await user.click(form.getByRole("button", { name: "Skipped" }));
    expect(await form.findByText(/Nothing stood in Melon bags/)).toBeVisible();
    expect(form.getByLabelText("Why it was skipped")).toHaveValue("leaf too dark");
  });

  it("that hang on a condition ask it, and are skipped by a no alone", async () => {
    const { user, server } = await opened({ doses: [dose("2026-06-16", "due", { onlyIf: "the leaf is pale" })] });
    const due = await screen.findByRole("row", { name: /Tue 16 Jun.*only if the leaf is pale/ });
    await user.click(within(due).getByRole("button", { name: "Note it" }));
    const form = within(screen.getByRole("group", { name: "Dose of 2026-06-16" }));
    expect(form.getByText("Only if the leaf is pale. Is it so?")).toBeVisible();
    await user.click(form.getByRole("button", { name: "It is not so: skipped" }));
    await waitFor(() => expect(server.sent(recordDose)).toHaveLength(1));
    expect(server.sent(recordDose)[0]).toMatchObject({
      ...{ plannedOn: "2026-06-16", state: "skipped", products: [], reason: "not so: the leaf is pale" },
    });
  });

  it("are taken back", async () => {
    const { user, server } = await opened();
    await user.click(await screen.findByRole("button", { name: "Take back: dose of 2026-06-02" }));
    await waitFor(() =>
      expect(server.calls.find(({ endpoint }) => endpoint.path === takeDoseBack.path)?.params).toMatchObject({
        record: "8",
      }),
    );
  });

  it("are set side by side with other schools, a bag without a price told as such", async () => {
    await opened();
    const schools = within(await screen.findByRole("region", { name: "Schools side by side" }));
    expect(schools.getByRole("row", { name: /a ration by uptake.*13.*0\.190 EUR/ })).toHaveAttribute(
      "aria-current",
      "true",
    );
    expect(schools.getByRole("row", { name: /split dressings.*a bag has no price/ })).toBeVisible();
  });

  it("are drawn against the need over the season, told in words too", async () => {
    const point = (on: string, share: number) => ({
      on,
      need: { N: 342 * share, P: 30.8 * share, K: 379 * share },
      planned: { N: 300 * share, P: 30.8 * share, K: 379 * share },
    });
    await opened({ path: [point("2026-04-20", 0), point("2026-07-15", 1)] });
    expect(
      await screen.findByRole("img", {
        name: "N over the season: needed 342 kg/ha, in doses 300 kg/ha, by 15 Jul",
      }),
    ).toBeVisible();
    expect(within(screen.getByRole("region", { name: "Need against doses" })).getAllByRole("img")).toHaveLength(3);
  });

  it("of a programme that can no longer be followed say why, and let it be changed", async () => {
    const { user } = await opened({ fault: "Nitrogen is asked for, and none of the products brings any.", path: [] });
    expect(await screen.findByRole("alert")).toHaveTextContent(/none of the products brings any/);
    await user.click(screen.getByRole("button", { name: "Change the programme" }));
    expect(screen.getByRole("region", { name: "Programme" })).toBeVisible();
  });

  it("of a school that cannot be followed have no sums, and say why", async () => {
    const none = { totalKgHa: null, operations: null, costM2: null, largestNKgHa: null };
    await opened({ schools: [{ school: "constant", ...none, note: "Nothing was watered yet." }] });
    const schools = within(await screen.findByRole("region", { name: "Schools side by side" }));
    const row = schools.getByRole("row", { name: /constant strength.*Nothing was watered yet/ });
    expect(row).toHaveTextContent(/not known–––$/);
  });

  it("have books that say what they do not know", async () => {
    await opened();
    const books = within(await screen.findByRole("region", { name: "Books of nutrients" }));
    expect(books.getByRole("row", { name: /taken off/ })).toHaveTextContent("not known");
    expect(books.getByRole("row", { name: /given in doses/ })).toHaveTextContent(/12\s*N · 4\.0?\s*P · 28\s*K/);
  });

  it("read in pounds an acre where the site does", async () => {
    await opened({}, "us");
    expect(await screen.findAllByRole("columnheader", { name: "N · P · K, lb/acre" })).toHaveLength(2);
    expect(row(/Jun 23|Tue, Jun 23|Tue 23 Jun/)).toHaveTextContent(/5\.58\s*N/);
  });

  it("ask for an aim where nobody has said one", async () => {
    await opened({ need: null, missing: "no-aim", doses: [], schools: [], version: null });
    expect(await screen.findByText(/Nobody has said what yield is aimed at/)).toBeVisible();
    expect(screen.queryByRole("region", { name: "Calendar of doses" })).toBeNull();
  });
});

describe("a programme", () => {
  it("is put in force with its school, its limits and its dressings, at the version that was read", async () => {
    const { user, server } = await opened();
    await user.click(await screen.findByRole("button", { name: "Change the programme" }));
    const form = within(screen.getByRole("region", { name: "Programme" }));
    await user.clear(form.getByLabelText("from one dose to the next"));
    await user.type(form.getByLabelText("from one dose to the next"), "10");
    await user.type(form.getByLabelText("largest N of a dose; empty for any"), "20");
    await user.click(form.getByRole("button", { name: "Put it in force" }));
    expect(await form.findByText(/how many days lie between them/)).toBeVisible();
    await user.type(form.getByLabelText("days between parts of a larger one"), "3");
    await user.click(form.getByRole("button", { name: "Put it in force" }));
    await waitFor(() => expect(server.sent(saveProgramme)).toHaveLength(1));
    expect(server.sent(saveProgramme)[0]).toMatchObject({
      version: 3,
      programme: { school: "ration", everyDays: 10, largestNKgHa: 20, shortestDays: 3 },
    });
  });

  it("that is saved leaves its form, although the plan comes back at a newer version", async () => {
    const { user, server } = await opened();
    await user.click(await screen.findByRole("button", { name: "Change the programme" }));
    server.on(getDosePlan, { ...plan, version: 4 });
    await user.click(screen.getByRole("button", { name: "Put it in force" }));
    await waitFor(() => expect(screen.queryByRole("region", { name: "Programme" })).toBeNull());
  });

  it("that is new begins today: what came before is nobody's", async () => {
    const { user, server } = await opened({ version: null });
    await user.click(await screen.findByRole("button", { name: "Make a programme" }));
    await user.click(screen.getByRole("button", { name: "Put it in force" }));
    await waitFor(() => expect(server.sent(saveProgramme)).toHaveLength(1));
    expect(server.sent(saveProgramme)[0]).toMatchObject({ version: null, programme: { fromOn: "2026-06-16" } });
  });
});

describe("a dressing", () => {
  it("is given a day, a share and what must be so for it", async () => {
    const { user, server } = await opened({ programme: { ...plan.programme, school: "dressings" } });
    await user.click(await screen.findByRole("button", { name: "Change the programme" }));
    const form = within(screen.getByRole("region", { name: "Programme" }));
    await user.click(form.getByRole("button", { name: "Add a dressing" }));
    await user.type(form.getByLabelText("Date of dressing 1"), "2026-07-01{Enter}");
    await user.clear(form.getByLabelText("Share of dressing 1"));
    await user.type(form.getByLabelText("Share of dressing 1"), "100");
    await user.type(form.getByLabelText("What must be so for dressing 1"), "growth under its band");
    await user.click(form.getByRole("button", { name: "Put it in force" }));
    await waitFor(() => expect(server.sent(saveProgramme)).toHaveLength(1));
    expect(server.sent(saveProgramme)[0]).toMatchObject({
      programme: {
        dressings: [{ day: { kind: "date", on: "2026-07-01" }, sharePct: 100, onlyIf: "growth under its band" }],
      },
    });
  });
});

describe("this week's doses", () => {
  const zones = [
    {
      zoneId: 1,
      zoneName: "Melon bags",
      cropName: "Netted melon",
      fault: null as string | null,
      doses: [dose("2026-06-14", "due"), dose("2026-06-19", "planned")],
    },
  ];
  async function week(more: Partial<{ zones: typeof zones }> = {}) {
    const server = new FakeServer()
      .on(getFeedStation, feedStation())
      .on(getWeekOfDoses, { date: "2026-06-16", zones, ...more });
    renderPage("/feed?view=doses", { server, shown: board() });
    await screen.findByRole("navigation", { name: "Parts of the feed" });
  }

  it("stand with their zones, what is overdue first", async () => {
    await week();
    const rows = within(await screen.findByRole("table", { name: "This week’s doses" })).getAllByRole("row");
    expect(rows[0]).toHaveTextContent(/Sun 14 Jun\s*due\s*Melon bags/);
    expect(rows[1]).toHaveTextContent(/Fri 19 Jun/);
  });

  it("tell of a zone whose programme can no longer be followed, beside the others", async () => {
    const [zone] = zones;
    if (!zone) throw new Error("a zone");
    await week({
      zones: [zone, { ...zone, zoneId: 2, zoneName: "Tunnel", fault: "None of the bags brings nitrogen.", doses: [] }],
    });
    const table = within(await screen.findByRole("table", { name: "This week’s doses" }));
    expect(table.getAllByRole("row")).toHaveLength(3);
    expect(table.getByRole("row", { name: /Tunnel.*None of the bags brings nitrogen/ })).toBeVisible();
  });

  it("say how to begin where no zone is fed so", async () => {
    await week({ zones: [] });
    expect(await screen.findByText(/No zone is fed in doses yet/)).toBeVisible();
  });
});
