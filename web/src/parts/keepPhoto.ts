import { endpoints } from '@vendange/contract'
import { api, problemOf } from './api'
import { hindranceBy } from './outbox/outbox'
import { NotAPhoto, shrinkPhoto } from './shrinkPhoto'

/** Where a photograph is: in the workshop, or on this device until the workshop is reached. */
type Photographed = { readonly photoId: string; readonly photo?: Blob }

/** A photograph made small and kept: its id, or itself while the workshop is not reached, or why it was not kept. */
export async function keepPhoto(file: File): Promise<Photographed | { readonly failure: string }> {
  let photo: Blob
  try {
    photo = await shrinkPhoto(file)
  } catch (error) {
    if (error instanceof NotAPhoto) return { failure: error.message }
    throw error
  }
  try {
    return { photoId: (await api(endpoints.loaves.addPhoto, { rawBody: photo })).photoId }
  } catch (error) {
    const { status, detail } = problemOf(error)
    return hindranceBy(status) === undefined ? { failure: detail } : { photoId: '', photo }
  }
}
