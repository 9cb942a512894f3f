import { create, get, post, put, remove, taking } from '../endpoint'
import type { OfVersion } from '../endpoint'
import type { BatchMove, BatchPin, NewBatch, SoapPours } from '../schemas/plan'
import type { InstrumentCommand, NewStep, TimingSetAside } from '../schemas/work'
import type { BatchSummary, BatchView, TimedPourView } from '../views'

/** Pours: on the calendar and at the bench, with its instruments. */
export const pourEndpoints = {
  batches: {
    create: taking<NewBatch>()(create<BatchSummary>()('/api/batches', 'Put a pour on a day')),
    planSoap: taking<SoapPours>()(
      post<readonly BatchSummary[]>()(
        '/api/batches/of-soap',
        'Plan all pours of a soap at once, in the place of those that were planned',
      ),
    ),
    move: taking<BatchMove>()(put<BatchSummary>()('/api/batches/:id', 'Move a pour to another day')),
    pin: taking<BatchPin>()(post<BatchSummary>()('/api/batches/:id/pin', 'Pin a pour to its days, or let it go')),
    remove: taking<OfVersion>()(remove<BatchSummary>()('/api/batches/:id', 'Take a planned pour off the calendar')),
    restore: taking<OfVersion>()(post<BatchSummary>()('/api/batches/:id/restore', 'Put a pour back on the calendar')),
    view: get<BatchView>()('/api/batches/:id', 'One batch: its plan and what was recorded at the bench'),
    runSheet: get<Blob>()('/api/batches/:id/run-sheet.pdf', 'The run sheet of a batch, to print'),
    record: taking<NewStep>()(post<BatchView>()('/api/batches/:id/steps', 'Record a step done at the bench')),
    timings: get<readonly TimedPourView[]>()(
      '/api/pour-timings',
      'Every pour whose clock was started: what it was made of and how fast it thickened',
    ),
    setTimingAside: taking<TimingSetAside>()(
      post<readonly TimedPourView[]>()(
        '/api/batches/:id/timing',
        'Say why a timed pour is not learned from, or that it is again',
      ),
    ),
    finish: post<BatchView>()('/api/batches/:id/finish', 'Finish the pour: its loaves get their lot codes'),
  },
  instruments: {
    lines: get<Blob>()(
      '/api/instruments/:name/lines',
      'Readings of the scale or the probe, a line an event (see docs/formats/scale-and-probe.md)',
    ),
    command: taking<InstrumentCommand>()(
      post<{ readonly line: string }>()(
        '/api/instruments/:name',
        'Tell the scale or the probe what to do, such as tare',
      ),
    ),
  },
} as const
