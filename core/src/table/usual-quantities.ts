import type { Quantity } from "./quantity.ts";

/** Pens that show ppm reckon them from EC by a scale of their own; 500 is the usual one where none is named. */
export const EC_QUANTITY: Quantity = {
  units: ["mS/cm", "µS/cm", "dS/m", "mS/m"],
  scales: [
    { name: "ppm (640)", written: /^(ppm|tds)\(?640\)?$/, factor: 1 / 640 },
    { name: "ppm (700)", written: /^(ppm|tds)\(?700\)?$/, factor: 1 / 700 },
    { name: "ppm (500)", written: /^(ppm|tds)\(?500\)?$/, factor: 1 / 500 },
    { name: "ppm (500)", written: /^(ppm|tds|mg\/l)$/, factor: 1 / 500, assumed: true },
    // As people say it of pens: of a conductance that is meant by the centimetre.
    { name: "mS/cm", written: /^ms$/, factor: 1 },
    { name: "µS/cm", written: /^[uµμ]s$/, factor: 0.001 },
    { name: "CF", written: /^(cf|cfunits?)$/, factor: 0.1 },
  ],
};
