import { endpoints } from '@vendange/contract'
import { api, problemOf } from './api'
import { NotAPhoto, shrinkPhoto } from './shrinkPhoto'

/** A photograph made small and kept: its id, or why it was not, in the maker's words. */
export async function keepPhoto(file: File): Promise<{ readonly photoId: string } | { readonly failure: string }> {
  try {
    return { photoId: (await api(endpoints.loaves.addPhoto, { rawBody: await shrinkPhoto(file) })).photoId }
  } catch (error) {
    return { failure: error instanceof NotAPhoto ? error.message : problemOf(error).detail }
  }
}
