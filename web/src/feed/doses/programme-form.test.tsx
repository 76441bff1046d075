import { getDosePlan, saveProgramme, getKeptProgrammes, keepProgramme } from "@sprunel/contract/feed";
import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { openDoses } from "../../testing/open-doses.tsx";
import { samplePlan } from "../../testing/sample-doses.ts";

describe("a programme", () => {
  it("is put in force with its school, its limits and its dressings, at the version that was read", async () => {
    const { user, server } = await openDoses();
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
    const { user, server } = await openDoses();
    await user.click(await screen.findByRole("button", { name: "Change the programme" }));
    server.on(getDosePlan, { ...samplePlan, version: 4 });
    await user.click(screen.getByRole("button", { name: "Put it in force" }));
    await waitFor(() => expect(screen.queryByRole("region", { name: "Programme" })).toBeNull());
  });

  it("takes the P of a manure as its label tells it, and keeps the element", async () => {
    const { user, server } = await openDoses();
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
    const { user, server } = await openDoses();
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
    const { user, server } = await openDoses({ programme: { ...samplePlan.programme, school: "constant" } });
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
    const { user, server } = await openDoses({ programme: { ...samplePlan.programme, school: "constant" } });
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
    const { user } = await openDoses({ planting, programme: { ...samplePlan.programme, school: "constant" } });
    await user.click(await screen.findByRole("button", { name: "Change the programme" }));
    const form = within(screen.getByRole("region", { name: "Programme" }));
    await user.click(form.getByRole("combobox", { name: "Strength through the season" }));
    await user.click(await screen.findByTitle("the same grams every day"));
    expect(form.getByText(/Nobody knows the water of the last week here.*assumed/)).toBeInTheDocument();
  });

  it("that is new begins today: what came before is nobody's", async () => {
    const { user, server } = await openDoses({ version: null });
    await user.click(await screen.findByRole("button", { name: "Make a programme" }));
    await user.click(screen.getByRole("button", { name: "Put it in force" }));
    await waitFor(() => expect(server.sent(saveProgramme)).toHaveLength(1));
    expect(server.sent(saveProgramme)[0]).toMatchObject({ version: null, programme: { fromOn: "2026-06-16" } });
  });
});

describe("a part of a programme", () => {
  it("comes again and again until another day, in a ratio and of bags of its own", async () => {
    const { user, server } = await openDoses({ programme: { ...samplePlan.programme, school: "dressings" } });
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
    const { user, server } = await openDoses({ programme: { ...samplePlan.programme, school: "dressings" } });
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

describe("a programme under a name", () => {
  it("is kept with what stands in the form", async () => {
    const { user, server } = await openDoses();
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
    const { user, server } = await openDoses();
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
    const { user } = await openDoses();
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
