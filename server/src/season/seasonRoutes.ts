import { endpoints } from '@vendange/contract'
import type { Router } from 'express'
import type { Context } from '../parts/context'
import type { Read } from '../parts/reading'
import { serve, serveFile, serveReading } from '../parts/serve'
import { stream } from '../parts/streams'
import type { PlanAcceptance } from './planAcceptance'

export function seasonRoutes(router: Router, plans: PlanAcceptance, read: Read, { database }: Context): void {
  serveReading(router, endpoints.season, () => read('season'))
  router.get(endpoints.changes.path, (_request, response) => {
    stream(response, (tell) => {
      const tellRevision = (): void => tell(String(database.revision()))
      tellRevision()
      return database.onChange(tellRevision)
    })
  })
  serve(router, endpoints.acceptPlan, ({ body }) => plans.acceptPlan(body))
  serveReading(router, endpoints.tickTask, async ({ body, makerId }) => {
    await plans.tick(body, makerId())
    return read('season')
  })
  serveFile(router, endpoints.calendar, async () => ({
    type: 'text/calendar; charset=utf-8',
    content: (await read('calendar')).value(),
  }))
}
