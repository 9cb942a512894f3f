import { endpoints } from '@vendange/contract'
import type { Router } from 'express'
import type { Context } from '../parts/context'
import { serve, serveFile } from '../parts/serve'
import { sayOfContext } from '../parts/workshopWords'
import { calendarFeed } from './calendarFeed'
import type { PlanAcceptance } from './planAcceptance'
import type { SeasonService } from './seasonService'

export function seasonRoutes(router: Router, season: SeasonService, plans: PlanAcceptance, context: Context): void {
  serve(router, endpoints.season, () => season.view())
  serve(router, endpoints.acceptPlan, ({ body }) => plans.acceptPlan(body))
  serve(router, endpoints.tickTask, ({ body, makerId }) => plans.tick(body, makerId()))
  serveFile(router, endpoints.calendar, async () => {
    const text = calendarFeed(await season.view(), context.clock.now(), await sayOfContext(context))
    return { type: 'text/calendar; charset=utf-8', content: text }
  })
}
