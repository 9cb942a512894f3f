/** Where the browser of the journeys is; undefined where there is none. */
export function findChromium(): string | undefined
/** The browser for pictures, which are made by the whole one where there is one. */
export function chromiumForPictures(): string | undefined
