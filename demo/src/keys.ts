const hex = (value: number, digits: number): string => value.toString(16).padStart(digits, "0");

/** A key of the story's own: the same thing of the same zone on the same day has the same, so that it is noted once. */
export function uuid(kind: number, zoneId: number, day: number): string {
  return `5b1e000${hex(kind, 1)}-0000-4000-8000-${hex(zoneId, 4)}${hex(day, 8)}`;
}
