/** Shown wherever acids and concentrates are handled, on the screen and on paper. */
export const CAUTIONS: readonly string[] = [
  "Goggles, gloves, apron; keep the door open.",
  "Acid into water, never the reverse.",
  "A and B concentrates never together.",
  "Local rules, the product's label and a licensed adviser come first.",
];
