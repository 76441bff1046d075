/** Of the first worker; each has a port of its own beside it. */
const BASE = Number(process.env["E2E_PORT"] ?? 5187);

export const PORT = BASE + Number(process.env["TEST_PARALLEL_INDEX"] ?? 0);
