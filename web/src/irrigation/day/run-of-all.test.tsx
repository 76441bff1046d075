import { addWaterings } from "@sprunel/contract/irrigation";
import {
  editSiteDay,
  getMain,
  getSiteDay,
  getWaterCalendarAddress,
  saveMain,
  type Main,
  type MainAnswer,
  type SiteDay,
} from "@sprunel/contract/plan";
import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { FakeServer, refusal } from "../../testing/fake-server.ts";
import { renderPage } from "../../testing/render-page.tsx";
import { dayPulse, siteDay } from "../../testing/sample-day.ts";
import { board, site } from "../../testing/sample-site.ts";

const NO_MAIN: Main = { limits: [], mixers: [], hands: null, tariff: [], rules: [], runs: [] };
const described: MainAnswer = {
  main: NO_MAIN,
  version: null,
  zones: [
    { id: 1, name: "Melon bags", flowLh: 4000 },
    { id: 2, name: "Low field", flowLh: 3000 },
  ],
};

async function run(more: Partial<SiteDay> = {}, units: "metric" | "us" = "metric") {
  const server = new FakeServer()
    .on(addWaterings, {})
    .on(getSiteDay, siteDay(more))
    .on(editSiteDay, siteDay({ ...more, version: 4 }))
    .on(getMain, described)
    .on(saveMain, { ...described, version: 1 })
    .on(getWaterCalendarAddress, { path: "/api/water-calendar/abc.ics" });
  const page = renderPage("/run", { server, shown: board({ site: { ...site, unitSystem: units } }) });
  await screen.findByRole("heading", { name: "The day of all zones" });
  return page;
}
const bar = (name: RegExp) => screen.getByRole("button", { name });
const edits = (server: FakeServer) => server.sent(editSiteDay) as { version: number; edit: object }[];

describe("the day of all zones", () => {
  it("says first whether all of it fits, with its cubic metres and the share of the pump", async () => {
    await run({ energy: [{ name: "Pump", kwh: 12.4, cost: 2.6 }] });
    expect(screen.getByRole("heading", { name: "All of it fits" })).toBeVisible();
    expect(screen.getByRole("complementary")).toHaveTextContent(
      /planned8\.3 m³.*4.000 L\/h80 % of Pump.*12\.4 kWh2\.60 EUR/,
    );
  });

  it("names what does not fit with the way out, and how much better any plan could be", async () => {
    const short = {
      zoneId: 2,
      name: "Low field",
      litres: 1200,
      reason: "The pump is taken.",
      wayOut: "Let its window end at 20:15.",
      gonePct: 62,
    };
    await run({ unmet: [short], gapPct: 0.4, improving: true });
    const told = screen.getByRole("region", { name: "Whether it fits" });
    expect(told).toHaveTextContent(/1.200 L do not fit/);
    expect(told).toHaveTextContent(
      /Low field: 1.200 L wait. The pump is taken. Let its window end at 20:15. Without it 62 % of what its roots can reach is gone tonight./,
    );
    expect(told).toHaveTextContent("Any plan could give at most 0.4 % more, those that come first counting most.");
    expect(told).toHaveTextContent("A better day is being looked for");
  });

  it("draws every pulse with its time, litres and state, dear hours, and what pump and mixer are asked for", async () => {
    await run({
      limits: [...siteDay().limits, { kind: "mixer", name: "Feed unit", maxLh: 6000, zoneIds: null }],
      dear: [{ startUtc: "2026-06-16T14:00:00.000Z", endUtc: "2026-06-16T17:00:00.000Z", pricePerKwh: 0.3 }],
    });
    expect(bar(/Melon bags 07:30–07:40, 400 L, over, not said what was given/)).toBeVisible();
    expect(bar(/Low field 10:00–11:00, 3.000 L, planned/)).toBeVisible();
    expect(screen.getByRole("img", { name: /What Pump is asked for: at most 4.000 L\/h/ })).toBeVisible();
    expect(screen.getByRole("img", { name: /What Feed unit is asked for: at most 0 L\/h/ })).toBeVisible();
    expect(screen.getByText("dear power")).toBeInTheDocument();
  });

  it("locks a pulse where it is dropped, to the minute, and lets the server move the rest", async () => {
    const { server } = await run();
    const pulse = bar(/Low field 10:00–11:00/);
    // The drawing is 560 px wide: from 05:00, an hour before sunrise, on to 22:00 and more.
    fireEvent.pointerDown(pulse, { button: 0, clientX: 200, pointerId: 1 });
    fireEvent.pointerMove(pulse, { clientX: 260, pointerId: 1 });
    fireEvent.pointerUp(pulse, { clientX: 260, pointerId: 1 });
    await waitFor(() => expect(edits(server)).toHaveLength(1));
    const [{ version, edit } = { version: 0, edit: {} }] = edits(server);
    expect([version, edit]).toEqual([3, { kind: "lock", pulseId: "2-2", startUtc: expect.any(String) as string }]);
    const { startUtc } = edit as { startUtc: string };
    expect(startUtc > "2026-06-16T08:30:00").toBe(true);
    expect(startUtc).toMatch(/:\d\d:00\.000Z$/);
  });

  it("is moved by arrow keys too, and chosen by Enter", async () => {
    const { server, user } = await run();
    bar(/Low field 10:00–11:00/).focus();
    await user.keyboard("{ArrowRight}");
    await waitFor(() =>
      expect(edits(server)).toMatchObject([{ edit: { kind: "lock", startUtc: "2026-06-16T08:05:00.000Z" } }]),
    );
    bar(/Melon bags 08:30–09:30/).focus();
    await user.keyboard("{Enter}");
    expect(screen.getByRole("region", { name: "Pulse of Melon bags" })).toHaveTextContent(
      /4.000 L at 4.000 L\/h.*Netted melon, fill/,
    );
  });

  it("takes a start that is typed, frees what was locked, and shuts a valve for the day", async () => {
    const pulses = siteDay().pulses.map((pulse) => (pulse.id === "2-2" ? { ...pulse, locked: true } : pulse));
    const { server, user } = await run({ pulses });
    await user.click(bar(/Low field 10:00–11:00.*locked/));
    const panel = within(screen.getByRole("region", { name: "Pulse of Low field" }));
    await user.clear(panel.getByLabelText("Starts at"));
    await user.type(panel.getByLabelText("Starts at"), "12:30");
    await user.click(panel.getByRole("button", { name: "Lock it there" }));
    await user.click(panel.getByRole("button", { name: "Free it" }));
    await user.click(panel.getByRole("button", { name: "Shut Low field today" }));
    await waitFor(() => expect(edits(server)).toHaveLength(3));
    expect(edits(server).map(({ edit }) => edit)).toEqual([
      { kind: "lock", pulseId: "2-2", startUtc: "2026-06-16T10:30:00.000Z" },
      { kind: "unlock", pulseId: "2-2" },
      { kind: "exclude", zoneId: 2 },
    ]);
  });

  it("says why a pulse cannot stand there, and leaves the day as it was", async () => {
    const { server, user } = await run();
    server.on(
      editSiteDay,
      refusal(422, "23:30 lies outside the times in which Low field may be watered: 07:00 to 20:00."),
    );
    await user.click(bar(/Low field 10:00–11:00/));
    const panel = within(screen.getByRole("region", { name: "Pulse of Low field" }));
    await user.clear(panel.getByLabelText("Starts at"));
    await user.type(panel.getByLabelText("Starts at"), "23:30");
    await user.click(panel.getByRole("button", { name: "Lock it there" }));
    expect(await screen.findByText(/outside the times in which Low field may be watered/)).toBeVisible();
    expect(bar(/Low field 10:00–11:00/)).toBeVisible();
  });

  it("opens a valve again that was shut", async () => {
    const zones = siteDay().zones.map((zone) => ({ ...zone, excluded: zone.zoneId === 2 }));
    const { server, user } = await run({ zones, pulses: siteDay().pulses.filter(({ zoneId }) => zoneId !== 2) });
    await user.click(screen.getByRole("button", { name: "Open Low field again" }));
    await waitFor(() => expect(edits(server)).toMatchObject([{ edit: { kind: "include", zoneId: 2 } }]));
  });

  it("tells what changed since, and offers what was missed without adding it", async () => {
    const { server, user } = await run({
      change: {
        atUtc: "2026-06-16T05:40:00.000Z",
        of: [
          { kind: "litres", name: "Melon bags", fromL: 4000, toL: 4400 },
          { kind: "moved", name: "Low field", pulses: 1, minutes: 12 },
        ],
      },
      offered: [{ pulseId: "2-3", zoneId: 2, name: "Low field", startUtc: "2026-06-15T14:00:00.000Z", litres: 800 }],
    });
    const changed = screen.getByRole("region", { name: "What changed" });
    expect(changed).toHaveTextContent(
      /Changed at 07:40Melon bags asks for 4.400 L instead of 4.000 L\.Low field starts 12 min later\./,
    );
    await user.click(screen.getByRole("button", { name: "Give it now" }));
    await user.click(screen.getByRole("button", { name: "Let it go" }));
    await waitFor(() => expect(edits(server)).toHaveLength(2));
    expect(edits(server).map(({ edit }) => edit)).toEqual([
      { kind: "again", pulseId: "2-3" },
      { kind: "let-go", pulseId: "2-3" },
    ]);
  });

  it("leads to paper, phone, table and calendar", async () => {
    await run();
    const out = within(screen.getByRole("navigation", { name: "Out of the door" }));
    expect(out.getByRole("link", { name: "Clock sheet to print" })).toHaveAttribute("href", "/run/sheet");
    expect(out.getByRole("link", { name: "My valves on the phone" })).toHaveAttribute("href", "/run/valves");
    expect(out.getByRole("link", { name: "As a table" })).toHaveAttribute("href", "/api/day-plan.csv");
    expect(await out.findByRole("link", { name: "For a calendar" })).toHaveAttribute(
      "href",
      "/api/water-calendar/abc.ics",
    );
  });

  it("reads in gallons where the site does", async () => {
    await run({}, "us");
    expect(screen.getByRole("complementary")).toHaveTextContent(/gal/);
    expect(screen.getByRole("main")).not.toHaveTextContent(/\d\s*L\b/);
  });
});

describe("as it ran", () => {
  it("tells only zones that are off their plan, the others in one sentence", async () => {
    const given = (litres: number) => ({ startUtc: "2026-06-16T05:30:00.000Z", minutes: 10, litres });
    await run({
      pulses: [
        dayPulse("1-1", "05:30", "05:40", 400, { state: "given", given: given(320) }),
        dayPulse("2-1", "05:00", "05:20", 900, { state: "given", given: given(905) }),
      ],
      beside: [{ zoneId: 2, name: "Low field", startUtc: "2026-06-16T03:00:00.000Z", minutes: 5, litres: 60 }],
    });
    const ran = within(screen.getByRole("region", { name: "As it ran" }));
    expect(ran.getByRole("row", { name: /Melon bags/ })).toHaveTextContent(/400 L320 L−20 %/);
    expect(ran.queryByRole("row", { name: /Low field/ })).toBeNull();
    expect(ran.getByText("1 other zone within 3 % of the plan so far.")).toBeVisible();
    expect(ran.getByText(/Beside the plan: Low field 60 L at 05:00/)).toBeVisible();
    expect(screen.getByText(/05:00, 60 L, given beside the plan/, { selector: "title" })).toBeInTheDocument();
  });

  it("says of a pulse that it was not given", async () => {
    const { server, user } = await run();
    await user.click(bar(/Low field 07:00–07:20/));
    await user.click(screen.getByRole("button", { name: "It was not given" }));
    await waitFor(() => expect(edits(server)).toMatchObject([{ edit: { kind: "missed", pulseId: "2-1" } }]));
  });

  it("is said for the day, with the litres that each zone really got", async () => {
    const { user, server } = await run();
    await user.click(screen.getByRole("button", { name: "All due was given" }));
    const dialog = within(await screen.findByRole("dialog", { name: /all zones/ }));
    const litres = dialog.getByLabelText("Litres: Low field, 07:00");
    await user.clear(litres);
    await user.type(litres, "850");
    await user.click(dialog.getByRole("button", { name: "It was given" }));
    await waitFor(() =>
      expect(server.sent(addWaterings)).toEqual([
        {
          waterings: [
            { zoneId: 2, startUtc: "2026-06-16T05:00:00.000Z", minutes: 20, litres: 850 },
            { zoneId: 1, startUtc: "2026-06-16T05:30:00.000Z", minutes: 10, litres: 400 },
          ],
        },
      ]),
    );
  });

  it("is said for one pulse, and for other water than was planned, at a time that is typed", async () => {
    const { user, server } = await run();
    await user.click(bar(/Melon bags 07:30–07:40/));
    await user.click(
      within(screen.getByRole("region", { name: "Pulse of Melon bags" })).getByRole("button", { name: "It was given" }),
    );
    const one = within(await screen.findByRole("dialog", { name: "Given: Melon bags" }));
    await user.click(one.getByRole("button", { name: "It was given" }));
    await waitFor(() => expect(server.sent(addWaterings)).toMatchObject([{ waterings: [{ zoneId: 1, litres: 400 }] }]));
    await user.click(screen.getByRole("combobox", { name: "Log other water" }));
    await user.click(await screen.findByTitle("Low field"));
    const other = within(await screen.findByRole("dialog", { name: "Given: Low field" }));
    await user.click(other.getByRole("button", { name: "It was given" }));
    expect(await other.findByText(/how long was the valve open/)).toBeVisible();
    await user.type(other.getByLabelText(/^Minutes/), "15");
    await user.type(other.getByLabelText(/^Litres/), "600");
    await user.click(other.getByRole("button", { name: "It was given" }));
    await waitFor(() =>
      expect(server.sent(addWaterings)[1]).toEqual({
        waterings: [{ zoneId: 2, startUtc: "2026-06-16T06:10:00.000Z", minutes: 15, litres: 600 }],
      }),
    );
  });

  it("stays as it was typed when the server refuses, with the reason", async () => {
    const { user, server } = await run();
    server.on(
      addWaterings,
      refusal(422, "Check.", { errors: [{ path: "waterings.0.litres", message: "Too many litres for this zone." }] }),
    );
    await user.click(screen.getByRole("button", { name: "Log water: Melon bags" }));
    const dialog = within(await screen.findByRole("dialog", { name: "Given: Melon bags" }));
    await user.type(dialog.getByLabelText(/^Minutes/), "15");
    await user.type(dialog.getByLabelText(/^Litres/), "400");
    await user.click(dialog.getByRole("button", { name: "It was given" }));
    expect(await dialog.findByText("Too many litres for this zone.")).toBeVisible();
    expect(dialog.getByLabelText(/^Litres/)).toHaveValue("400");
  });
});

describe("what all zones share", () => {
  const opened = async (more: Partial<MainAnswer> = {}) => {
    const page = await run();
    page.server.on(getMain, { ...described, ...more });
    await page.user.click(screen.getByRole("button", { name: "Pump, mixers and hands" }));
    return { ...page, form: within(await screen.findByRole("dialog", { name: "Pump, mixers and hands" })) };
  };

  it("is described from a pump on: its flow, a mixer, a group, and who opens hand valves when", async () => {
    const { user, server, form } = await opened();
    await user.type(form.getByLabelText("Pump gives at most"), "4500");
    await user.click(form.getByRole("button", { name: "Add a mixer" }));
    await user.type(form.getByLabelText("Mixer 1 gives at most"), "4000");
    await user.click(form.getByRole("button", { name: "Some valves are opened by hand" }));
    await user.clear(form.getByLabelText("Hand valves minded at once"));
    await user.type(form.getByLabelText("Hand valves minded at once"), "2");
    await user.click(form.getByRole("button", { name: "Save" }));
    await waitFor(() => expect(server.sent(saveMain)).toHaveLength(1));
    expect(server.sent(saveMain)[0]).toMatchObject({
      version: null,
      limits: [{ kind: "pump", name: "Pump", maxLh: 4500, zoneIds: null }],
      mixers: [{ name: "Mixer 1", maxLh: 4000, rinseMin: 5 }],
      hands: { zoneIds: [1, 2], hours: [{ start: "07:00", end: "12:00" }], reach: 2, walkMin: 2 },
    });
  });

  it("takes power by the hour up to midnight, an order and dry times, and other runs", async () => {
    const { user, server, form } = await opened();
    await user.type(form.getByLabelText("Pump gives at most"), "4500");
    await user.click(form.getByText("Power by the hour, order and dry times, other runs"));
    await user.click(form.getByRole("button", { name: "Add hours" }));
    await user.type(form.getByLabelText("Price 1"), "0.2");
    expect(form.getByLabelText("To, price 1")).toHaveValue("24:00");
    expect(form.queryByRole("alert")).toBeNull();
    await user.click(form.getByRole("button", { name: "Add a zone’s rule" }));
    await user.click(form.getByRole("button", { name: "Dry from … to …" }));
    await user.click(form.getByRole("button", { name: "Watered from … to …" }));
    await user.click(form.getByRole("button", { name: "Add a run" }));
    await user.type(form.getByLabelText("Flow of Run 1"), "300");
    await user.type(form.getByLabelText("Minutes of Run 1"), "2");
    await user.click(form.getByRole("button", { name: "Save" }));
    await waitFor(() => expect(server.sent(saveMain)).toHaveLength(1));
    expect(server.sent(saveMain)[0]).toMatchObject({
      tariff: [{ start: "00:00", end: "24:00", pricePerKwh: 0.2 }],
      rules: [
        { zoneId: 1, priority: 5, dry: [{ start: "20:00", end: "24:00" }], wet: [{ start: "06:00", end: "10:00" }] },
      ],
      runs: [{ name: "Run 1", lh: 300, minutes: 2, times: 1 }],
    });
  });

  it("finds what a group may take by its pipe", async () => {
    const { user, form } = await opened();
    await user.click(form.getByRole("button", { name: "Add a group of valves" }));
    await user.click(form.getByRole("button", { name: "By its pipe: Group" }));
    await user.type(form.getByLabelText("its pipe’s inside diameter, Group"), "50");
    await user.type(form.getByLabelText("the pipe’s length, Group"), "10");
    await user.type(form.getByLabelText("pressure to spare, Group"), "100");
    expect(await form.findByText(/It carries 10.602 L\/h/)).toBeVisible();
    await user.click(form.getByRole("button", { name: "Take it" }));
    expect(form.getByLabelText("Group gives at most")).toHaveValue("10602");
  });

  it("says what is missing in our words, and keeps what was typed when the server refuses", async () => {
    const { user, server, form } = await opened();
    await user.click(form.getByRole("button", { name: "Add a mixer" }));
    await user.click(form.getByRole("button", { name: "Save" }));
    expect(await form.findByText(/The mixer's flow/)).toBeVisible();
    expect(server.sent(saveMain)).toHaveLength(0);
    await user.click(form.getByRole("button", { name: "Take out: Mixer 1" }));
    server.on(
      saveMain,
      refusal(422, "Check.", {
        errors: [
          { path: "limits.0.maxLh", message: "Pump gives 900 L/h and cannot feed even the smallest of its zones." },
        ],
      }),
    );
    await user.type(form.getByLabelText("Pump gives at most"), "900");
    await user.click(form.getByRole("button", { name: "Save" }));
    expect(await form.findByText(/cannot feed even the smallest of its zones/)).toBeVisible();
    expect(form.getByLabelText("Pump gives at most")).toHaveValue("900");
  });
});

describe("the clock sheet", () => {
  const sheet = async (more: Partial<SiteDay> = {}) => {
    const server = new FakeServer().on(getSiteDay, siteDay(more));
    const page = renderPage("/run/sheet", { server });
    await screen.findByRole("heading", { name: /Water for Tuesday 16 June 2026/ });
    return page;
  };

  it("goes by the clock, with until when, how many litres, and who gets no water", async () => {
    const dry = { zoneId: 3, name: "Wet bed", litres: 0, excluded: false, byHand: false, windows: [] };
    await sheet({ zones: [...siteDay().zones, dry] });
    const rows = screen.getAllByRole("row").map(({ textContent }) => textContent);
    expect(rows[1]).toMatch(/07:00open Low fielduntil 07:20, 20 min900 L/);
    expect(rows[2]).toMatch(/07:30open Melon bags/);
    expect(screen.getByText("No water needed: Wet bed.")).toBeVisible();
  });

  it("tells of hand valves when to close them too, for them alone where that is asked", async () => {
    const pulses = siteDay().pulses.map((pulse) => ({ ...pulse, byHand: pulse.zoneId === 2 }));
    const { user } = await sheet({ pulses });
    expect(screen.getByRole("row", { name: /07:20 close Low field/ })).toBeVisible();
    await user.click(screen.getByText("by hand"));
    expect(screen.queryByRole("row", { name: /Melon bags/ })).toBeNull();
  });

  it("goes by valve and on Letter where that is asked", async () => {
    const { user, container } = await sheet();
    await user.click(screen.getByText("by valve"));
    expect(screen.getByRole("heading", { name: /Melon bags\s*4.400 L/ })).toBeVisible();
    expect(screen.getByText(/60 min · 4.000 L/)).toBeVisible();
    await user.click(screen.getByText("Letter"));
    expect(container.querySelector("style")?.textContent).toContain("size: Letter");
  });
});

describe("my valves on the phone", () => {
  const phone = async (more: Partial<SiteDay> = {}) => {
    const server = new FakeServer()
      .on(getSiteDay, siteDay(more))
      .on(addWaterings, {})
      .on(editSiteDay, siteDay({ ...more, version: 4 }));
    const page = renderPage("/run/valves", { server });
    await screen.findByRole("heading", { name: "My valves" });
    return { ...page, server };
  };

  it("says what is open, what is next and what nobody has said yet, with one tap for it", async () => {
    const open = dayPulse("1-5", "06:00", "06:20", 800, { state: "running", byHand: true });
    const { user, server } = await phone({ pulses: [...siteDay().pulses, open] });
    await user.click(screen.getByText("all"));
    expect(screen.getByRole("region", { name: "Open now" })).toHaveTextContent(
      /Melon bags08:00–08:20close it in 10 min · 800 L/,
    );
    expect(screen.getByRole("region", { name: "Next" })).toHaveTextContent(/Melon bags08:30–09:3060 min/);
    await user.click(screen.getByRole("button", { name: "Given: Low field, 07:00" }));
    await waitFor(() =>
      expect(server.sent(addWaterings)).toEqual([
        { waterings: [{ zoneId: 2, startUtc: "2026-06-16T05:00:00.000Z", minutes: 20, litres: 900 }] },
      ]),
    );
    await user.click(screen.getByRole("button", { name: "Not given: Melon bags, 07:30" }));
    await waitFor(() => expect(server.sent(editSiteDay)).toMatchObject([{ edit: { kind: "missed", pulseId: "1-1" } }]));
  });

  it("sends somebody to a hand valve half an hour before its time", async () => {
    await phone({ pulses: [dayPulse("1-2", "06:30", "07:30", 4000, { byHand: true })] });
    expect(screen.getByRole("region", { name: "Next: walk to it now" })).toHaveTextContent(/Melon bags08:30–09:30/);
  });

  it("has only hand valves at first where there are any, and says when nothing more comes", async () => {
    const pulses = siteDay()
      .pulses.slice(0, 2)
      .map((pulse) => ({ ...pulse, byHand: pulse.zoneId === 2 }));
    await phone({ pulses });
    expect(screen.getByRole("region", { name: "Was it given?" })).not.toHaveTextContent("Melon bags");
    expect(screen.getByText("Nothing is open.")).toBeVisible();
    expect(screen.getByText("Nothing more is planned on this day.")).toBeVisible();
  });
});
