import {
  getDosePlan,
  getProducts,
  getWeekOfDoses,
  getZoneFeed,
  recordDose,
  saveProgramme,
  takeDoseBack,
  getFeedStation,
  getKeptProgrammes,
  keepProgramme,
  noteLeafTaken,
  strikeLeafTaken,
  type DosePlan,
} from "@sprunel/contract/feed";
import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { FakeServer, refusal } from "../../testing/fake-server.ts";
import { renderPage } from "../../testing/render-page.tsx";
import { board, site, zoneFeed } from "../../testing/sample-site.ts";
import { sampleDose, samplePlan, sampleSchool } from "../../testing/sample-doses.ts";
import { feedStation } from "../../testing/sample-stations.ts";

async function opened(more: Partial<DosePlan> = {}, units: "metric" | "us" = "metric") {
  const answer = { ...samplePlan, ...more };
  const server = new FakeServer()
    .on(getZoneFeed, zoneFeed())
    .on(getProducts, { products: [] })
    .on(getDosePlan, answer)
    .on(getKeptProgrammes, { programmes: [] })
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
    expect(row(/Tue 16 Jun.*due/)).toHaveTextContent(/1\.28\s*kg Potassium nitrate/);
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

  it("have digestate among them, both waters apart, in order of time", async () => {
    const given = { on: "2026-06-12", name: "Separated digestate", litres: 3200, flushL: 800 };
    await opened({
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
    const { user, server } = await opened({ doses: [sampleDose("2026-06-16", "due", { onlyIf: "the leaf is pale" })] });
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

  it("are changed to another school from beside it, in force from today", async () => {
    const { user, server } = await opened();
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
    await opened({ path: [point("2026-04-20", 0), point("2026-07-15", 1)] });
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
    const { user } = await opened({
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
    const { user } = await opened({ fault: "Nitrogen is asked for, and none of the products brings any.", path: [] });
    expect(await screen.findByRole("alert")).toHaveTextContent(/none of the products brings any/);
    await user.click(screen.getByRole("button", { name: "Change the programme" }));
    expect(screen.getByRole("region", { name: "Programme" })).toBeVisible();
  });

  it("of a school that cannot be followed have no sums, and say why", async () => {
    await opened({ schools: [sampleSchool("constant", { note: "Nothing was watered yet." })] });
    const schools = within(await screen.findByRole("region", { name: "Schools side by side" }));
    const row = schools.getByRole("row", { name: /constant strength.*Nothing was watered yet/ });
    expect(row).toHaveTextContent(/not known–––––$/);
  });

  it("have books of what stood here before, too", async () => {
    const ledger = { ...(samplePlan.ledger as NonNullable<DosePlan["ledger"]>), removed: { N: 44, P: 6, K: 70 } };
    await opened({ past: [{ cropName: "Lettuce", from: "2025-09-01", to: "2025-11-20", ledger }] });
    const past = within(await screen.findByRole("table", { name: "Books of what stood here before" }));
    expect(past.getByRole("row", { name: /Lettuce.*1 Sept? 2025/ })).toHaveTextContent(/44\s*N · 6(\.0)?\s*P · 70\s*K/);
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

  it("take an aim, a limit and a manure in US units, and send the same figures", async () => {
    const typed = async (units: "metric" | "us", [aim, most, manure]: readonly [string, string, string]) => {
      const { user, server, unmount } = await opened({}, units);
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
    server.on(getDosePlan, { ...samplePlan, version: 4 });
    await user.click(screen.getByRole("button", { name: "Put it in force" }));
    await waitFor(() => expect(screen.queryByRole("region", { name: "Programme" })).toBeNull());
  });

  it("takes the P of a manure as its label tells it, and keeps the element", async () => {
    const { user, server } = await opened();
    await user.click(await screen.findByRole("button", { name: "Change the programme" }));
    const form = within(screen.getByRole("region", { name: "Programme" }));
    await user.click(form.getByRole("button", { name: "Add a manure" }));
    await user.type(form.getByLabelText("Name of manure 1"), "Hen manure");
    const series = form.getByLabelText("Set free each year, of manure 1");
    expect(series).toHaveValue("30; 15; 5");
    await user.clear(series);
    await user.type(series, "45; 25");
    await user.click(form.getByText("as P₂O₅ and K₂O"));
    await user.clear(form.getByLabelText("P of manure 1"));
    await user.type(form.getByLabelText("P of manure 1"), "2.2914");
    await user.click(form.getByText("P and K as elements"));
    expect(form.getByLabelText("P of manure 1")).toHaveValue("1");
    await user.click(form.getByRole("button", { name: "Put it in force" }));
    await waitFor(() => expect(server.sent(saveProgramme)).toHaveLength(1));
    const [sent] = server.sent(saveProgramme) as { programme: { organic: { pPct: number; nDecayPct: number[] }[] } }[];
    expect(sent?.programme.organic[0]?.nDecayPct).toEqual([45, 25]);
    expect(sent?.programme.organic[0]?.pPct).toBeCloseTo(1, 9);
  });

  it("counts coated grains by their label beside the doses", async () => {
    const { user, server } = await opened();
    await user.click(await screen.findByRole("button", { name: "Change the programme" }));
    const form = within(screen.getByRole("region", { name: "Programme" }));
    await user.click(form.getByRole("button", { name: "Add a grain" }));
    await user.type(form.getByLabelText("Name of grain 1"), "Six months");
    await user.type(form.getByLabelText("Day of grain 1"), "2026-04-20{Enter}");
    await user.clear(form.getByLabelText("at a plant of grain 1"));
    await user.type(form.getByLabelText("at a plant of grain 1"), "12");
    await user.click(form.getByRole("button", { name: "Put it in force" }));
    await waitFor(() => expect(server.sent(saveProgramme)).toHaveLength(1));
    expect(server.sent(saveProgramme)[0]).toMatchObject({
      programme: { coated: [{ name: "Six months", on: "2026-04-20", gPlant: 12, longevityDays: 180 }] },
    });
  });

  it("at constant strength has another strength in a stage, where one is typed", async () => {
    const { user, server } = await opened({ programme: { ...samplePlan.programme, school: "constant" } });
    await user.click(await screen.findByRole("button", { name: "Change the programme" }));
    const form = within(screen.getByRole("region", { name: "Programme" }));
    await user.type(form.getByLabelText("Nitrogen of the feed in fill"), "140");
    await user.click(form.getByRole("combobox", { name: "P of the soil" }));
    await user.click(await screen.findByTitle(/the soil is rich/));
    await user.click(form.getByRole("button", { name: "Put it in force" }));
    await waitFor(() => expect(server.sent(saveProgramme)).toHaveLength(1));
    expect(server.sent(saveProgramme)[0]).toMatchObject({
      programme: { ppmStages: [{ stageId: "fill", ppmN: 140 }], soilClass: { P: "draw-down", K: null } },
    });
  });

  it("at constant strength goes by the light, from what the last week of this planting had", async () => {
    const { user, server } = await opened({ programme: { ...samplePlan.programme, school: "constant" } });
    await user.click(await screen.findByRole("button", { name: "Change the programme" }));
    const form = within(screen.getByRole("region", { name: "Programme" }));
    expect(form.queryByLabelText("Strength never over")).not.toBeInTheDocument();
    await user.click(form.getByRole("combobox", { name: "Strength through the season" }));
    await user.click(await screen.findByTitle("stronger in low light"));
    expect(form.getByLabelText("Light a day that the strength is meant for")).toHaveValue("24");
    expect(form.queryByLabelText("Water a day that the strength is meant for")).not.toBeInTheDocument();
    await user.clear(form.getByLabelText("Strength never over"));
    await user.type(form.getByLabelText("Strength never over"), "1.3");
    await user.click(form.getByRole("button", { name: "Put it in force" }));
    await waitFor(() => expect(server.sent(saveProgramme)).toHaveLength(1));
    expect(server.sent(saveProgramme)[0]).toMatchObject({
      programme: { season: { policy: "stronger-in-low-light", usualLightMolM2: 24, most: 1.3 } },
    });
  });

  it("says that a usual figure is assumed where nobody knows the last week", async () => {
    const planting = samplePlan.planting && { ...samplePlan.planting, lastWeek: { waterLM2: null, lightMolM2: null } };
    const { user } = await opened({ planting, programme: { ...samplePlan.programme, school: "constant" } });
    await user.click(await screen.findByRole("button", { name: "Change the programme" }));
    const form = within(screen.getByRole("region", { name: "Programme" }));
    await user.click(form.getByRole("combobox", { name: "Strength through the season" }));
    await user.click(await screen.findByTitle("the same grams every day"));
    expect(form.getByText(/Nobody knows the water of the last week here.*assumed/)).toBeInTheDocument();
  });

  it("that is new begins today: what came before is nobody's", async () => {
    const { user, server } = await opened({ version: null });
    await user.click(await screen.findByRole("button", { name: "Make a programme" }));
    await user.click(screen.getByRole("button", { name: "Put it in force" }));
    await waitFor(() => expect(server.sent(saveProgramme)).toHaveLength(1));
    expect(server.sent(saveProgramme)[0]).toMatchObject({ version: null, programme: { fromOn: "2026-06-16" } });
  });
});

describe("a part of a programme", () => {
  it("comes again and again until another day, in a ratio and of bags of its own", async () => {
    const { user, server } = await opened({ programme: { ...samplePlan.programme, school: "dressings" } });
    await user.click(await screen.findByRole("button", { name: "Change the programme" }));
    const form = within(screen.getByRole("region", { name: "Programme" }));
    await user.click(form.getByRole("button", { name: "Add a part" }));
    const part = within(form.getByRole("group", { name: "Fields of part 1" }));
    await user.click(part.getByRole("combobox", { name: "When, of part 1" }));
    await user.click(await screen.findByTitle("after fill begins"));
    await user.type(part.getByLabelText("Share of part 1"), "{Backspace}100");
    await user.type(part.getByLabelText("Share of K in part 1"), "100");
    await user.click(part.getByRole("button", { name: "Repeat it" }));
    await user.type(part.getByLabelText("Date of the end of part 1"), "2026-08-01{Enter}");
    await user.click(form.getByRole("button", { name: "Put it in force" }));
    await waitFor(() => expect(server.sent(saveProgramme)).toHaveLength(1));
    expect(server.sent(saveProgramme)[0]).toMatchObject({
      programme: {
        dressings: [
          {
            day: { kind: "stage", stageId: "fill", days: 0 },
            repeat: { everyDays: 14, until: { kind: "date", on: "2026-08-01" } },
            ...{ sharePct: 100, shareP: null, shareK: 100 },
          },
        ],
      },
    });
  });

  it("is given a day, a share and what must be so for it", async () => {
    const { user, server } = await opened({ programme: { ...samplePlan.programme, school: "dressings" } });
    await user.click(await screen.findByRole("button", { name: "Change the programme" }));
    const form = within(screen.getByRole("region", { name: "Programme" }));
    await user.click(form.getByRole("button", { name: "Add a part" }));
    await user.type(form.getByLabelText("Date of part 1"), "2026-07-01{Enter}");
    await user.clear(form.getByLabelText("Share of part 1"));
    await user.type(form.getByLabelText("Share of part 1"), "100");
    await user.type(form.getByLabelText("What must be so for part 1"), "growth under its band");
    await user.click(form.getByRole("button", { name: "Put it in force" }));
    await waitFor(() => expect(server.sent(saveProgramme)).toHaveLength(1));
    expect(server.sent(saveProgramme)[0]).toMatchObject({
      programme: {
        dressings: [{ day: { kind: "date", on: "2026-07-01" }, sharePct: 100, onlyIf: "growth under its band" }],
      },
    });
  });
});

describe("the bags of a dose", () => {
  it("are told for the zone, a bed, a metre of row or a plant", async () => {
    const { user } = await opened();
    const calendar = within(await screen.findByRole("region", { name: "Calendar of doses" }));
    const shown = async (part: string) => {
      await user.click(calendar.getByText(part, { exact: true }));
      return row(/Tue 16 Jun/).textContent;
    };
    // 1.28 kg over 8 beds, 640 m of row and 1280 plants
    expect(await shown("a bed")).toMatch(/160\s*g Potassium nitrate/);
    expect(await shown("a metre of row")).toMatch(/2(\.0+)?\s*g\/m Potassium nitrate/);
    expect(await shown("a plant")).toMatch(/1(\.0+)?\s*g Potassium nitrate/);
    expect(await shown("the zone")).toMatch(/1\.28\s*kg Potassium nitrate/);
  });

  it("are told for a tank of concentrate where the dose is mixed into the feed", async () => {
    // A tank makes 20 m³ of feed: half of what 40 m³ get.
    const { user } = await opened({ doses: [sampleDose("2026-06-16", "due", { mixedIntoL: 40_000 })] });
    const due = await screen.findByRole("row", { name: /Tue 16 Jun/ });
    expect(due).toHaveTextContent(/in 40.?000\s*L of feed,\s+\d+ mg\/L of N/);
    await user.click(screen.getByText("a tank of concentrate"));
    expect(due).toHaveTextContent(/640\s*g Potassium nitrate/);
  });

  it("are measured out where they are liquid, and told how they go into the water", async () => {
    const injection = {
      ...{ fillMin: 6, injectMin: 20, flushMin: 6, runL: 640, stockL: 15, stockMlMin: 750, gMin: 64, ecMsCm: 2.4 },
      ...{ leastMin: null, warnings: ["2.4 mS/cm come out of the dripper, and 2 are allowed."] },
    };
    const products = [{ productId: "uan", name: "Liquid nitrogen", kg: 1.3, gPlant: 1, mL: 1000 }];
    await opened({ doses: [sampleDose("2026-06-16", "due", { products, injection })] });
    const due = await screen.findByRole("row", { name: /Tue 16 Jun/ });
    expect(due).toHaveTextContent(/1\.3\d?\s*kg or 1(\.0+)?\s*L Liquid nitrogen/);
    expect(due).toHaveTextContent(
      /dissolve in 15(\.0)?\s*L · water 6\s*min · inject 20\s*min at 750\s*mL a minute · flush 6\s*min/,
    );
    expect(due).toHaveTextContent(/2\.4\d?\s*mS\/cm at the dripper.*2 are allowed/);
  });

  it("warn of a strip that would burn what is planted in it", async () => {
    const band = { gMetre: 42, ecExtractMsCm: 9.1, thresholdMsCm: 2.5, verdict: "burns" as const };
    await opened({ doses: [sampleDose("2026-06-16", "due", { basal: true, band })] });
    expect(await screen.findByRole("row", { name: /Tue 16 Jun/ })).toHaveTextContent(
      /in strips: 42\s*g\/m, 9\.1\d?\s*mS\/cm in the extract.*it would burn/,
    );
  });

  it("tell once what is wrong with the way into the water of many", async () => {
    const injection = {
      ...{ fillMin: 6, injectMin: 20, flushMin: 6, runL: 640, stockL: 15, stockMlMin: 750, gMin: 64, ecMsCm: 2.4 },
      ...{ leastMin: null, warnings: ["The run takes 640 L, and the zone drinks 400 L in a day."] },
    };
    await opened({ doses: ["2026-06-16", "2026-06-23"].map((on) => sampleDose(on, "planned", { injection })) });
    expect(await screen.findAllByText(/the zone drinks 400 L in a day/)).toHaveLength(1);
    expect(row(/Tue 16 Jun/)).toHaveTextContent(/the zone drinks 400 L/);
  });

  it("say what is not known of the way into the water, and make no figure of it", async () => {
    const injection = {
      ...{ fillMin: null, injectMin: 20, flushMin: null, runL: 400, stockL: null, stockMlMin: null, gMin: 64 },
      ...{ ecMsCm: null, leastMin: null, warnings: [] },
    };
    await opened({ doses: [sampleDose("2026-06-16", "due", { injection })] });
    const due = await screen.findByRole("row", { name: /Tue 16 Jun/ });
    expect(due).toHaveTextContent(/water until the farthest dripper runs · inject 20\s*min · flush as long/);
    expect(due).not.toHaveTextContent(/mS\/cm|in all|dissolve/);
  });
});

describe("a programme under a name", () => {
  it("is kept with what stands in the form", async () => {
    const { user, server } = await opened();
    server.on(keepProgramme, { programmes: [] });
    await user.click(await screen.findByRole("button", { name: "Change the programme" }));
    const form = within(screen.getByRole("region", { name: "Programme" }));
    await user.click(form.getByRole("button", { name: "Keep it" }));
    expect(await form.findByRole("alert")).toHaveTextContent(/name/i);
    await user.type(form.getByLabelText("Name to keep it under"), "Melons, weekly");
    await user.click(form.getByRole("button", { name: "Keep it" }));
    expect(await form.findByRole("status")).toHaveTextContent("Kept: Melons, weekly.");
    expect(server.sent(keepProgramme)).toMatchObject([{ name: "Melons, weekly", programme: { fromOn: null } }]);
  });

  it("is taken up from the kept ones, and what is in force from when stays as it was typed", async () => {
    const { user, server } = await opened();
    const kept = { id: 4, name: "Weekly", version: 2, madeIn: "Tunnel", keptAt: "2026-05-01T08:00:00Z", usedBy: [] };
    server.on(getKeptProgrammes, {
      programmes: [{ ...kept, programme: { ...samplePlan.programme, fromOn: null, everyDays: 11 } }],
    });
    await user.click(await screen.findByRole("button", { name: "Change the programme" }));
    const form = within(screen.getByRole("region", { name: "Programme" }));
    await user.click(await form.findByRole("combobox", { name: "Take up a programme that was kept" }));
    await user.click(await screen.findByTitle("Weekly, version 2, of Tunnel"));
    expect(form.getByLabelText("from one dose to the next")).toHaveValue("11");
    await user.click(form.getByRole("button", { name: "Put it in force" }));
    await waitFor(() => expect(server.sent(saveProgramme)).toHaveLength(1));
    expect(server.sent(saveProgramme)[0]).toMatchObject({ programme: { everyDays: 11, fromOn: "2026-05-01" } });
  });

  it("is read from a file that was written, and of another file it says what is wrong", async () => {
    const { user } = await opened();
    await user.click(await screen.findByRole("button", { name: "Change the programme" }));
    const form = within(screen.getByRole("region", { name: "Programme" }));
    const written = form.getByRole("link", { name: "As a file" }).getAttribute("href") ?? "";
    const json = decodeURIComponent(written.replace(/^data:application\/json,/, ""));
    const choose = async (text: string) => {
      const input = screen.getByRole("region", { name: "Programme" }).querySelector("input[type=file]");
      if (!(input instanceof HTMLInputElement)) throw new Error("a file can be chosen");
      await user.upload(input, new File([text], "programme.json", { type: "application/json" }));
    };
    await choose(json.replace('"everyDays": 7', '"everyDays": 5'));
    await waitFor(() => expect(form.getByLabelText("from one dose to the next")).toHaveValue("5"));
    await choose("date,kg");
    expect(await form.findByText(/it is not JSON/)).toBeVisible();
    await choose(json.replace('"everyDays": 7', '"everyDays": 400'));
    expect(await form.findByText(/^everyDays: .*1 to 60/)).toBeVisible();
  });
});

describe("while it grows", () => {
  const nitrogen = { standingKgHa: 34, takenKgHa: 80, lostKgHa: 21, lostWeekKgHa: 14, assumed: false };

  it("what stands in the root zone is told, and what left it in a week is offered with the next dose", async () => {
    const { user, server } = await opened({ nitrogen });
    const grows = within(await screen.findByRole("region", { name: "While it grows" }));
    expect(grows.getByText(/of nitrogen in the root zone/)).toHaveTextContent(
      /^34(\.0)?\s*kg\/ha.*took 80(\.0)?\s*kg\/ha/,
    );
    await user.click(grows.getByRole("button", { name: "Give it with the next dose" }));
    await waitFor(() => expect(server.sent(saveProgramme)).toHaveLength(1));
    expect(server.sent(saveProgramme)[0]).toMatchObject({
      version: 3,
      programme: { changes: [{ fromOn: "2026-06-16", addKgHa: { N: 14, P: 0, K: 0 }, factorPct: { N: 100 } }] },
    });
  });

  it("is told as assumed where nobody noted a tank, and nothing is offered for it", async () => {
    await opened({ nitrogen: { ...nitrogen, assumed: true } });
    const grows = within(await screen.findByRole("region", { name: "While it grows" }));
    expect(grows.getByText(/nobody noted a tank: its feed is counted as its target says \(assumed\)/)).toBeVisible();
    expect(grows.queryByRole("button", { name: "Give it with the next dose" })).toBeNull();
  });

  it("is not offered what was given for it already, and a change is taken out again", async () => {
    const change = {
      ...{ fromOn: "2026-06-14", untilOn: null, factorPct: { N: 100, P: 100, K: 100 } },
      ...{ addKgHa: { N: 13, P: 0, K: 0 }, why: "nitrogen left the root zone" },
    };
    const { user, server } = await opened({
      nitrogen,
      programme: { ...samplePlan.programme, changes: [change] },
    });
    const grows = within(await screen.findByRole("region", { name: "While it grows" }));
    expect(grows.queryByRole("button", { name: "Give it with the next dose" })).toBeNull();
    expect(grows.getByRole("listitem")).toHaveTextContent(/from 14 Jun: 13(\.0)?\s*kg\/ha N more, once; nitrogen left/);
    await user.click(grows.getByRole("button", { name: "Take out: nitrogen left the root zone" }));
    await waitFor(() => expect(server.sent(saveProgramme)).toHaveLength(1));
    expect(server.sent(saveProgramme)[0]).toMatchObject({ programme: { changes: [] } });
  });

  it("a leaf result under its band raises the next doses by the rule that is told", async () => {
    const { user, server } = await opened();
    await user.click(await screen.findByRole("button", { name: "A result of leaf or sap" }));
    const form = within(screen.getByRole("group", { name: "A result of leaf or sap" }));
    const take = form.getByRole("button", { name: "Change the doses" });
    expect(take).toBeDisabled();
    await user.type(form.getByLabelText("found"), "3.6");
    await user.type(form.getByLabelText("band from"), "4");
    await user.type(form.getByLabelText("band to"), "3");
    expect(form.getByRole("alert")).toHaveTextContent(/must end above where it begins/);
    await user.type(form.getByLabelText("band to"), "{Backspace}5");
    expect(form.getByRole("status")).toHaveTextContent(/N of the doses \+10 %.*20 % at most/);
    await user.click(take);
    await waitFor(() => expect(server.sent(saveProgramme)).toHaveLength(1));
    expect(server.sent(saveProgramme)[0]).toMatchObject({
      programme: {
        changes: [
          { factorPct: { N: 110, P: 100, K: 100 }, why: expect.stringMatching(/^leaf N 3\.6.*band 4/) as string },
        ],
      },
    });
  });

  it("leaf that was carried away is noted with usual contents that are told as assumed, and taken out again", async () => {
    const leaf = [{ id: 4, takenOn: "2026-06-10", massKg: 300, analysed: false, kgHa: { N: 19.7, P: 2.3, K: 22.5 } }];
    const { user, server } = await opened({ leaf });
    server.on(noteLeafTaken, samplePlan).on(strikeLeafTaken, samplePlan);
    const books = within(await screen.findByRole("region", { name: "Books of nutrients" }));
    expect(books.getByRole("listitem")).toHaveTextContent(
      /10 Jun: 300\s*kg of leaf, with .*N.*kg\/ha by usual contents, assumed/,
    );
    await user.click(books.getByRole("button", { name: "Take out: leaf of 2026-06-10" }));
    await waitFor(() => expect(server.sent(strikeLeafTaken)).toHaveLength(1));
    await user.click(books.getByRole("button", { name: "Note leaf that was carried away" }));
    await user.click(books.getByRole("button", { name: "Save" }));
    expect(await books.findByText(/The fresh mass/)).toBeVisible();
    expect(server.sent(noteLeafTaken)).toHaveLength(0);
    await user.type(books.getByLabelText("Fresh mass of leaf"), "120");
    await user.click(books.getByRole("button", { name: "Save" }));
    await waitFor(() => expect(server.sent(noteLeafTaken)).toHaveLength(1));
    expect(server.sent(noteLeafTaken)[0]).toMatchObject({ massKg: 120, dryPct: 12, nPct: 3.5, analysed: false });
  });

  it("what drained is told of nitrogen only, as nobody follows the others", async () => {
    const { ledger } = samplePlan;
    await opened({ ledger: ledger && { ...ledger, drained: { N: 21, P: null, K: null } } });
    const books = within(await screen.findByRole("region", { name: "Books of nutrients" }));
    expect(books.getByRole("row", { name: /drained/ })).toHaveTextContent(/21.*N.*–\s*P.*–\s*K/);
  });

  it("says nothing where nobody keeps books and no programme is in force", async () => {
    await opened({ version: null });
    await screen.findByRole("region", { name: "Calendar of doses" });
    expect(screen.queryByRole("region", { name: "While it grows" })).toBeNull();
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
