import { useInstrument } from './useInstrument'
import { computed, ref } from 'vue'

/** The scale as one bar after the other is put on it: what it shows, and what of it may be taken. */
export function useBarScale() {
  const { isConnected, reading, command } = useInstrument(ref('scale'))
  const mass = computed(() => (reading.value?.kind === 'mass' ? reading.value : undefined))
  const isOver = computed(() => reading.value?.kind === 'over')
  /** What lies on it, g, once the display stands still; undefined while it moves, or is empty. */
  const settledG = computed(() =>
    mass.value?.isSettled === true && mass.value.massG > 0 ? mass.value.massG : undefined,
  )
  return { isConnected, command, mass, isOver, settledG }
}
