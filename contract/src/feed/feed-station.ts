import { z } from "zod";
import { dateSchema, idSchema, instantSchema } from "../basics/basics.ts";
import { shelfItemSchema } from "./feed.ts";

/** A tank of concentrate (or, at a dilution of 1, of feed) as the book of mixes and what was given since tell it. */
const tankStateSchema = z.object({
  id: z.string(),
  volumeL: z.number(),
  dilution: z.number(),
  /** null: no mix of this tank is in the book, so its level is not known */
  mixed: z
    .object({
      at: instantSchema,
      /** what stood in it then; taken for full where nobody said */
      levelL: z.number(),
      assumedFull: z.boolean(),
      /** feed given to the zone since then */
      givenL: z.number(),
    })
    .nullable(),
  levelL: z.number().nullable(),
  /** by the plans of the days ahead; null where the level or the plans are not known, or nothing is fed */
  daysLeft: z.number().nullable(),
});
export type TankState = z.infer<typeof tankStateSchema>;

const fedZoneSchema = z.object({
  zoneId: idSchema,
  name: z.string(),
  stage: z.string().nullable(),
  /** whether somebody set these tanks for the zone; the usual ones stand in for it otherwise */
  tanksSet: z.boolean(),
  /** feed of today's plan */
  litresToday: z.number().nullable(),
  /** feed a day, mean of the plans of today and the days that the weather is foreseen */
  litresDay: z.number().nullable(),
  tanks: z.array(tankStateSchema),
});
export type FedZone = z.infer<typeof fedZoneSchema>;

/** All zones that are fed by a recipe, their tanks, and the shelf they are made from. */
export const feedStationSchema = z
  .object({ date: dateSchema, zones: z.array(fedZoneSchema), shelf: z.array(shelfItemSchema) })
  .meta({ id: "FeedStation" });
export type FeedStation = z.infer<typeof feedStationSchema>;
