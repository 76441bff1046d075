import { saveProgramme, noteLeafTaken, strikeLeafTaken } from "@sprunel/contract/feed";
import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { openDoses, row } from "../../testing/open-doses.tsx";
import { sampleDose, samplePlan } from "../../testing/sample-doses.ts";

describe("the bags of a dose", () => {
  it("are told for the zone, a bed, a metre of row or a plant", async () => {
    const { user } = await openDoses();
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
    const { user } = await openDoses({ doses: [sampleDose("2026-06-16", "due", { mixedIntoL: 40_000 })] });
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
    await openDoses({ doses: [sampleDose("2026-06-16", "due", { products, injection })] });
    const due = await screen.findByRole("row", { name: /Tue 16 Jun/ });
    expect(due).toHaveTextContent(/1\.3\d?\s*kg or 1(\.0+)?\s*L Liquid nitrogen/);
    expect(due).toHaveTextContent(
      /dissolve in 15(\.0)?\s*L · water 6\s*min · inject 20\s*min at 750\s*mL a minute · flush 6\s*min/,
    );
    expect(due).toHaveTextContent(/2\.4\d?\s*mS\/cm at the dripper.*2 are allowed/);
  });

  it("warn of a strip that would burn what is planted in it", async () => {
    const band = { gMetre: 42, ecExtractMsCm: 9.1, thresholdMsCm: 2.5, verdict: "burns" as const };
    await openDoses({ doses: [sampleDose("2026-06-16", "due", { basal: true, band })] });
    expect(await screen.findByRole("row", { name: /Tue 16 Jun/ })).toHaveTextContent(
      /in strips: 42\s*g\/m, 9\.1\d?\s*mS\/cm in the extract.*it would burn/,
    );
  });

  it("tell once what is wrong with the way into the water of many", async () => {
    const injection = {
      ...{ fillMin: 6, injectMin: 20, flushMin: 6, runL: 640, stockL: 15, stockMlMin: 750, gMin: 64, ecMsCm: 2.4 },
      ...{ leastMin: null, warnings: ["The run takes 640 L, and the zone drinks 400 L in a day."] },
    };
    await openDoses({ doses: ["2026-06-16", "2026-06-23"].map((on) => sampleDose(on, "planned", { injection })) });
    expect(await screen.findAllByText(/the zone drinks 400 L in a day/)).toHaveLength(1);
    expect(row(/Tue 16 Jun/)).toHaveTextContent(/the zone drinks 400 L/);
  });

  it("say what is not known of the way into the water, and make no figure of it", async () => {
    const injection = {
      ...{ fillMin: null, injectMin: 20, flushMin: null, runL: 400, stockL: null, stockMlMin: null, gMin: 64 },
      ...{ ecMsCm: null, leastMin: null, warnings: [] },
    };
    await openDoses({ doses: [sampleDose("2026-06-16", "due", { injection })] });
    const due = await screen.findByRole("row", { name: /Tue 16 Jun/ });
    expect(due).toHaveTextContent(/water until the farthest dripper runs · inject 20\s*min · flush as long/);
    expect(due).not.toHaveTextContent(/mS\/cm|in all|dissolve/);
  });
});

describe("while it grows", () => {
  const nitrogen = { standingKgHa: 34, takenKgHa: 80, lostKgHa: 21, lostWeekKgHa: 14, assumed: false };

  it("what stands in the root zone is told, and what left it in a week is offered with the next dose", async () => {
    const { user, server } = await openDoses({ nitrogen });
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
    await openDoses({ nitrogen: { ...nitrogen, assumed: true } });
    const grows = within(await screen.findByRole("region", { name: "While it grows" }));
    expect(grows.getByText(/nobody noted a tank: its feed is counted as its target says \(assumed\)/)).toBeVisible();
    expect(grows.queryByRole("button", { name: "Give it with the next dose" })).toBeNull();
  });

  it("is not offered what was given for it already, and a change is taken out again", async () => {
    const change = {
      ...{ fromOn: "2026-06-14", untilOn: null, factorPct: { N: 100, P: 100, K: 100 } },
      ...{ addKgHa: { N: 13, P: 0, K: 0 }, why: "nitrogen left the root zone" },
    };
    const { user, server } = await openDoses({
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
    const { user, server } = await openDoses();
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
    const { user, server } = await openDoses({ leaf });
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
    await openDoses({ ledger: ledger && { ...ledger, drained: { N: 21, P: null, K: null } } });
    const books = within(await screen.findByRole("region", { name: "Books of nutrients" }));
    expect(books.getByRole("row", { name: /drained/ })).toHaveTextContent(/21.*N.*–\s*P.*–\s*K/);
  });

  it("says nothing where nobody keeps books and no programme is in force", async () => {
    await openDoses({ version: null });
    await screen.findByRole("region", { name: "Calendar of doses" });
    expect(screen.queryByRole("region", { name: "While it grows" })).toBeNull();
  });
});
