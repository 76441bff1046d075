import { addressOf as fileAddress } from "@sprunel/contract/basics";
import { getNutrientTable, type NutrientBooks as Books, type NutrientYear } from "@sprunel/contract/feed";
import { AS_OXIDE, NUTRIENT_SOURCES, type NutrientSource } from "@sprunel/core/feed/books";
import Button from "antd/es/button";
import Segmented from "antd/es/segmented";
import { Outline } from "../../parts/outline.tsx";
import { useState } from "react";
import { Link } from "react-router";
import forms from "../../forms/forms.module.css";
import { ProblemNote } from "../../parts/problem.tsx";
import { usePlace } from "../../place/use-place.ts";
import tables from "../../theme/tables.module.css";
import { useDates } from "../../units/dates.tsx";
import { Amount, useUnits } from "../../units/use-units.tsx";
import { useNutrientBooks } from "../doses/use-doses.ts";
import { RulesForm } from "./rules-form.tsx";

const NUTRIENTS = ["N", "P", "K"] as const;
type Nutrient = (typeof NUTRIENTS)[number];
const OXIDES: Readonly<Record<Nutrient, string>> = { N: "N", P: "P₂O₅", K: "K₂O" };
const SOURCES: Readonly<Record<NutrientSource, string>> = {
  dose: "doses",
  feed: "tanks",
  water: "water",
  manure: "manure",
  digestate: "digestate",
};
const BREACHES = {
  "total-n": "nitrogen in all",
  "organic-n": "organic nitrogen",
  "total-p": "phosphorus",
} as const;

type Zone = Books["zones"][number];

/** N, P and K of every zone in a calendar year by where they came from, against the rules of the place. */
export function NutrientBooks() {
  const books = useNutrientBooks();
  const [chosen, setYear] = useState<number | null>(null);
  const [nutrient, setNutrient] = useState<Nutrient>("N");
  const [oxides, setOxides] = useState(false);
  const [byBed, setByBed] = useState(false);
  if (books.isError && !books.data) return <ProblemNote error={books.error} onRetry={() => void books.refetch()} />;
  if (!books.data) return <Outline />;
  const { zones } = books.data;
  const years = [...new Set(zones.flatMap((zone) => zone.years.map(({ year }) => year)))].sort((a, b) => b - a);
  const year = chosen ?? years[0];
  return (
    <>
      {year === undefined ? (
        <p>Nothing was given, mixed, watered or picked yet, so there is nothing to book.</p>
      ) : (
        <>
          <div className={forms["actions"]}>
            <Segmented aria-label="Year" value={year} options={years} onChange={setYear} />
            <Segmented
              aria-label="Nutrient"
              value={nutrient}
              options={NUTRIENTS.map((value) => ({ value, label: oxides ? OXIDES[value] : value }))}
              onChange={setNutrient}
            />
            <Segmented
              aria-label="Told as"
              value={oxides ? "oxides" : "elements"}
              options={["elements", "oxides"]}
              onChange={(as) => setOxides(as === "oxides")}
            />
            {zones.some(({ beds }) => beds.length > 0) && (
              <Segmented
                aria-label="Ground"
                value={byBed ? "beds" : "zones"}
                options={["zones", "beds"]}
                onChange={(of) => setByBed(of === "beds")}
              />
            )}
            <Button onClick={() => window.print()}>Print</Button>
            <a href={fileAddress(getNutrientTable)} download>
              All entries as a table
            </a>
          </div>
          <YearTable
            grounds={zones.flatMap((zone) => (byBed ? bedsOf(zone) : [groundOf(zone)]))}
            year={year}
            nutrient={nutrient}
            name={oxides ? OXIDES[nutrient] : nutrient}
            by={oxides ? AS_OXIDE[nutrient] : 1}
          />
          <Breaches zones={zones} year={year} />
        </>
      )}
      <RulesForm books={books.data} />
    </>
  );
}

/** A zone, or rows of it. */
interface Ground {
  readonly key: string;
  readonly zone: Zone;
  readonly rows: string | null;
  readonly areaM2: number;
  readonly years: Zone["years"];
}

function groundOf(zone: Zone): Ground {
  return { key: `${zone.zoneId}`, zone, rows: null, areaM2: zone.areaM2, years: zone.years };
}

/** A zone whose plantings always had all of it is one bed. */
function bedsOf(zone: Zone): Ground[] {
  if (zone.beds.length === 0) return [groundOf(zone)];
  return zone.beds.map(({ part: { from, to, of }, areaM2, years }) => {
    const rows = from === to ? `row ${from} of ${of}` : `rows ${from} to ${to} of ${of}`;
    return { key: `${zone.zoneId} ${rows}`, zone, rows, areaM2, years };
  });
}

function YearTable({
  grounds,
  year,
  nutrient,
  name,
  by,
}: {
  grounds: readonly Ground[];
  year: number;
  nutrient: Nutrient;
  name: string;
  by: number;
}) {
  const { show } = useUnits();
  const { addressOf } = usePlace();
  const unit = show("perLand", 0).unit;
  return (
    <div className={tables["scroll"]} role="region" aria-label="Books of the year, by their columns" tabIndex={0}>
      <table className={tables["table"]} aria-label={`${name} in ${year}, ${unit}`}>
        <thead>
          <tr>
            <th scope="col">
              {name} in {year}, {unit}
            </th>
            {NUTRIENT_SOURCES.map((source) => (
              <th key={source} scope="col">
                {SOURCES[source]}
              </th>
            ))}
            <th scope="col">in all</th>
            <th scope="col">picked off, and leaf</th>
            <th scope="col">stays, or is lost</th>
          </tr>
        </thead>
        <tbody>
          {grounds.map(({ key, zone, rows, areaM2, years }) => {
            const found = years.find((one) => one.year === year);
            const waterUnknown = zone.waterUnknown.includes(year);
            const removalUnknown = zone.removalUnknown.includes(year);
            const cell = (value: number | undefined) => (value === undefined ? "–" : show("perLand", value * by).text);
            return (
              <tr key={key}>
                <th scope="row">
                  <Link to={`${addressOf({ zoneId: zone.zoneId, station: "feed" })}?view=doses`}>{zone.zoneName}</Link>
                  {rows !== null && (
                    <small>
                      {rows}, <Amount quantity="area" value={areaM2} />
                    </small>
                  )}
                  {found && found.crops.length > 0 && <small>{found.crops.join(", ")}</small>}
                </th>
                {NUTRIENT_SOURCES.map((source) => (
                  <td key={source}>
                    {source === "water" && waterUnknown ? (
                      <span className="quiet">not known</span>
                    ) : (
                      cell(found?.bySource[source][nutrient])
                    )}
                  </td>
                ))}
                <td>
                  <strong>{cell(found?.total[nutrient])}</strong>
                  {waterUnknown && " and the water’s"}
                </td>
                <td>{removalUnknown ? <span className="quiet">not known</span> : cell(found?.removed[nutrient])}</td>
                <td>
                  {removalUnknown || waterUnknown ? (
                    <span className="quiet">not known</span>
                  ) : (
                    cell(found?.surplus[nutrient])
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

/** What is above the rules, or was spread while it is closed, each with its zone. */
function Breaches({ zones, year }: { zones: Books["zones"]; year: number }) {
  const dates = useDates();
  const told = zones.flatMap((zone) =>
    zone.years
      .filter((one) => one.year === year)
      .map((book) => ({ zone, book }) satisfies { zone: Zone; book: NutrientYear }),
  );
  const over = told.flatMap(({ zone, book }) => book.breaches.map((breach) => ({ zone, breach })));
  const closed = told.flatMap(({ zone, book }) => book.inClosedTime.map((entry) => ({ zone, entry })));
  if (over.length === 0 && closed.length === 0) return null;
  return (
    <section aria-label="Beyond the rules">
      <h2>Beyond the rules</h2>
      <ul>
        {over.map(({ zone, breach: { rule, kgHa, mostKgHa } }) => (
          <li key={`${zone.zoneId} ${rule}`} className="act">
            {zone.zoneName}: <Amount quantity="perLand" value={kgHa} /> of {BREACHES[rule]},{" "}
            <Amount quantity="perLand" value={mostKgHa} /> allowed
          </li>
        ))}
        {closed.map(({ zone, entry: { on, what, kgHa } }) => (
          <li key={`${zone.zoneId} ${on} ${what}`} className="act">
            {zone.zoneName}, {dates.show(on, "year")}: {what}, <Amount quantity="perLand" value={kgHa.N} /> N in the
            closed time
          </li>
        ))}
      </ul>
    </section>
  );
}
