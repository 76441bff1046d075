import type { Migration } from "./migration.ts";

/** Zones from before have bare soil and the start value of a bund, not confirmed. */
export const mulchAndBunds: Migration = {
  name: "014-mulch-and-bunds",
  async up(db) {
    const added = [
      ["$.mulchSavesPct", 0, ["soil-drip", "buried-drip"]],
      ["$.bundCm", 20, ["basin"]],
    ] as const;
    for (const [path, value, systems] of added)
      await db("zone")
        .whereIn(db.raw("json_extract(definition, '$.system')") as never, [...systems])
        .update({
          definition: db.raw("json_set(definition, ?, ?)", [path, value]),
          unconfirmed: db.raw("json_insert(unconfirmed, '$[#]', ?)", [path.slice(2)]),
        });
  },
};
