import { sentence } from '@vendange/core/findings'
import { endpoints } from '@vendange/contract'
import { parseCommand, writeReading } from '@vendange/core/instruments'
import type { Router } from 'express'
import { notFound, unprocessable } from '../parts/problems'
import { serve } from '../parts/serve'
import { stream } from '../parts/streams'
import type { StandIn } from './standIns'
import { instrumentNames, standIns } from './standIns'

export function instrumentRoutes(router: Router, everyMs?: number): void {
  const instruments = standIns(everyMs)
  const named = (name: string): StandIn => {
    const known = instrumentNames.find((one) => one === name)
    if (!known) throw notFound(sentence('no_such', { thing: 'instrument' }))
    return instruments[known]
  }

  router.get(endpoints.instruments.lines.path, (request, response) => {
    const instrument = named(request.params.name)
    stream(response, (tell) => instrument.listen((reading) => tell(writeReading(reading))))
  })

  serve(router, endpoints.instruments.command, ({ params, body }) => {
    const command = parseCommand(body.line)
    if (!command) throw unprocessable(sentence('command_unknown', { command: body.line }))
    named(params.name).command(command)
    return Promise.resolve({ line: body.line })
  })
}
