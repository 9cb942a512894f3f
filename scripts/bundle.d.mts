/** Bundles the server and the maker of the demo. @returns the folder in which `main.js` and `demo/main.js` stand */
export function bundleServer(): Promise<string>
/** Bundles the server and fills one demo workshop, once for all tests. @returns where both are, for their environment */
export function makeForTests(): Promise<{
  readonly VENDANGE_MADE_SERVER: string
  readonly VENDANGE_MADE_DEMO: string
}>
