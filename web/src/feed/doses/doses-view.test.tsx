import {
  getWeekOfDoses,
  recordDose,
  saveProgramme,
  takeDoseBack,
  getFeedStation,
  type DosePlan,
} from "@sprunel/contract/feed";
import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { FakeServer, refusal } from "../../testing/fake-server.ts";
import { openDoses, row } from "../../testing/open-doses.tsx";
import { renderPage } from "../../testing/render-page.tsx";
import { sampleDose, samplePlan, sampleSchool } from "../../testing/sample-doses.ts";
import { board } from "../../testing/sample-site.ts";
import { feedStation } from "../../testing/sample-stations.ts";

describe("the doses of a zone", () => {
  it("tell the need from left to right, each figure with its working, a doubtful credit marked", async () => {
    const { user } = await openDoses();
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
    await openDoses();
    expect(await screen.findByRole("row", { name: /Tue 2 Jun.*given.*on 3 Jun/ })).toBeVisible();
    expect(row(/Tue 9 Jun.*skipped.*too wet/)).toBeVisible();
    expect(row(/Tue 16 Jun.*due/)).toHaveTextContent(/1\.28\s*kg Potassium nitrate/);
    expect(within(row(/Tue 23 Jun/)).queryByRole("button", { name: "Note it" })).toBeNull();
  });

  it("are noted as they really were", async () => {
    const { user, server } = await openDoses();
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
    const { user, server } = await openDoses();
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

  it("have digestate among them, both waters apart, in order of time", async () => {
    const given = { on: "2026-06-12", name: "Separated digestate", litres: 3200, flushL: 800 };
    await openDoses({
      digestates: [{ ...given, nutrientsKgHa: { N: 26, P: 4, K: 30 } }],
      digestateCaps: [{ name: "Separated digestate", m3: 3.5, boundBy: "P" }],
    });
    expect(await screen.findByText(/may still be given before more P came with it/)).toHaveTextContent(/3\.5\d?\s*m³/);
    const rows = within(await screen.findByRole("region", { name: "Calendar of doses" })).getAllByRole("row");
    expect(rows[3]).toHaveTextContent(
      /Fri 12 Jun26\s*N · 4(\.0)?\s*P · 30\s*K3.?200\s*L Separated digestatethen 800\s*L of fresh water/,
    );
    expect(rows[4]).toHaveTextContent(/Tue 16 Jun/);
  });

  it("that hang on a condition ask it, and are skipped by a no alone", async () => {
    const { user, server } = await openDoses({
      doses: [sampleDose("2026-06-16", "due", { onlyIf: "the leaf is pale" })],
    });
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
    const { user, server } = await openDoses();
    await user.click(await screen.findByRole("button", { name: "Take back: dose of 2026-06-02" }));
    await waitFor(() =>
      expect(server.calls.find(({ endpoint }) => endpoint.path === takeDoseBack.path)?.params).toMatchObject({
        record: "8",
      }),
    );
  });

  it("are set side by side with other schools, a bag without a price told as such", async () => {
    await openDoses();
    const schools = within(await screen.findByRole("region", { name: "Schools side by side" }));
    expect(schools.getByRole("row", { name: /a ration by uptake.*13.*0\.190 EUR/ })).toHaveAttribute(
      "aria-current",
      "true",
    );
    expect(schools.getByRole("row", { name: /split dressings.*a bag has no price/ })).toBeVisible();
  });

  it("are changed to another school from beside it, in force from today", async () => {
    const { user, server } = await openDoses();
    await user.click(await screen.findByRole("button", { name: /^Use: split dressings/ }));
    // While it is typed no other can push it away.
    expect(screen.queryByRole("button", { name: /^Use: constant/ })).toBeNull();
    await user.click(screen.getByRole("button", { name: "Put it in force" }));
    await waitFor(() => expect(server.sent(saveProgramme)).toHaveLength(1));
    expect(server.sent(saveProgramme)[0]).toMatchObject({
      programme: { school: "dressings", fromOn: "2026-06-16", efficiencyPct: { N: 50 } },
    });
  });

  it("are drawn against the need over the season, told in words too", async () => {
    const point = (on: string, share: number) => ({
      on,
      need: { N: 342 * share, P: 30.8 * share, K: 379 * share },
      planned: { N: 300 * share, P: 30.8 * share, K: 379 * share },
    });
    await openDoses({ path: [point("2026-04-20", 0), point("2026-07-15", 1)] });
    expect(
      await screen.findByRole("img", {
        name: "N over the season: needed 342 kg/ha, in doses 300 kg/ha, by 15 Jul",
      }),
    ).toBeVisible();
    expect(screen.getAllByRole("img", { name: /over the season/ })).toHaveLength(3);
  });

  it("are drawn beside another school, when one is chosen", async () => {
    const point = (on: string, share: number) => ({
      on,
      need: { N: 342 * share, P: 30, K: 379 },
      planned: { N: 300 * share, P: 30, K: 379 },
    });
    const other = sampleSchool("dressings", {
      path: [
        { N: 0, P: 0, K: 0 },
        { N: 330, P: 20, K: 200 },
      ],
      operations: 4,
    });
    const { user } = await openDoses({
      path: [point("2026-04-20", 0), point("2026-07-15", 1)],
      schools: [other, sampleSchool("constant", { note: "Nothing was watered yet." })],
    });
    await user.click(await screen.findByRole("combobox", { name: "School beside it" }));
    // One that cannot be followed is not offered.
    expect(screen.queryByTitle(/constant strength/)).toBeNull();
    await user.click(await screen.findByTitle(/split dressings/));
    expect(screen.getByRole("img", { name: /^N over the season: .*by the other school 330 kg\/ha/ })).toBeVisible();
  });

  it("of a programme that can no longer be followed say why, and let it be changed", async () => {
    const { user } = await openDoses({
      fault: "Nitrogen is asked for, and none of the products brings any.",
      path: [],
    });
    expect(await screen.findByRole("alert")).toHaveTextContent(/none of the products brings any/);
    await user.click(screen.getByRole("button", { name: "Change the programme" }));
    expect(screen.getByRole("region", { name: "Programme" })).toBeVisible();
  });

  it("of a school that cannot be followed have no sums, and say why", async () => {
    await openDoses({ schools: [sampleSchool("constant", { note: "Nothing was watered yet." })] });
    const schools = within(await screen.findByRole("region", { name: "Schools side by side" }));
    const row = schools.getByRole("row", { name: /constant strength.*Nothing was watered yet/ });
    expect(row).toHaveTextContent(/not known–––––$/);
  });

  it("have books of what stood here before, too", async () => {
    const ledger = { ...(samplePlan.ledger as NonNullable<DosePlan["ledger"]>), removed: { N: 44, P: 6, K: 70 } };
    await openDoses({ past: [{ cropName: "Lettuce", from: "2025-09-01", to: "2025-11-20", ledger }] });
    const past = within(await screen.findByRole("table", { name: "Books of what stood here before" }));
    expect(past.getByRole("row", { name: /Lettuce.*1 Sept? 2025/ })).toHaveTextContent(/44\s*N · 6(\.0)?\s*P · 70\s*K/);
  });

  it("have books that say what they do not know", async () => {
    await openDoses();
    const books = within(await screen.findByRole("region", { name: "Books of nutrients" }));
    expect(books.getByRole("row", { name: /taken off/ })).toHaveTextContent("not known");
    expect(books.getByRole("row", { name: /given in doses/ })).toHaveTextContent(/12\s*N · 4\.0?\s*P · 28\s*K/);
  });

  it("read in pounds an acre where the site does", async () => {
    await openDoses({}, "us");
    expect(await screen.findAllByRole("columnheader", { name: "N · P · K, lb/acre" })).toHaveLength(2);
    expect(row(/Jun 23|Tue, Jun 23|Tue 23 Jun/)).toHaveTextContent(/5\.58\s*N/);
  });

  it("take an aim, a limit and a manure in US units, and send the same figures", async () => {
    const typed = async (units: "metric" | "us", [aim, most, manure]: readonly [string, string, string]) => {
      const { user, server, unmount } = await openDoses({}, units);
      await user.click(await screen.findByRole("button", { name: "Change the programme" }));
      const form = within(screen.getByRole("region", { name: "Programme" }));
      await user.type(form.getByLabelText(/^yield aimed at/), aim);
      await user.type(form.getByLabelText(/^nitrogen of residues/), most);
      await user.click(form.getByRole("button", { name: "Add a manure" }));
      await user.type(form.getByLabelText("Name of manure 1"), "Hen manure");
      await user.clear(form.getByLabelText("spread of manure 1"));
      await user.type(form.getByLabelText("spread of manure 1"), manure);
      await user.click(form.getByRole("button", { name: "Put it in force" }));
      await waitFor(() => expect(server.sent(saveProgramme)).toHaveLength(1));
      const [{ programme }] = server.sent(saveProgramme) as [{ programme: typeof samplePlan.programme }];
      unmount();
      return [programme.yieldTHa, programme.residuesKgHa, programme.organic[0]?.tHa].map((value) =>
        Number(value?.toFixed(6)),
      );
    };
    // 10 short tons and 20 lb on an acre
    const metric = await typed("metric", ["22.417023", "22.417023", "4.483405"]);
    expect(await typed("us", ["10", "20", "2"])).toEqual(metric);
  });

  it("ask for an aim where nobody has said one", async () => {
    await openDoses({ need: null, missing: "no-aim", doses: [], schools: [], version: null });
    expect(await screen.findByText(/Nobody has said what yield is aimed at/)).toBeVisible();
    expect(screen.queryByRole("region", { name: "Calendar of doses" })).toBeNull();
  });
});

describe("this week's doses", () => {
  const zones = [
    {
      zoneId: 1,
      zoneName: "Melon bags",
      cropName: "Netted melon",
      fault: null as string | null,
      doses: [sampleDose("2026-06-14", "due"), sampleDose("2026-06-19", "planned")],
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
