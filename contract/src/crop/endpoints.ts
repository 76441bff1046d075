import { z } from "zod";
import { newSoilStepSchema, soilStepsSchema } from "./soil-step.ts";
import { idParamSchema, labelSchema } from "../basics/basics.ts";
import { dateQuery, endpoint, oneParams } from "../basics/endpoint.ts";
import {
  changedOwnCropSchema,
  cropFileSchema,
  cropIdSchema,
  cropLibrarySchema,
  libraryCropSchema,
  newOwnCropSchema,
} from "./crop-definition.ts";
import {
  missedNightParamsSchema,
  missedNightSchema,
  newNightsSchema,
  newSignSchema,
  newStandSchema,
  newStandStepSchema,
  nextPlantingSchema,
  plantingKeySchema,
  standStepParamsSchema,
  stageFitSchema,
  signParamsSchema,
} from "./crop-changes.ts";
import { cropStationSchema, zoneCropSchema } from "./crop.ts";

/** Of which planting, at which version of the zone's record. */
const versionQuery = z.object({ version: idParamSchema, planting: plantingKeySchema });

export const getCropStation = endpoint({
  method: "get",
  path: "/api/crop",
  needs: "see",
  summary: "Every planting's stages with their dates",
  query: dateQuery,
  answer: cropStationSchema,
});

export const getZoneCrop = endpoint({
  method: "get",
  path: "/api/zones/:id/crop",
  needs: "see",
  summary: "A zone's crop: its stages, its stand, and what the stage of the date asks for",
  params: oneParams,
  query: dateQuery.extend({ planting: plantingKeySchema }),
  answer: zoneCropSchema,
});

export const addSign = endpoint({
  method: "post",
  path: "/api/zones/:id/signs",
  needs: "crop",
  summary: "A stage was seen to begin; 409 when the version is old",
  params: oneParams,
  body: newSignSchema,
  answer: zoneCropSchema,
  status: 201,
});

export const takeSignBack = endpoint({
  method: "delete",
  path: "/api/zones/:id/signs/:stageId",
  needs: "crop",
  summary: "The stage of the planting that stands now is counted by its days again; 409 when the version is old",
  params: oneParams.extend(signParamsSchema.shape),
  query: versionQuery,
  answer: zoneCropSchema,
});

export const setNights = endpoint({
  method: "put",
  path: "/api/zones/:id/nights",
  needs: "crop",
  summary: "Cloth and lamps of the planting that stands now; 409 when the version is old",
  params: oneParams,
  body: newNightsSchema,
  answer: zoneCropSchema,
});

export const missNight = endpoint({
  method: "post",
  path: "/api/zones/:id/missed-nights",
  needs: "crop",
  summary: "A night on which cloth or lamps were not used as planned; 409 when the version is old",
  params: oneParams,
  body: missedNightSchema,
  answer: zoneCropSchema,
  status: 201,
});

export const takeMissedNightBack = endpoint({
  method: "delete",
  path: "/api/zones/:id/missed-nights/:on",
  needs: "crop",
  summary: "The night was kept after all; 409 when the version is old",
  params: oneParams.extend(missedNightParamsSchema.shape),
  query: versionQuery,
  answer: zoneCropSchema,
});

export const takeStageFit = endpoint({
  method: "post",
  path: "/api/zones/:id/stage-fits",
  needs: "crop",
  summary: "The planting goes on with a stage's figure as it was counted here, in a crop of one's own; 409 when old",
  params: oneParams,
  body: stageFitSchema,
  answer: zoneCropSchema,
  status: 201,
});

export const setStand = endpoint({
  method: "put",
  path: "/api/zones/:id/stand",
  needs: "crop",
  summary: "Rows, plants, age and what a planting is watered for; 409 when the version is old",
  params: oneParams,
  body: newStandSchema,
  answer: zoneCropSchema,
});

export const addStandStep = endpoint({
  method: "post",
  path: "/api/zones/:id/stand-steps",
  needs: "crop",
  summary: "Moved apart, potted on, drippers set, or cut back on a date; 409 when the version is old",
  params: oneParams,
  body: newStandStepSchema,
  answer: zoneCropSchema,
  status: 201,
});

export const removeStandStep = endpoint({
  method: "delete",
  path: "/api/zones/:id/stand-steps/:kind/:on",
  needs: "crop",
  summary: "It was not done after all; 409 when the version is old",
  params: oneParams.extend(standStepParamsSchema.shape),
  query: versionQuery,
  answer: zoneCropSchema,
});

export const planNext = endpoint({
  method: "put",
  path: "/api/zones/:id/next-planting",
  needs: "crop",
  summary:
    "The next crop, planned while one stands: what stands in its rows is cleared by then; 409 when the version is old",
  params: oneParams,
  body: nextPlantingSchema,
  answer: zoneCropSchema,
});

export const dropNext = endpoint({
  method: "delete",
  path: "/api/zones/:id/next-planting",
  needs: "crop",
  summary: "Nothing is planned after what stands; 409 when the version is old",
  params: oneParams,
  query: z.object({ version: idParamSchema }),
  answer: zoneCropSchema,
});

const cropParams = z.object({ id: cropIdSchema });

export const getCropLibrary = endpoint({
  method: "get",
  path: "/api/crops",
  needs: "see",
  summary: "The library's crops and one's own",
  answer: cropLibrarySchema,
});

export const getCrop = endpoint({
  method: "get",
  path: "/api/crops/:id",
  needs: "see",
  summary: "A crop with every figure and where it is from",
  params: cropParams,
  answer: libraryCropSchema,
});

export const addOwnCrop = endpoint({
  method: "post",
  path: "/api/crops",
  needs: "crop",
  summary: "A crop of one's own, begun from the nearest one",
  body: newOwnCropSchema,
  answer: libraryCropSchema,
  status: 201,
});

export const changeOwnCrop = endpoint({
  method: "put",
  path: "/api/crops/:id",
  needs: "crop",
  summary: "Figures of a crop of one's own; 409 when the version is old",
  params: cropParams,
  body: changedOwnCropSchema,
  answer: libraryCropSchema,
});

export const removeOwnCrop = endpoint({
  method: "delete",
  path: "/api/crops/:id",
  needs: "crop",
  summary: "A crop of one's own that stands in no zone and never stood in one",
  params: cropParams,
  answer: cropLibrarySchema,
});

export const getCropFile = endpoint({
  method: "get",
  path: "/api/crops/:id/file",
  needs: "see",
  summary: "A crop as a file that another site can read",
  params: cropParams,
  answer: cropFileSchema,
});

export const importCrop = endpoint({
  method: "post",
  path: "/api/crops/imports",
  needs: "crop",
  summary: "A crop's file as a crop of one's own; refused whole with the place of what cannot be",
  body: cropFileSchema,
  answer: libraryCropSchema,
  status: 201,
  takesFiles: true,
});

export const getCalendarAddress = endpoint({
  method: "get",
  path: "/api/calendar-address",
  needs: "see",
  summary: "Where calendars of people and telephones follow the crops' dates",
  answer: z.object({ path: z.string() }).meta({ id: "CalendarAddress" }),
});

export const getCalendarFeed = endpoint({
  method: "get",
  path: "/api/calendar/:token",
  needs: "open",
  summary: "Stages, switches and nights as iCalendar, at an address that only who was given it knows",
  params: z.object({ token: labelSchema("The calendar's token") }),
  answer: z.string(),
  media: "text/calendar",
});

export const getCalendarTable = endpoint({
  method: "get",
  path: "/api/crop-calendar.csv",
  needs: "see",
  summary: "The same dates as a table",
  answer: z.string(),
  media: "text/csv",
});

export const getSoilSteps = endpoint({
  method: "get",
  path: "/api/zones/:id/soil-steps",
  needs: "see",
  summary: "What is done to a zone's soil before planting, with the day from which something may be planted",
  params: oneParams,
  answer: soilStepsSchema,
});

export const addSoilStep = endpoint({
  method: "post",
  path: "/api/zones/:id/soil-steps",
  needs: "work",
  summary: "Lime, manure, a wetted bed: nothing is planted before its wait is over",
  params: oneParams,
  body: newSoilStepSchema,
  answer: soilStepsSchema,
  status: 201,
});

export const strikeSoilStep = endpoint({
  method: "delete",
  path: "/api/zones/:id/soil-steps/:step",
  needs: "work",
  summary: "A step that does not count",
  params: oneParams.extend({ step: idParamSchema }),
  answer: soilStepsSchema,
});
