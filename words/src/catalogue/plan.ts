/** Collections, orders and what sold. */
export const planWords = {
  no_price: 'No price is known for {names}; the sum leaves {count, plural, one {it} other {them}} out.',
  trays_filled: '{loaves} × {mould}',
  loaves_cut_at: '{loaves} × {mould} at {thickness}',
  quote_option: '{loaves}, {bars, plural, one {# bar} other {# bars}}',
  same_scent: '{one} and {other} carry the same scent, {scent}.',
  same_scent_family: '{one} and {other} both smell {family}. Give one of them another family.',
  same_palette:
    '{one} and {other} look alike: colour difference {difference}, {wanted} or more is told apart on a stall (estimate).',
  claim_broken:
    '{soap} is not {claim, select, vegan {vegan} palm_free {palm-free} nut_free {free of nuts} other {{own}}}: {ingredient}. Change it, check its certificate, or drop the promise.',
  channel_sold:
    '{channel}: {isSoldOut, select, yes {{offered, plural, one {the one bar} other {all # bars}}} other {{sold} of {offered, plural, one {# bar} other {# bars}}}} sold in {days}.',
  channel_demand:
    '{channel}: {low} to {high} bars would sell in {window}, most likely {likely} (on sale {releases, plural, one {once} other {# times}}, sold out {often, select, never {never} always {each time} other {{soldOut} of {releases}}}; estimate).',
} as const
