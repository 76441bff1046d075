/**
 * How layers and rooms stack. A layer may import only those named for it; a room only the rooms that are named for it, each of
 * which stands before it in its layer's list, so that no circle of rooms can arise. A large room holds rooms of its own. What
 * belongs to no room stands at the root of `src` and may import all of them.
 */
export const LAYERS = {
  core: {
    mayImport: [],
    rooms: {
      working: [],
      units: [],
      chemistry: [],
      time: ["working"],
      table: ["working", "time"],
      site: ["working"],
      climate: ["working", "time", "table", "site"],
      demand: ["working", "climate"],
      crop: ["working", "time", "site", "climate"],
      water: ["working", "chemistry", "time", "table"],
      irrigation: ["working", "time", "climate", "water"],
      rootzone: ["chemistry", "table"],
      harvest: ["working", "time", "table", "crop"],
      "feed/products": ["working", "chemistry", "table"],
      "feed/recipe": ["working", "chemistry", "crop", "water", "feed/products"],
      "feed/doses": [
        "working",
        "chemistry",
        "time",
        "table",
        "site",
        "climate",
        "crop",
        "harvest",
        "feed/products",
        "feed/recipe",
      ],
      "feed/books": ["working", "climate", "crop", "feed/doses"],
      systems: ["working", "time", "site", "crop", "irrigation", "rootzone"],
      course: ["working", "chemistry", "time", "site", "crop", "rootzone", "systems"],
      schedule: ["working", "time"],
      advice: ["working", "irrigation"],
      plan: [
        "working",
        "time",
        "site",
        "climate",
        "demand",
        "crop",
        "irrigation",
        "rootzone",
        "feed/books",
        "systems",
        "course",
        "schedule",
        "advice",
      ],
    },
  },
  contract: {
    // Growing systems, their fields and ranges are declared once, in the core.
    mayImport: ["core"],
    rooms: {
      basics: [],
      changes: ["basics"],
      site: ["basics"],
      climate: ["basics", "site"],
      water: ["basics"],
      irrigation: ["basics"],
      feed: ["basics", "site"],
      rootzone: ["basics", "site"],
      crop: ["basics", "site"],
      harvest: ["basics"],
      advice: ["basics"],
      plan: ["basics", "site", "irrigation", "rootzone", "advice"],
      today: ["basics", "site", "rootzone", "advice", "plan"],
      exchange: [
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
      ],
    },
  },
  field: { mayImport: ["core"], rooms: {} },
  server: {
    mayImport: ["core", "contract"],
    rooms: {
      database: [],
      http: ["database"],
      background: ["database"],
      container: [],
      pool: ["http", "container"],
      scope: ["database", "http", "pool"],
      changes: ["http", "scope"],
      clock: ["http", "scope"],
      imports: ["database", "scope"],
      climate: ["database", "http", "scope", "imports"],
      irrigation: ["database", "http", "scope"],
      rootzone: ["database", "http", "scope"],
      crop: ["http", "scope", "climate", "rootzone"],
      harvest: ["database", "http", "scope", "irrigation", "crop"],
      advice: ["scope"],
      plan: ["database", "http", "scope", "climate", "irrigation", "rootzone", "harvest", "advice"],
      water: ["http", "scope", "climate", "irrigation", "plan"],
      feed: [
        "database",
        "http",
        "pool",
        "scope",
        "climate",
        "irrigation",
        "rootzone",
        "crop",
        "harvest",
        "plan",
        "water",
      ],
      day: ["http", "scope", "irrigation", "crop", "plan", "feed"],
      site: ["http", "scope", "crop", "water"],
      today: ["http", "scope", "climate", "rootzone", "crop", "harvest", "advice", "plan", "water", "feed", "day"],
      exchange: [
        "database",
        "http",
        "pool",
        "scope",
        "imports",
        "climate",
        "rootzone",
        "harvest",
        "water",
        "feed",
        "site",
      ],
      testing: ["database", "pool", "clock", "climate"],
    },
  },
  web: {
    mayImport: ["core", "contract"],
    rooms: {
      theme: [],
      http: [],
      units: [],
      words: [],
      systems: ["units"],
      parts: ["http", "units"],
      chart: ["units"],
      working: [],
      forms: ["http", "units", "words", "parts"],
      files: ["http", "units", "parts", "forms"],
      sums: ["units", "working"],
      place: ["http", "units", "forms"],
      changes: ["http", "units", "parts", "forms", "place"],
      advice: ["http", "units", "parts", "working", "forms", "place"],
      climate: ["http", "units", "files"],
      rootzone: ["theme", "http", "units", "words", "systems", "parts", "chart", "forms", "place", "advice"],
      crop: ["theme", "http", "units", "words", "parts", "working", "forms", "files", "sums", "place"],
      harvest: ["theme", "http", "units", "parts", "chart", "working", "forms", "place"],
      irrigation: ["theme", "http", "units", "words", "parts", "chart", "working", "forms", "sums", "place", "advice"],
      feed: [
        "theme",
        "http",
        "units",
        "words",
        "parts",
        "chart",
        "working",
        "forms",
        "files",
        "sums",
        "place",
        "advice",
        "rootzone",
      ],
      water: [
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
        "harvest",
        "irrigation",
        "feed",
      ],
      exchange: ["http", "units", "parts", "forms", "files", "place"],
      site: ["http", "units", "systems", "parts", "working", "forms", "sums", "place", "changes", "exchange"],
      today: ["units", "words", "systems", "parts", "forms", "place", "advice", "crop"],
      shell: [
        "http",
        "units",
        "words",
        "systems",
        "parts",
        "working",
        "place",
        "rootzone",
        "crop",
        "harvest",
        "irrigation",
        "feed",
        "water",
      ],
      testing: ["theme", "http"],
    },
  },
  demo: { mayImport: ["core", "contract", "field", "server"], rooms: {} },
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

/** Beside it, the rooms that a room does not name; of a room within another also by the short way to its sisters. */
function roomPatterns(layer, room) {
  const { rooms } = LAYERS[layer];
  const closed = Object.keys(rooms).filter((other) => other !== room && !rooms[room].includes(other));
  const within = room.slice(0, room.lastIndexOf("/") + 1);
  const sisters = within === "" ? [] : closed.filter((other) => other.startsWith(within));
  const names = [...closed, ...sisters.map((other) => other.slice(within.length))];
  return names.length === 0
    ? []
    : [
        {
          regex: `^(\\.\\./)+(${names.join("|")})/`,
          message: `${room} does not name this room among those that it stands on (eslint.rooms.mjs).`,
        },
      ];
}

const restricted = (patterns) => ({ "no-restricted-imports": ["error", { patterns }] });

/** One block a room, so that no block undoes another's patterns. */
export const roomRules = Object.entries(LAYERS).flatMap(([layer, { rooms }]) => [
  { files: [`${layer}/src/**/*.{ts,tsx}`], rules: restricted(layerPatterns(layer)) },
  ...Object.keys(rooms).map((room) => ({
    files: [`${layer}/src/${room}/**/*.{ts,tsx}`],
    ignores: ["**/*.test.{ts,tsx}"],
    rules: restricted([...layerPatterns(layer), ...roomPatterns(layer, room)]),
  })),
  { files: [`${layer}/src/**/*.test.{ts,tsx}`], rules: restricted(layerPatterns(layer, true)) },
]);
