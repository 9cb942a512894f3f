import type { BarCut, CutPlane } from '@vendange/core/cutting'
import type { Mould } from '@vendange/core/mould'
import type {
  CutRichness,
  FaceDrawing,
  Hand,
  KnownPulls,
  MouldSection,
  MoveLine,
  Neighbours,
  SoapLook,
} from '@vendange/core/pour'
import {
  blurOf,
  faceOf,
  faceRatio,
  neighboursIn,
  paintCut,
  paintFace,
  richnessOf,
  simulatePour,
  svgOfCut,
} from '@vendange/core/pour'
import { expose, transfer } from 'comlink'
import { paintedFaces } from './paintedFaces'

/** What a picture of the inside is made from. */
export interface PictureRequest {
  readonly lines: readonly MoveLine[]
  readonly potAreasMm2: readonly number[]
  readonly section: MouldSection
  readonly plane: CutPlane
  readonly hexes: readonly string[]
  readonly hand?: Hand | undefined
  /** Knots across by which tools are followed. */
  readonly across?: number
}

export interface Picture {
  readonly pixels: Uint8ClampedArray<ArrayBuffer>
  readonly neighbours: readonly Neighbours[]
  readonly richness: CutRichness
}

/** Simulates pours off the page's thread. */
export interface PourPainter {
  paint(request: PictureRequest, width: number, height: number): Picture
  svg(request: PictureRequest, width: number, height: number, title: string): string
  /** A face, as a PNG. */
  face(face: FaceDrawing, width: number, height: number): Promise<Blob>
  /** A soap's own face in its mould, to scale, as a PNG. */
  soapFace(soap: SoapLook, mould: (Mould & BarCut) | undefined, width: number): Promise<Blob>
}

/** Of the picture before: while a path is drawn, only that one is followed anew. */
const known: KnownPulls = new Map()

function cutOf(
  { lines, potAreasMm2, section, plane, hexes, hand, across }: PictureRequest,
  width: number,
  height: number,
) {
  const inside = simulatePour(lines, potAreasMm2, section, {
    known,
    ...(hand ? { hand } : {}),
    ...(across === undefined ? {} : { across }),
  })
  return { cut: inside.cut(plane, width, height), hexes: [...hexes, ...inside.otherHexes] }
}

async function png(face: FaceDrawing, width: number, height: number): Promise<Blob> {
  const canvas = new OffscreenCanvas(width, height)
  canvas.getContext('2d')?.putImageData(new ImageData(paintFace(face, width, height), width, height), 0, 0)
  return canvas.convertToBlob()
}

// A build names this file by what is in it; while it is being worked on, each start is a painter of its own.
const faces = paintedFaces(import.meta.env.DEV ? String(Date.now()) : self.location.pathname)

const painter: PourPainter = {
  paint: (request, width, height) => {
    const { cut, hexes } = cutOf(request, width, height)
    const pxPerMm = width / (request.plane.rightMm - request.plane.leftMm)
    const pixels = paintCut(cut, width, hexes, (blurOf(request.lines) * pxPerMm) / 2)
    const picture = { pixels, neighbours: neighboursIn(cut, width), richness: richnessOf(cut, width) }
    return transfer(picture, [pixels.buffer])
  },
  svg: (request, width, height, title) => {
    const { cut, hexes } = cutOf(request, width, height)
    const { plane } = request
    const heightMm = plane.kind === 'across' ? plane.upToMm : plane.toMm - plane.fromMm
    return svgOfCut(cut, width, hexes, { widthMm: plane.rightMm - plane.leftMm, heightMm, title })
  },
  face: png,
  soapFace: (soap, mould, width) =>
    faces(JSON.stringify([soap, mould, width]), () => {
      const face = faceOf(soap, mould)
      return png(face, width, Math.max(1, Math.round(width * faceRatio(face))))
    }),
}
expose(painter)
