import { BAND_KINDS, RAISING_STEPS, STAND_STEPS } from "@sprunel/core/crop";
import { z } from "zod";
import { dateSchema, idSchema, instantSchema, versionSchema } from "../basics/basics.ts";
import { soldAsSchema } from "../basics/sold-as.ts";
import { nightProgrammeSchema, partSchema, raisingSchema, standSchema, standStepSchema } from "../site/planting.ts";

/** A stage of a planting with its dates: seen to begin, or when what drives the one before has been enough. */
const stageTimeSchema = z.object({
  id: z.string(),
  name: z.string(),
  from: dateSchema,
  /** first day of what follows */
  to: dateSchema,
  seen: z.boolean(),
  picking: z.boolean(),
  /** what drives it to its end: counted by the evening of the date that is looked at, of so much */
  done: z.number(),
  of: z.number(),
  unit: z.string(),
  /** earliest and latest it may begin, by air two degrees warmer or colder from today on; null where it has begun */
  early: dateSchema.nullable(),
  late: dateSchema.nullable(),
});
export type StageTime = z.infer<typeof stageTimeSchema>;

const plantingTimeSchema = z.object({
  zoneId: idSchema,
  zoneName: z.string(),
  cropId: z.string(),
  cropName: z.string(),
  /** its stages come again every year */
  perennial: z.boolean(),
  /** what it is known by in its zone */
  key: z.string(),
  /** its rows; null: all of the zone */
  part: partSchema.nullable(),
  plants: z.number(),
  plantedOn: dateSchema,
  clearedOn: dateSchema.nullable(),
  stages: z.array(stageTimeSchema),
});
export type PlantingTime = z.infer<typeof plantingTimeSchema>;

/** Every planting that stands, has stood within a year, or is to come. */
export const cropStationSchema = z
  .object({
    date: dateSchema,
    plantings: z.array(plantingTimeSchema),
    /** what is to be done, or begins, in the weeks from the date on; nights are told of each zone */
    dates: z.array(
      z.object({ on: dateSchema, zoneId: idSchema, zoneName: z.string(), what: z.string(), note: z.string() }),
    ),
  })
  .meta({ id: "CropStation" });
export type CropStation = z.infer<typeof cropStationSchema>;

const sourceSchema = z.object({ source: z.string(), assumed: z.boolean() });

const spanSchema = z.tuple([z.number(), z.number()]);
const bandKindSchema = z.enum(BAND_KINDS);
const bandDaySchema = z.object({
  kind: bandKindSchema,
  value: z.number(),
  side: z.union([z.literal(-1), z.literal(0), z.literal(1)]),
  hours: z.number(),
});

/** One zone's crop on a date: its stages, and what the one of the date asks for. */
export const zoneCropSchema = z
  .object({
    zoneId: idSchema,
    /** of the zone's record, in which plantings and signs stand */
    version: versionSchema,
    areaM2: z.number(),
    date: dateSchema,
    /** the one that is asked for, else that which leads the zone on the date; null where nothing is planted */
    planting: plantingTimeSchema.nullable(),
    /** all that stands on the date, the one above among them */
    beside: z.array(
      z.object({
        key: z.string(),
        cropName: z.string(),
        part: partSchema.nullable(),
        plants: z.number(),
        stage: z.string().nullable(),
        /** its stage says what the zone is fed, and how its root zone is kept */
        leads: z.boolean(),
      }),
    ),
    /** how the planting stands on the date; null where nothing is planted */
    stand: z
      .object({
        ...standSchema.shape,
        /** as planted, and what picks have left of them; null where it is not sold by the piece */
        planted: z.number(),
        left: z.number().nullable(),
        /** share of the zone's ground that they stand on, % */
        groundPct: z.number(),
        perM2: z.number(),
        /** L that a pot holds; null where plants stand in none */
        heldLPlant: z.number().nullable(),
        fromStemCm: z.number().nullable(),
        perennial: z.boolean(),
        /** which year of its life it is in; 1 in the first */
        year: z.number(),
        aim: z.enum(["establish", "yield", "keep-alive"]).nullable(),
        steps: z.array(standStepSchema),
        /** what can be done to it in its growing system */
        can: z.array(z.enum(STAND_STEPS)),
      })
      .nullable(),
    /** of the stage of the date; null before planting and after the last stage */
    now: z
      .object({
        stageId: z.string(),
        /** 1 on the first day */
        day: z.number(),
        days: z.number(),
        kc: z.number(),
        leafAreaIndex: z.number(),
        rootDepthM: z.number(),
        /** null where nothing is to run out below */
        drainTargetPct: z.number().nullable(),
        drierPct: z.number(),
        feed: z.object({ name: z.string(), ecMsCm: z.number(), ph: z.number() }).extend(sourceSchema.shape).nullable(),
        sources: z.object({
          stages: sourceSchema,
          kc: sourceSchema,
          leafArea: sourceSchema,
          rootDepth: sourceSchema,
          drainTarget: sourceSchema,
        }),
      })
      .nullable(),
    /** the air and light of the planting's days against what its crop does well in; null where nothing is planted */
    air: z
      .object({
        dayC: spanSchema,
        nightC: spanSchema,
        lightMolM2: spanSchema,
        mostRhPct: z.number(),
        /** of the roots, °C, and of CO₂, ppm; null where the crop has none */
        rootC: spanSchema.nullable(),
        co2Ppm: spanSchema.nullable(),
        /** hours of the last day with light enough for more CO₂ */
        co2Hours: z.number().nullable(),
        said: sourceSchema,
        days: z.array(z.object({ date: dateSchema, kinds: z.array(bandDaySchema) })),
        /** what lay outside on several of the last days, and what that does */
        outside: z.array(
          z.object({
            kind: bandKindSchema,
            side: z.union([z.literal(-1), z.literal(1)]),
            days: z.number(),
            ofDays: z.number(),
            /** since the stage began: days, and hours that lay far outside; hours of nothing but the air */
            stageDays: z.number(),
            stageHours: z.number().nullable(),
            consequence: z.string(),
          }),
        ),
        /** what lamps would do about the mean gap of light of the last days; null where there is none */
        lamps: z
          .object({
            gapMolM2: z.number(),
            hours: z.number(),
            kwhM2: z.number(),
            umolM2S: z.number(),
            umolJ: z.number(),
          })
          .nullable(),
      })
      .nullable(),
    /** of a crop that goes by day length, or whose nights have a programme; null for any other */
    nights: z
      .object({
        programmes: z.array(nightProgrammeSchema),
        missed: z.array(dateSchema),
        /** by which the stage of the date counts; null where it does not count days */
        counts: z
          .object({ of: z.enum(["short", "long"]), criticalH: z.number(), done: z.number(), needed: z.number() })
          .nullable(),
        /** when the next stage begins, as it is foreseen */
        nextSwitch: z.object({ on: dateSchema, stage: z.string() }).nullable(),
        /** of the night that begins on the date */
        tonight: z.object({
          duskUtc: instantSchema.nullable(),
          dawnUtc: instantSchema.nullable(),
          darkH: z.number(),
          /** without cloth and lamps */
          ownDarkH: z.number(),
          spans: z.array(z.object({ kind: z.enum(["cloth", "lamps"]), fromUtc: instantSchema, toUtc: instantSchema })),
          /** drawn by lamps in the night, kWh a m²; null where their power is not said */
          kwhM2: z.number().nullable(),
        }),
        /** the last nights, the newest last */
        past: z.array(z.object({ date: dateSchema, darkH: z.number(), counted: z.boolean(), missed: z.boolean() })),
      })
      .nullable(),
    /** the planting that comes after, with what is done for it before; null where none is planned */
    next: z
      .object({
        cropId: z.string(),
        cropName: z.string(),
        plantedOn: dateSchema,
        part: partSchema.nullable(),
        plants: z.number(),
        raising: raisingSchema.nullable(),
        plan: z
          .object({
            startFrom: z.number(),
            trays: z.number().nullable(),
            /** whose cuttings of one flush are enough; null where none are cut here */
            stockPlants: z.number().nullable(),
            seedKgHa: z.number().nullable(),
            steps: z.array(
              z.object({
                on: dateSchema,
                kind: z.enum(RAISING_STEPS),
                litresDay: z.number().nullable(),
                /** day by day: hours outside while plants harden, minutes from mist to mist while cuttings root */
                ramp: z.array(
                  z.object({
                    on: dateSchema,
                    outside: z.object({ fromH: z.number(), hours: z.number() }).nullable(),
                    mistMin: z.tuple([z.number(), z.number()]).nullable(),
                  }),
                ),
              }),
            ),
          })
          .nullable(),
      })
      .nullable(),
    /** what stood here and is over, and the earlier years of perennials, the newest first */
    past: z.array(
      z.object({
        key: z.string(),
        cropName: z.string(),
        part: partSchema.nullable(),
        soldAs: soldAsSchema,
        from: dateSchema,
        /** first day after it */
        to: dateSchema,
        /** of a perennial */
        year: z.number().nullable(),
        /** null where no pick was noted */
        pickedPerM2: z.number().nullable(),
      }),
    ),
    /** what is done to the field or basin in the season of the date, in order of time; empty for crops without such times */
    practices: z.array(
      z.object({
        id: z.string(),
        name: z.string(),
        on: dateSchema,
        /** last day; null where it is of one */
        until: dateSchema.nullable(),
        /** of a basin's water: cm that are kept, the tube's mark, cm under the soil, or none */
        water: z
          .discriminatedUnion("kind", [
            z.object({ kind: z.literal("pond"), cm: z.number() }),
            z.object({ kind: z.literal("tube"), cm: z.number() }),
            z.object({ kind: z.literal("drain") }),
          ])
          .nullable(),
        sign: z.string().nullable(),
        ...sourceSchema.shape,
      }),
    ),
    /** stages whose driver is steadily wrong here, by the signs of several plantings of this crop */
    fits: z.array(
      z.object({
        stageId: z.string(),
        stage: z.string(),
        next: z.string(),
        of: z.number(),
        unit: z.string(),
        counted: z.array(z.number()),
        mean: z.number(),
      }),
    ),
    /** what a sign or a night that was noted has moved; empty when nothing was noted just now */
    shifts: z.array(z.object({ stage: z.string(), before: dateSchema, after: dateSchema })),
  })
  .meta({ id: "ZoneCrop" });
export type ZoneCrop = z.infer<typeof zoneCropSchema>;
