/** Words of what a person may do at a site; every endpoint names the one that it needs. A role will be a set of them. */
export const RIGHTS = [
  /** health, and what brings a key of its own: nobody is asked who they are */
  "open",
  /** all but money */
  "see",
  "money",
  /** the day, targets, programmes, ways to demand */
  "plan",
  /** what is made of a finding */
  "decide",
  /** stages, plantings, crops of one's own */
  "crop",
  "feed.mix",
  "feed.dose",
  "shelf",
  /** valves, and water that was given */
  "water.run",
  /** readings, and reports of a laboratory */
  "read",
  "pick",
  /** what was done in a zone */
  "work",
  "set-up",
  "import",
  /** who is let in */
  "people",
  "backup",
] as const;

export type Right = (typeof RIGHTS)[number];
