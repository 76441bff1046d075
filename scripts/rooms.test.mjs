import { readdirSync } from "node:fs";
import { join } from "node:path";
import parser from "@typescript-eslint/parser";
import { ESLint, Linter } from "eslint";
import { describe, expect, it } from "vitest";
import { LAYERS } from "../eslint.rooms.mjs";
import { importers, isTest } from "./import-graph.mjs";
import { root } from "./prepare.mjs";

const eslint = new ESLint({ cwd: root });
const linter = new Linter();

/** What the whole configuration says of one import in a file. */
async function said(file, from) {
  const { rules } = await eslint.calculateConfigForFile(join(root, file));
  const only = { "no-restricted-imports": rules["no-restricted-imports"] };
  return linter
    .verify(`import { it } from "${from}";\nexport { it };`, {
      files: ["**/*"],
      languageOptions: { parser },
      rules: only,
    })
    .map(({ message }) => message);
}

describe("the rules of layers and rooms", () => {
  it.each([
    ["core/src/table/list.ts", "node:fs"],
    ["core/src/table/list.ts", "../climate/air.ts"],
    ["core/src/climate/air.ts", "../plan/demand.ts"],
    ["core/src/feed/recipe/recipe.ts", "../../systems/pots.ts"],
    ["core/src/feed/recipe/recipe.ts", "../doses/need.ts"],
    ["core/src/crop/crop.ts", "../feed/recipe/recipe.ts"],
    // Below it, and not named for it.
    ["core/src/advice/judge.ts", "../crop/crop.ts"],
    ["server/src/harvest/harvest-service.ts", "../climate/weather-service.ts"],
    ["core/src/crop/crop.ts", "@sprunel/contract/site"],
    ["core/src/plan/demand.ts", "@sprunel/core/climate"],
    ["contract/src/site/zone.ts", "../exchange/site-file.ts"],
    ["contract/src/basics/basics.ts", "node:url"],
    ["server/src/scope/scope.ts", "../site/set-up-service.ts"],
    ["server/src/water/water-service.ts", "../feed/feed-store.ts"],
    ["server/src/feed/feed-service.ts", "@sprunel/web"],
    ["server/src/feed/feed-service.ts", "../../../core/src/feed/recipe/recipe.ts"],
    ["web/src/place/use-place.ts", "../shell/shell.tsx"],
    ["web/src/feed/recipe/recipe-view.tsx", "../../water/water-form.tsx"],
    ["web/src/feed/feed-page.tsx", "@sprunel/server"],
    ["web/src/today/board-row.tsx", "antd"],
    ["demo/src/main.ts", "@sprunel/web"],
    ["field/src/noise.ts", "@sprunel/server"],
  ])("refuse in %s an import of %s", async (file, from) => {
    expect(await said(file, from)).toHaveLength(1);
  });

  it.each([
    ["core/src/plan/demand.ts", "../climate/air.ts"],
    ["core/src/feed/doses/need.ts", "../recipe/recipe.ts"],
    ["server/src/feed/feed-service.ts", "../water/source-store.ts"],
    ["server/src/feed/feed-service.ts", "@sprunel/core/feed/recipe"],
    ["server/src/feed/feed.test.ts", "../testing/test-server.ts"],
    ["web/src/water/water-page.tsx", "../feed/use-feed.ts"],
    ["web/src/feed/recipe/recipe-view.tsx", "../use-feed.ts"],
    ["web/src/feed/recipe/recipe-view.tsx", "antd/es/button"],
    ["server/src/modules.ts", "./exchange/module.ts"],
  ])("let %s import %s", async (file, from) => {
    expect(await said(file, from)).toEqual([]);
  });

  it.each(Object.entries(LAYERS))("know every room of %s", (layer, { rooms }) => {
    const foldersOf = (folder) =>
      readdirSync(join(root, layer, "src", folder), { withFileTypes: true })
        .filter((entry) => entry.isDirectory())
        .map(({ name }) => (folder === "" ? name : `${folder}/${name}`));
    // A folder is a room, or holds nothing but rooms.
    const found = foldersOf("").flatMap((folder) => (folder in rooms ? [folder] : foldersOf(folder)));
    if (Object.keys(rooms).length > 0) for (const name of found) expect(Object.keys(rooms)).toContain(name);
  });

  it.each(Object.entries(LAYERS))(
    "name in %s only rooms that stand before, and that are imported",
    (layer, { rooms }) => {
      const names = Object.keys(rooms);
      const roomOf = (file) =>
        names.filter((room) => file.startsWith(`${layer}/src/${room}/`)).sort((a, b) => b.length - a.length)[0];
      const used = new Set();
      for (const [file, by] of importers())
        for (const from of by) if (!isTest(from)) used.add(`${roomOf(from)} on ${roomOf(file)}`);
      for (const [room, below] of Object.entries(rooms))
        for (const other of below) {
          expect(names.indexOf(other), `${room} on ${other}`).toBeLessThan(names.indexOf(room));
          expect(used).toContain(`${room} on ${other}`);
        }
    },
  );
});
