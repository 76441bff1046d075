import {
  acidAnswerSchema,
  acidRequestSchema,
  dayPlanAnswerSchema,
  dayPlanRequestSchema,
  lateralAnswerSchema,
  lateralRequestSchema,
  uniformityAnswerSchema,
  uniformityRequestSchema,
  boardSchema,
  feedSettingsUpdateSchema,
  feedTargetUpdateSchema,
  newDecisionSchema,
  newReadingSchema,
  newMixSchema,
  newOwnProductSchema,
  siteFileSchema,
  catchStrikeSchema,
  linesUpdateSchema,
  newCatchTestSchema,
  zoneLinesSchema,
  listFileSchema,
  listPreviewSchema,
  newZoneReportSchema,
  reportStrikeSchema,
  zoneReportsSchema,
  newPickSchema,
  pickStrikeSchema,
  zoneHarvestSchema,
  rootHistorySchema,
  strikeSchema,
  newWaterReportSchema,
  newSourceSchema,
  sourceUpdateSchema,
  waterStationSchema,
  shelfUpdateSchema,
  waterFileSchema,
  waterPreviewSchema,
  waterReportsSchema,
  zoneFeedSchema,
  newSiteSchema,
  newZoneSchema,
  problemSchema,
  productListSchema,
  recipeAnswerSchema,
  recipeRequestSchema,
  referenceEtAnswerSchema,
  referenceEtRequestSchema,
  setUpSchema,
  siteSchema,
  siteUpdateSchema,
  weatherFileSchema,
  weatherImportAnswerSchema,
  weatherPreviewSchema,
  zoneDaySchema,
  zoneSchema,
  zoneUpdateSchema,
  zoneWaterAnswerSchema,
  zoneWaterRequestSchema,
} from "@sprunel/contract";
import { z } from "zod";

const SCHEMAS = {
  AcidAnswer: acidAnswerSchema,
  AcidRequest: acidRequestSchema,
  LateralAnswer: lateralAnswerSchema,
  LateralRequest: lateralRequestSchema,
  UniformityAnswer: uniformityAnswerSchema,
  UniformityRequest: uniformityRequestSchema,
  DayPlanAnswer: dayPlanAnswerSchema,
  DayPlanRequest: dayPlanRequestSchema,
  Board: boardSchema,
  FeedSettingsUpdate: feedSettingsUpdateSchema,
  FeedTargetUpdate: feedTargetUpdateSchema,
  NewDecision: newDecisionSchema,
  NewReading: newReadingSchema,
  NewMix: newMixSchema,
  Empty: z.object({}),
  NewOwnProduct: newOwnProductSchema,
  SiteFile: siteFileSchema,
  CatchStrike: catchStrikeSchema,
  LinesUpdate: linesUpdateSchema,
  NewCatchTest: newCatchTestSchema,
  ZoneLines: zoneLinesSchema,
  ListFile: listFileSchema,
  ListPreview: listPreviewSchema,
  NewZoneReport: newZoneReportSchema,
  ReportStrike: reportStrikeSchema,
  ZoneReports: zoneReportsSchema,
  NewPick: newPickSchema,
  PickStrike: pickStrikeSchema,
  ZoneHarvest: zoneHarvestSchema,
  RootHistory: rootHistorySchema,
  Strike: strikeSchema,
  NewWaterReport: newWaterReportSchema,
  NewSource: newSourceSchema,
  SourceUpdate: sourceUpdateSchema,
  WaterStation: waterStationSchema,
  ShelfItemChange: shelfUpdateSchema,
  WaterFile: waterFileSchema,
  WaterPreview: waterPreviewSchema,
  WaterReports: waterReportsSchema,
  ZoneFeed: zoneFeedSchema,
  NewSite: newSiteSchema,
  NewZone: newZoneSchema,
  Problem: problemSchema,
  ProductList: productListSchema,
  RecipeAnswer: recipeAnswerSchema,
  RecipeRequest: recipeRequestSchema,
  ReferenceEtAnswer: referenceEtAnswerSchema,
  ReferenceEtRequest: referenceEtRequestSchema,
  SetUp: setUpSchema,
  Site: siteSchema,
  SiteUpdate: siteUpdateSchema,
  WeatherFile: weatherFileSchema,
  WeatherImportAnswer: weatherImportAnswerSchema,
  WeatherPreview: weatherPreviewSchema,
  Zone: zoneSchema,
  ZoneDay: zoneDaySchema,
  ZoneUpdate: zoneUpdateSchema,
  ZoneWaterAnswer: zoneWaterAnswerSchema,
  ZoneWaterRequest: zoneWaterRequestSchema,
} as const;
type SchemaName = keyof typeof SCHEMAS;

interface Endpoint {
  readonly method: "get" | "post" | "put";
  readonly path: string;
  readonly summary: string;
  readonly body?: SchemaName;
  readonly answer: SchemaName;
  readonly status?: 200 | 201;
  readonly date?: true;
}

const ENDPOINTS: readonly Endpoint[] = [
  {
    method: "get",
    path: "/api/board",
    summary: "Every zone at every station on a date, with the day's radiation and pulses",
    answer: "Board",
    date: true,
  },
  {
    method: "get",
    path: "/api/zones/{id}/day",
    summary: "One zone's day: weather, demand, plan and its working",
    answer: "ZoneDay",
    date: true,
  },
  {
    method: "post",
    path: "/api/zones/{id}/decisions",
    summary: "Accept or change a computed correction, or dismiss a finding with a reason",
    body: "NewDecision",
    answer: "Board",
    status: 201,
  },
  {
    method: "get",
    path: "/api/zones/{id}/harvest",
    summary: "A planting's picks against the yield aimed at",
    answer: "ZoneHarvest",
    date: true,
  },
  {
    method: "post",
    path: "/api/zones/{id}/picks",
    summary: "A pick as weighed; its key makes it count once",
    body: "NewPick",
    answer: "ZoneHarvest",
    status: 201,
  },
  {
    method: "post",
    path: "/api/zones/{id}/picks/{pickId}/strikes",
    summary: "Strike a pick out, with the reason",
    body: "PickStrike",
    answer: "ZoneHarvest",
    status: 201,
  },
  {
    method: "get",
    path: "/api/water",
    summary: "Every source with its report in force, its storage ahead and what zones take",
    answer: "WaterStation",
    date: true,
  },
  {
    method: "post",
    path: "/api/sources",
    summary: "Add a source of water",
    body: "NewSource",
    answer: "WaterStation",
    status: 201,
  },
  {
    method: "put",
    path: "/api/sources/{id}",
    summary: "Change a source of water; 409 when the version is old",
    body: "SourceUpdate",
    answer: "WaterStation",
  },
  {
    method: "get",
    path: "/api/zones/{id}/lines",
    summary: "A zone's lines and the tests on them",
    answer: "ZoneLines",
  },
  {
    method: "put",
    path: "/api/zones/{id}/lines",
    summary: "Describe a zone's lines; 409 when the version is old",
    body: "LinesUpdate",
    answer: "ZoneLines",
  },
  {
    method: "post",
    path: "/api/zones/{id}/catch-tests",
    summary: "A catch-can test as laid out on the ground; its key makes it count once",
    body: "NewCatchTest",
    answer: "ZoneLines",
    status: 201,
  },
  {
    method: "post",
    path: "/api/zones/{id}/catch-tests/{testId}/strikes",
    summary: "Strike a catch-can test out, with the reason",
    body: "CatchStrike",
    answer: "ZoneLines",
    status: 201,
  },
  { method: "get", path: "/api/site-file", summary: "The whole site as one file", answer: "SiteFile" },
  {
    method: "post",
    path: "/api/site-file",
    summary: "Read a site file into an empty data folder, all of it or nothing",
    body: "SiteFile",
    answer: "SetUp",
    status: 201,
  },
  {
    method: "put",
    path: "/api/zones/{id}/feed-settings",
    summary: "Tanks, dilution and scales of a zone's feed; 409 when the version is old",
    body: "FeedSettingsUpdate",
    answer: "ZoneFeed",
  },
  {
    method: "post",
    path: "/api/own-products",
    summary: "A bag of one's own by its label; 422 when the label cannot be true",
    body: "NewOwnProduct",
    answer: "Empty",
    status: 201,
  },
  { method: "get", path: "/api/set-up", summary: "The site, its zones, and the crops to choose from", answer: "SetUp" },
  { method: "post", path: "/api/site", summary: "Describe the site", body: "NewSite", answer: "Site", status: 201 },
  {
    method: "put",
    path: "/api/site/{id}",
    summary: "Change the site; 409 when the version is old",
    body: "SiteUpdate",
    answer: "Site",
  },
  { method: "post", path: "/api/zones", summary: "Add a zone", body: "NewZone", answer: "Zone", status: 201 },
  {
    method: "put",
    path: "/api/zones/{id}",
    summary: "Change a zone; 409 when the version is old",
    body: "ZoneUpdate",
    answer: "Zone",
  },
  {
    method: "post",
    path: "/api/weather/previews",
    summary: "What an import of a weather file would do; stores nothing",
    body: "WeatherFile",
    answer: "WeatherPreview",
  },
  {
    method: "post",
    path: "/api/weather/imports",
    summary: "Import a weather file as its preview showed; a second time adds nothing",
    body: "WeatherFile",
    answer: "WeatherImportAnswer",
    status: 201,
  },
  {
    method: "post",
    path: "/api/compute/day-plan",
    summary: "A day of all zones over one pump and its mixers, without a clash",
    body: "DayPlanRequest",
    answer: "DayPlanAnswer",
  },
  {
    method: "post",
    path: "/api/compute/lateral",
    summary: "Pressure and flow of every emitter along a lateral",
    body: "LateralRequest",
    answer: "LateralAnswer",
  },
  {
    method: "post",
    path: "/api/compute/uniformity",
    summary: "How evenly drippers give, from a catch-can test",
    body: "UniformityRequest",
    answer: "UniformityAnswer",
  },
  {
    method: "get",
    path: "/api/zones/{id}/reports",
    summary: "Soil tests, extracts and drain reports of a zone",
    answer: "ZoneReports",
  },
  {
    method: "post",
    path: "/api/zones/{id}/reports",
    summary: "Adds a soil test, an extract or a drain report",
    body: "NewZoneReport",
    answer: "ZoneReports",
    status: 201,
  },
  {
    method: "post",
    path: "/api/zones/{id}/reports/{reportId}/strikes",
    summary: "Strikes out a report; it stays to be seen",
    body: "ReportStrike",
    answer: "ZoneReports",
    status: 201,
  },
  {
    method: "post",
    path: "/api/lists/previews",
    summary: "What an import of a list would do: notebook, soil tests, picks or shelf",
    body: "ListFile",
    answer: "ListPreview",
  },
  {
    method: "post",
    path: "/api/lists/imports",
    summary: "Imports a list; a second time adds nothing",
    body: "ListFile",
    answer: "ListPreview",
    status: 201,
  },
  {
    method: "post",
    path: "/api/compute/reference-et",
    summary: "Reference evapotranspiration",
    body: "ReferenceEtRequest",
    answer: "ReferenceEtAnswer",
  },
  {
    method: "post",
    path: "/api/compute/zone-water",
    summary: "A zone's water for a day",
    body: "ZoneWaterRequest",
    answer: "ZoneWaterAnswer",
  },
  {
    method: "post",
    path: "/api/compute/acid",
    summary: "Acid for a water, to a pH or leaving so much bicarbonate",
    body: "AcidRequest",
    answer: "AcidAnswer",
  },
  {
    method: "post",
    path: "/api/compute/recipe",
    summary: "Grams of products that make a feed of a water",
    body: "RecipeRequest",
    answer: "RecipeAnswer",
  },
  {
    method: "get",
    path: "/api/products",
    summary: "The library of products that a recipe may name",
    answer: "ProductList",
  },
];

const reference = (name: SchemaName) => ({ $ref: `#/components/schemas/${name}` });

/** The API as OpenAPI 3.1, written from the same schemas that read the requests. */
export function openApi(version: string): object {
  const registry = z.registry<{ id: string }>();
  for (const [id, schema] of Object.entries(SCHEMAS)) registry.add(schema, { id });
  const { schemas } = z.toJSONSchema(registry, {
    io: "input",
    unrepresentable: "any",
    uri: (id) => `#/components/schemas/${id}`,
  });
  const paths: Record<string, Record<string, unknown>> = {};
  for (const endpoint of ENDPOINTS)
    paths[endpoint.path] = { ...paths[endpoint.path], [endpoint.method]: operation(endpoint) };
  return {
    openapi: "3.1.0",
    info: { title: "Sprunel", version, description: "Units end the names of the fields; docs/api.md tells them all." },
    paths,
    components: {
      schemas: Object.fromEntries(Object.entries(schemas).map(([name, schema]) => [name, withoutIdentity(schema)])),
    },
  };
}

function operation({ path, summary, body, answer, status = 200, date }: Endpoint): object {
  const parameters = [
    ...(path.includes("{id}")
      ? [{ name: "id", in: "path", required: true, schema: { type: "integer", minimum: 1 } }]
      : []),
    ...(date
      ? [
          {
            name: "date",
            in: "query",
            required: false,
            description: "YYYY-MM-DD at the site; today when left out",
            schema: { type: "string", format: "date" },
          },
        ]
      : []),
  ];
  const problem = (description: string) => ({
    description,
    content: { "application/problem+json": { schema: reference("Problem") } },
  });
  return {
    summary,
    ...(parameters.length > 0 && { parameters }),
    ...(body && { requestBody: { required: true, content: { "application/json": { schema: reference(body) } } } }),
    responses: {
      [status]: { description: "As asked", content: { "application/json": { schema: reference(answer) } } },
      422: problem("Values that cannot be, each with its path"),
      ...(path.includes("{id}") && { 404: problem("Does not exist") }),
      ...(body?.endsWith("Update") && { 409: problem("Changed meanwhile; `current` is the newer record") }),
    },
  };
}

function withoutIdentity(schema: Record<string, unknown>): Record<string, unknown> {
  const { $schema: _schema, $id: _id, ...rest } = schema;
  return rest;
}
