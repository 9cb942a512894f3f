/** Bundles the server and the maker of the demo. @returns the folder in which `main.js` and `demo/main.js` stand */
export function bundleServer(): Promise<string>
