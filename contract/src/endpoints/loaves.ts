import type { LoafPage } from '@vendange/core/loaf'
import type { SeenBar } from '@vendange/core/observations'
import { create, get, post, taking } from '../endpoint'
import type { LoafTableQuery, RecordTableQuery } from '../schemas/loafQuery'
import type { RoomReading } from '../schemas/room'
import type { NewLoafEvent } from '../schemas/work'
import type { RecordPage } from '../barViews'
import type { LoafSummary, LoafView, RoomDay } from '../views'

/** Loaves from the cut through the cure, and the room they cure in. */
export const loafEndpoints = {
  loaves: {
    list: get<readonly LoafSummary[]>()('/api/loaves', 'The newest loaves, 100 at the most'),
    table: taking<LoafTableQuery>()(
      post<LoafPage>()('/api/loaves/table', 'A page of all loaves that fit some wishes, in an order'),
    ),
    happened: taking<RecordTableQuery>()(
      post<RecordPage>()('/api/loaves/record', 'A page of what happened to all loaves, by whom and when'),
    ),
    seen: get<readonly SeenBar[]>()('/api/loaves/seen', 'What the newest loaves showed of their kinds'),
    ofDesign: get<readonly LoafSummary[]>()('/api/designs/:id/loaves', 'Loaves of a soap'),
    view: get<LoafView>()('/api/loaves/:id', 'One loaf with its whole story'),
    record: taking<NewLoafEvent>()(create<LoafView>()('/api/loaves/:id/events', 'Record what happened to a loaf')),
    addPhoto: create<{ photoId: string }>()('/api/photos', 'Keep a photograph (JPEG, PNG or WebP as the body)'),
    photo: get<Blob>()('/api/photos/:id', 'A photograph'),
  },
  room: {
    trayCards: get<Blob>()('/api/loaves/:id/tray-cards.pdf', 'A card with a code for each tray of a loaf, to print'),
    rackCards: get<Blob>()('/api/room/rack-cards.pdf', 'A card with a code for each rack, to print'),
    list: get<readonly RoomDay[]>()('/api/room', 'The cure room by day, the last ninety days'),
    keep: taking<RoomReading>()(
      create<RoomDay>()('/api/room', 'Keep what the room’s sensor shows today; the last reading of a day holds'),
    ),
  },
} as const
