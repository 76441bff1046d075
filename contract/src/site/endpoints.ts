import { endpoint, oneParams } from "../basics/endpoint.ts";
import { newSiteSchema, siteSchema, siteUpdateSchema } from "./site.ts";
import { newZoneSchema, setUpSchema, zoneSchema, zoneUpdateSchema } from "./zone.ts";

export const getSetUp = endpoint({
  method: "get",
  path: "/api/set-up",
  summary: "The site, its zones, and what forms offer",
  answer: setUpSchema,
});

export const addSite = endpoint({
  method: "post",
  path: "/api/site",
  summary: "Describe the site",
  body: newSiteSchema,
  answer: siteSchema,
  status: 201,
});

export const updateSite = endpoint({
  method: "put",
  path: "/api/site/:id",
  summary: "Change the site; 409 when the version is old",
  params: oneParams,
  body: siteUpdateSchema,
  answer: siteSchema,
});

export const addZone = endpoint({
  method: "post",
  path: "/api/zones",
  summary: "Add a zone",
  body: newZoneSchema,
  answer: zoneSchema,
  status: 201,
});

export const updateZone = endpoint({
  method: "put",
  path: "/api/zones/:id",
  summary: "Change a zone; 409 when the version is old",
  params: oneParams,
  body: zoneUpdateSchema,
  answer: zoneSchema,
});
