/** Months and days of the week as seven languages write them, whole and cut short. */

const MONTHS: readonly (readonly string[])[] = [
  "january januar jänner janvier enero januari gennaio janeiro jan janv ene gen",
  "february februar feber février febrero februari febbraio fevereiro feb fév févr fev",
  "march märz mars marzo maart março mar mär mrz mrt",
  "april avril abril aprile apr avr abr",
  "may mai mayo mei maggio maio mag",
  "june juni juin junio giugno junho jun giu",
  "july juli juillet julio luglio julho jul juil lug",
  "august août agosto augustus aug ago agt",
  "september septembre septiembre settembre setembro sep sept set",
  "october oktober octobre octubre ottobre outubro oct okt ott out",
  "november novembre noviembre novembro nov",
  "december dezember décembre diciembre dicembre dezembro dec dez déc dic",
].map((names) => names.split(" ").map(bare));

const WEEKDAYS = new Set(
  (
    "monday tuesday wednesday thursday friday saturday sunday mon tue tues wed thu thur thurs fri sat sun " +
    "montag dienstag mittwoch donnerstag freitag samstag sonnabend sonntag mo di mi do fr sa so " +
    "lundi mardi mercredi jeudi vendredi samedi dimanche lun mer jeu ven sam dim " +
    "lunes martes miércoles jueves viernes sábado domingo mié jue vie sáb dom " +
    "maandag dinsdag woensdag donderdag vrijdag zaterdag zondag ma wo vr za zo " +
    "lunedì martedì mercoledì giovedì venerdì sabato domenica gio " +
    "segunda terça quarta quinta sexta segunda-feira terça-feira quarta-feira quinta-feira sexta-feira seg ter qua qui sex"
  )
    .split(" ")
    .map(bare),
);

/** Without accents and in small letters. */
function bare(text: string): string {
  return text.normalize("NFD").replace(/\p{M}/gu, "").toLowerCase();
}

/** 1 to 12; null for what names no month. */
export function monthNumber(text: string): number | null {
  const name = bare(text);
  const at = MONTHS.findIndex((names) => names.includes(name));
  return at < 0 ? null : at + 1;
}

/** "Mon 16/03/2026" without its day of the week. */
export function withoutWeekday(text: string): string {
  if (/^\d/.test(text)) return text;
  const [, word = "", rest = ""] = /^([^\d\s.,]+)[.,]?\s+(.*\d.*)$/.exec(text) ?? [];
  return WEEKDAYS.has(bare(word)) ? rest : text;
}
