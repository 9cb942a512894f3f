/** Pour plans, working time and rehearsals. */
export const pourWords = {
  move_angle_range: 'The mould can be propped by up to {most}°.',
  move_turn_range: 'It can be turned by up to {most}° to either side.',
  move_count_range: 'Take from {least} to {most} of them.',
  move_length_range:
    '{figure, select, spreadMm {It spreads by} sizeMm {It is} peakMm {The peaks are} fallMm {It falls by} other {Its place is}} {least} at least, and {most} at the most.',
  move_wants_two_pots: 'Choose two pots at least, in the order they are poured.',
  move_pot_unknown: 'Choose a pot that the soap has.',
  cell_part_range: 'A cell without batter has no width. Pour more than nothing into each, and at most all of its pot.',
  move_part_range: 'Pour more than nothing and at most all of the pot.',
  move_wait_range: 'Wait from 0 to 600 minutes.',
  move_beside_mould: 'That is beside the mould, which is {width} wide.',
  move_beyond_mould: 'That is beyond the mould, which is {length} long.',
  embed_too_wide: 'It does not go into the mould, which is {width} wide.',
  embed_above_brim: 'That is above the brim, which is {height} high.',
  path_wants_two_points: 'Draw its path with two points at least.',
  path_leaves_mould: 'Its path leaves the mould. Keep it between the walls, the base and the brim.',
  line_leaves_mould: 'Its line along the loaf leaves the mould. Keep it between the walls and the ends.',
  too_many_moves: 'At most {most} moves fit a pour.',
  move_impossible: 'Move {move}: {fault}',
  pot_used_over: '{pot}: the moves pour {off} more than the pot holds.',
  pot_left_over: '{pot}: {off} are left over. Pour the rest, or make the pot smaller.',
  overflow:
    'Move {move}: the batter would stand {over} above the brim{isPropped, select, yes { on the high side. Prop the mould less, or pour less.} other {. Pour less, or take something out.}}',
  hard_to_tell:
    '{one} and {other} lie side by side and will be hard to tell apart {look, select, pour {while wet} day_1 {after a day} other {after four weeks}}: colour difference {difference}, {wanted} or more is wanted (estimate). Make one lighter, or part them by another.',
  soap_cooler: 'Soap at {cooler} instead of {now}',
  scent_last: 'Scent last, into the coloured pots',
  pots_fewer: '{fewer, plural, one {One pot fewer} =2 {Two pots fewer} other {# pots fewer}}',
  weaker_lye: 'A lye of {weaker} instead of {now}',
  blend_less: 'Blend in brief bursts, to emulsion only',
  solids_fewer: 'Ten per cent fewer solid fats',
  no_waits: 'No waits between the moves',
  factor:
    '{factor, select, temperature {Temperature} lye {Lye concentration} solid {Solid fats} blending {Blending} sugar {Sugar or honey} milk {Milk} fruit {Fruit} oats {Oats} clay {Clay} other {White pigment}}',
  factor_reason:
    '{factor, select, temperature {warm batter thickens sooner} lye {less water thickens sooner} solid {solid fats thicken sooner, more so as they cool} blending {each burst of the blender takes time away} sugar {sugars heat the batter} milk {its sugar and fat heat the batter and thicken it} fruit {its sugars and acids thicken the batter} oats {they take up water} clay {it takes up water} other {a dense powder thickens its pot}}',
  scent_reason:
    '{behaviour, select, slows {it slows the batter} calm {it leaves the batter alone} speeds {it speeds the batter} races {it makes the batter race} curdles {it curdles: blend it smooth again, which costs time} other {nobody here has seen yet what it does}}{isBlend, select, yes {; scents of a blend do not cancel out} other {}}',
  rehearsal_fell_back:
    '{couldFinish, select, yes {You fell back, and this batter would have waited: going on was right.} other {You fell back, and rightly: this batter could not have been finished.}}',
  rehearsal_too_thick:
    '{moves, plural, one {One move} other {# moves}} came when the batter was too thick. {couldFinish, select, yes {Without lost time the plan can be finished.} other {Falling back was right here.}}',
  rehearsal_too_thin: '{moves, plural, one {One move} other {# moves}} came too early: wait until the batter holds.',
  rehearsal_right: 'Every move came at its trace.',
} as const
