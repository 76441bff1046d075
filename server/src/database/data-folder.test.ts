import { mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { describe, expect, it, vi } from "vitest";
import { inWords } from "../run.ts";
import { backUpNightly, startServer } from "../start-server.ts";
import { bags, newFolder, site, testServer, type TestServer } from "../testing/test-server.ts";
import { atOnceOnDisk } from "./at-once-on-disk.ts";
import { BACKUPS, backupsIn, restoreBackup, writeBackup } from "./backup.ts";
import { DATABASE_FILE } from "./open-database.ts";

const read = (at: number) => ({
  at: new Date(Date.parse("2026-06-19T00:00:00Z") + at * 60_000).toISOString(),
  drainPct: 20 + (at % 10),
});

async function withZone(folder = newFolder(), kept = false): Promise<TestServer> {
  const server = await testServer({ folder, kept });
  await server.call("POST", "/api/site", site);
  await server.call("POST", "/api/zones", bags);
  return server;
}
/** What whoever starts the program is told. */
async function told(folder: string): Promise<string> {
  try {
    const server = await startServer({ dataFolder: folder, port: 0, logLevel: "silent" });
    await server.stop();
    return "it started";
  } catch (error) {
    return inWords(error);
  }
}
/** Overwrites the last pages of a database, where its newest rows stand. */
function damage(file: string): void {
  const bytes = readFileSync(file);
  bytes.fill(0xab, bytes.length - 4096 * 6, bytes.length - 4096);
  writeFileSync(file, bytes);
}

describe("a data folder that cannot be used", () => {
  it("is named with what would mend it: written by a newer program", async () => {
    const folder = newFolder();
    const server = await testServer({ folder });
    await server
      .db("knex_migrations")
      .insert({ name: "999-to-come", batch: 9, migration_time: new Date().toISOString() });
    await server.stop();
    expect(await told(folder)).toMatch(/was written by a newer Sprunel. Update this program/);
  });

  it("is named with what would mend it: no database", async () => {
    const folder = newFolder();
    writeFileSync(join(folder, DATABASE_FILE), "this is a letter, not a database. ".repeat(500));
    expect(await told(folder)).toMatch(/The database file is damaged. Stop the program and restore a backup/);
  });

  it("is named with what would mend it: used by another program", async () => {
    const folder = newFolder();
    await testServer({ folder });
    expect(await told(folder)).toMatch(/is in use by another Sprunel/);
  });

  it("is named with what would mend it: no folder can be there", async () => {
    const file = join(newFolder(), "a file");
    writeFileSync(file, "");
    expect(await told(join(file, "data"))).toMatch(/The data folder cannot be reached/);
  });

  it("is readable by its owner alone", async () => {
    const folder = newFolder();
    await withZone(folder);
    for (const name of readdirSync(folder).filter((one) => one.startsWith("sprunel")))
      expect([name, statSync(join(folder, name)).mode & 0o777]).toEqual([name, 0o600]);
  });
});

describe("a disk that fails while the program runs", () => {
  it("is told when it is full, with nothing of the request saved, and work goes on once there is space", async () => {
    const { call, db } = await withZone();
    const [{ page_count: pages } = { page_count: 0 }] = await db.raw<{ page_count: number }[]>("PRAGMA page_count");
    await db.raw(`PRAGMA max_page_count = ${pages}`);
    const round = { readings: Array.from({ length: 400 }, (_, at) => ({ zoneId: 1, ...read(at) })) };
    const refused = await call("POST", "/api/rounds", round);
    expect([refused.status, refused.body["detail"]]).toEqual([
      507,
      expect.stringMatching(/^The disk is full.*Nothing of this was saved\.$/),
    ]);
    expect((await call("GET", "/api/health")).body).toMatchObject({
      status: "trouble",
      troubles: [{ what: "the database", words: expect.stringMatching(/disk is full/) as string }],
    });
    expect(await db("zone_reading")).toHaveLength(0);
    await db.raw("PRAGMA max_page_count = 1000000");
    expect((await call("POST", "/api/rounds", round)).status).toBe(201);
    expect((await call("GET", "/api/health")).body).toMatchObject({ status: "ok", troubles: [] });
  });

  it("is told by health when its pages are damaged", async () => {
    const folder = newFolder();
    const first = await withZone(folder);
    for (let day = 0; day < 8; day++)
      await first.call("POST", "/api/rounds", {
        readings: Array.from({ length: 500 }, (_, at) => ({ zoneId: 1, ...read(at - day * 500) })),
      });
    await first.stop();
    damage(join(folder, DATABASE_FILE));
    const server = await startServer({ dataFolder: folder, port: 0, logLevel: "silent" });
    await vi.waitFor(
      async () => {
        const health = (await (await fetch(`${server.url}/api/health`)).json()) as object;
        expect(health).toMatchObject({
          status: "trouble",
          troubles: [{ words: expect.stringMatching(/damaged/) as string }],
        });
      },
      { timeout: 100_000, interval: 100 },
    );
    await server.stop().catch(() => undefined);
  });
});

describe("a backup", () => {
  it("is whole though it is made while readings come in, and restored elsewhere it is equal", async () => {
    const folder = newFolder();
    const server = await withZone(folder);
    let writing = true;
    const writer = (async () => {
      for (let at = 0; writing && at < 400; at++) await server.call("POST", "/api/zones/1/readings", read(at));
    })();
    await vi.waitFor(async () => expect(await server.db("zone_reading")).not.toHaveLength(0));
    const files = [1, 2, 3].map((day) => writeBackup(folder, join(folder, BACKUPS), Date.UTC(2026, 5, day)));
    writing = false;
    await writer;
    const elsewhere = join(newFolder(), "restored");
    for (const file of files) restoreBackup(file, elsewhere, Date.UTC(2026, 6, files.indexOf(file)));
    const now = writeBackup(folder, join(folder, BACKUPS), Date.UTC(2026, 5, 9));
    const old = restoreBackup(now, elsewhere, Date.UTC(2026, 6, 9));
    expect(readdirSync(old ?? "")).toContain(DATABASE_FILE);
    const restored = await testServer({ folder: elsewhere });
    for (const table of ["zone_reading", "zone", "site"])
      expect(await restored.db(table)).toEqual(await server.db(table));
    expect(await restored.db.raw("PRAGMA integrity_check")).toEqual([{ integrity_check: "ok" }]);
  });

  it("that is damaged is not restored, and nothing is changed", async () => {
    const folder = newFolder();
    const server = await withZone(folder);
    await server.stop();
    const file = writeBackup(folder, join(folder, BACKUPS), Date.UTC(2026, 5, 1));
    damage(file);
    expect(() => restoreBackup(file, folder, 0)).toThrow(/its checksum differs. Nothing was changed/);
    writeFileSync(`${file}.sha256`, "");
    expect(() => restoreBackup(file, folder, 0)).toThrow(/Nothing was changed/);
    const again = await testServer({ folder });
    expect(await again.db("zone")).toHaveLength(1);
  });

  it("is not restored over a folder that is in use", async () => {
    const folder = newFolder();
    await withZone(folder);
    const file = writeBackup(folder, join(newFolder(), "copies"), Date.UTC(2026, 5, 1));
    expect(() => restoreBackup(file, folder, 0)).toThrow(/in use by another Sprunel/);
  });

  it("is made once a night after two o'clock at the site, and the last seven are kept", async () => {
    const folder = newFolder();
    const { scope } = await withZone(folder);
    const to = join(folder, BACKUPS);
    // Paris is two hours ahead in June.
    await backUpNightly(folder, scope, Date.parse("2026-06-19T23:50:00Z"));
    expect(backupsIn(to)).toEqual([]);
    for (const at of ["2026-06-20T00:05:00Z", "2026-06-20T09:00:00Z", "2026-06-21T00:10:00Z"])
      await backUpNightly(folder, scope, Date.parse(at));
    expect(backupsIn(to)).toEqual(["sprunel-2026-06-20T00-05-00Z.db", "sprunel-2026-06-21T00-10-00Z.db"]);
    for (let day = 1; day <= 8; day++) writeBackup(folder, to, Date.UTC(2026, 6, day));
    expect(backupsIn(to)).toHaveLength(7);
    expect(backupsIn(to)[0]).toContain("2026-07-02");
    for (const name of readdirSync(to)) expect(statSync(join(to, name)).mode & 0o777).toBe(0o600);
  });

  it("leaves nothing half made where it cannot be written", async () => {
    const folder = newFolder();
    await withZone(folder);
    const to = join(newFolder(), "in the way");
    mkdirSync(join(to, "sprunel-2026-06-01T00-00-00Z.db.part", "x"), { recursive: true });
    expect(() => writeBackup(folder, to, Date.UTC(2026, 5, 1))).toThrow();
    expect(backupsIn(to)).toEqual([]);
  });
});

describe("writes that only count together", () => {
  const synchronous = async ({ db }: TestServer) =>
    (await db.raw<{ synchronous: number }[]>("PRAGMA synchronous"))[0]?.synchronous;

  it("do not wait for the disk one by one, and are on it at the end, also when something went wrong", async () => {
    const server = await withZone();
    const NORMAL = 1;
    const FULL = 2;
    await atOnceOnDisk(server.db, async () => {
      expect(await synchronous(server)).toBe(NORMAL);
    });
    expect(await synchronous(server)).toBe(FULL);
    const broken = atOnceOnDisk(server.db, () => Promise.reject(new Error("broken off")));
    await expect(broken).rejects.toThrow("broken off");
    expect(await synchronous(server)).toBe(FULL);
  });
});
