import { sentence } from '@vendange/core/findings'
import { endpoints } from '@vendange/contract'
import { parseCommand, writeReading } from '@vendange/core/instruments'
import type { Response, Router } from 'express'
import { notFound, unprocessable } from '../parts/problems'
import { serve } from '../parts/serve'
import type { StandIn } from './standIns'
import { instrumentNames, standIns } from './standIns'

const open = new Set<Response>()

/** Ends every stream of readings, so that the server can close. */
export function endStreams(): void {
  for (const response of open) response.end()
}

export function instrumentRoutes(router: Router, everyMs?: number): void {
  const instruments = standIns(everyMs)
  const named = (name: string): StandIn => {
    const known = instrumentNames.find((one) => one === name)
    if (!known) throw notFound(sentence('no_such', { thing: 'instrument' }))
    return instruments[known]
  }

  router.get(endpoints.instruments.lines.path, (request, response) => {
    const instrument = named(request.params.name)
    response.writeHead(200, { 'Content-Type': 'text/event-stream' })
    response.flushHeaders()
    open.add(response)
    const stop = instrument.listen((reading) => response.write(`data: ${writeReading(reading)}\n\n`))
    response.on('close', () => {
      stop()
      open.delete(response)
    })
  })

  serve(router, endpoints.instruments.command, ({ params, body }) => {
    const command = parseCommand(body.line)
    if (!command) throw unprocessable(sentence('command_unknown', { command: body.line }))
    named(params.name).command(command)
    return Promise.resolve({ line: body.line })
  })
}
