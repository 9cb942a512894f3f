import { cutWays } from '@vendange/core/cutting'
import { moveKinds, outlines, planes, traces } from '@vendange/core/pour'
import { array, boolean, number, object, string } from 'yup'
import { figure, hexText, text, wholeWithin, within } from './pieces'

const partRange = { min: 0, max: 1 } as const
/** Pots are numbered from 0, in the order of the design's colours. */
const potRange = { min: 0, max: 11 } as const
const placeRange = { min: 0, max: 1000 } as const
const optionalFigure = () => figure().optional()
const potField = () => number().integer().min(potRange.min).max(potRange.max)

const pathField = () =>
  array(object({ xMm: figure().required(), yMm: figure().required() }).noUnknown().required())
    .max(400)
    .optional()
    .default(undefined)

/** A move of the pour. Whether it can be done in the mould is said by the core, beside the picture. */
export const moveSchema = object({
  kind: string().oneOf(moveKinds).required(),
  pot: potField().optional(),
  part: within('share', partRange).optional(),
  pots: array(
    object({ pot: potField().required(), part: within('share', partRange).required() })
      .noUnknown()
      .required(),
  )
    .max(24)
    .optional()
    .default(undefined),
  trace: string().oneOf(traces).optional(),
  waitMin: optionalFigure(),
  angleDeg: optionalFigure(),
  xMm: optionalFigure(),
  yMm: optionalFigure(),
  zMm: optionalFigure(),
  fallMm: optionalFigure(),
  sinkMm: optionalFigure(),
  spreadMm: optionalFigure(),
  sizeMm: optionalFigure(),
  turnDeg: optionalFigure(),
  count: optionalFigure(),
  peakMm: optionalFigure(),
  hex: hexText().optional(),
  name: text().trim().max(80).optional(),
  outline: string().oneOf(outlines).optional(),
  plane: string().oneOf(planes).optional(),
  path: pathField(),
  /** Seen from above: the line that its place follows along the loaf. */
  along: pathField(),
})
  .noUnknown()
  .required()

/** The face of a bar that stands for its soap. */
export const faceSchema = object({
  way: string().oneOf(cutWays).required(),
  log: wholeWithin('count', placeRange).required(),
  bar: wholeWithin('count', placeRange).required(),
  layer: wholeWithin('count', placeRange).required(),
  isFar: boolean().required(),
})
  .noUnknown()
  .nullable()
  .defined()
