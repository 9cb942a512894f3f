/** The calendar: what a day, a mould, the oven or a rack lacks, and why a pour moved. */
export const seasonWords = {
  too_early: '{soap} cannot be poured before {earliest}: what it needs is not there yet.',
  set_days: '{soap} would be cut {set} after its pour; it wants {least} to {most}.',
  no_day_to_prepare: '{soap}: there is no working day left before it to prepare on.',
  outside: '{soap} stands on a day that is past, or beyond the season.',
  missing: '{soap} has no day yet.',
  impossible_placement: '{soap} stands in the plan in a way that cannot be.',
  hours: '{day}: {asked} planned, {there} there.',
  moulds: '{day}: {asked} × {mould} in use, the workshop has {there}.',
  oven: '{day}: {asked, plural, one {# mould} other {# moulds}} for the oven, it holds {there}.',
  trays:
    '{day}: {asked, plural, one {# tray} other {# trays}} on the racks, there {there, plural, one {is #} other {are #}}.',
  was_late: 'It was {late} late.',
  no_such_mould_here: 'The workshop has none of this mould. Choose another, or say in the stores how many there are.',
  more_moulds_than_here:
    'It asks for {wanted, plural, one {# mould} other {# moulds}} of this kind; the workshop has {there}.',
  mould_taken: '{day}: the mould is taken by {names}; free again on {freeAgain}.',
  day_is_past: '{day} is past. Choose today or a later day.',
  day_too_far: 'That day is more than {most} away. Choose a nearer one.',
  cut_before_pour: 'It is cut after it is poured.',
  cut_too_late: 'It would stand in its mould for {set}. Choose an earlier day to cut.',
  no_free_day: '{soap} finds no free day in time, from {from} to {to}: {rules}.',
  no_day_for:
    '{why, select, incomplete {{soap} cannot be planned: choose its recipe and its mould.} other {{soap} was needed before today. Give its collection a new moment to plan it.}}',
  last_day_went_by: 'To be ready in time {soap} had to be poured by {latest}.',
  earliest_after_latest:
    '{soap} cannot be poured before {earliest}, and had to be poured by {latest} to be ready in time.',
  in_the_way:
    '{rule, select, hours {too few hours on {days}} moulds {{mould} is not free on {days}} oven {the oven is full on {days}} trays {the racks are full on {days}} other {no working day to prepare on before {days}}}',
  days_from_to: '{from} to {to}',
  more_days: '{more, plural, one {one more day} other {# more days}}',
  smallest_change: 'The smallest change that frees a day: {changes}. Then it is poured on {pour}.',
  more_hours: '{more} more on {day}',
  more_oven: 'room for {more, plural, one {one more mould} other {# more moulds}} in the oven on {day}',
  more_trays: '{more, plural, one {one more tray} other {# more trays}} from {from} to {to}',
  more_moulds: '{more, plural, one {one more mould} other {# more moulds}} like {mould}',
  more_moulds_or_move:
    '{more, plural, one {one more mould} other {# more moulds}} like {mould} from {from} to {to}, or another day for {names}',
  promise_broken: '{client} was promised for {promised}. With this it is ready on {ready}, {late} late.',
  promise_loses_pour:
    '{client} was promised for {promised}. With this it loses {pours, plural, one {a pour} other {# pours}}.',
  promise_late:
    '{client} was promised for {promised}; as the calendar stands it is ready on {ready}, {late} late. Move a pour, or agree on another day.',
  season_days: 'A season has at least one day.',
  prep_ahead_whole: 'A batch is prepared one day before its pour or more, in whole days.',
  season_hours: 'Every day of the season needs its hours, 0 or more.',
  season_setup: 'Set-up takes 0 hours or more.',
  not_whole_from_0: 'This is a whole number from 0.',
  batch_twice: 'The batch {batch} stands in the season twice.',
  batch_moulds: 'The batch {batch} needs moulds that the workshop knows.',
  batch_hours: 'The hours of batch {batch} must be 0 or more.',
  batch_set_days: 'The days in the mould of batch {batch} must be from 1, the longest at least the shortest.',
  batch_days: 'The days and trays of batch {batch} must be whole numbers.',
  no_event_found: 'No event was found: is this an .ics file?',
  zone_unknown: 'The time zone “{zone}” is not known; its times are read as {readAs}.',
  event_unread: 'The event at line {line} could not be read and is left out.',
} as const
