import type { LoafView, SavedWorkshop } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import type { Router } from 'express'
import { readWorkshop } from '../db/workshopRow'
import type { Context } from '../parts/context'
import { pdfReply, printed } from '../parts/printing'
import { serve, serveFile } from '../parts/serve'
import type { RoomService } from './roomService'
import { rackCardSheet, trayCardSheet } from './trayCards'

interface Services {
  readonly room: RoomService
  readonly loaves: { view(id: string): Promise<LoafView> }
}

export function roomRoutes(router: Router, { room, loaves }: Services, { database, clock }: Context): void {
  serve(router, endpoints.room.list, () => room.list())
  serve(router, endpoints.room.keep, ({ body }) => room.keep(body))

  const workshop = (): Promise<SavedWorkshop> => readWorkshop(database.read)
  serveFile(router, endpoints.room.trayCards, async ({ params }) => {
    const settings = await workshop()
    const { loaf } = await loaves.view(params.id)
    return pdfReply(await printed('cards', trayCardSheet(loaf, settings, clock.today(settings.timeZone))))
  })
  serveFile(router, endpoints.room.rackCards, async () => {
    return pdfReply(await printed('cards', rackCardSheet(await workshop())))
  })
}
