import { describe, expect, it } from "vitest";
import { readWeatherTable } from "../climate/weather-table.ts";
import { readShelfList } from "../feed/products/shelf-list.ts";
import { readPickList } from "../harvest/pick-list.ts";
import { readReadingList } from "../rootzone/reading-list.ts";
import { readSoilList } from "../rootzone/soil-list.ts";
import { readWaterTable } from "../water/water-table.ts";

const bytes = (...lines: string[]) => new TextEncoder().encode(`${lines.join("\n")}\n`);
const site = { zones: ["North house", "Field A"], timeZone: "Europe/Paris" };
const near = (value: number): number => expect.closeTo(value, 3) as number;

describe("files as strangers write them", () => {
  it("from an Italian laboratory, with what stands above, units first, methods and a range in the last row", () => {
    const { samples } = readWaterTable(
      bytes(
        "Laboratorio Valdisole;;;",
        "Data ricezione;05/05/2026;;",
        "Data prelievo;04/05/2026;;",
        "Campione;Pozzo nuovo;;",
        "",
        "Parametro;U.M.;Risultato;Metodo",
        "pH;unità pH;7,4;UNI 10523",
        "Calcio;mg/l;80,16;EPA 6010",
        "Cloruri;mg/l;35,45;APAT 4020",
        "Nitrati;mg/l;<1;APAT 4020",
        "Ammoniaca;mg/l;n.r.;APAT",
        "Boro;mg/l;0,03 - 0,05;EPA",
      ),
    );
    expect(samples).toMatchObject([
      {
        ...{ source: "Pozzo nuovo", takenOn: "2026-05-04", ph: 7.4, notTested: ["NH4"] },
        ions: { Ca: near(2), Cl: near(1) },
        belowDetection: [{ analyte: "NO3", text: "<1" }],
        setAside: [{ analyte: "B", why: "range" }],
        methods: { Ca: "EPA 6010" },
      },
    ]);
  });

  it("from a Portuguese one, whose units name what they count, with a column of limits", () => {
    const { samples } = readWaterTable(
      bytes(
        "Data de colheita: 7 de maio de 2026;;;",
        "Amostra: Furo 2;;;",
        "Determinação;Resultado;Unidades;Limite de quantificação",
        "pH (25 ºC);7,3;Escala Sorensen;",
        "Condutividade elétrica (25 ºC);612;µS/cm;",
        "Cálcio;80,16;mg Ca/L;1",
        "Cloretos;35,45;mg Cl/L;1",
        "Ferro;< 0,02;mg Fe/L;0,02",
      ),
    );
    expect(samples).toMatchObject([
      {
        source: "Furo 2",
        takenOn: "2026-05-07",
        ecMsCm: near(0.612),
        ions: { Ca: near(2), Cl: near(1) },
        setAside: [],
      },
    ]);
  });

  it("from one in America, samples beside each other under their names, units in the last column", () => {
    const { samples } = readWaterTable(
      bytes(
        "Client: Miller,,,",
        "Date Sampled: 3/14/2026,,,",
        ",Well #1,Pond,Units",
        "pH,7.1,8.2,SU",
        "E.C.,0.71,0.44,mmhos/cm",
        "Calcium (Ca),80.16,40.08,ppm",
        "Alkalinity (as CaCO3),180,95,ppm",
        "Chloride (Cl),35.45,30,ppm",
      ),
    );
    expect(samples).toMatchObject([
      { source: "Well #1", takenOn: "2026-03-14", ecMsCm: near(0.71), ions: { Ca: near(2), Cl: near(1) } },
      { source: "Pond", takenOn: "2026-03-14", ecMsCm: near(0.44), ions: { Ca: near(1) } },
    ]);
  });

  it("with a row for each figure and the temperature in the unit", () => {
    const { samples } = readWaterTable(
      bytes(
        "Monster\tDatum\tBepaling\tUitslag\tEenheid",
        "Bassin\t12-3-2026\tEC\t0,25\tmS/cm 25 °C",
        "Bassin\t12-3-2026\tNatrium\t0,9\tmmol/l",
        "Drain\t12-3-2026\tEC\t2,25\tmS/cm 25 °C",
        "Drain\t12-3-2026\tNatrium\t5,9\tmmol/l",
      ),
    );
    expect(samples.map(({ source, ecMsCm, ions }) => [source, ecMsCm, ions.Na])).toEqual([
      ["Bassin", near(0.25), near(0.9)],
      ["Drain", near(2.25), near(5.9)],
    ]);
  });

  it("of soil, in pounds an acre: an A below pounds is no are", () => {
    const { rows } = readSoilList(
      bytes(
        "Sample ID,Date,Depth (in),pH,Buffer pH,P (M3) lb/A,K (M3) lb/A,NO3-N lb/A",
        "Field A,10/22/2026,0-6.6667,6.2,6.7,60,310,24",
      ),
      site,
    );
    // Two million pounds lie in an acre's six inches and two thirds: a part in a million is two pounds.
    const { pMgKg = NaN, kMgKg = NaN, mineralNKgHa = NaN } = rows[0]?.values ?? {};
    expect((pMgKg ?? NaN) / 30).toBeCloseTo(1, 2);
    expect((kMgKg ?? NaN) / 155).toBeCloseTo(1, 2);
    expect(mineralNKgHa).toBeCloseTo(24 * 1.12085, 2);
  });

  it("of soil, with letters set apart by points and exchangeable cations", () => {
    const { rows, columns } = readSoilList(
      bytes(
        "Parcela;Fecha muestreo;Profundidad (cm);pH (1:2,5 en agua);C.E. (dS/m);Fósforo Olsen (mg/kg);C.I.C. (meq/100g)",
        "Field A;15/02/2026;0-30;7,9;0,8;34;18,9",
      ),
      site,
    );
    expect(columns.map(({ kind }) => kind)).toEqual(["zone", "date", "depth", "ph", "ec", "p", "cec"]);
    expect(rows).toMatchObject([{ values: { ecSaturatedMsCm: 0.8, cecCmolKg: 18.9, phIn: "water" } }]);
  });

  it("of soil, a place in each column, with what took it out of the soil beside the oxide", () => {
    const { rows } = readSoilList(
      bytes(
        "Probenahme am:;07.10.2026;",
        "Bezeichnung;North house;Field A",
        "pH-Wert (CaCl2);6,4;6,9",
        "Phosphat (P2O5 CAL) mg/100g;28;61",
        "Kali (K2O CAL) mg/100g;19;44",
      ),
      site,
    );
    expect(rows.map(({ values: { zone, pMgKg, methods } }) => [zone, pMgKg, methods["pMgKg"]])).toEqual([
      ["North house", expect.closeTo(280 * 0.4364, 0), "CAL"],
      ["Field A", expect.closeTo(610 * 0.4364, 0), "CAL"],
    ]);
  });

  it("of weather, units in a row after a blank line, an hour written right behind the area", () => {
    const { rows } = readWeatherTable(
      bytes(
        "Zeitstempel\tLufttemp.\trel. LF\tGlobalstrahlung",
        "",
        "\t°C\t%\tMJ/m²h",
        "",
        "3. Jul 2026 08:00\t19,4\t68\t1,12",
        "3. Jul 2026 09:00\t21,0\t61\t1,66",
      ),
      { siteTimeZone: "Europe/Berlin" },
    );
    expect(
      rows.map(({ values: { airTemperature, humidity, radiation } }) => [airTemperature, humidity, radiation]),
    ).toEqual([
      [19.4, 68, near(1.12)],
      [21, 61, near(1.66)],
    ]);
  });

  it("of readings, with one above and one below what could be measured: neither goes in silence", () => {
    const { rows } = readReadingList(
      bytes("Block,Reading Date,Tensiometer 12in (cb),Drain EC (mS/cm)", "Field A,06/13/2026 7:15 AM,>80,<0.2"),
      site,
    );
    expect(rows).toMatchObject([
      {
        values: { tensionKpa: null, drainEcMsCm: near(0.1) },
        flags: [
          { code: "below-limit", kind: "drainEc", raw: "<0.2" },
          { code: "above", kind: "tensionKpa", raw: ">80" },
        ],
      },
    ]);
  });

  it("of a shelf, with what holds the kilograms behind them", () => {
    const { rows } = readShelfList(
      bytes(
        "Artikel;Gebinde;Preis €/Sack;Bestand (Sack);N ges. %;P2O5 %",
        "Kalksalpeter;25 kg;16,90;12;15,5;",
        "Phosphorsäure;35 kg Kanister;62,00;3;;54,3",
      ),
      site,
    );
    expect(rows.map(({ values: { bagKg, inStockKg } }) => [bagKg, inStockKg])).toEqual([
      [25, 300],
      [35, 105],
    ]);
  });

  it("of picks in crates by the head of their column: what a crate weighs is told, or asked for", () => {
    const read = (...lines: string[]) => readPickList(bytes(...lines), site);
    const rows = ["2026-06-08,North house,12", "2026-06-09,Field A,9.5"];
    const told = read("Crate = 6 kg", "Date,House,Crates", ...rows);
    expect(told.rows.map(({ values }) => values.massKg)).toEqual([72, 57]);
    const inHead = read("Date,House,Cartons (25 lb)", ...rows);
    expect(inHead.rows.map(({ values }) => values.massKg)).toEqual([near(136.078), near(107.728)]);
    const untold = read("Date,House,Crates", ...rows);
    expect(untold.rejected.map(({ reason, detail }) => [reason, detail])).toEqual([
      ["crate-weight", "North house"],
      ["crate-weight", "Field A"],
    ]);
    const said = readPickList(bytes("Date,House,Crates", ...rows), {
      ...site,
      crateKg: { "North house": 5, "Field A": 8 },
    });
    expect(said.rows.map(({ values }) => values.massKg)).toEqual([60, 76]);
    const both = read("Date,House,Mass (kg),Crates", "2026-06-08,North house,70,12");
    expect(both.rows.map(({ values }) => values.massKg)).toEqual([70]);
  });

  it("of a pen, headed mS: that is a conductivity, and no dripper", () => {
    const { rows } = readReadingList(
      bytes(
        "Greenhouse: North house",
        "",
        "Day;Drip mS;Drip pH;Drain mS;Drain pH;Drain %",
        "Mon 1 June 2026;2.0;5.6;2.9;6.0;30",
      ),
      site,
    );
    expect(rows).toMatchObject([
      { values: { zone: "North house", dripEcMsCm: 2, drainEcMsCm: near(2.9), drippers: null, drainMl: null } },
    ]);
  });

  it("of sunlight without a unit, whose figures tell it: it stays to be checked", () => {
    const { columns, rows } = readWeatherTable(
      bytes("Date,Hour,Sunlight", "7/14/2026,1,0", "7/14/2026,12,820", "7/14/2026,13,830", "7/14/2026,22,0"),
      { siteTimeZone: "America/Los_Angeles" },
    );
    expect(columns.at(-1)).toMatchObject({ kind: "radiation", unit: "W/m2", unitAssumed: true });
    expect(rows[1]?.values.radiation).toBeCloseTo(820 * 0.0036, 6);
  });

  it("with names of places that no zone has wait until somebody says which zone is meant", () => {
    const lines = ["Date,Place,kg", "2026-06-08,Gewächshaus Nord,12", "2026-06-09,,5", "2026-06-10,Field A,3"];
    const asked = readPickList(bytes(...lines), site);
    expect(asked.rejected.map(({ reason, detail }) => [reason, detail])).toEqual([
      ["unknown-zone", "Gewächshaus Nord"],
      ["unknown-zone", "no place given"],
    ]);
    const zoneNames = { "Gewächshaus Nord": "North house", "no place given": "Field A" };
    const said = readPickList(bytes(...lines), { ...site, zoneNames });
    expect(said.rows.map(({ values: { zone, massKg } }) => [zone, massKg])).toEqual([
      ["North house", 12],
      ["Field A", 5],
      ["Field A", 3],
    ]);
  });

  it("that say neither element nor oxide are read as the element and shown as to be checked", () => {
    const { columns } = readSoilList(
      bytes("Field,Date,Phosphorus (mg/kg),K (mg/kg),Calcium (meq/100g)", "Field A,2026-03-12,12,90,8"),
      site,
    );
    const sure = new Map(columns.map(({ kind, certainty, because }) => [kind, [certainty >= 0.6, because]]));
    expect(sure.get("p")).toEqual([false, "it is headed “phosphorus”, which may be the element or its oxide"]);
    expect(sure.get("k")?.[0]).toBe(true);
    // A charge is counted of the element.
    expect(sure.get("ca")?.[0]).toBe(true);
    const shelf = readShelfList(bytes("Fertilizer,N %,P %,K2O %,Bag kg", "MKP,0,22.7,34,25"), site);
    expect(shelf.columns.map(({ kind, certainty }) => [kind, certainty >= 0.6])).toContainEqual(["P", false]);
    expect(shelf.columns.map(({ kind, certainty }) => [kind, certainty >= 0.6])).toContainEqual(["K2O", true]);
  });

  it("of a notebook with days of the week that could be months, and a range and a struck figure to agree to", () => {
    const { rows, rejected, dialect } = readReadingList(
      bytes(
        "Fecha;Lugar;CE gotero (mS/cm);pH gotero",
        "lun 1-jun-26;North house;2,1;5,7",
        "mar 2-jun-26;North house;2,2;~~5,1~~ 5,8",
        "mié 3-jun-26;North house;2,0-2,2;5,8-5,9",
      ),
      site,
    );
    expect([rejected, dialect.dateOrderAssumed]).toEqual([[], false]);
    expect(rows.map(({ values }) => new Date(values.atMs).toISOString().slice(0, 10))).toEqual([
      "2026-06-01",
      "2026-06-02",
      "2026-06-03",
    ]);
    expect(rows.flatMap(({ flags }) => flags.map(({ offer }) => offer))).toEqual([
      { dripPh: 5.8 },
      { dripEcMsCm: near(2.1) },
      { dripPh: near(5.85) },
    ]);
  });

  it("of soil whose organic matter and layer are told in short", () => {
    const { rows } = readSoilList(
      bytes("Perceel;Monsterdatum;Diepte;pH-CaCl2;Org. stof (%)", "Field A;12 mrt 2026;0-25 cm;5,9;3,4"),
      site,
    );
    expect(rows.map(({ values }) => values)).toMatchObject([{ depthCm: [0, 25], ph: 5.9, organicMatterPct: 3.4 }]);
  });

  it("of a tray under its drippers: what it holds is what drained", () => {
    const { rows } = readReadingList(
      bytes(
        "Datum;Zone;Tropfer ml;Wanne L;Tropfer je Wanne;EC Wanne;pH Wanne",
        "13.06.2026 06:30;North house;850;1,2;6;3,6;6,2",
      ),
      site,
    );
    expect(rows.map(({ values }) => values)).toMatchObject([
      { dripMl: 850, drainMl: near(1200), drippers: 6, drainEcMsCm: near(3.6), drainPh: 6.2 },
    ]);
  });

  it("of a data logger that writes its heads and units together, and numbers for what it did not read", () => {
    const { columns, rows } = readWeatherTable(
      bytes(
        "time,temp_degC,relhum,windspeed_kmh,globalrad_kJm2,precip_mm",
        "2026-06-01T10:00Z,18.2,61,7.2,1843,0",
        "2026-06-01T11:00Z,-999,58,7.2,2163,-999",
      ),
      { siteTimeZone: "UTC" },
    );
    expect(columns.map(({ unit, unitAssumed }) => [unit, unitAssumed]).slice(1)).toEqual([
      ["°C", false],
      ["%", true],
      ["km/h", false],
      ["kJ/m2", false],
      ["mm", false],
    ]);
    expect(rows.map(({ values }) => values)).toEqual([
      { airTemperature: 18.2, humidity: 61, wind: near(2), radiation: near(1.843), rain: 0 },
      { airTemperature: null, humidity: 58, wind: near(2), radiation: near(2.163), rain: null },
    ]);
  });
});
