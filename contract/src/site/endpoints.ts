import { endpoint, oneParams } from "../basics/endpoint.ts";
import { newSiteSchema, siteSchema, siteUpdateSchema } from "./site.ts";
import { archiveZoneSchema, copyZoneSchema, newZoneSchema, setUpSchema, zoneSchema, zoneUpdateSchema } from "./zone.ts";

export const getSetUp = endpoint({
  method: "get",
  path: "/api/set-up",
  needs: "see",
  summary: "The site, its zones, and what forms offer",
  answer: setUpSchema,
});

export const addSite = endpoint({
  method: "post",
  path: "/api/site",
  needs: "set-up",
  summary: "Describe the site",
  body: newSiteSchema,
  answer: siteSchema,
  status: 201,
});

export const updateSite = endpoint({
  method: "put",
  path: "/api/site/:id",
  needs: "set-up",
  summary: "Change the site; 409 when the version is old",
  params: oneParams,
  body: siteUpdateSchema,
  answer: siteSchema,
});

export const addZone = endpoint({
  method: "post",
  path: "/api/zones",
  needs: "set-up",
  summary: "Add a zone",
  body: newZoneSchema,
  answer: zoneSchema,
  status: 201,
});

export const updateZone = endpoint({
  method: "put",
  path: "/api/zones/:id",
  needs: "set-up",
  summary: "Change a zone; 409 when the version is old",
  params: oneParams,
  body: zoneUpdateSchema,
  answer: zoneSchema,
});

export const copyZone = endpoint({
  method: "post",
  path: "/api/zones/:id/copies",
  needs: "set-up",
  summary: "Add zones like this one, with its lines, tanks and own target; all of them or none",
  params: oneParams,
  body: copyZoneSchema,
  answer: setUpSchema,
  status: 201,
});

export const archiveZone = endpoint({
  method: "put",
  path: "/api/zones/:id/archived",
  needs: "set-up",
  summary: "Put a zone aside, or take it back; its records are kept",
  params: oneParams,
  body: archiveZoneSchema,
  answer: setUpSchema,
});

export const deleteZone = endpoint({
  method: "delete",
  path: "/api/zones/:id",
  needs: "set-up",
  summary: "Delete a zone of which nothing was noted; 409 for any other",
  params: oneParams,
  answer: setUpSchema,
});
