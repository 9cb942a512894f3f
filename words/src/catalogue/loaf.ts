import { faultKeys } from '@vendange/core/cutting'
import { faultWords } from '../labels/loaf'

/** What each fault is called, as branches of a choice, the last for the rest: its name stands in the table of faults alone. */
const faultNames = faultKeys
  .map((key, at) => `${at === faultKeys.length - 1 ? 'other' : key} {${faultWords[key].name}}`)
  .join(' ')

/** The life of a loaf and its release. */
export const loafWords = {
  bars_outweigh_loaf:
    '{bars, plural, one {# bar} other {# bars}} of {first} weigh more than the {batter} of batter in this loaf. Check the count and the mass of the first bar.',
  scrap_outweighs_loaf: 'All its scrap would weigh more than the loaf did.',
  pieces_outweigh_loaf:
    'Bars, ends and other pieces together weigh more than the {batter} of batter in this loaf. Check the counts.',
  scrap_beside_bars:
    'Its bars and its scrap together would weigh more than the loaf did. If it came off the bars, write down first how they were finished.',
  scrap_is_gone: 'Only {left} of it are in the bin.',
  heavier_than_before:
    'That is {more} heavier than on {day}, and a bar only dries. Is it the marked bar? Weigh it again, or say that you are sure.',
  nothing_noticed: 'Say at least one thing that was noticed.',
  fault_name: `{fault, select, ${faultNames}}`,
  fault_is_not_open: '{fault} is not open on this loaf.',
  more_than_cut: 'Only {bars, plural, one {one bar was} other {# bars were}} cut from this loaf.',
  more_than_unreleased: 'Only {bars, plural, one {one bar is} other {# bars are}} left to be released.',
  more_than_there_are: 'Only {bars, plural, one {one bar is} other {# bars are}} left for that.',
  loaf_is_recalled: 'It was called back: {reason}',
  not_enough_bars: 'Only {bars, plural, one {one bar is} other {# bars are}} free.',
  not_allotted: 'Only {bars, plural, one {one bar is} other {# bars are}} set aside there and not sold.',
  loaf_is_released: 'This loaf is released: its record is not edited. Write an amendment.',
  event_out_of_order:
    'This loaf is {status, select, in_mould {still in its mould} unmoulded {unmoulded but not cut} curing {cut and curing} held {held} failed {recorded as failed} other {released}}; it cannot be {event, select, unmoulded {unmoulded} cut {cut} weighed {weighed} tried {tried} turned {turned} scrapped {scrapped} finished {finished} downgraded {downgraded} held {held} failed {failed} released {released} moved {moved} photographed {photographed} noted {noted} fault_found {given a fault} fault_closed {cleared of a fault} scrap_used {used as scrap} allotted {allotted} given_back {given back} sold {sold} recalled {recalled} other {amended}} now.',
  day_ahead: 'That day has not come yet.',
  day_before_cause:
    'That is before {day}, when the loaf was {was, select, unmoulded {unmoulded} cut {cut} released {released} other {poured}}.',
  no_bar_weighed: 'No bar has been weighed yet.',
  weighing_is_old: 'The last weighing is {age} old. Weigh the marked bar again.',
  bar_against_label: '{bar} on {day}; the label says {label}.',
  too_few_weighings: 'Too few weighings to tell.',
  levelled:
    '{levelled, select, yes {Lost less than 0.5 % in the last 7 days.} other {Still losing 0.5 % or more in 7 days: it will weigh less on the shelf.}}',
  faults_hold_back: '{faults}: close it first.',
  faults_open: 'Open: {faults}. Tell the buyer, or close it.',
  no_fault_open: 'None open.',
  lots_called_back: 'Called back: {lots}.',
  no_lot_called_back: 'No lot in it was called back.',
  ph_missing: 'Enter what the strip shows; {least} to {most} is usual (estimate; a strip is a rough measure).',
  ph_shown: 'pH {ph}; {least} to {most} is usual (estimate; a strip is a rough measure).',
  cure_day: 'Day {day} of {of}{isOver, select, yes {} other {; over on {readyDay}}}.',
  release_check: '{check}: {finding}',
  bevelling_charge: 'Bevelling {bars, plural, one {# bar} other {# bars}} of lot {lot}',
  not_cut_yet: 'Not cut yet.',
  look_sound: 'No orange spots, ash, cracks or soft core.',
  label_lacks: 'Not complete: it lacks {parts}{hasUnnamed, select, yes { {unnamed}} other {}}.',
  label_part:
    '{part, select, name {the name of the soap} net_mass {its net mass} maker {the maker’s address} ingredients {its ingredients} other {the INCI names of}}',
  label_cleared: 'Complete, and cleared as local law asks; a licensed assessor decides where one is required.',
  sales_file_too_long: 'That file is too large for a table of sales.',
  subscribers_file_too_long: 'That file is too large for a list of subscribers.',
  subscribers_columns: 'The heading lacks {missing}.',
  subscriber_twice: '{name} is there twice.',
  subscriber_bars_range: 'bars a month are a whole number from {least} to {most}.',
  sales_columns: 'The heading lacks {missing}.',
  sale_no_day: 'write a day like 2027-03-08.',
  sale_no_soap: 'say which soap.',
  sale_bars_range: 'bars are a whole number from 1.',
  sale_channel_unknown: 'a channel is one of {channels}.',
  sale_price_unread: 'the price cannot be read.',
} as const
