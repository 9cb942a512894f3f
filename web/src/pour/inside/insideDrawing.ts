/** A drawn inside that can leave as a file. */
export interface InsideDrawing {
  png(): Promise<Blob | null>
  svg(title: string): Promise<string>
}
