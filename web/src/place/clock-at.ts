const formats = new Map<string, Intl.DateTimeFormat>();

/** The clock at the site at an instant, as 07:30. */
export function clockAt(instant: string | number, timeZone: string): string {
  let format = formats.get(timeZone);
  if (!format) {
    format = new Intl.DateTimeFormat("en-GB", { timeZone, hour: "2-digit", minute: "2-digit" });
    formats.set(timeZone, format);
  }
  return format.format(new Date(instant));
}
