/**
 * Does some work, and when it fails for no fault of the caller's has damaged rows mended and does it once more: one bad
 * row takes no page with it.
 *
 * @param mend mends what is damaged in the database, and says in how many rows something was
 * @param isOfCaller whether an error is the caller's own
 */
export async function mendingOnce<T>(
  mend: () => Promise<number>,
  isOfCaller: (error: unknown) => boolean,
  work: () => Promise<T>,
): Promise<T> {
  try {
    return await work()
  } catch (error) {
    if (isOfCaller(error) || (await mend()) === 0) throw error
    return work()
  }
}
