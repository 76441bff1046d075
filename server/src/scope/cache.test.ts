import { describe, expect, it } from "vitest";
import { PROGRAM } from "../http/caller.ts";
import { TABLES } from "../database/tables.ts";
import { site, testServer } from "../testing/test-server.ts";
import { Cache, cached, cachedByDate, cachedByZone, cachedWhole, dated, keptOfSite } from "./cache.ts";
import { createScope, type Scope } from "./scope.ts";
import { siteStore } from "./site-store.ts";

const litresIn = cachedByZone<number>(["watering", "weather_reading"]);
const sunIn = cachedByDate<string>(["weather_reading"]);
const DATES = ["2026-06-01", "2026-06-02", "2026-06-03"];

function filled() {
  const cache = new Cache();
  const fill = (): void => {
    for (const date of DATES) {
      for (const zone of [1, 2]) litresIn({ cache }).of(zone).set(date, 1);
      sunIn({ cache }).set(date, "sun");
    }
  };
  fill();
  const dates = (zone: number): string[] => [...litresIn({ cache }).of(zone).keys()];
  const days = (): string[] => [...sunIn({ cache }).keys()];
  return { cache, dates, days };
}

describe("what is kept of zones and days", () => {
  it("is let go of one zone from the date of its rows on, and of no other zone", () => {
    const { cache, dates, days } = filled();
    cache.written({ table: "watering", zones: [1], from: "2026-06-02" });
    expect(dates(1)).toEqual(["2026-06-01"]);
    expect(dates(2)).toEqual(DATES);
    expect(days()).toEqual(DATES);
  });

  it("is let go of all zones where rows are of no one zone, and of none where they are of none", () => {
    const { cache, dates, days } = filled();
    cache.written({ table: "weather_reading", zones: [], from: "2026-06-03" });
    expect([dates(1), dates(2), days()]).toEqual([DATES, DATES, DATES.slice(0, 2)]);
    cache.written({ table: "weather_reading", from: "2026-06-02" });
    expect([dates(1), dates(2), days()]).toEqual([["2026-06-01"], ["2026-06-01"], ["2026-06-01"]]);
  });

  it("stays where nothing of it rests on the rows", () => {
    const { cache, dates } = filled();
    cache.written({ table: "mix", from: "" });
    expect(dates(1)).toEqual(DATES);
  });

  it("does not take back what was still being worked out of it when it changed", () => {
    const { cache, dates } = filled();
    const atWork = litresIn({ cache }).of(1);
    cache.written({ table: "watering", zones: [1], from: "2026-06-03" });
    atWork.set("2026-06-03", 7);
    expect(dates(1)).toEqual(["2026-06-01", "2026-06-02"]);
  });

  it("is let go at midnight from the day on that is over, and once only", () => {
    const { cache, dates } = filled();
    cache.dayIs("2026-06-02");
    expect(dates(1)).toEqual(DATES);
    cache.dayIs("2026-06-03");
    expect(dates(1)).toEqual(["2026-06-01"]);
    litresIn({ cache }).of(1).set("2026-06-02", 1);
    cache.dayIs("2026-06-03");
    expect(dates(1)).toEqual(["2026-06-01", "2026-06-02"]);
  });

  it("is made anew as a whole once any row is written that it rests on", () => {
    const cache = new Cache();
    const plansIn = cachedWhole<string[]>(["pick"], () => []);
    plansIn({ cache }).push("of June");
    expect(plansIn({ cache })).toEqual(["of June"]);
    cache.written({ table: "pick", zones: [3], from: "2026-06-01" });
    expect(plansIn({ cache })).toEqual([]);
  });
});

describe("what the program keeps of a site", () => {
  it("stays whatever is written and however many days go by, in a transaction too", () => {
    const cache = new Cache();
    const searchesIn = keptOfSite<string[]>(() => []);
    cache.dayIs("2026-06-02");
    searchesIn({ cache }).push("a search");
    cache.dayIs("2026-06-03");
    cache.written({ table: "site", from: "" });
    const inner = new Cache(cache);
    inner.written({ table: "site", from: "" });
    expect([searchesIn({ cache }), searchesIn({ cache: inner })]).toEqual([["a search"], ["a search"]]);
  });
});

describe("rows that a transaction has written", () => {
  it("are told of each table and zones once, from the earliest date on", () => {
    const rows = (zones: number[], from?: string) => ({ table: "pick" as const, zones, ...(from && { from }) });
    const told = dated(
      [rows([1], "2026-06-03"), rows([1], "2026-06-01"), rows([2], "2026-06-05"), rows([2]), { table: "mix" }],
      () => "",
    );
    expect(told).toEqual([
      { table: "pick", zones: [1], from: "2026-06-01" },
      { table: "pick", zones: [2], from: "" },
      { table: "mix", zones: undefined, from: "" },
    ]);
  });
});

describe("what is read of a site", () => {
  const counted = () => {
    let reads = 0;
    const names = cached(["zone"], () => Promise.resolve(`read ${++reads}`));
    return (cache: Cache) => names({ cache } as Scope);
  };

  it("is read once until one of its tables is written", async () => {
    const [read, cache] = [counted(), new Cache()];
    expect([await read(cache), await read(cache)]).toEqual(["read 1", "read 1"]);
    cache.written({ table: "zone", zones: [], from: "" });
    expect(await read(cache)).toBe("read 2");
  });

  it("is read anew when reading it failed", async () => {
    let fails = true;
    const cache = new Cache();
    const name = cached(["zone"], () => (fails ? Promise.reject(new Error("busy")) : Promise.resolve("Bags")));
    await expect(name({ cache } as Scope)).rejects.toThrow("busy");
    fails = false;
    expect(await name({ cache } as Scope)).toBe("Bags");
  });

  it("is the same inside a transaction until that writes it itself, and outside until the transaction has ended", async () => {
    const [read, cache] = [counted(), new Cache()];
    const inner = new Cache(cache);
    expect([await read(cache), await read(inner)]).toEqual(["read 1", "read 1"]);
    inner.written({ table: "zone", from: "" });
    expect([await read(inner), await read(inner)]).toEqual(["read 2", "read 2"]);
    expect(await read(cache)).toBe("read 1");
  });
});

describe("a transaction", () => {
  it("lets what was kept go when it is done, and not when it is taken back", async () => {
    const { scope } = await testServer();
    expect(await scope.site.find()).toBeNull();
    await scope.rehearsal(async (inner) => {
      await siteStore(inner).add(site);
      expect((await inner.site.find())?.name).toBe(site.name);
    });
    expect(await scope.site.find()).toBeNull();
    await scope.transaction(async (inner) => {
      await siteStore(inner).add(site);
    });
    expect((await scope.site.find())?.name).toBe(site.name);
  });

  it("tells what it wrote by the dates of the site", async () => {
    const server = await testServer();
    await server.call("POST", "/api/site", { ...site, timeZone: "Asia/Kathmandu" });
    const told: unknown[] = [];
    const forget: Parameters<typeof createScope>[0]["forget"] = (_db, rows) => {
      told.push(...rows);
      return Promise.resolve();
    };
    await createScope({ ...server.scope, forget }, PROGRAM).transaction((inner) => {
      inner.writes({ table: "zone_reading", zones: [4], from: Date.parse("2026-06-20T18:14:00Z") });
      inner.writes({ table: "zone_reading", zones: [5], from: Date.parse("2026-06-20T18:15:00Z") });
      return Promise.resolve();
    });
    expect(told).toEqual([
      { table: "zone_reading", zones: [4], from: "2026-06-20" },
      { table: "zone_reading", zones: [5], from: "2026-06-21" },
    ]);
  });

  it("is the only place where rows are written", async () => {
    const { scope } = await testServer();
    await expect(siteStore(scope).add(site)).rejects.toThrow("inside a transaction");
    expect(await scope.site.find()).toBeNull();
  });
});

describe("the list of tables", () => {
  it("is that of the database", async () => {
    const { db } = await testServer();
    const rows = await db.raw<{ name: string }[]>("SELECT name FROM sqlite_master WHERE type = 'table' ORDER BY name");
    expect(rows.map(({ name }) => name).filter((name) => !/^(sqlite_|knex_)/.test(name))).toEqual(
      [...TABLES].toSorted(),
    );
  });
});
