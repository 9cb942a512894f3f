/** Scaling a batch to its moulds, and what weighing it brings up. */
export const batchWords = {
  batch_too_large:
    'These moulds would take {fats} of fats, and one batch is of {most} at the most. Fill fewer at once.',
  below_scale:
    '{fat} would be less than half a step of the scale, which shows every {step}. Use a finer scale or fill more moulds.',
  wetting_takes_lye_water:
    'Wetting the colours takes {taken} of the water and leaves {left} for {alkali} of alkali, which needs its own mass at least. Wet them in fat, in less water, or make the lye weaker.',
  fill_another_mould: 'Fill another mould.',
  cut_thinner_or_fill_another: 'Cut them {thickness} thick, or fill another mould.',
  bars_short: '{missing} of {wanted, plural, one {# bar is} other {# bars are}} missing. {mend}',
  bar_below_label:
    'A cured bar comes to about {cured} (estimate), below the {label} on its label. Cut thicker or fill higher.',
  moulds_too_small: '{left} of it do not fit these moulds filled to the brim. Take another mould for it.',
  too_little_batter: 'That is too little batter to cover the bottom of these moulds. Take a smaller mould.',
  cavities_set_bar_mass: 'The cavities of a tray set the mass of its bars.',
  no_cut_of_log_fits: 'No cut of this log comes to that mass. Take another mould.',
  brim_stays_lighter: 'Filled to its brim of {brim} a bar stays lighter. Cut them {thickness} thick.',
  mould_gives_no_bar: 'This mould gives no bar at its cut.',
  pot_too_small:
    '{batterMl} of batter do not fit the largest pot of {potMl}. Make it in {pots} parts of {batter}, each of {fats} of fats with its own lye.',
  jug_too_small:
    '{lyeMl} of lye do not fit the jug of {jugMl}. Dissolve it in {jugs} jugs, {alkali} of alkali into {water} of water each.',
  pots_above_batter:
    'The pots ask for {over} more than the {batter} of batter. Make a pot smaller or fill more moulds.',
  simmer_off:
    'Simmer the alcohol off the {liquid}, well aired and away from flames, so that {massG} are left; let it cool.',
  sieve_it: 'Make the {part} smooth and put it through a sieve: {massG}.',
  freeze_in_cubes: 'Freeze {massG} of {liquid} in cubes.',
  set_colourants_out: 'Set the colourants out, each beside its jug; sieve what clumps.',
  prepare_the_bench: 'Line the moulds, charge the scale, see that goggles and gloves are whole.',
  make_the_lye: 'Make the lye as below, when nobody else needs the room.',
  leave_for_the_night:
    '{night, select, oven {Leave the oven shut and off; nobody bakes in it before the mould is out and the air is clear.} kept {Leave it covered. A warm middle is right; a crack or a rising top wants air.} other {Leave it cool and uncovered.}}',
  wash_with_gloves: 'Wash pots and tools with gloves on: what sticks to them is still lye for a day.',
  press_and_unmould:
    'Press its side with a gloved finger and unmould when it is cold and firm. Planned for {cutDay}: {bars, plural, one {# bar} other {# bars}}.',
  on_the_rack_until: 'On the rack until {readyDay}; weigh a marked bar every week.',
  cut_thinner: 'Cut them {thickness} thick',
  cut_thinner_fill_higher: 'Cut them {thickness} thick and fill to {fill}',
  fill_moulds: 'Fill {count} × {mould}',
  make_batches: '{batches, plural, one {Pour it in # batch} other {Pour it in # batches}}',
  pour_into_other: 'Pour into {count, plural, one {{mould}} other {# × {mould}}}',
  fat_went_in_off: '{fat} went in {off} {way, select, over {over} other {under}}.',
  lye_was_weighed_for_it: 'The lye was weighed for it; the superfat is {superfat}.',
  lye_was_weighed: 'The lye was weighed already: the superfat is now {superfat}.',
  lye_follows_fats: 'The lye is now {lye} and the water {water}; the superfat is {superfat}.',
  fat_off_plan: '{told}',
  lye_off_plan: 'The lye went in {way, select, over {over} other {under}}: the superfat is now {superfat}. {mend}',
  weighed_lye_exceeds_fats: 'The lye is more than these fats can take: superfat {superfat}. Do not go on. {mend}',
  worst_case_of_weighed_lye: 'At the low end of the fats’ natural span the superfat is {superfat}.',
  more_lye_brings_back: '{lye} more sodium hydroxide in {water} of water brings it back to {superfat}.',
  more_fat_brings_back: '{massG} more {fat} brings it back to {superfat}.',
  left_range: 'This must be from 0 to less than the {made} that were made.',
  weighing_range: 'Weigh more than 0, and at most {most}.',
  mass_implausible: '{actual} is far from the {target} asked for. Check the unit and the tare, then weigh again.',
  take_back_out: 'Take {over} back out of the dry cup.',
  add_missing_fat: 'Add the missing fat before going on.',
  weighing_exceeds_fats:
    'That is more alkali than these fats can take (superfat {superfat}); it would burn skin. {mend}',
  water_below_lye: 'Less water than alkali does not dissolve it. Add water to the jug.',
  unknown_step: 'This pour has no such step.',
  step_out_of_order: 'First comes: {first}.',
  figure_missing: 'Enter what the scale or the probe shows.',
} as const
