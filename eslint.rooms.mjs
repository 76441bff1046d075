/**
 * How layers and rooms stack. A layer may import only those named for it; a room only rooms that stand before it in its layer's
 * list, and so no circle of rooms can arise. A large room holds rooms of its own. What belongs to no room stands at the root of
 * `src` and may import all of them.
 */
export const LAYERS = {
  core: {
    mayImport: [],
    rooms: [
      "working",
      "units",
      "chemistry",
      "time",
      "table",
      "site",
      "climate",
      "demand",
      "crop",
      "water",
      "irrigation",
      "rootzone",
      "harvest",
      "feed/products",
      "feed/recipe",
      "feed/doses",
      "feed/books",
      "systems",
      "course",
      "schedule",
      "advice",
      "plan",
    ],
  },
  contract: {
    // Growing systems, their fields and ranges are declared once, in the core.
    mayImport: ["core"],
    rooms: [
      "basics",
      "changes",
      "site",
      "climate",
      "water",
      "irrigation",
      "feed",
      "rootzone",
      "crop",
      "harvest",
      "advice",
      "plan",
      "today",
      "exchange",
    ],
  },
  field: { mayImport: ["core"], rooms: [] },
  server: {
    mayImport: ["core", "contract"],
    rooms: [
      "database",
      "http",
      "background",
      "container",
      "pool",
      "scope",
      "changes",
      "clock",
      "imports",
      "climate",
      "irrigation",
      "rootzone",
      "crop",
      "harvest",
      "advice",
      "plan",
      "water",
      "feed",
      "day",
      "site",
      "today",
      "exchange",
      "testing",
    ],
  },
  web: {
    mayImport: ["core", "contract"],
    rooms: [
      "theme",
      "http",
      "units",
      "words",
      "systems",
      "parts",
      "chart",
      "working",
      "forms",
      "files",
      "sums",
      "place",
      "changes",
      "advice",
      "climate",
      "rootzone",
      "crop",
      "harvest",
      "irrigation",
      "feed",
      "water",
      "exchange",
      "site",
      "today",
      "shell",
      "testing",
    ],
  },
  demo: { mayImport: ["core", "contract", "field", "server"], rooms: [] },
};

const WORKSPACES = Object.keys(LAYERS);

/** What any file of a layer must not import; tests may read sample files. */
function layerPatterns(layer, forTests = false) {
  const closed = WORKSPACES.filter((other) => other !== layer && !LAYERS[layer].mayImport.includes(other));
  return [
    {
      regex: `^@sprunel/(${[...closed, layer].join("|")})(/|$)`,
      message:
        "Layers point down, web → server → core, and web and server meet in contract; inside a layer import the file.",
    },
    { regex: `^(\\.\\./)+(${WORKSPACES.join("|")})/`, message: "Import a workspace by its name." },
    ...(!forTests && (layer === "core" || layer === "contract")
      ? [{ regex: "^node:", message: "Pure computation and its shapes: no disk, no network, no process." }]
      : []),
    ...(layer === "web" ? [{ regex: "^antd($|/lib)", message: "Import antd/es/<component>, or nothing splits." }] : []),
  ];
}

/** Beside it, what a room must not know: those that stand on it; of a room within another also by the short way to its sisters. */
function roomPatterns(layer, room) {
  const { rooms } = LAYERS[layer];
  const above = rooms.slice(rooms.indexOf(room) + 1);
  const within = room.slice(0, room.lastIndexOf("/") + 1);
  const sisters = within === "" ? [] : above.filter((other) => other.startsWith(within));
  const closed = [...above, ...sisters.map((other) => other.slice(within.length))];
  return above.length === 0
    ? []
    : [
        {
          regex: `^(\\.\\./)+(${closed.join("|")})/`,
          message: `${room} does not know the rooms that stand on it (eslint.rooms.mjs lists their order).`,
        },
      ];
}

const restricted = (patterns) => ({ "no-restricted-imports": ["error", { patterns }] });

/** One block a room, so that no block undoes another's patterns. */
export const roomRules = Object.entries(LAYERS).flatMap(([layer, { rooms }]) => [
  { files: [`${layer}/src/**/*.{ts,tsx}`], rules: restricted(layerPatterns(layer)) },
  ...rooms.map((room) => ({
    files: [`${layer}/src/${room}/**/*.{ts,tsx}`],
    ignores: ["**/*.test.{ts,tsx}"],
    rules: restricted([...layerPatterns(layer), ...roomPatterns(layer, room)]),
  })),
  { files: [`${layer}/src/**/*.test.{ts,tsx}`], rules: restricted(layerPatterns(layer, true)) },
]);
