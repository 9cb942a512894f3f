import { pieceMassRange } from '@vendange/core/batch'
import { array, object } from 'yup'
import { hexText, idText, nameText, text, within } from './pieces'

/** Kinds of pieces that one soap may take. */
const mostPieces = 12

/** Pieces of earlier soap that a soap takes out of the scrap bin. */
export const scrapPieces = () =>
  array(
    object({
      loafId: idText(),
      lotCode: text().max(40).required(),
      colour: nameText(),
      hex: hexText(),
      massG: within('mass', pieceMassRange).required(),
    })
      .noUnknown()
      .required(),
  )
    .max(mostPieces)
    .required()
