import { keptSince } from '../workers/keptAnswers'
import { ref } from 'vue'

/** Since when the page stands as it does, where the workshop is not reached and the device shows what it kept. */
export const standsSince = ref<string>()

/** Asks the server, and notes whether it was the device that answered. */
export const noting: typeof fetch = async (...request) => {
  const answer = await fetch(...request)
  const since = answer.headers.get(keptSince)
  standsSince.value = since ?? undefined
  return answer
}
