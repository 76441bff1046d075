const ASK_EVERY_MS = 3000;

/**
 * Fetches the code of what stands beside the main thing of a page, again and again while the server is away: the page
 * stays as it is until then.
 */
export async function untilFetched<T>(fetch: () => Promise<T>): Promise<T> {
  for (;;)
    try {
      return await fetch();
    } catch {
      await new Promise((resolve) => setTimeout(resolve, ASK_EVERY_MS));
    }
}
