/** What will be noticed of a soap, what lies around it, and why. */
export const observationWords = {
  observed_minutes: 'about {likely} min',
  band_minutes: '{low} to {high} min',
  reason_thickens:
    'after emulsion, at {warmth} and without scent: {solid} of the fats are solid or soft, the lye has {lye}',
  observed_cuts: 'after about {likely}',
  band_cuts: '{low} to {high}',
  reason_cuts:
    '{saturated} saturated acids set it, with lye of {lye}{oven, select, yes { and a night in the oven} other {}}{helped, select, salt {; so much salt sets it within hours} lactate {; lactate hardens it sooner} other {}}',
  observed_foam:
    '{foam, select, little {little} rich {rich} other {good}}, after about {rubs, plural, one {# rub} other {# rubs}}',
  band_foam: '{low} to {high} rubs',
  reason_foam:
    '{quick} lauric and myristic acid make it, {ricinoleic} ricinoleic holds it{changed, select, scours {; clay or pumice takes some} sugar {; sugar adds to it} other {}}',
  observed_strips:
    '{feel, select, gentle {little: gentle to dry skin} strips {much: for oily skin and dishes} other {as soap does: clean skin}}',
  band_strips: 'so for {bars} of 10',
  reason_strips: '{stripping} short saturated chains carry off skin’s own oils, {superfat} superfat gives some back',
  observed_lasts: 'about {washes, plural, one {# wash} other {# washes}}',
  band_lasts: '{low} to {high}',
  reason_lasts:
    'of a bar of {bar}, dried between them: {firm} palmitic and stearic hardly dissolve, {quick} lauric and myristic do at once',
  observed_keeps: 'after about {months, plural, one {# month} other {# months}}',
  band_keeps: '{low} to {high} months',
  reason_keeps:
    '{tender} linoleic acid, with linolenic counted twice, takes up oxygen; {superfat} of the fats stay free',
} as const
