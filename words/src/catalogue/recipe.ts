/** Fats, lye, water, scent and what else a recipe holds. */
export const recipeWords = {
  no_fats: 'Choose at least one fat.',
  unknown_fat: 'Choose a fat from the table or one of your own.',
  fat_twice: '{fat} stands in the recipe twice. Put both shares in one line.',
  share_range: 'A share is more than 0 % and at most 100 %.',
  shares_short: 'The shares add up to {total}: {gap} is missing.',
  shares_over: 'The shares add up to {total}: {gap} is too much.',
  lye_exceeds_fats:
    'At {superfat} superfat, {fats} of fats get {surplus} more sodium hydroxide {hasKoh, select, yes {and {kohSurplus} more potassium hydroxide } other {}}than they can take. The lye left in the bar burns skin. Set the superfat to 0 % or more; 5 % is usual.',
  koh_share_range: 'Potassium hydroxide may be up to {most} of the alkali; with more the loaf does not set.',
  koh_purity_range: 'The purity of potassium hydroxide lies from {least} to {most}.',
  water_share_range: 'Say how much of {liquid} is water, from {least} to 100 %.',
  part_of_water_range: 'It brings more than 0 % and at most 100 % of the water.',
  too_much_liquid: 'The liquids bring {brought} of the water: {over} too much.',
  additive_range_bar: 'Of {additive} a bar takes up to {most}.',
  additive_range: 'Of {additive} a batch takes up to {most}.',
  acid_binds_lye:
    '{acid} takes up {bound} of the lye before the fats do (reckoned without water in it): the superfat becomes {superfat}. With so much more lye it stays {wished}.',
  acid_is_met:
    '{acid} takes up {bound} of the lye before the fats do (reckoned without water in it), and that is weighed on top: the superfat stays {wished}. Left out by mistake, it would be {without}.',
  sugar_heats:
    '{from} and what else brings sugar: {sugar} of the fats. It heats as it gels and may crack or rise: pour cool{gel, select, oven {, and leave the oven off} kept {, and cover it lightly} other {}}. (estimate)',
  liquid_brings_fat:
    'The fat of {from} comes on top, about {fat} of the fats: the superfat is more like {superfat}. (estimate)',
  alcohol_boils_off:
    '{liquid} holds alcohol, about {alcohol} of the fats: lye makes it boil over, and its vapour burns. Simmer it the day before, away from flames, until it is gone; cool it; weigh what is left. (estimate)',
  part_effect:
    '{effect, select, heats {heats} thickens {thickens sooner} browns {browns} colours {colours} hardens {sets harder} silky {feels silky} foams_more {more foam} foams_less {less foam} scrubs {scrubs} less_scum {less scum in hard water} other {keeps fats from going off}}',
  part_caution:
    '{caution, select, freeze_first {freeze it, and add the lye slowly} boil_off_alcohol {simmer off its alcohol first} go_flat {let it go flat} sieve {through a sieve} dissolve_first {dissolve it in the water before the lye} in_hot_lye {into the lye while it is hot} takes_lye {takes up lye: it is reckoned} scratches {coarse grains scratch} dust {a mask against its dust} spoils {fresh only; it shortens what a bar keeps} cool_fats {into fats barely warm, or it cooks} other {say that it is in, never that it heals}}',
  part_usually:
    'usually {least} to {most} {basis, select, water {of the water} batter {of the batter} bar {a bar} other {of the fats}}, {place, select, lye {in the lye} fats {in the fats} trace {at trace} other {at emulsion}}',
  part_makeup: '{share} {what, select, water {water} sugar {sugar} fat {fat} other {alcohol}}',
  salt_bar:
    'With salt at {salt} of the fats a loaf sets within hours and then breaks under the wire: cut it on the day of the pour while it is warm, or pour it into single cavities. (estimate)',
  salt_little_foam:
    'Salt keeps soap from lathering; lauric and myristic acid, as of much coconut, lather in spite of it. They are {foam} of these fats; from {least} it lathers. (estimate)',
  unnamed_liquid: 'the liquid',
  unnamed_additive: 'it',
  wetting_range: 'Wet it with up to 10 times its mass.',
  too_much_at_trace:
    '{atTrace} of the fats would go in at trace; without at least half of them at the start the lye does not come to trace.',
  liquid_to_the_lye:
    'Put {missing} of the water less into the fats or in at emulsion, or give that part of the liquid to the lye.',
  wet_less_or_weaker_lye: 'Use less for wetting, or make the lye weaker.',
  too_little_to_dissolve:
    'For {fats} of fats only {water} of water is left for {alkali} of alkali, which needs its own mass at least. {mend}',
  purity_range: 'The purity on an alkali’s certificate lies from {least} to {most}.',
  lye_too_strong:
    'Set the lye from {least} to {most}. Above {most} sodium hydroxide no longer dissolves at room temperature.',
  lye_too_weak: 'Set the lye from {least} to {most}. Below {least} the loaf stays soft for weeks and may not thicken.',
  superfat_range: 'Set the superfat from 0 % to {most}. With more, bars stay greasy and soft.',
  worst_case_has_lye_left:
    'If every fat is at the low end of its natural span, the true superfat is {superfat}: lye is left over. Raise the superfat, or reckon with your suppliers’ certificates.',
  scent_without_limit: '{scent} will be {ofBar} of the cured bar. Enter the limit from its certificate.',
  scent_above_limit:
    '{part} would be {ofBar} of the cured bar; its certificate allows {allowed}. At most {rate} of the fats {isBlend, select, yes {of {scent} } other {}}keeps to it.',
  saponification_range:
    'No fat takes {value} mg of KOH a gram: from {least} to {most} is possible. A value for NaOH is to be multiplied by 1.403.',
  saponification_order: 'It lies between the least and the most.',
  saponification_unexpected:
    'From its fatty acids one would expect about {expected} mg of KOH a gram (estimate), not {typical}. Look at the certificate once more.',
  density_range: 'The density of a liquid fat lies from {least} to {most}.',
  unsaponifiable_range: 'From 0 to 60 % of a fat does not saponify.',
  acids_range: 'The fatty acids add up to {total}; they make 100 % at the most.',
  certificate_of_another_fat:
    '{fat} takes {least} to {most} mg of KOH a gram. A value of {value} is of another fat, or in other units.',
  recipe_file_too_long: 'This file is too long for a recipe.',
  recipe_columns: 'The first line must name the columns: fat, and share or mass.',
  recipe_fat_count: 'A recipe has from 1 to {most} fats.',
  fat_name_unknown: '“{name}” is no fat of the table, nor one of your own.',
  fats_weigh_nothing: 'These fats weigh nothing.',
  recipe_part_changed: '{what} {before} → {after}',
  recipe_part:
    '{part, select, name {Name} at_trace {Fats at trace:} superfat {Superfat} lye {Lye} naoh_purity {Purity of sodium hydroxide} koh_share {Potassium hydroxide} koh_purity {Its purity} lye_school {When the lye is made:} gel_school {The first night’s heat:} scent_school {When the scent goes in:} blending {Blending} cure_school {The cure is over:} oven {Oven} meets_acids {Lye for its acids:} set_days {In the mould} other {Cure}}',
  liquid_in_recipe:
    '{part} of the water, {water} water itself, {place, select, emulsion {at emulsion} fats {in the fats} other {in the lye}}',
  additive_in_recipe:
    '{rate} {basis, select, bar {a bar} batter {of the batter} other {of the fats}}, {place, select, lye {in the lye} fats {in the fats} trace {at trace} other {at emulsion}}{isWetted, select, yes {, {wetted}} other {}}',
  wetted_in: 'wetted in {ratio} × {with, select, fat {fat} other {water}}',
  part_came_in: '{name} came in: {how}',
  part_went_out: '{name} went out',
  fat_came_in: '{fat} came in, {share}',
  fat_went_out: '{fat} went out, {share}',
  school_option:
    '{option, select, same_day {the same day, cooled} same_day_hot {the same day, used hot} night_before {the night before} kept {kept} avoided {avoided} last {last, after the colours} at_once {at once, at emulsion} brief {in short bursts} usual {until emulsion} long {well beyond emulsion} days {after its days} scale {by the scale} other {after its days and by the scale}}',
  no_fat: 'none',
  days_span: '{least}–{most} days',
  yes_or_no: '{is, select, yes {yes} other {no}}',
  recipe_notes_changed: 'The notes for next time',
  wish_fat: '{sense, select, at_most {at most} other {at least}} {limit} {fat}',
  wish_acids:
    '{sense, select, at_most {at most} other {at least}} {limit} {acids, select, polyunsaturated {polyunsaturates} foaming {quick foam (lauric and myristic)} other {firm acids (palmitic and stearic)}}',
  wish_liquid: '{sense, select, at_most {at most} other {at least}} {limit} liquid at {room}',
  wish_free_of: 'nothing {content, select, animal {of animals} palm {of palms} other {of nuts}}',
  wish_bar_cost: 'fats and lye under {limit} a bar',
} as const
