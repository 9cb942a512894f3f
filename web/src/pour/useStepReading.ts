import { useUnits } from '@/parts/format'
import { useSeason } from '@/parts/seasonStore'
import { useInstrument } from '@/parts/useInstrument'
import type { SessionStep } from '@vendange/core/batch'
import { toGo } from '@vendange/core/batch'
import { parseQuantity } from '@vendange/core/units'
import type { Ref } from 'vue'
import { computed, ref } from 'vue'
import type { usePartWeighing } from './usePartWeighing'
import { useStepFigure } from './useStepFigure'

/** The figure of a step: what was typed, else what scale or probe show, else what was recorded before. */
export function useStepReading(step: Ref<SessionStep | undefined>, weighing: ReturnType<typeof usePartWeighing>) {
  const season = useSeason()
  const { weighed, unitOf, say } = useUnits()
  const figure = useStepFigure()
  const typed = ref('')
  const problem = ref<string>()

  const instrument = useInstrument(
    computed(() => {
      if (!step.value || step.value.kind === 'tick') return undefined
      return step.value.kind === 'weigh' ? 'scale' : 'probe'
    }),
  )
  /** What scale or probe show now: g or °C; null while they show nothing that can be taken. */
  const live = computed(() => {
    const now = instrument.reading.value
    if (now?.kind === 'mass') return now.massG
    return now?.kind === 'temperature' ? now.temperatureC : null
  })
  const isSettled = computed(() => {
    const now = instrument.reading.value
    return now !== undefined && 'isSettled' in now && now.isSettled
  })
  const liveWords = computed(() => {
    const now = instrument.reading.value
    if (!now) return 'nothing heard yet'
    if (now.kind === 'over') return 'overload: take something off the pan'
    if (now.kind === 'off') return 'out of the jug'
    const isMoving = now.kind !== 'room' && !now.isSettled
    return `${step.value ? figure(step.value, live.value) : ''}${isMoving ? ', still moving' : ''}`
  })

  const isTyped = computed(() => typed.value.trim() !== '')
  function readTyped() {
    const kind = step.value?.kind === 'temperature' ? 'temperature' : 'mass'
    const unit = unitOf(kind)
    return parseQuantity(kind, typed.value, unit === undefined ? {} : { unit })
  }

  /** Whether the pan stands empty where something is to be weighed: one tap too many is no weighing. */
  const isPanEmpty = computed(
    () => step.value?.kind === 'weigh' && (weighing.target.value ?? 0) > 0 && live.value !== null && live.value <= 0,
  )
  /** What "done" would record; undefined while it cannot be read. */
  const reading = computed(() => {
    if (!step.value || step.value.kind === 'tick') return null
    if (isTyped.value) {
      const parsed = readTyped()
      return parsed.ok ? parsed.value : undefined
    }
    if (instrument.isConnected.value)
      return isSettled.value && !isPanEmpty.value ? (live.value ?? undefined) : undefined
    // What is asked for is no reading: nothing is taken before anything was weighed.
    return weighing.isSplit.value ? undefined : (step.value.actual ?? undefined)
  })
  /** How far the weighing has come, for the eye. */
  const underWay = computed(() => {
    if (typed.value !== '') return reading.value ?? 0
    return instrument.isConnected.value ? (live.value ?? 0) : (step.value?.actual ?? 0)
  })
  const toGoWords = computed(() => {
    const target = weighing.target.value
    if (step.value?.kind !== 'weigh' || target === null) return undefined
    if (typed.value === '' && (!instrument.isConnected.value || live.value === null)) return undefined
    const left = toGo(target, underWay.value, season.workshop?.scaleResolutionG)
    return left < 0 ? `${weighed(-left)} over` : left > 0 ? `${weighed(left)} to go` : 'just right'
  })
  const doneLabel = computed(() => {
    if (!step.value) return ''
    if (step.value.kind === 'tick') return step.value.done ? 'Done already' : 'Done'
    if (reading.value === undefined || reading.value === null) {
      if (isTyped.value) return 'Take it'
      if (!instrument.isConnected.value)
        return step.value.kind === 'weigh' ? 'Weigh it, then type it' : 'Measure it, then type it'
      return isPanEmpty.value ? 'Weigh it in' : 'Wait for it to settle'
    }
    return `Take ${figure(step.value, reading.value)}`
  })

  /** Whether there is a figure to take; says what is wrong where there is none. */
  function canTake(): boolean {
    if (!step.value || step.value.kind === 'tick') return true
    if (isTyped.value) {
      const parsed = readTyped()
      problem.value = parsed.ok ? undefined : say(parsed.problem)
      return parsed.ok
    }
    if (reading.value !== undefined) return true
    if (!instrument.isConnected.value)
      problem.value = `Type what the ${step.value.kind === 'weigh' ? 'scale' : 'probe'} shows.`
    else if (instrument.reading.value?.kind === 'over')
      problem.value = 'The scale is overloaded. Take something off the pan, or weigh in two parts.'
    else if (isPanEmpty.value) problem.value = 'Nothing is on the pan yet. If that is right, type 0.'
    else problem.value = 'Wait until the reading stands still.'
    return false
  }

  function forget(): void {
    typed.value = ''
    problem.value = undefined
  }

  return {
    typed,
    isTyped,
    problem,
    isConnected: instrument.isConnected,
    toggleInstrument: (): void => {
      instrument.isConnected.value = !instrument.isConnected.value
    },
    command: instrument.command,
    live,
    liveWords,
    reading,
    underWay,
    toGoWords,
    doneLabel,
    canTake,
    forget,
  }
}

export type StepReading = ReturnType<typeof useStepReading>
