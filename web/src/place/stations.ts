import type { Station } from "@sprunel/contract/advice";

/** The six stations of the water's path, in its order. */
export const STATIONS: readonly {
  readonly id: Station;
  readonly name: string;
  readonly question: string;
}[] = [
  {
    id: "water",
    name: "Water",
    question: "What comes in, how much is left, and what will it do to the lines?",
  },
  { id: "feed", name: "Feed", question: "What should this stage drink, and what goes into which tank?" },
  { id: "run", name: "Run", question: "How much, when, and through which valve?" },
  { id: "roots", name: "Roots", question: "What is in the root zone now, and what drained?" },
  { id: "crop", name: "Crop", question: "Which stage, and what is next?" },
  { id: "harvest", name: "Harvest", question: "What came off, and what did each kilo take?" },
];
