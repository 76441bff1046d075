import type { Knex } from "knex";

/** One step forward of the schema. Instants in ms, dates as `YYYY-MM-DD`, quantities in canonical units. */
export interface Migration {
  readonly name: string;
  up(db: Knex): Promise<void>;
}
